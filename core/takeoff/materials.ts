import {
  bracePlaces,
  foamBlocks,
  formSystemOf,
  tieJoints,
  tiesAtJoint,
  walerRows,
} from '#core/formwork';
import {
  lengthOf,
  type Pad,
  type Pier,
  pierHeightM,
  type PourDoc,
  type Run,
  runOf,
  type SitePlan,
  wallHeightM,
} from '#core/model';
import { resultOf } from '#core/kit';
import { trenchFill } from '#core/setout';
import { padMatKg } from '#core/steel';
import { type RuledSite, type RuleId, rulesOf } from '#core/rules';
import {
  area,
  distanceText,
  L_PER_GAL,
  lengthText,
  mass,
  type Quantity,
  textOf,
} from '#core/units';
import { takeOffOf } from './takeoff.ts';

/** Something to be ordered or counted out for a run, and how it was reckoned. `quantity` null: pieces. */
export interface Material {
  elementId: string;
  item: string;
  amount: number;
  quantity: Quantity | null;
  basis: string;
}

/** Braces of a wall without a form system, m apart (8 ft, trade practice). */
const BRACE_M = 2.4384;
/** A stake each so many metres of form board (2 ft, trade practice). */
const STAKE_M = 0.6096;
/** What a litre of release agent covers, m² (trade practice; its maker's sheet rules). */
const AGENT_M2_PER_L = 12;

/** What is reckoned with for one element, and where what is found goes. */
interface Reckoning {
  site: SitePlan & RuledSite;
  pour: Pick<PourDoc, 'elements' | 'forms'>;
  forms: ReturnType<typeof formSystemOf>;
  rule: (id: RuleId) => number;
  /** Puts an item down, unless there is none of it. */
  add: (item: string, amount: number, quantity: Quantity | null, basis: string) => void;
}

function addFooting({ site, rule, add }: Reckoning, run: Run): void {
  const type = site.footingTypes.find((t) => t.mark === run.type);
  if (!type) return;
  const lengthM = lengthOf(site, run);
  const everyM = rule('chairEvery');
  add(
    'chairs',
    Math.ceil((lengthM / everyM) * type.continuous.count - 1e-9),
    null,
    `one a bar each ${distanceText(everyM, site.units)}`,
  );
  if (type.unformed) return;
  add('form boards', 2 * lengthM, 'M', 'both sides, used again');
  add(
    'stakes',
    2 * Math.ceil(lengthM / STAKE_M - 1e-9),
    null,
    `each ${distanceText(STAKE_M, site.units)}, both sides`,
  );
}

function addPad({ site, rule, add }: Reckoning, pad: Pad): void {
  const { units } = site;
  const grid = (everyM: number) =>
    Math.max(2, Math.ceil(pad.widthM / everyM - 1e-9)) *
    Math.max(2, Math.ceil(pad.lengthM / everyM - 1e-9));
  const chairM = rule('chairEvery');
  add('chairs', grid(chairM), null, `one every ${distanceText(chairM, units)} both ways`);
  if (pad.steel?.topEachWay) {
    const everyM = rule('benchEvery');
    const kg = padMatKg(pad, 'top');
    const byMass = Math.ceil(kg / rule('benchLoad') - 1e-9);
    const basis =
      byMass > grid(everyM)
        ? `the top mat weighs ${textOf(mass(kg, units))}, ${textOf(mass(rule('benchLoad'), units))} on each`
        : `one every ${distanceText(everyM, units)} both ways under the top mat`;
    add('benches', Math.max(grid(everyM), byMass), null, basis);
  }
  add('form boards', 2 * (pad.widthM + pad.lengthM), 'M', 'all round, used again');
}

function addPier({ add }: Reckoning, pier: Pier): void {
  if (pier.diameterM !== undefined)
    add('tube forms', pierHeightM(pier), 'M', 'by height, cut to the mark');
  add('braces', 2, null, 'two ways');
}

/**
 * Ties, panels or blocks, walers and braces of a wall, as its form system says; without one, braces
 * by the usual spacing.
 */
function addWall({ site, pour, forms, add }: Reckoning, run: Run): void {
  const lengthM = lengthOf(site, run);
  if (!forms) {
    const basis = `each ${distanceText(BRACE_M, site.units)}`;
    add('braces', bracePlaces(lengthM, BRACE_M).length, null, basis);
    return;
  }
  if (run.topM === undefined) return;
  const heightM = wallHeightM(run);
  const ties = tiesAtJoint(forms, heightM);
  const joints = ties > 0 ? tieJoints(site, pour, run, lengthM, forms.panelWidthM).length : 0;
  add('ties', joints * ties, null, `${ties} a joint and corner piece, the maker’s count`);
  if (forms.kind === 'foam') {
    const { courses, blocks } = foamBlocks(forms, run, lengthM);
    add('foam blocks', blocks, null, `${courses} courses, openings not taken off`);
  } else {
    const panels = 2 * Math.ceil(lengthM / forms.panelWidthM - 1e-9);
    add('panels', panels, null, 'both faces, used again');
  }
  const rows = walerRows(forms, heightM);
  add('walers', rows * lengthM, 'M', `${rows} rows, used again`);
  if (forms.brace)
    add('braces', bracePlaces(lengthM, forms.brace.spacingM).length, null, 'by their spacing');
}

function addAgent({ site, add }: Reckoning, formM2: number): void {
  const basis =
    site.units === 'us'
      ? `a gallon each ${textOf(area(AGENT_M2_PER_L * L_PER_GAL, site.units))}`
      : `a litre each ${textOf(area(AGENT_M2_PER_L, site.units))}`;
  add('release agent', formM2 / AGENT_M2_PER_L, 'L', basis);
}

function addDrain({ site, add }: Reckoning, lengthM: number): void {
  const sideM = site.units === 'us' ? 0.3048 : 0.3;
  const { gravelM3, fabricM2, pipeM } = resultOf(trenchFill, {
    lengthM,
    widthM: sideM,
    depthM: sideM,
  });
  const basis = `a trench ${lengthText(sideM * 1000, site.units)} wide and deep; measure yours`;
  add('drain pipe', pipeM, 'M', basis);
  add('gravel', gravelM3, 'M3', basis);
  add('filter fabric', fabricM2, 'M2', basis);
}

const ANCHOR_ITEMS = [
  ['bolt', 'anchor bolts'],
  ['holdDown', 'hold-downs'],
  ['dowel', 'dowels'],
] as const;

function addCastIn(r: Reckoning, id: string): void {
  for (const d of r.site.embeds)
    if (d.elementId === id && d.kind === 'drain' && d.toM !== undefined) addDrain(r, d.toM - d.atM);
  const anchors = r.site.anchors.filter((x) => x.elementId === id);
  for (const [kind, item] of ANCHOR_ITEMS)
    r.add(item, anchors.filter((x) => x.kind === kind).length, null, 'on the drawing');
}

/**
 * What a pour takes besides concrete and bars: chairs, boards and stakes, ties, walers, braces,
 * anchors, release agent.
 */
export function materialsOf(
  site: SitePlan & RuledSite,
  pour: Pick<PourDoc, 'elements' | 'forms'>,
): Material[] {
  const rules = rulesOf(site);
  const forms = formSystemOf({ site, pour });
  const formM2 = new Map(takeOffOf(site).elements.map((e) => [e.id, e.formM2]));
  return pour.elements.flatMap((id): Material[] => {
    const out: Material[] = [];
    const r: Reckoning = {
      site,
      pour,
      forms,
      rule: (rule) => rules.value(rule),
      add: (item, amount, quantity, basis) => {
        if (amount > 0) out.push({ elementId: id, item, amount, quantity, basis });
      },
    };
    const run = runOf(site, id);
    const pad = site.pads.find((x) => x.id === id);
    const pier = site.piers.find((x) => x.id === id);
    const wall = run?.kind === 'wall';
    if (run && !wall) addFooting(r, run);
    if (pad) addPad(r, pad);
    if (pier) addPier(r, pier);
    if (run && wall) addWall(r, run);
    // Foam stays on: nothing is released from it.
    if (!(wall && forms?.kind === 'foam')) addAgent(r, formM2.get(id) ?? 0);
    addCastIn(r, id);
    return out;
  });
}
