import { lengthOf, pierHeightM, runOf, wallHeightM } from '#core/model';
import { entries, type PourState } from '#core/log';
import { checkRules } from '../rules.ts';
import { anchorDrafts } from './anchors.ts';
import { footingDrafts } from './footings.ts';
import { padDrafts } from './pads.ts';
import { joinDrafts } from './joins.ts';
import { pierDrafts } from './piers.ts';
import { once } from './places.ts';
import { stretchesOf, type Stretch } from './stretches.ts';
import { WHOLE_POUR, type CheckPoint, type Draft, type ListContext } from './types.ts';
import { embedDrafts } from './openings.ts';
import { wallDrafts } from './walls.ts';
import { wholePourDrafts } from './whole-pour.ts';

export { WHOLE_POUR, TRADES, type CheckPoint, type Wanted } from './types.ts';
export { typeChanges } from './joins.ts';

type Source = Omit<ListContext, 'rules' | 'stretches'>;

const LEAST_COVER_SOURCE = {
  'us-aci': 'ACI 318-19 table 20.5.1.3.1',
  'metric-en': 'EN 1992-1-1 §4.4.1.3',
} as const;
const COVER_SOURCE = { aci117: 'ACI 117 §2.2.2', en13670: 'EN 13670 §10.6' } as const;

/** Where the wanted figure of a draft comes from. */
function sourceOf(d: Draft, drawing: string, c: ListContext, coverUsual = false): string {
  if (d.source) return d.source;
  if (d.wanted.type === 'eye') return 'trade practice';
  return d.wanted.type === 'cover' && coverUsual
    ? `usual, none given: ${LEAST_COVER_SOURCE[c.site.ruleProfile]}`
    : drawing;
}

const named =
  (elementId: string, drawing: string, c: ListContext, coverUsual?: boolean) =>
  (d: Draft): CheckPoint => ({
    ...d,
    id: `${elementId}/${d.kind}`,
    elementId,
    why: d.why ?? 'once',
    source: sourceOf(d, drawing, c, coverUsual),
    toleranceSource:
      d.toleranceSource ?? (d.wanted.type === 'cover' ? COVER_SOURCE[c.rules.coverProfile] : null),
  });

/** A check of the longest run of a stretch, read for all of them. */
const forStretch = (d: Draft, { members }: Stretch): Draft => ({
  ...d,
  covers: members,
  why: `${d.why ?? 'once'}, for ${members.join(', ')} together`,
});

function elementPoints(elementId: string, c: ListContext): CheckPoint[] {
  const { site } = c;
  const pad = site.pads.find((p) => p.id === elementId);
  if (pad)
    return [
      ...padDrafts(pad, c).filter(hasCover),
      ...anchorDrafts(elementId, undefined, c),
      ...embedDrafts(elementId, c),
    ].map(
      named(elementId, pad.type ? `schedule, ${pad.type}` : 'schedule', c, pad.steel?.coverUsual),
    );
  const pier = site.piers.find((p) => p.id === elementId);
  if (pier)
    return [
      ...pierDrafts(pier, c).filter(hasCover),
      ...anchorDrafts(elementId, pierHeightM(pier), c),
      ...embedDrafts(elementId, c),
    ].map(named(elementId, 'schedule', c, pier.steel?.coverUsual));
  const run = runOf(site, elementId);
  const lengthM = run ? lengthOf(site, run) : 0;
  if (!run || lengthM <= 0) return [];
  const wall = site.wallTypes.find((t) => t.mark === run.type);
  const footing = site.footingTypes.find((t) => t.mark === run.type);
  const stretch = c.stretches.get(elementId);
  const readM = stretch?.lengthM ?? lengthM;
  const ofWall = wall ? wallDrafts(run, lengthM, readM, wall, c) : [];
  const ofFooting = footing
    ? [...footingDrafts(run, lengthM, readM, footing, c), ...embedDrafts(elementId, c)]
    : [];
  const all = run.kind === 'wall' ? ofWall : ofFooting;
  const together = stretch && stretch.members.length > 1 ? stretch : null;
  const own = all.flatMap((d) => {
    if (!together || !d.typical) return [d];
    return together.lead === elementId ? [forStretch(d, together)] : [];
  });
  const topUpM = run.kind === 'wall' && run.topM !== undefined ? wallHeightM(run) : undefined;
  const drafts = [...own, ...joinDrafts(run, lengthM, c), ...anchorDrafts(elementId, topUpM, c)];
  return drafts
    .filter(hasCover)
    .map(
      named(
        elementId,
        `${wall?.drawing ?? footing?.drawing ?? 'schedule'}, ${run.type}`,
        c,
        (wall ?? footing)?.coverUsual,
      ),
    );
}

/** A drawing that gives no cover asks for no reading of it. */
const hasCover = (d: Draft): boolean => d.wanted.type !== 'cover' || d.wanted.specifiedMm > 0;

function contextOf(source: Source): ListContext {
  const rules = checkRules(source.site);
  const stretches = stretchesOf(source.site, source.pour.elements, rules.stretchM);
  return { ...source, rules, stretches };
}

/** The check points of one run, pad or pier of a pour; empty when the site has no such element. */
export const pointsOf = (source: Source, elementId: string): CheckPoint[] =>
  elementPoints(elementId, contextOf(source));

/** Everything to be checked before this pour, in the order of its elements, then what belongs to the whole pour. */
export function checkList(source: Source): CheckPoint[] {
  const c = contextOf(source);
  return [
    ...source.pour.elements.flatMap((e) => elementPoints(e, c)),
    ...wholePourDrafts(c).map(named(WHOLE_POUR, 'trade practice', c)),
  ];
}

/** The list with what was added by hand; an item added by hand is read like any other. */
export function withAdded(points: CheckPoint[], state: PourState): CheckPoint[] {
  const added = entries(state, 'item').map((e): CheckPoint => {
    const { elementId, title, trade, wanted, places, atM, advice } = e.body;
    return {
      id: `${elementId}/added-${e.id}`,
      elementId,
      kind: `added-${e.id}`,
      title,
      trade,
      advice: advice ?? 'Put it right and read again.',
      why: 'added by hand',
      source: `added by ${e.actor}`,
      toleranceSource: wanted.type === 'eye' ? null : 'as given',
      addedBy: e.id,
      wanted: wanted.type === 'size' ? { ...wanted, what: 'other' } : wanted,
      places:
        atM === undefined
          ? Array.from({ length: places }, () => once[0] as CheckPoint['places'][number])
          : [{ atM, across: 'middle' }],
    };
  });
  return added.length ? [...points, ...added] : points;
}
