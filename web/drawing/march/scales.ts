import { scaleLinear } from 'd3';
import type { WeatherHour } from '../../../contract/index.ts';
import type { ActualPlacement, LoadState } from '#core/pourlog';
import type { PourPlan } from '#core/pourplan';
import type { UnitSystem } from '#core/units';
import { actualBars, plannedBars, type Bar } from './bars.ts';

/** Where the route's axis begins and ends across a chart of this width; what stands over it uses the same. */
export function marchAxis(
  width: number,
  loads: number,
): { x0: number; x1: number; weatherW: number; loadsW: number } {
  const narrow = width < 560;
  const weatherW = narrow ? 0 : 92;
  const loadsW = Math.max(narrow ? 70 : 96, Math.min(narrow ? 90 : 170, loads * 38 + 20));
  return { x0: weatherW + 62, x1: width - loadsW - 14, weatherW, loadsW };
}

export interface MarchProps {
  width: number;
  height: number;
  plan: PourPlan;
  units: UnitSystem;
  maxAgeMin: number;
  /** Minutes after local midnight; null leaves out the chalk line. */
  nowMin: number | null;
  weather: { min: number; hour: WeatherHour }[];
  /** Names and numbers over the axis; left out where the live route stands over it. */
  strip?: boolean;
  /** What happened, drawn solid over the plan's outline. */
  actual?: {
    placements: ActualPlacement[];
    loads: LoadState[];
    minuteOf: (ms: number) => number;
    seamShutsMin: number | null;
    knitMin: number;
  };
}

const STEPS = [5, 10, 15, 30, 60, 120, 240];
/** Room under the chart, px. */
const BOTTOM = 14;
/** The line of the present is drawn where it lies within this of the chart, minutes. */
const NEAR_MIN = 60;

/** Everything the parts of the chart share: its scales, and the passes planned and placed. */
export interface March extends MarchProps {
  narrow: boolean;
  strip: boolean;
  top: number;
  foot: number;
  x0: number;
  x1: number;
  weatherW: number;
  loadsW: number;
  /** Minutes after local midnight to px down, and metres along the route to px across. */
  t: (min: number) => number;
  x: (m: number) => number;
  tFrom: number;
  tTo: number;
  ticks: number[];
  planned: Bar[];
  done: Bar[];
  /** Passes whose window is drawn: those that something comes on; all where nothing does. */
  open: (bars: Bar[]) => Bar[];
  anyCovered: boolean;
  near: boolean;
}

/** First and last minute of the chart: from the first batch to when the last pass has to be met, and the present where it is near. */
function minutesShown({ plan, nowMin, actual }: MarchProps, planned: Bar[], done: Bar[]) {
  const batched = plan.simulation.loads.map((l) => l.batchMin + l.plantDelay.medianMin);
  const logged = actual
    ? actual.loads.flatMap((l) =>
        [l.batchedAt, l.arrivedAt, l.endedAt].flatMap((t) =>
          t ? [actual.minuteOf(Date.parse(t))] : [],
        ),
      )
    : [];
  const finish = Math.max(plan.timetable.finishMin, ...done.map((b) => b.t1));
  const begin = Math.min(...batched, ...logged, ...planned.map((b) => b.t0)) - 6;
  const end = finish + Math.min(plan.knitMin, 40) + 8;
  const near = nowMin !== null && nowMin > begin - NEAR_MIN && nowMin < end + NEAR_MIN;
  return near
    ? { near, tFrom: Math.min(begin, nowMin - 4), tTo: Math.max(end, nowMin + 6) }
    : { near, tFrom: begin, tTo: end };
}

function ticksOf(tFrom: number, tTo: number, t: (min: number) => number): number[] {
  const step = STEPS.find((s) => t(tFrom + s) - t(tFrom) >= 30) ?? 480;
  const out: number[] = [];
  for (let m = Math.ceil(tFrom / step) * step; m <= tTo; m += step) out.push(m);
  return out;
}

/** Works the chart out for its size; null where it is too small to be read. */
export function marchOf(props: MarchProps): March | null {
  const { width, height, plan, actual, strip = true } = props;
  if (width < 200 || height < 160) return null;
  const top = strip ? 74 : 30;
  const axis = marchAxis(width, plan.loadIds.length);
  const planned = plannedBars(plan);
  const done = actual ? actualBars(plan, actual.placements, actual.minuteOf) : [];
  // The last lift has nothing to come on it: only lower ones show their window (a single lift keeps its own, for the ring's end).
  const anyCovered = planned.some((b) => b.covered);
  const { near, tFrom, tTo } = minutesShown(props, planned, done);
  const t = scaleLinear([tFrom, tTo], [top, height - BOTTOM]);
  return {
    ...props,
    ...axis,
    strip,
    narrow: width < 560,
    top,
    foot: height - BOTTOM,
    t,
    x: scaleLinear([0, plan.route.lengthM], [axis.x0, axis.x1]),
    tFrom,
    tTo,
    ticks: ticksOf(tFrom, tTo, t),
    planned,
    done,
    anyCovered,
    open: (bars) => bars.filter((b) => b.covered || !anyCovered),
    near,
  };
}
