import { entries, type LogEvent, type PourState } from '#core/log';
import { endsOf, lengthOf, runOf, type SitePlan } from '#core/model';
import { levelsOf } from './levels.ts';
import { footingTopM } from '#core/siteplan';
import type { CheckPoint } from './points/index.ts';

/** How near an offset was read to where the check wants it, to count as read there, m. */
const SAME_PLACE_M = 0.05;

/**
 * Where a string is read along a run of this length: at both ends, and wherever the check wants it,
 * m from its first node.
 */
export const lineStations = (
  lengthM: number,
  point: Pick<CheckPoint, 'places'> | undefined,
): number[] => [
  0,
  ...(point?.places.flatMap((p) => (p.atM === null ? [] : [p.atM])) ?? [lengthM / 2]),
  lengthM,
];

/** Tops wanted within this of each other are one level, m. */
const SAME_LEVEL_M = 0.001;

/** Kinds of entries made while setting out. */
const SET_OUT = ['line', 'square', 'level'] as const;

/** The limits only colour the levels; what counts here is how far off they are. */
const NO_LIMITS = { topMm: 0, bottomMm: 0, closeMm: 0 };

/** Takes an entry as a reading of a check at one of its places. */
type Add = (
  point: CheckPoint,
  place: number,
  from: { id: string; at: string; actor: string },
  mm: number,
) => void;

/**
 * What was read while setting out and answers a check as well, as readings of that check, by check
 * and place: offsets from a string line, mm (+ further from the string than its block), the
 * difference of two diagonals, mm, and form tops off their mark, mm: of pads and piers, and of runs
 * at the nearer of their ends. Nobody has to read them twice; a later reading on the list of checks
 * counts before them. They carry the id of the entry they come from. Once concrete flows nothing
 * read on a string or a level changes what was checked before it: forms are watched then, and not
 * inspected.
 */
export function setOutReadings(
  site: SitePlan,
  points: CheckPoint[],
  state: PourState,
): Map<string, Map<number, LogEvent<'reading'>[]>> {
  const out = new Map<string, Map<number, LogEvent<'reading'>[]>>();
  if (!SET_OUT.some((kind) => entries(state, kind).length > 0)) return out;
  const begunMs = entries(state, 'place-start').reduce(
    (first, e) => Math.min(first, Date.parse(e.at)),
    Infinity,
  );
  const add: Add = (point, place, from, mm) => {
    if (Date.parse(from.at) >= begunMs) return;
    const reading: LogEvent<'reading'> = {
      id: from.id,
      at: from.at,
      actor: from.actor,
      kind: 'reading',
      body: { checkId: point.id, place, value: { type: 'length', mm } },
    };
    const places = out.get(point.id) ?? new Map<number, LogEvent<'reading'>[]>();
    out.set(point.id, places.set(place, [...(places.get(place) ?? []), reading]));
  };
  const of = (kind: string, elementId: string) =>
    points.find((p) => p.kind === kind && p.elementId === elementId);
  for (const e of entries(state, 'line')) {
    const point = of('line', e.body.elementId);
    point?.places.forEach(({ atM }, place) => {
      const read = e.body.offsets.find(
        (o) => atM !== null && Math.abs(o.atM - atM) <= SAME_PLACE_M,
      );
      if (read) add(point, place, e, read.offsetMm);
    });
  }
  for (const e of entries(state, 'square')) {
    const point = points.find((p) => p.corners?.join() === e.body.corners.join());
    const [one = 0, other = 0] = e.body.diagonalsM;
    if (point) add(point, 0, e, Math.abs(one - other) * 1000);
  }
  addLevels(site, points, state, add);
  return out;
}

/** Form tops read on the rod, at the checks of tops they answer. */
function addLevels(site: SitePlan, points: CheckPoint[], state: PourState, add: Add): void {
  if (entries(state, 'level').length === 0) return;
  const tops = points.filter((p) => p.kind === 'level');
  const levels = levelsOf(
    site,
    { elements: [...new Set(tops.flatMap((p) => p.covers ?? [p.elementId]))] },
    state,
    NO_LIMITS,
  );
  const reads = levels.setups.flatMap((setup) =>
    setup.reads.flatMap((r) =>
      r.target?.what === 'top' && r.deviationMm !== null
        ? [{ r, target: r.target, mm: r.deviationMm }]
        : [],
    ),
  );
  for (const point of tops)
    point.places.forEach((place, index) => {
      for (const { r, target, mm } of reads)
        if (answers(site, point, place.atM, target))
          add(point, index, { id: r.entryId, at: r.at, actor: r.actor }, mm);
    });
}

/**
 * Whether a form top that was read answers a place of a level check: a pad's or pier's own, or of a
 * run the top at the nearer of its ends, where it is wanted as high as the run.
 */
function answers(
  site: SitePlan,
  point: CheckPoint,
  atM: number | null,
  target: { xM: number; yM: number; wantedM: number; elementId: string },
): boolean {
  if (atM === null) return target.elementId === point.elementId;
  const run = runOf(site, point.elementId);
  const ends = run && endsOf(site, run);
  if (!run || !ends) return false;
  const end = atM <= lengthOf(site, run) / 2 ? ends[0] : ends[1];
  return (
    Math.hypot(end.xM - target.xM, end.yM - target.yM) < SAME_PLACE_M &&
    Math.abs(footingTopM(site, run) - target.wantedM) < SAME_LEVEL_M
  );
}
