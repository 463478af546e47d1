import { scaleLinear } from 'd3';
import type { WeatherHour } from '../../../contract/index.ts';
import type { ActualPlacement, LoadState } from '#core/pourlog';
import type { SitePlan } from '#core/model';
import type { ColdStretch, NoGo, PourPlan } from '#core/pourplan';
import type { UnitSystem } from '#core/units';
import { actualBars, plannedBars, restBars, type Bar, type Stretch } from './bars.ts';

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
  /** The site, for the walls as they stand along the route; without it the runs are plain. */
  site?: SitePlan;
  /** Hours in which nothing may be placed, and when it is light, minutes after midnight. */
  noGo?: NoGo[];
  light?: { sunriseMin: number; duskMin: number };
  /** Seams that leave their window. */
  cold?: ColdStretch[];
  /** What is still to come as it goes now, hollow from the present on. */
  rest?: Stretch[];
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

/** Where the hours begin under the strip of walls, px. */
const STRIP_TOP = 104;
const STEPS = [5, 10, 15, 30, 60, 120, 240];
/** Room under the chart, px. */
const BOTTOM = 14;
/** The line of the present is drawn where it lies within this of the chart, minutes. */
const NEAR_MIN = 60;

/** Hours that the pour does not touch, folded away, and what comes after them. */
interface Fold {
  fromMin: number;
  laterMin: number;
  endMin: number;
  /** Where on the chart the fold lies, px. */
  y0: number;
  y1: number;
}

/** Everything the parts of the chart share: its scales, and the passes planned and placed. */
export interface March extends Omit<MarchProps, 'rest'> {
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
  /** The same without a fold, for what is cut off at `edge`: a slope goes on as it comes. */
  straight: (min: number) => number;
  /** Where the hours of the pour end, px: at the fold, else at the foot. */
  edge: number;
  x: (m: number) => number;
  /** Which metre of the route lies at a px across. */
  metreAt: (px: number) => number;
  tFrom: number;
  tTo: number;
  ticks: number[];
  fold: Fold | null;
  planned: Bar[];
  done: Bar[];
  rest: Bar[];
  /** Passes whose window is drawn: those that something comes on; all where nothing does. */
  open: (bars: Bar[]) => Bar[];
  anyCovered: boolean;
  near: boolean;
}

/**
 * First and last minute of the chart: from the first batch to when the last pass has to be met, and
 * the present where it is near.
 */
function minutesShown(props: MarchProps, planned: Bar[], done: Bar[], rest: Bar[]) {
  const { plan, nowMin, actual } = props;
  const batched = plan.simulation.loads.map((l) => l.batchMin + l.plantDelay.medianMin);
  const logged = actual
    ? actual.loads.flatMap((l) =>
        [l.batchedAt, l.arrivedAt, l.endedAt].flatMap((t) =>
          t ? [actual.minuteOf(Date.parse(t))] : [],
        ),
      )
    : [];
  const finish = Math.max(
    plan.timetable.finishMin,
    ...done.map((b) => b.t1),
    ...rest.map((b) => b.t1),
  );
  const begin = Math.min(...batched, ...logged, ...planned.map((b) => b.t0)) - 6;
  const shut = Math.max(0, ...(props.cold ?? []).map((c) => c.shutsAtMin));
  const knits = plan.timetable.seams.length > 0 ? Math.min(plan.knitMin, 40) : 0;
  const end = Math.max(finish + knits + 8, shut + 6);
  const near = nowMin !== null && nowMin > begin - NEAR_MIN && nowMin < end + NEAR_MIN;
  return near
    ? { near, tFrom: Math.min(begin, nowMin - 4), tTo: Math.max(end, nowMin + 6) }
    : { near, tFrom: begin, tTo: end };
}

/** The height of the fold itself, and of what is shown after it, px. */
const FOLD_PX = 14;
const LATER_PX = 62;
/** Shown before and after what is notable later in the day, min. */
const ROUND_MIN = 12;

/**
 * What is notable later on the day: the hours ruled out, else dusk. Null where it lies within the
 * chart or there is no room.
 */
function foldOf({ noGo = [], light, height, strip = true }: MarchProps, tTo: number): Fold | null {
  if (!strip || height < 380) return null;
  const later = noGo.filter((g) => g.toMin > tTo && g.fromMin < 1440);
  const first = later[0]?.fromMin ?? light?.duskMin;
  if (first === undefined || first < tTo + 30 || first >= 1440) return null;
  const last = later.length ? Math.max(...later.map((g) => g.toMin)) : first;
  const y1 = height - BOTTOM - LATER_PX;
  return {
    fromMin: tTo,
    laterMin: Math.max(tTo + 1, first - ROUND_MIN),
    endMin: Math.min(1440, last + ROUND_MIN),
    y0: y1 - FOLD_PX,
    y1,
  };
}

/** Minutes to px: straight over the pour, jumping over what is folded. */
function timeScale(tFrom: number, tTo: number, top: number, height: number, fold: Fold | null) {
  return fold
    ? scaleLinear(
        [tFrom, tTo, fold.laterMin, fold.endMin],
        [top, fold.y0, fold.y1, height - BOTTOM],
      )
    : scaleLinear([tFrom, tTo], [top, height - BOTTOM]);
}

function ticksOf(tFrom: number, tTo: number, t: (min: number) => number): number[] {
  const step = STEPS.find((s) => t(tFrom + s) - t(tFrom) >= 30) ?? 480;
  const out: number[] = [];
  for (let m = Math.ceil(tFrom / step) * step; m <= tTo; m += step) out.push(m);
  return out;
}

/** Full hours after a fold: every one, or every other where there are many. */
function laterTicks(fold: Fold | null): number[] {
  if (!fold) return [];
  const step = fold.endMin - fold.laterMin > 180 ? 120 : 60;
  const out: number[] = [];
  for (let m = Math.ceil(fold.laterMin / 60) * 60; m <= fold.endMin; m += step) out.push(m);
  return out;
}

/** Works the chart out for its size; null where it is too small to be read. */
export function marchOf(props: MarchProps): March | null {
  const { width, height, plan, actual, strip = true } = props;
  if (width < 200 || height < 160) return null;
  const top = strip ? STRIP_TOP : 30;
  const axis = marchAxis(width, plan.loadIds.length);
  const planned = plannedBars(plan);
  const done = actual ? actualBars(plan, actual.placements, actual.minuteOf) : [];
  // The last lift has nothing to come on it: only lower ones show their window (a single lift keeps
  // its own, for the ring's end).
  const anyCovered = planned.some((b) => b.covered);
  const seams = plan.timetable.seams.length > 0;
  const rest = restBars(props.rest ?? []);
  const { near, tFrom, tTo } = minutesShown(props, planned, done, rest);
  const x = scaleLinear([0, plan.route.lengthM], [axis.x0, axis.x1]);
  const fold = foldOf(props, tTo);
  const t = timeScale(tFrom, tTo, top, height, fold);
  const foot = height - BOTTOM;
  const edge = fold?.y0 ?? foot;
  return {
    ...props,
    ...axis,
    strip,
    narrow: width < 560,
    top,
    foot,
    t,
    straight: scaleLinear([tFrom, tTo], [top, edge]),
    edge,
    x,
    metreAt: (px) => x.invert(px),
    tFrom,
    tTo,
    ticks: [...ticksOf(tFrom, tTo, t), ...laterTicks(fold)],
    fold,
    planned,
    done,
    rest,
    anyCovered,
    // What stands apart has no seam: nothing comes on or beside it.
    open: (bars) => (seams ? bars.filter((b) => b.covered || !anyCovered) : []),
    near,
  };
}
