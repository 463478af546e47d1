import { learnedDelay } from '#core/supply';
import { attempt } from '#core/kit';
import { type ActualPlacement, faceKey, type LoadState } from '#core/pourlog';
import type { Placement, PourPlan, RouteCell, SimulationInput } from '#core/pourplan';

/** Less than this is nothing: of a cell, and of a minute. */
const NOTHING = 1e-9;

type SimLoad = SimulationInput['loads'][number];

/** A load as it is by now, in minutes of the day of the pour. */
export interface LoadNow {
  id: string;
  arriveMin: number | null;
  startMin: number | null;
  endMin: number | null;
  sentBack: boolean;
}

/** What one stretch of placing filled of each cell of its run and lift, in the volumes of the plan. */
function ofStretch(
  p: ActualPlacement,
  cells: readonly RouteCell[],
  grown: number,
  loadId: string,
  minuteOf: (ms: number) => number,
): Placement[] {
  const [from, to] = [minuteOf(p.fromMs), minuteOf(p.toMs)];
  const span = p.toRatio - p.fromRatio;
  if (span <= NOTHING) return [];
  return cells.flatMap((c): Placement[] => {
    const a = Math.max(p.fromRatio, c.fillFrom);
    const z = Math.min(p.toRatio, c.fillTo);
    if (z - a <= NOTHING) return [];
    const at = (ratio: number) => from + ((to - from) * (ratio - p.fromRatio)) / span;
    const volumeM3 = (c.volumeM3 * grown * (z - a)) / (c.fillTo - c.fillFrom);
    return [{ cellId: c.id, loadId, fromMin: at(a), toMin: at(z), volumeM3 }];
  });
}

/** Which load a stretch was placed from: as it was said, or the last that was here when it began. */
function loadFor(p: ActualPlacement, loads: readonly LoadState[]): string | null {
  if (p.loadId !== null && loads.some((l) => l.id === p.loadId)) return p.loadId;
  const here = loads.filter((l) => l.arrivedAt !== null && Date.parse(l.arrivedAt) <= p.fromMs);
  return here.at(-1)?.id ?? loads[0]?.id ?? null;
}

/** What was placed so far, cell by cell, in its order. */
export function placedSoFar(
  plan: PourPlan,
  placements: readonly ActualPlacement[],
  loads: readonly LoadState[],
  grown: number,
  minuteOf: (ms: number) => number,
): Placement[] {
  const byFace = new Map<string, RouteCell[]>();
  for (const c of plan.cells) {
    const key = faceKey(c.elementId, c.lift);
    byFace.set(key, [...(byFace.get(key) ?? []), c]);
  }
  return placements
    .flatMap((p) => {
      const loadId = loadFor(p, loads);
      const cells = byFace.get(faceKey(p.elementId, p.lift));
      return loadId && cells ? ofStretch(p, cells, grown, loadId, minuteOf) : [];
    })
    .sort((a, b) => a.fromMin - b.fromMin || a.toMin - b.toMin);
}

/** Loads as they stand: only the last that began is under way, whatever was forgotten to be said of those before. */
export function loadsSoFar(
  loads: readonly LoadState[],
  placed: readonly Placement[],
  minuteOf: (ms: number) => number,
): LoadNow[] {
  const at = (iso: string | null) => (iso === null ? null : minuteOf(Date.parse(iso)));
  const first = new Map<string, number>();
  const last = new Map<string, number>();
  for (const p of placed) {
    if (!first.has(p.loadId)) first.set(p.loadId, p.fromMin);
    last.set(p.loadId, p.toMin);
  }
  const all = loads.map((l): LoadNow => {
    const ended = at(l.endedAt);
    const began = first.get(l.id) ?? at(l.firstPlacedAt) ?? ended;
    const arrived = at(l.arrivedAt) ?? began;
    const startMin = began === null || arrived === null ? began : Math.max(began, arrived);
    return {
      id: l.id,
      arriveMin: arrived === null || startMin === null ? arrived : Math.min(arrived, startMin),
      startMin,
      endMin: ended === null || startMin === null ? ended : Math.max(ended, startMin),
      sentBack: l.decision === 'reject',
    };
  });
  const open = all
    .filter((l) => l.startMin !== null && l.endMin === null && !l.sentBack)
    .sort((a, b) => (a.startMin ?? 0) - (b.startMin ?? 0));
  for (const l of open.slice(0, -1)) l.endMin = last.get(l.id) ?? l.startMin;
  return all;
}

/**
 * Loads as they are simulated from now: what is known of each in place of what was planned, and
 * those beyond the plan.
 */
export function loadsToCome(
  planned: readonly SimLoad[],
  loads: readonly LoadState[],
  minuteOf: (ms: number) => number,
): SimLoad[] {
  const none = { medianMin: 0, p90Min: 0 };
  const late = loads.flatMap((l) => {
    const sim = planned.find((s) => s.id === l.id);
    if (!sim || l.arrivedAt === null) return [];
    return [Math.max(0, minuteOf(Date.parse(l.arrivedAt)) - sim.batchMin - sim.travel.medianMin)];
  });
  const [first] = planned;
  const learned =
    late.length && first && first.plantDelay.medianMin > 0
      ? attempt(learnedDelay, {
          priorMedianMin: first.plantDelay.medianMin,
          priorP90Min: first.plantDelay.p90Min,
          delaysMin: late,
        }).done?.result
      : undefined;
  const known = (l: LoadState): SimLoad | null => {
    if (l.calledAt !== null && l.batchedAt === null && first)
      return {
        ...first,
        id: l.id,
        volumeM3: l.plannedM3 ?? first.volumeM3,
        batchMin: minuteOf(Date.parse(l.calledAt)),
      };
    return l.batchedAt === null || l.volumeM3 === null
      ? null
      : {
          id: l.id,
          volumeM3: l.volumeM3,
          batchMin: minuteOf(Date.parse(l.batchedAt)),
          plantDelay: none,
          travel: first?.travel ?? none,
        };
  };
  const inPlan = planned.map((s): SimLoad => {
    const state = loads.find((l) => l.id === s.id);
    const own = state ? known(state) : null;
    if (own) return own;
    return learned
      ? { ...s, plantDelay: { medianMin: learned.medianMin, p90Min: learned.p90Min } }
      : s;
  });
  const beyond = loads
    .filter((l) => !planned.some((s) => s.id === l.id))
    .flatMap((l) => known(l) ?? []);
  return [...inPlan, ...beyond];
}
