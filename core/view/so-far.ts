import { learnedDelay } from '#core/supply';
import { attempt } from '#core/kit';
import { type ActualPlacement, faceKey, loadFor, type LoadState } from '#core/pourlog';
import type { Plant } from '#core/model';
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

/** One hose fills one place at a time: what overlaps in the log begins as the one before it ends. */
function oneAfterAnother(placed: Placement[]): Placement[] {
  let endMin = -Infinity;
  return placed.map((p) => {
    const fromMin = Math.max(p.fromMin, endMin);
    endMin = Math.max(p.toMin, fromMin);
    return { ...p, fromMin, toMin: endMin };
  });
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
  const placed = placements.flatMap((p) => {
    const loadId = loadFor(p, loads)?.id ?? loads[0]?.id;
    const cells = byFace.get(faceKey(p.elementId, p.lift));
    return loadId && cells ? ofStretch(p, cells, grown, loadId, minuteOf) : [];
  });
  return oneAfterAnother(placed.sort((a, b) => a.fromMin - b.fromMin || a.toMin - b.toMin));
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

/** What loads are simulated by: delays of their plant. */
type Delays = Pick<Plant, 'plantDelay' | 'travel'>;

/** How late loads came that are here, min. */
const latenessOf = (
  loads: readonly LoadState[],
  dueMin: (l: LoadState) => number | null,
  minuteOf: (ms: number) => number,
): number[] =>
  loads.flatMap((l) => {
    const due = dueMin(l);
    if (due === null || l.arrivedAt === null) return [];
    return [Math.max(0, minuteOf(Date.parse(l.arrivedAt)) - due)];
  });

/** The plant's delay as it has turned out so far. */
function learnedOf(plant: Delays, late: readonly number[]): SimLoad['plantDelay'] {
  const own = plant.plantDelay;
  if (late.length === 0 || own.medianMin <= 0) return own;
  const learned = attempt(learnedDelay, {
    priorMedianMin: own.medianMin,
    priorP90Min: own.p90Min,
    delaysMin: [...late],
  }).done?.result;
  return learned ? { medianMin: learned.medianMin, p90Min: learned.p90Min } : own;
}

/**
 * Loads as they are simulated from now: what is known of each in place of what was ordered, those
 * that nobody ordered too. A load that is late moves those behind it, which leave the plant in
 * their turn.
 * @param dueMin when a load is due as it was ordered, minutes of the day; null where nobody ordered it
 */
export function loadsToCome(
  plant: Delays,
  loads: readonly LoadState[],
  dueMin: (l: LoadState) => number | null,
  minuteOf: (ms: number) => number,
  nowMin: number,
): SimLoad[] {
  const none = { medianMin: 0, p90Min: 0 };
  const plantDelay = learnedOf(plant, latenessOf(loads, dueMin, minuteOf));
  let behindMin = 0;
  return loads.flatMap((l): SimLoad[] => {
    const due = dueMin(l);
    const volumeM3 = l.volumeM3 ?? l.plannedM3;
    if (volumeM3 === null) return [];
    const arrived = l.arrivedAt === null ? null : minuteOf(Date.parse(l.arrivedAt));
    if (due !== null && l.decision !== 'reject')
      behindMin = Math.max(0, (arrived ?? Math.max(nowMin, due + behindMin)) - due);
    if (l.batchedAt !== null)
      return [
        {
          id: l.id,
          volumeM3,
          batchMin: minuteOf(Date.parse(l.batchedAt)),
          plantDelay: none,
          travel: plant.travel,
        },
      ];
    if (due === null) return [];
    const batchMin = due - plant.travel.medianMin - plant.plantDelay.medianMin + behindMin;
    return [{ id: l.id, volumeM3, batchMin, plantDelay, travel: plant.travel }];
  });
}
