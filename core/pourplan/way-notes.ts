import { runOf, type SitePlan } from '#core/model';
import { mostPasses } from './openings.ts';
import type { PourPlan } from './plan.ts';
import type { Leg, Route } from './route.ts';

/** Something to mind on the way round, and where along it, m. */
export type WayNote = { atM: number; elementId: string } & (
  | { kind: 'corner'; node: string }
  /** Several runs meet: how long the one that is passed waits for the next, and when its seam shuts, min. */
  | { kind: 'tee'; node: string; waitMin: number; knitMin: number }
  /**
   * How far one side stands above the other while it is filled, m; and in how many passes a lift
   * goes up there so that it is not more.
   */
  | { kind: 'opening'; what: 'window' | 'door'; mark: string | null; liftM: number; passes: number }
  | { kind: 'step'; node: string; upM: number }
  | { kind: 'bulkhead' }
);

/** Less than this is no step, m. */
const STEP_M = 0.01;

function openingsOf(site: SitePlan, leg: Leg): WayNote[] {
  return (runOf(site, leg.elementId)?.openings ?? []).flatMap((o): WayNote[] => {
    if (o.kind !== 'window' && o.kind !== 'door') return [];
    const passes = mostPasses(o, leg);
    return [
      {
        kind: 'opening',
        what: o.kind,
        mark: o.mark ?? null,
        elementId: leg.elementId,
        atM: leg.fromM + (leg.reversed ? leg.lengthM - o.atM - o.widthM : o.atM),
        liftM: Math.min(Math.max(...leg.liftSpans.map((l) => l.toM - l.fromM)) / passes, o.headM),
        passes,
      },
    ];
  });
}

/** Legs by the node and storey at which they end. */
type Meetings = Map<string, Leg[]>;
const meetingKey = (node: string, storey: number): string => JSON.stringify([node, storey]);
function meetingsOf({ legs }: Pick<Route, 'legs'>): Meetings {
  const met: Meetings = new Map();
  for (const leg of legs)
    for (const node of new Set([leg.startNode, leg.endNode]))
      if (node !== null) {
        const key = meetingKey(node, leg.storey);
        met.set(key, [...(met.get(key) ?? []), leg]);
      }
  return met;
}

/** The seams between two runs side by side, by the run they belong to. */
type SeamsOn = Map<string, { other: string; gapMaxMin: number; knitMin: number }[]>;
function seamsOn({ timetable, cells }: PourPlan): SeamsOn {
  const on = new Map(cells.map((c) => [c.id, c.elementId]));
  const seams: SeamsOn = new Map();
  for (const s of timetable.seams) {
    const [a, b] = [on.get(s.above), on.get(s.below)];
    if (s.kind !== 'beside' || a === undefined || b === undefined || a === b) continue;
    const { gapMaxMin, knitMin } = s;
    const own = seams.get(a) ?? [];
    own.push({ other: b, gapMaxMin, knitMin });
    seams.set(a, own);
  }
  return seams;
}

/** The longest wait at a node between legs that meet there, min. */
function waitAt(seams: SeamsOn, legs: Leg[]): { waitMin: number; knitMin: number } {
  const ids = new Set(legs.map((l) => l.elementId));
  const met = [...ids].flatMap((id) => (seams.get(id) ?? []).filter((s) => ids.has(s.other)));
  return {
    waitMin: Math.max(0, ...met.map((s) => s.gapMaxMin)),
    knitMin: met[0]?.knitMin ?? 0,
  };
}

function endOf(met: Meetings, seams: SeamsOn, leg: Leg, next: Leg | undefined): WayNote[] {
  const node = leg.endNode;
  if (node === null) return [];
  const at = { atM: leg.fromM + leg.lengthM, elementId: leg.elementId };
  const legs = met.get(meetingKey(node, leg.storey)) ?? [];
  const notes: WayNote[] = [];
  if (legs.length > 2) notes.push({ ...at, kind: 'tee', node, ...waitAt(seams, legs) });
  else if (legs.length === 2) notes.push({ ...at, kind: 'corner', node });
  const up = next?.startNode === node ? next.bottomM - leg.bottomM : 0;
  if (Math.abs(up) > STEP_M) notes.push({ ...at, kind: 'step', node, upM: up });
  return notes;
}

/** What to mind along the way, in the order in which it is met: corners, tees, openings, steps, planned bulkheads. */
export function wayNotes(site: SitePlan, plan: PourPlan): WayNote[] {
  const { legs } = plan.route;
  const met = meetingsOf(plan.route);
  const seams = seamsOn(plan);
  return legs
    .flatMap((leg, i) => [
      ...openingsOf(site, leg),
      ...leg.cuts.map((c): WayNote => ({
        kind: 'bulkhead',
        elementId: leg.elementId,
        atM: leg.fromM + c * leg.lengthM,
      })),
      ...endOf(met, seams, leg, legs[i + 1]),
    ])
    .sort((a, b) => a.atM - b.atM);
}
