import { Normals } from './normals.ts';
import type { SimulationInput } from './simulation-model.ts';
import type { Underway } from './timetable.ts';
import { Mornings } from './trials-arrivals.ts';
import { EPS, headLimitM, layOut, standingOf } from './trials-layout.ts';
import type { Tally, TrialRecord, Trials } from './trials-types.ts';

/**
 * The trial loop of the pour simulation, written for speed: the pour is laid out in typed arrays once, and a trial
 * touches nothing but them. It follows the same rules, in the same order of arithmetic, as `timetableOf`, which says
 * what happened; this one only says how it went.
 */
const NOTHING_M3 = 1e-9;
/* oxlint-disable max-lines-per-function -- one loop over flat arrays: calls inside it cost a third of the speed a search lives on */
/**
 * Lays a pour out. The layout is reused by every trial; one `Trials` is not for two threads at once.
 * @param underway where it stands, for a pour that has begun: its cells then lie in the order in
 * which they are filled, full ones first
 */
export function trialsOf(v: SimulationInput, underway: Underway | null = null): Trials {
  const l = layOut(v);
  const from = standingOf(v, l, underway);
  const {
    volume,
    move,
    duration,
    seamAbove,
    seamBelow,
    seamBeside,
    seamPlace,
    heavy,
    below,
    waitsFor,
    foot,
    height,
    knit,
    stiffen,
    riseLimit,
    stackFoot,
    stackM,
    breakFrom,
    breakTo,
  } = l;
  const cells = volume.length;
  const loads = l.batch.length;
  const nBreaks = breakFrom.length;
  const nSeams = seamAbove.length;
  /** In which trial, from 1, a place was last cold. */
  const placeCold = new Int32Array(nSeams);
  /** Placing that ends before the first break or begins after the last has none in its way. */
  const firstBreak = nBreaks > 0 ? (breakFrom[0] as number) : Infinity;
  const lastBreak = nBreaks > 0 ? (breakTo[nBreaks - 1] as number) : -Infinity;
  const rate = v.placingRateM3PerH / 60;
  const { changeOverMin, liftWaitMin, maxAgeMin, duskMin } = v;
  const { behindM3, notBeforeMin, underLoad, holds: given, begunCell } = from;
  const byRise = v.pressureBy !== undefined;
  /** Joined seams wait for the one that was placed first, whose concrete has the window. */
  const coldAt = Float64Array.from(knit, (min) => min + EPS * min);
  const headLimit = headLimitM(v);
  const ageLimit = maxAgeMin * (1 + EPS);

  const mornings = new Mornings(l, from);
  const { leave, arrive, order } = mornings;
  const { start, end } = from;
  /**
   * Where the last stretch of placing began; −1 when nothing was placed. Kept here so that a call
   * gives back one number only.
   */
  let begun = -1;

  function outOfBreaks(t: number): number {
    for (let b = 0; b < nBreaks; b += 1)
      if (t >= (breakFrom[b] as number) && t < (breakTo[b] as number)) return breakTo[b] as number;
    return t;
  }
  function breakMinutes(from: number, to: number): number {
    let sum = 0;
    for (let b = 0; b < nBreaks; b += 1) {
      const a = Math.max(from, breakFrom[b] as number);
      const z = Math.min(to, breakTo[b] as number);
      if (z > a) sum += z - a;
    }
    return sum;
  }
  /** Places with breaks in the way; gives back the end. */
  function placeAround(t: number, m3: number): number {
    let at = t;
    let left = m3;
    begun = -1;
    while (left > NOTHING_M3) {
      at = outOfBreaks(at);
      let next = Infinity;
      for (let b = 0; b < nBreaks; b += 1)
        if ((breakFrom[b] as number) > at) {
          next = breakFrom[b] as number;
          break;
        }
      const done = at + left / rate;
      if (done <= next) {
        if (begun < 0) begun = at;
        return done;
      }
      const part = (next - at) * rate;
      if (part > NOTHING_M3 && begun < 0) begun = at;
      left -= part;
      at = next;
    }
    return at;
  }

  function run(
    trials: number,
    seed: number,
    finish?: Float64Array,
    wait?: Float64Array,
    record?: TrialRecord,
  ): Tally {
    const source = new Normals(seed);
    placeCold.fill(0);
    let coldSeam = 0;
    let overAge = 0;
    let short = 0;
    let afterDusk = 0;
    let overRating = 0;
    let crewWaitSum = 0;
    let finishSum = 0;
    let shortSum = 0;
    let leftOverSum = 0;
    for (let trial = 0; trial < trials; trial += 1) {
      mornings.draw(source);
      let cell = from.cell;
      let left = cell < cells ? (volume[cell] as number) : 0;
      let untouched = begunCell[cell] !== 1;
      let moved = !untouched;
      let ready = from.readyMin;
      let waited = from.waitedMin;
      let leftOver = from.leftOverM3;
      let { old } = from;
      let last = from.lastMin;
      for (let turn = 0; turn < loads; turn += 1) {
        const k = order[turn] as number;
        let holds = given[k] as number;
        const going = k === underLoad;
        if (cell >= cells && !going) {
          leftOver += holds;
          continue;
        }
        const came = arrive[k] as number;
        let t = came > ready ? came : ready;
        if (t < notBeforeMin) t = notBeforeMin;
        if (going) t = from.resumeMin;
        else if (nBreaks > 0) {
          t = outOfBreaks(t);
          waited += t - ready - breakMinutes(ready, t);
        } else waited += t - ready;
        if (turn === 0) {
          if (behindM3 > NOTHING_M3) {
            if (t < notBeforeMin) t = notBeforeMin;
            t = nBreaks > 0 ? placeAround(t, behindM3) : t + behindM3 / rate;
          }
          holds -= behindM3;
        }
        while (holds > NOTHING_M3 && cell < cells) {
          if (!moved) {
            t += move[cell] as number;
            const under = waitsFor[cell] as number;
            if (liftWaitMin > 0 && under >= 0) {
              const from = (end[under] as number) + liftWaitMin;
              if (from > t) t = from;
            }
            moved = true;
          }
          if (t < notBeforeMin) t = notBeforeMin;
          const whole = holds >= left;
          const m3 = whole ? left : holds;
          const minutes = whole && untouched ? (duration[cell] as number) : m3 / rate;
          if (t < lastBreak && t + minutes > firstBreak) {
            const done = placeAround(t, m3);
            if (untouched && begun >= 0) {
              start[cell] = begun;
              untouched = false;
            }
            t = done;
          } else {
            if (untouched) start[cell] = t;
            t += minutes;
            untouched = false;
          }
          end[cell] = t;
          last = t;
          holds -= m3;
          left -= m3;
          if (left <= NOTHING_M3) {
            cell += 1;
            left = cell < cells ? (volume[cell] as number) : 0;
            untouched = begunCell[cell] !== 1;
            moved = !untouched;
          }
        }
        if (holds > 0) leftOver += holds;
        if (t - (leave[k] as number) > ageLimit) old = true;
        if (record) {
          const over = t - came - record.freeUnloadMin;
          if (over > 0) record.truckOverMin[trial] = (record.truckOverMin[trial] as number) + over;
        }
        ready = t + changeOverMin;
      }
      let missing = 0;
      if (cell < cells) {
        missing = left;
        for (let c = cell + 1; c < cells; c += 1) missing += volume[c] as number;
      }
      let cold = false;
      for (let s = 0; s < nSeams; s += 1) {
        const a = seamAbove[s] as number;
        const b = seamBelow[s] as number;
        if (a >= cell || b >= cell) continue;
        const sa = start[a] as number;
        const sb = start[b] as number;
        const ea = end[a] as number;
        const eb = end[b] as number;
        const gap =
          seamBeside[s] === 1 ? Math.max(sa, sb) - Math.min(ea, eb) : Math.max(sa - sb, ea - eb);
        if (gap > (coldAt[seamBeside[s] === 1 && ea < eb ? a : b] as number)) {
          cold = true;
          if (!record) break;
          record.seamCold[s] = (record.seamCold[s] as number) + 1;
          const place = seamPlace[s] as number;
          if (placeCold[place] === trial + 1) continue;
          placeCold[place] = trial + 1;
          record.coldSeams[trial] = (record.coldSeams[trial] as number) + 1;
        }
      }
      let burst = false;
      for (let h = 0; h < heavy.length && !burst; h += 1) {
        const c = heavy[h] as number;
        if (c >= cell) continue;
        if (byRise) {
          const minutes = (end[c] as number) - (start[stackFoot[c] as number] as number);
          const rise = (60 * (stackM[c] as number)) / (minutes > 1 ? minutes : 1);
          burst = rise > (riseLimit[c] as number);
          continue;
        }
        let head = height[c] as number;
        for (
          let k = foot[c] === 1 ? -1 : (below[c] as number);
          k >= 0 && (end[c] as number) - (end[k] as number) < (stiffen[k] as number);
          k = foot[k] === 1 ? -1 : (below[k] as number)
        )
          head += height[k] as number;
        burst = head > headLimit;
      }
      if (cold) coldSeam += 1;
      if (old) overAge += 1;
      if (missing > 0) short += 1;
      if (last > duskMin) afterDusk += 1;
      if (burst) overRating += 1;
      crewWaitSum += waited;
      finishSum += last;
      shortSum += missing;
      leftOverSum += leftOver;
      if (finish) finish[trial] = last;
      if (wait) wait[trial] = waited;
      if (record) {
        record.finish[trial] = last;
        record.wait[trial] = waited;
        record.shortM3[trial] = missing;
        record.leftOverM3[trial] = leftOver;
        record.overAge[trial] = old ? 1 : 0;
      }
    }
    return {
      trials,
      coldSeam,
      overAge,
      short,
      afterDusk,
      overRating,
      crewWaitSum,
      finishSum,
      shortSum,
      leftOverSum,
    };
  }

  return {
    run,
    seams: nSeams,
    firstArrivals(seed) {
      mornings.draw(new Normals(seed));
      return { leaveMin: [...leave], arriveMin: [...arrive] };
    },
  };
}
