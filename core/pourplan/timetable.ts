import { breakMinutes, NOTHING_M3, outOfBreaks, place } from './breaks.ts';
import type { Placement, SimulationInput, Timetable } from './simulation-model.ts';
import { EPS, type Filling, headsOf, seamsOf } from './timetable-seams.ts';

/** When each load is batched and comes, in list order. */
export interface Arrivals {
  leaveMin: number[];
  arriveMin: number[];
}

/** With no spread: every load at its medians. */
export function medianArrivals(v: SimulationInput): Arrivals {
  const leaveMin = v.loads.map((l) => l.batchMin + l.plantDelay.medianMin);
  return {
    leaveMin,
    arriveMin: v.loads.map((l, i) => (leaveMin[i] as number) + l.travel.medianMin),
  };
}

/** A cell that is still to be filled, or to be filled up. */
export interface Todo {
  cell: SimulationInput['cells'][number];
  leftM3: number;
  /** The crew has come to it. */
  moved: boolean;
}

/** Where the pour stands between two loads. */
interface Serving {
  placements: Placement[];
  filled: Map<string, Filling>;
  loads: Timetable['loads'];
  /** What is still to fill, in its order, and which of it is next. */
  todo: Todo[];
  next: number;
  readyMin: number;
  crewWaitMin: number;
  leftOverM3: number;
  /** What fills hoses and pump, and is still to come, m³. */
  behindM3: number;
  /** Nothing that is still to come is placed before this. */
  notBeforeMin: number;
}

const freshServing = (v: SimulationInput): Serving => ({
  placements: [],
  filled: new Map(),
  loads: [],
  todo: v.cells.map((cell) => ({ cell, leftM3: cell.volumeM3, moved: false })),
  next: 0,
  readyMin: v.startMin,
  crewWaitMin: 0,
  leftOverM3: 0,
  behindM3: v.leftBehindM3,
  notBeforeMin: -Infinity,
});

/** Fills cells with what a load holds, from t on; answers when it is empty and what it still holds when all is full. */
function fillFrom(
  v: SimulationInput,
  state: Serving,
  loadId: string,
  t: number,
  volumeM3: number,
): { t: number; holds: number } {
  const rate = v.placingRateM3PerH / 60;
  let holds = volumeM3;
  while (holds > NOTHING_M3 && state.next < state.todo.length) {
    const doing = state.todo[state.next] as Todo;
    const c = doing.cell;
    if (!doing.moved) {
      t += c.moveMin;
      const under = c.below === undefined ? undefined : state.filled.get(c.below);
      if (under && !c.goesOn && v.liftWaitMin > 0) t = Math.max(t, under.end + v.liftWaitMin);
      doing.moved = true;
    }
    t = Math.max(t, state.notBeforeMin);
    const volume = Math.min(holds, doing.leftM3);
    t = place(t, volume, rate, v.breaks, (fromMin, toMin, placedM3) => {
      state.placements.push({ cellId: c.id, loadId, fromMin, toMin, volumeM3: placedM3 });
      const start = state.filled.get(c.id)?.start ?? fromMin;
      state.filled.set(c.id, { start, end: toMin, full: false });
    });
    holds -= volume;
    doing.leftM3 -= volume;
    if (doing.leftM3 <= NOTHING_M3) {
      const f = state.filled.get(c.id);
      if (f) f.full = true;
      state.next += 1;
    }
  }
  return { t, holds };
}

/** A load that is served: when it comes, what it still holds, and where it is when it has begun. */
interface Served {
  id: string;
  arriveMin: number;
  leaveMin: number;
  holdsM3: number;
  /** When it began; null while it has not. */
  startMin: number | null;
  /** From when on it goes on, when it has begun. */
  resumeMin: number;
}

/** Hoses and pump are filled by whatever comes first; answers from when on it is placed. */
function fillHose(v: SimulationInput, state: Serving, fromMin: number): number {
  if (state.behindM3 <= 0) return fromMin;
  const t = Math.max(fromMin, state.notBeforeMin);
  const rate = v.placingRateM3PerH / 60;
  return place(t, state.behindM3, rate, v.breaks, () => undefined);
}

/** One load from its arrival till it is empty; one that comes when all is full goes back as it came. */
function serve(v: SimulationInput, state: Serving, load: Served): void {
  const { id, arriveMin } = load;
  if (load.startMin === null && state.next >= state.todo.length) {
    const none = { startMin: null, endMin: null, waitMin: null, ageAtEndMin: null };
    state.loads.push({ id, arriveMin, ...none, overAge: false });
    state.leftOverM3 += load.holdsM3;
    return;
  }
  let startMin = load.startMin;
  if (startMin === null) {
    const ready = state.readyMin;
    startMin = outOfBreaks(Math.max(arriveMin, ready, state.notBeforeMin), v.breaks);
    state.crewWaitMin += startMin - ready - breakMinutes(ready, startMin, v.breaks);
  }
  // What fills hoses and pump is not placed.
  const fromMin = fillHose(v, state, load.startMin === null ? startMin : load.resumeMin);
  const { t, holds } = fillFrom(v, state, id, fromMin, load.holdsM3 - state.behindM3);
  state.behindM3 = 0;
  state.leftOverM3 += Math.max(0, holds);
  const age = t - load.leaveMin;
  state.loads.push({
    id,
    arriveMin,
    startMin,
    endMin: t,
    waitMin: startMin - arriveMin,
    ageAtEndMin: age,
    overAge: age > v.maxAgeMin * (1 + EPS),
  });
  state.readyMin = t + v.changeOverMin;
}

/** A pour that has begun: where it stands, and what each load still has to give. */
export interface Underway {
  serving: Serving;
  /**
   * Of each load in list order: what it still holds, when it began and goes on from, and whether it
   * is still to come.
   */
  loads: { holdsM3: number; startMin: number | null; resumeMin: number; coming: boolean }[];
  /** Loads that were sent back before anything of them was placed, as rows of the timetable. */
  sentBack: Timetable['loads'];
}

/**
 * Timetable of one pour with given arrivals: exact arithmetic in minutes after midnight.
 * Loads are served in order of arrival; cells fill in list order; nothing is placed within a break.
 * @param underway where it stands, for a pour that has begun; what has been done stays as it was done
 */
export function timetableOf(
  v: SimulationInput,
  arrivals: Arrivals,
  underway: Underway | null = null,
): Timetable {
  const served = v.loads.flatMap((l, i): Served[] => {
    const own = underway
      ? underway.loads[i]
      : { holdsM3: l.volumeM3, startMin: null, resumeMin: 0 };
    if (!own) return [];
    const at = {
      arriveMin: arrivals.arriveMin[i] as number,
      leaveMin: arrivals.leaveMin[i] as number,
    };
    return [{ id: l.id, ...at, ...own }];
  });
  // What has begun goes on first; the rest as it comes.
  served.sort(
    (a, b) =>
      Number(b.startMin !== null) - Number(a.startMin !== null) || a.arriveMin - b.arriveMin,
  );
  const state = underway ? copyOf(underway.serving) : freshServing(v);
  for (const load of served) serve(v, state, load);
  if (underway) state.loads.push(...underway.sentBack);
  const { placements, loads, filled, todo, next, crewWaitMin, leftOverM3 } = state;
  const shortM3 = todo.slice(next).reduce((sum, d) => sum + d.leftM3, 0);
  for (const [id, f] of filled) if (!f.full) filled.delete(id);
  return {
    placements,
    loads,
    crewWaitMin,
    finishMin: placements.at(-1)?.toMin ?? v.startMin,
    shortM3,
    leftOverM3: leftOverM3 > NOTHING_M3 ? leftOverM3 : 0,
    seams: seamsOf(v, filled),
    cells: headsOf(v, filled),
  };
}

/** The same standing, to be gone on from without changing it. */
const copyOf = (s: Serving): Serving => ({
  ...s,
  placements: [...s.placements],
  filled: new Map([...s.filled].map(([id, f]) => [id, { ...f }])),
  loads: [...s.loads],
  todo: s.todo.map((d) => ({ ...d })),
});
