import { clockMin } from '../concrete/joint-window.ts';
import { STANDARD_GRAVITY } from '../units/factors.ts';
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

/**
 * The timetable of one pour with given arrivals: exact arithmetic in minutes after midnight.
 * Loads are served in order of arrival; cells fill in list order; nothing is placed within a break.
 */
export function timetableOf(v: SimulationInput, arrivals: Arrivals): Timetable {
  const rate = v.placingRateM3PerH / 60;
  const order = v.loads
    .map((_, i) => i)
    .sort((a, b) => (arrivals.arriveMin[a] as number) - (arrivals.arriveMin[b] as number) || a - b);
  const placements: Placement[] = [];
  const filled = new Map<string, Filling>();
  const loads: Timetable['loads'] = [];
  let cell = 0;
  let left = v.cells[0]?.volumeM3 ?? 0;
  let moved = false;
  let ready = v.startMin;
  let crewWaitMin = 0;
  let leftOverM3 = 0;
  order.forEach((index, turn) => {
    const load = v.loads[index] as SimulationInput['loads'][number];
    const arriveMin = arrivals.arriveMin[index] as number;
    if (cell >= v.cells.length) {
      loads.push({
        id: load.id,
        arriveMin,
        startMin: null,
        endMin: null,
        waitMin: null,
        ageAtEndMin: null,
        overAge: false,
      });
      leftOverM3 += load.volumeM3;
      return;
    }
    const startMin = outOfBreaks(Math.max(arriveMin, ready), v.breaks);
    crewWaitMin += startMin - ready - breakMinutes(ready, startMin, v.breaks);
    let t = startMin;
    let holds = load.volumeM3;
    if (turn === 0 && v.leftBehindM3 > 0) {
      t = place(t, v.leftBehindM3, rate, v.breaks, () => undefined);
      holds -= v.leftBehindM3;
    }
    while (holds > NOTHING_M3 && cell < v.cells.length) {
      const c = v.cells[cell] as SimulationInput['cells'][number];
      if (!moved) {
        t += c.moveMin;
        const under = c.below === undefined ? undefined : filled.get(c.below);
        if (under && v.liftWaitMin > 0) t = Math.max(t, under.end + v.liftWaitMin);
        moved = true;
      }
      const volume = Math.min(holds, left);
      t = place(t, volume, rate, v.breaks, (fromMin, toMin, volumeM3) => {
        placements.push({ cellId: c.id, loadId: load.id, fromMin, toMin, volumeM3 });
        const f = filled.get(c.id);
        filled.set(c.id, { start: f?.start ?? fromMin, end: toMin, full: false });
      });
      holds -= volume;
      left -= volume;
      if (left <= NOTHING_M3) {
        const f = filled.get(c.id);
        if (f) f.full = true;
        cell += 1;
        left = v.cells[cell]?.volumeM3 ?? 0;
        moved = false;
      }
    }
    leftOverM3 += Math.max(0, holds);
    const age = t - (arrivals.leaveMin[index] as number);
    loads.push({
      id: load.id,
      arriveMin,
      startMin,
      endMin: t,
      waitMin: startMin - arriveMin,
      ageAtEndMin: age,
      overAge: age > v.maxAgeMin * (1 + EPS),
    });
    ready = t + v.changeOverMin;
  });
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
