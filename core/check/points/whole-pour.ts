import { cornersOf } from '#core/setout';
import { isPlain } from '#core/model';
import { distanceText, MPA_PER_PSI } from '#core/units';
import { CONSOLIDATION_WORDS, formSystemOf } from '#core/formwork';
import { look, once } from './places.ts';
import type { Draft, ListContext } from './types.ts';

/** A pour that begins after this may run into dusk, minutes before it. */
const LONG_POUR_MIN = 300;

const access = (kind: string, title: string, advice: string): Draft =>
  look(kind, title, 'access', advice);

/** A pour that closes a rectangle: its diagonals, once. */
function squareDraft(c: ListContext): Draft[] {
  const { site, pour, rules } = c;
  const [square] = cornersOf(site, pour.elements);
  if (!square) return [];
  const [a = '', b = '', c3 = '', d = ''] = square.corners;
  return [
    {
      kind: 'square',
      title: `Diagonals ${a} to ${c3}, ${b} to ${d}: how far apart`,
      trade: 'forms',
      wanted: {
        type: 'size',
        what: 'square',
        wantedMm: 0,
        minusMm: 0,
        plusMm: rules.square.plusMm,
      },
      places: once,
      corners: square.corners,
      source: `both ${distanceText(square.diagonalM, site.units)} on the drawing`,
      toleranceSource: rules.square.source,
      advice: 'Read all four sides too, on Set out: it says what to move, and counts here.',
    },
  ];
}

/** The bars are of the grade that was drawn: rolled on them, and on the mill's certificate. */
function gradeDraft({ site, pour, rules }: ListContext): Draft[] {
  const own = new Set(pour.elements);
  const types = [...site.footingTypes, ...site.wallTypes].filter((t) => !isPlain(t));
  const reinforced =
    site.runs.some((r) => own.has(r.id) && types.some((t) => t.mark === r.type)) ||
    [...site.pads, ...site.piers].some((p) => own.has(p.id) && p.steel);
  if (!reinforced) return [];
  const asked =
    site.ruleProfile === 'us-aci'
      ? `Grade ${Math.round(rules.barGradeMPa / MPA_PER_PSI / 1000)}`
      : `B${Math.round(rules.barGradeMPa)}`;
  return [
    look(
      'grade',
      'Grade of the bars, mill tags',
      'steel',
      `${asked} rolled on the bars and on their tags; certificate with the heat number kept.`,
    ),
  ];
}

/** Access, people and hardware: what belongs to the pour and to no single run. */
export function wholePourDrafts(c: ListContext): Draft[] {
  const { site, pour, duskMin } = c;
  const forms = formSystemOf({ site, pour });
  const walls = site.runs.some((r) => r.kind === 'wall' && pour.elements.includes(r.id));
  const wet = site.anchors.some((a) => a.wetSet && pour.elements.includes(a.elementId));
  return [
    ...squareDraft(c),
    ...gradeDraft(c),
    {
      ...access(
        'stand',
        'Pump and trucks stand',
        'Ground bears the outriggers, mats under them, back from the excavation by its own depth. Way in and out for trucks, somebody to back them.',
      ),
      danger: 'outriggers',
    },
    {
      ...access(
        'wires',
        'Overhead wires',
        'None within reach of the boom, or the distance of your rules kept and watched.',
      ),
      danger: 'wires',
    },
    access(
      'washout',
      'Washout and left-over',
      'A lined place to wash out, and a form ready for what is left over.',
    ),
    access(
      'crew',
      'Crew, tools and roles',
      `Hose, level, strike-off, truck and tester named. ${walls ? CONSOLIDATION_WORDS[forms?.consolidation ?? 'vibrator'] : 'Float and screed to hand.'} Heavy jobs rotate.`,
    ),
    {
      ...access(
        'guard',
        'Eyes, hands, bars',
        'Glasses, gloves and boots on; eye wash at hand; upright bars capped; pipes and drains covered against splash. Vibrators on a GFCI; heaters vented, nobody in their fumes.',
      ),
      danger: 'bars',
    },
    access(
      'hardware',
      'What is not yet in is at hand',
      `${wet ? 'Wet-set bolts, their template and layout; ' : ''}hangers, straps, inserts and blocks: on site, not on order.`,
    ),
    ...(pour.date && duskMin !== undefined && pour.settings.firstLoadMin + LONG_POUR_MIN > duskMin
      ? [access('lights', 'Lights', 'The pour can run past dusk: lights and fuel on site.')]
      : []),
  ];
}
