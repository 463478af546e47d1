import { STANDARD_GRAVITY } from '#core/units';
import type { SimulationInput } from './simulation-model.ts';
import { windowsOf } from './windows.ts';
import { riseLimits } from './rise-limits.ts';
import type { Underway } from './timetable.ts';

export const EPS = 1e-9;
/** z of the 90th percentile: ln(p90/median) over it is the deviation of ln X. */
const Z90 = 1.2815515655;

type Delay = SimulationInput['loads'][number]['travel'];
/** Deviation of ln X of a lognormal delay; 0 when it has no spread. */
export const spreadOf = (d: Delay): number =>
  d.medianMin > 0 ? Math.log(d.p90Min / d.medianMin) / Z90 : 0;

/** A pour laid out in flat arrays, a number a cell or load: what the trials run over. */
export interface Layout {
  volume: Float64Array;
  move: Float64Array;
  duration: Float64Array;
  seamAbove: Int32Array;
  seamBelow: Int32Array;
  seamBeside: Uint8Array;
  /** Seams of one run and lift, and of one kind, are of one place: its number. */
  seamPlace: Int32Array;
  /** Until when each cell knits and from when it is stiff, clock minutes after it was placed. */
  knit: Float64Array;
  stiffen: Float64Array;
  /**
   * Where the pressure goes by the rise: the fastest rise at which the forms hold when a cell is
   * placed, m/h, with the cell its stack begins with and its height, m. No stack of a cell without a limit.
   */
  riseLimit: Float64Array;
  stackFoot: Int32Array;
  stackM: Float64Array;
  /** Cells whose whole stack could be over the rating, and each cell's cell below (−1 for none). */
  heavy: Int32Array;
  below: Int32Array;
  /** The cell whose end the wait between lifts counts from; −1 for none. */
  waitsFor: Int32Array;
  /** 1 where a form begins: no head comes from below. */
  foot: Uint8Array;
  height: Float64Array;
  loadVolume: Float64Array;
  batch: Float64Array;
  delayMedian: Float64Array;
  delaySpread: Float64Array;
  travelMedian: Float64Array;
  travelSpread: Float64Array;
  breakFrom: Float64Array;
  breakTo: Float64Array;
}

/** Breaks in order, those that overlap made one. */
export function mergedBreaks(
  breaks: SimulationInput['breaks'],
): { fromMin: number; toMin: number }[] {
  const out: { fromMin: number; toMin: number }[] = [];
  for (const b of [...breaks].sort((x, y) => x.fromMin - y.fromMin)) {
    const last = out.at(-1);
    if (last && b.fromMin <= last.toMin) last.toMin = Math.max(last.toMin, b.toMin);
    else out.push({ ...b });
  }
  return out;
}

export function layOut(v: SimulationInput): Layout {
  const index = new Map(v.cells.map((c, i) => [c.id, i]));
  const at = (id: string): number => index.get(id) ?? -1;
  const below = Int32Array.from(v.cells, (c) => (c.below === undefined ? -1 : at(c.below)));
  const waitsFor = Int32Array.from(v.cells, (c, i) => (c.goesOn ? -1 : (below[i] as number)));
  const foot = Uint8Array.from(v.cells, (c) => (c.formFoot ? 1 : 0));
  const height = Float64Array.from(v.cells, (c) => c.heightM);
  const seams = v.cells.flatMap((c, i) => [
    ...(c.below === undefined ? [] : [[i, at(c.below), 0]]),
    ...c.beside.map((b) => [i, at(b), 1]),
  ]);
  const headLimit = headLimitM(v);
  const stacks = v.cells.map((_, i) => {
    let [head, at] = [0, i];
    for (let k = i; k >= 0; k = foot[k] === 1 ? -1 : (below[k] as number)) {
      head += height[k] as number;
      at = k;
    }
    return { headM: head, foot: at };
  });
  const heavy = stacks.flatMap((s, i) =>
    s.headM > headLimit && (!v.pressureBy || v.cells[i]?.formHeightM !== undefined) ? [i] : [],
  );
  const limitOf = riseLimits(v);
  const windowOf = windowsOf(v);
  const breaks = mergedBreaks(v.breaks);
  return {
    volume: Float64Array.from(v.cells, (c) => c.volumeM3),
    move: Float64Array.from(v.cells, (c) => c.moveMin),
    duration: Float64Array.from(v.cells, (c) => c.volumeM3 / (v.placingRateM3PerH / 60)),
    seamAbove: Int32Array.from(seams, (s) => s[0] as number),
    seamBelow: Int32Array.from(seams, (s) => s[1] as number),
    seamBeside: Uint8Array.from(seams, (s) => s[2] as number),
    seamPlace: placesOfSeams(v, seams),
    knit: Float64Array.from(v.cells, (c) => windowOf(c).knitMin),
    stiffen: Float64Array.from(v.cells, (c) => windowOf(c).stiffenMin),
    riseLimit: Float64Array.from(v.cells, (c, i) =>
      v.pressureBy ? limitOf(c, stacks[i]?.headM ?? c.heightM) : 0,
    ),
    stackFoot: Int32Array.from(stacks, (s) => s.foot),
    stackM: Float64Array.from(stacks, (s) => s.headM),
    heavy: Int32Array.from(heavy),
    below,
    waitsFor,
    foot,
    height,
    loadVolume: Float64Array.from(v.loads, (l) => l.volumeM3),
    batch: Float64Array.from(v.loads, (l) => l.batchMin),
    delayMedian: Float64Array.from(v.loads, (l) => l.plantDelay.medianMin),
    delaySpread: Float64Array.from(v.loads, (l) => spreadOf(l.plantDelay)),
    travelMedian: Float64Array.from(v.loads, (l) => l.travel.medianMin),
    travelSpread: Float64Array.from(v.loads, (l) => spreadOf(l.travel)),
    breakFrom: Float64Array.from(breaks, (b) => b.fromMin),
    breakTo: Float64Array.from(breaks, (b) => b.toMin),
  };
}

/** Numbers the places of the seams: cells of one element and lift, met at one side, are one. */
function placesOfSeams(v: SimulationInput, seams: number[][]): Int32Array {
  const numbers = new Map<string, number>();
  return Int32Array.from(seams, ([above = 0, , beside]) => {
    const cell = v.cells[above];
    const place = `${beside ?? 0} ${cell?.lift ?? 0} ${cell?.elementId ?? cell?.id ?? ''}`;
    const known = numbers.get(place) ?? numbers.size;
    numbers.set(place, known);
    return known;
  });
}

/** Fresh head above which the pressure is over the rating, m. */
export const headLimitM = (v: SimulationInput): number =>
  (v.ratingKPa * (1 + EPS) * 1000) / (v.densityKgM3 * STANDARD_GRAVITY);

/** Where the trials begin: at nothing done, or where a pour stands. */
export interface Standing {
  /** Which cell is filled next; all before it are full. */
  cell: number;
  begunCell: Uint8Array;
  start: Float64Array;
  end: Float64Array;
  /** What each load gives, which of them has begun (−1 for none) and from when it goes on, and which may still come. */
  holds: Float64Array;
  underLoad: number;
  resumeMin: number;
  coming: Uint8Array;
  behindM3: number;
  notBeforeMin: number;
  readyMin: number;
  waitedMin: number;
  leftOverM3: number;
  old: boolean;
  lastMin: number;
}

/** Where the trials of a pour begin. What of a begun cell is placed already is taken off its volume. */
export function standingOf(v: SimulationInput, l: Layout, underway: Underway | null): Standing {
  const cells = l.volume.length;
  const fresh = {
    cell: 0,
    begunCell: new Uint8Array(cells + 1),
    start: new Float64Array(cells),
    end: new Float64Array(cells),
    holds: l.loadVolume,
    underLoad: -1,
    resumeMin: 0,
    coming: new Uint8Array(l.loadVolume.length),
    behindM3: v.leftBehindM3,
    notBeforeMin: -Infinity,
    readyMin: v.startMin,
    waitedMin: 0,
    leftOverM3: 0,
    old: false,
    lastMin: v.startMin,
  };
  if (!underway) return fresh;
  const s = underway.serving;
  const cell = cells - s.todo.length;
  v.cells.forEach((c, i) => {
    const f = s.filled.get(c.id);
    if (f) {
      fresh.start[i] = f.start;
      fresh.end[i] = f.end;
    }
    const todo = s.todo[i - cell];
    if (!todo) return;
    fresh.begunCell[i] = todo.moved ? 1 : 0;
    l.volume[i] = todo.leftM3;
    l.duration[i] = todo.leftM3 / (v.placingRateM3PerH / 60);
  });
  const underLoad = underway.loads.findIndex((x) => x.startMin !== null);
  return {
    ...fresh,
    cell,
    holds: Float64Array.from(underway.loads, (x) => x.holdsM3),
    underLoad,
    resumeMin: underway.loads[underLoad]?.resumeMin ?? 0,
    coming: Uint8Array.from(underway.loads, (x) => (x.coming ? 1 : 0)),
    behindM3: s.behindM3,
    notBeforeMin: s.notBeforeMin,
    readyMin: s.readyMin,
    waitedMin: s.crewWaitMin,
    leftOverM3: s.leftOverM3,
    old: s.loads.some((x) => x.overAge),
    lastMin: s.placements.at(-1)?.toMin ?? v.startMin,
  };
}
