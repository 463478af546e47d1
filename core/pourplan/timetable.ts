import { clockMin } from '#core/concrete';
import { STANDARD_GRAVITY } from '#core/units';
import type { Placement, SimulationInput, Timetable } from './simulation-model.ts';

/** Less than this is nothing, m³. */
const NOTHING_M3 = 1e-9;
const EPS = 1e-9;

type Break = SimulationInput['breaks'][number];

/** The end of the break that `t` falls into (from its start up to, not including, its end), or `t`. */
function outOfBreaks(t: number, breaks: Break[]): number {
  let at = t;
  for (let moved = true; moved;) {
    moved = false;
    for (const b of breaks)
      if (at >= b.fromMin && at < b.toMin) {
        at = b.toMin;
        moved = true;
      }
  }
  return at;
}

/** Minutes of breaks within from … to. */
function breakMinutes(from: number, to: number, breaks: Break[]): number {
  const sorted = breaks
    .map((b) => [Math.max(b.fromMin, from), Math.min(b.toMin, to)] as const)
    .filter(([a, b]) => b > a)
    .sort((a, b) => a[0] - b[0]);
  let sum = 0;
  let reach = from;
  for (const [a, b] of sorted) {
    if (b > reach) {
      sum += b - Math.max(a, reach);
      reach = b;
    }
  }
  return sum;
}

/** Places `volume` from `t` at `rate` (m³/min), standing still in breaks. Calls `piece` for each unbroken stretch. */
function place(
  t: number,
  volume: number,
  rate: number,
  breaks: Break[],
  piece: (from: number, to: number, volume: number) => void,
): number {
  let at = t;
  let left = volume;
  while (left > NOTHING_M3) {
    at = outOfBreaks(at, breaks);
    const next = breaks.reduce(
      (n, b) => (b.fromMin > at && b.fromMin < n ? b.fromMin : n),
      Infinity,
    );
    const end = at + left / rate;
    if (end <= next) {
      piece(at, end, left);
      return end;
    }
    const part = (next - at) * rate;
    if (part > NOTHING_M3) piece(at, next, part);
    left -= part;
    at = next;
  }
  return at;
}

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

interface Filling {
  start: number;
  end: number;
  full: boolean;
}

function seamsOf(
  v: SimulationInput,
  filled: Map<string, Filling>,
  stiffenMin: number,
  knitMin: number,
): Timetable['seams'] {
  const seams: Timetable['seams'] = [];
  const add = (above: string, below: string, kind: 'below' | 'beside', gaps: [number, number]) => {
    const gapMaxMin = Math.max(...gaps);
    seams.push({
      above,
      below,
      kind,
      gapMaxMin,
      gapMinMin: Math.min(...gaps),
      stiffenMin,
      knitMin,
      verdict: gapMaxMin > knitMin + EPS * knitMin ? 'cold' : 'ok',
    });
  };
  for (const c of v.cells) {
    const me = filled.get(c.id);
    if (!me) continue;
    const low = c.below === undefined ? undefined : filled.get(c.below);
    if (low && c.below !== undefined)
      add(c.id, c.below, 'below', [me.start - low.start, me.end - low.end]);
    for (const b of c.beside) {
      const other = filled.get(b);
      if (!other) continue;
      const gap = Math.max(0, Math.max(me.start, other.start) - Math.min(me.end, other.end));
      add(c.id, b, 'beside', [gap, gap]);
    }
  }
  return seams;
}

function headsOf(
  v: SimulationInput,
  filled: Map<string, Filling>,
  stiffenMin: number,
): Timetable['cells'] {
  const byId = new Map(v.cells.map((c) => [c.id, c]));
  return v.cells.flatMap((c) => {
    const me = filled.get(c.id);
    if (!me) return [];
    let freshHeadM = c.heightM;
    for (let on = c; on.below !== undefined && !on.formFoot;) {
      const low = on.below;
      const under = filled.get(low);
      if (!under || me.end - under.end >= stiffenMin) break;
      on = byId.get(low) as typeof c;
      freshHeadM += on.heightM;
    }
    const pressureKPa = (v.densityKgM3 * STANDARD_GRAVITY * freshHeadM) / 1000;
    return [
      { id: c.id, freshHeadM, pressureKPa, overRating: pressureKPa > v.ratingKPa * (1 + EPS) },
    ];
  });
}

/** Where the pour stands between two loads. */
interface Serving {
  placements: Placement[];
  filled: Map<string, Filling>;
  loads: Timetable['loads'];
  /** The cell that is filled, and what it still takes, m³. */
  cell: number;
  left: number;
  /** The crew has come to that cell. */
  moved: boolean;
  readyMin: number;
  crewWaitMin: number;
  leftOverM3: number;
}

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
  while (holds > NOTHING_M3 && state.cell < v.cells.length) {
    const c = v.cells[state.cell] as SimulationInput['cells'][number];
    if (!state.moved) {
      t += c.moveMin;
      const under = c.below === undefined ? undefined : state.filled.get(c.below);
      if (under && v.liftWaitMin > 0) t = Math.max(t, under.end + v.liftWaitMin);
      state.moved = true;
    }
    const volume = Math.min(holds, state.left);
    t = place(t, volume, rate, v.breaks, (fromMin, toMin, placedM3) => {
      state.placements.push({ cellId: c.id, loadId, fromMin, toMin, volumeM3: placedM3 });
      const start = state.filled.get(c.id)?.start ?? fromMin;
      state.filled.set(c.id, { start, end: toMin, full: false });
    });
    holds -= volume;
    state.left -= volume;
    if (state.left <= NOTHING_M3) {
      const f = state.filled.get(c.id);
      if (f) f.full = true;
      state.cell += 1;
      state.left = v.cells[state.cell]?.volumeM3 ?? 0;
      state.moved = false;
    }
  }
  return { t, holds };
}

/** One load from its arrival till it is empty; one that comes when all is full goes back as it came. */
function serve(
  v: SimulationInput,
  arrivals: Arrivals,
  state: Serving,
  index: number,
  first: boolean,
): void {
  const load = v.loads[index] as SimulationInput['loads'][number];
  const arriveMin = arrivals.arriveMin[index] as number;
  const { id } = load;
  if (state.cell >= v.cells.length) {
    const none = { startMin: null, endMin: null, waitMin: null, ageAtEndMin: null };
    state.loads.push({ id, arriveMin, ...none, overAge: false });
    state.leftOverM3 += load.volumeM3;
    return;
  }
  const ready = state.readyMin;
  const startMin = outOfBreaks(Math.max(arriveMin, ready), v.breaks);
  state.crewWaitMin += startMin - ready - breakMinutes(ready, startMin, v.breaks);
  // What fills hoses and pump is not placed.
  const behindM3 = first ? v.leftBehindM3 : 0;
  const fromMin =
    behindM3 > 0
      ? place(startMin, behindM3, v.placingRateM3PerH / 60, v.breaks, () => undefined)
      : startMin;
  const { t, holds } = fillFrom(v, state, id, fromMin, load.volumeM3 - behindM3);
  state.leftOverM3 += Math.max(0, holds);
  const age = t - (arrivals.leaveMin[index] as number);
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

/**
 * The timetable of one pour with given arrivals: exact arithmetic in minutes after midnight.
 * Loads are served in order of arrival; cells fill in list order; nothing is placed within a break.
 */
export function timetableOf(v: SimulationInput, arrivals: Arrivals): Timetable {
  const order = v.loads
    .map((_, i) => i)
    .sort((a, b) => (arrivals.arriveMin[a] as number) - (arrivals.arriveMin[b] as number) || a - b);
  const state: Serving = {
    placements: [],
    filled: new Map(),
    loads: [],
    cell: 0,
    left: v.cells[0]?.volumeM3 ?? 0,
    moved: false,
    readyMin: v.startMin,
    crewWaitMin: 0,
    leftOverM3: 0,
  };
  order.forEach((index, turn) => {
    serve(v, arrivals, state, index, turn === 0);
  });
  const { placements, loads, filled, cell, left, crewWaitMin, leftOverM3 } = state;
  const shortM3 =
    cell >= v.cells.length ? 0 : left + v.cells.slice(cell + 1).reduce((s, c) => s + c.volumeM3, 0);
  for (const [id, f] of filled) if (!f.full) filled.delete(id);
  const stiffenMin = clockMin(v.stiffenMinAt20C * v.retarderFactor, v.tempC);
  const knitMin = clockMin(v.knitMinAt20C * v.retarderFactor, v.tempC);
  return {
    placements,
    loads,
    crewWaitMin,
    finishMin: placements.at(-1)?.toMin ?? v.startMin,
    shortM3,
    leftOverM3: leftOverM3 > NOTHING_M3 ? leftOverM3 : 0,
    seams: seamsOf(v, filled, stiffenMin, knitMin),
    cells: headsOf(v, filled, stiffenMin),
  };
}
