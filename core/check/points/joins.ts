import {
  type FootingType,
  type Run,
  runsAt,
  type SitePlan,
  wallHeightM,
  type WallType,
} from '#core/model';
import { madeOncePer } from '#core/kit';
import { barText, lengthText, type UnitSystem } from '#core/units';
import { look } from './places.ts';
import type { Draft, ListContext } from './types.ts';

/**
 * Two runs of one kind that meet, where the second has another type: carrying on with the last
 * detail is the usual mistake.
 */
export interface TypeChange {
  id: string;
  nodeId: string;
  fromRun: string;
  toRun: string;
  fromType: string;
  toType: string;
  words: string[];
}

const spacingWords = (
  what: string,
  a: { bar: string; spacingM: number } | null,
  b: { bar: string; spacingM: number } | null,
  units: UnitSystem,
): string[] => {
  const say = (x: typeof a) =>
    x === null ? 'none' : `${barText(x.bar)} at ${lengthText(x.spacingM * 1000, units)}`;
  return say(a) === say(b) ? [] : [`${what} ${say(b)}, was ${say(a)}`];
};
const sizeWords = (what: string, a: number, b: number, units: UnitSystem): string[] =>
  Math.abs(a - b) < 1e-6
    ? []
    : [`${lengthText(b * 1000, units)} ${what}, was ${lengthText(a * 1000, units)}`];
const coverWords = (what: string, a: number, b: number, units: UnitSystem): string[] =>
  Math.abs(a - b) < 1e-6 ? [] : [`${what} ${lengthText(b, units)}, was ${lengthText(a, units)}`];

function wallWords(a: WallType, b: WallType, units: UnitSystem): string[] {
  return [
    ...sizeWords('thick', a.thicknessM, b.thicknessM, units),
    ...(a.mats === b.mats ? [] : [`${b.mats} mat${b.mats > 1 ? 's' : ''}, was ${a.mats}`]),
    ...spacingWords('uprights', a.vertical, b.vertical, units),
    ...spacingWords('across', a.horizontal, b.horizontal, units),
    ...coverWords('inside cover', a.coverInsideMm, b.coverInsideMm, units),
    ...coverWords('outside cover', a.coverOutsideMm, b.coverOutsideMm, units),
    ...((a.ledge === null) === (b.ledge === null)
      ? []
      : [b.ledge ? 'a ledge begins' : 'the ledge ends']),
  ];
}
function footingWords(a: FootingType, b: FootingType, units: UnitSystem): string[] {
  const along = (t: FootingType) =>
    `${t.continuous.count + t.continuous.topCount} ${barText(t.continuous.bar)}`;
  return [
    ...sizeWords('wide', a.widthM, b.widthM, units),
    ...sizeWords('deep', a.depthM, b.depthM, units),
    ...(along(a) === along(b) ? [] : [`${along(b)} along, was ${along(a)}`]),
    ...spacingWords('across', a.transverse, b.transverse, units),
    ...coverWords('bottom cover', a.coverBottomMm, b.coverBottomMm, units),
  ];
}

/** What another type changes, in words; nothing when both say the same. */
function changeWords(site: SitePlan, a: Run, b: Run): string[] {
  if (a.kind === 'wall') {
    const [x, y] = [
      site.wallTypes.find((t) => t.mark === a.type),
      site.wallTypes.find((t) => t.mark === b.type),
    ];
    return x && y ? wallWords(x, y, site.units) : [];
  }
  const [x, y] = [
    site.footingTypes.find((t) => t.mark === a.type),
    site.footingTypes.find((t) => t.mark === b.type),
  ];
  return x && y ? footingWords(x, y, site.units) : [];
}

/** Every change of type where two runs of these elements meet, in the order the pour goes round. */
export const typeChanges = (site: SitePlan, elements: string[]): TypeChange[] =>
  changesKept(site)(elements);

const changesKept = madeOncePer((site: SitePlan) =>
  madeOncePer((elements: string[]) => changesIn(site, elements)),
);
function changesIn(site: SitePlan, elements: string[]): TypeChange[] {
  const order = new Map(elements.map((e, i) => [e, i]));
  const at = new Map<string, Run[]>();
  for (const r of site.runs)
    if (order.has(r.id)) for (const n of [r.from, r.to]) at.set(n, [...(at.get(n) ?? []), r]);
  return [...at]
    .flatMap(([nodeId, runs]) => {
      const sorted = [...runs].sort((a, b) => (order.get(a.id) ?? 0) - (order.get(b.id) ?? 0));
      return sorted.flatMap((a, i) =>
        sorted.slice(i + 1).flatMap((b): TypeChange[] => {
          if (a.type === b.type || a.kind !== b.kind) return [];
          // The flag stands where one walks from a into b; in a ring the last run comes before the first.
          const [p, q] = a.to === nodeId || b.from === nodeId ? [a, b] : [b, a];
          const words = changeWords(site, p, q);
          return words.length
            ? [
                {
                  id: `${nodeId}:${p.type}>${q.type}`,
                  nodeId,
                  fromRun: p.id,
                  toRun: q.id,
                  fromType: p.type,
                  toType: q.type,
                  words,
                },
              ]
            : [];
        }),
      );
    })
    .sort((a, b) => (order.get(a.fromRun) ?? 0) - (order.get(b.fromRun) ?? 0));
}

/** Where each element stands in the order of the pour. */
const orderOf = madeOncePer<string[], Map<string, number>>(
  (elements) => new Map(elements.map((e, i) => [e, i])),
);

/** Whether bars run along it, which go on round a corner. */
function barsAlong(site: SitePlan, run: Run): boolean {
  const wall = site.wallTypes.find((t) => t.mark === run.type);
  const footing = site.footingTypes.find((t) => t.mark === run.type);
  return wall ? wall.horizontal !== null : (footing?.continuous.count ?? 0) > 0;
}

/** Corners, bulkheads: what is looked at where a run meets another, or ends. */
export function joinDrafts(run: Run, lengthM: number, { site, pour }: ListContext): Draft[] {
  const order = orderOf(pour.elements);
  const own = order;
  const ends = [
    { nodeId: run.from, atM: 0 },
    { nodeId: run.to, atM: lengthM },
  ].map((end) => ({
    ...end,
    others: runsAt(site, end.nodeId).filter((r) => r.id !== run.id && r.kind === run.kind),
  }));
  // A corner is looked at once, with the run that comes first in the pour.
  const corners = ends.filter(
    (e) =>
      e.others.some((o) => own.has(o.id)) &&
      e.others.every((o) => !own.has(o.id) || (order.get(o.id) ?? 0) > (order.get(run.id) ?? 0)),
  );
  const bulkheads = ends.filter((e) => !e.others.some((o) => own.has(o.id)));
  const place = (e: { nodeId: string; atM: number }) => ({
    atM: e.atM,
    across: 'middle' as const,
    label: e.nodeId,
    ...(run.topM !== undefined && run.kind === 'wall' ? { upM: wallHeightM(run) / 2 } : {}),
  });
  return [
    ...(corners.length && barsAlong(site, run)
      ? [
          look(
            'corner',
            'Corner bars',
            'steel',
            'Corner bars in, both ways, lapped and tied; none left short at the corner.',
            corners.map(place),
            'each corner',
          ),
        ]
      : []),
    ...(bulkheads.length
      ? [
          look(
            'bulkhead',
            'Bulkhead',
            'forms',
            'End form braced, bars through it as drawn, keyway or waterstop in.',
            bulkheads.map(place),
            'each end',
          ),
        ]
      : []),
  ];
}
