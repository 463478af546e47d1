import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { calculation, fig } from '../register/calculation.ts';
import { simulationInput, simulationOutput, type SimulationInput, type Timetable } from './simulation-model.ts';
import { medianArrivals, timetableOf, type Arrivals } from './timetable.ts';

/** z of the 90th percentile: ln(p90/median) over it is the deviation of ln X. */
const Z90 = 1.2815515655;

type Delay = SimulationInput['loads'][number]['travel'];
const spreadOf = (d: Delay) => (d.medianMin > 0 ? Math.log(d.p90Min / d.medianMin) / Z90 : 0);

/** Standard normal numbers from a seed (Box–Muller on a seedable generator): the same on every machine. */
function normals(seed: number): () => number {
  const rng = xoroshiro128plus(seed);
  const uniform = () => ((rng.next() >>> 0) + 0.5) / 0x1_0000_0000;
  let spare: number | null = null;
  return () => {
    if (spare !== null) { const z = spare; spare = null; return z; }
    const radius = Math.sqrt(-2 * Math.log(uniform()));
    const turn = 2 * Math.PI * uniform();
    spare = radius * Math.sin(turn);
    return radius * Math.cos(turn);
  };
}

function drawn(v: SimulationInput, next: () => number): Arrivals {
  const draw = (d: Delay) => { const z = next(); return d.medianMin * Math.exp(spreadOf(d) * z); };
  const leaveMin = v.loads.map((l) => l.batchMin + draw(l.plantDelay));
  return { leaveMin, arriveMin: v.loads.map((l, i) => (leaveMin[i] as number) + draw(l.travel)) };
}

/** Value at a share of the sorted list, straight between ranks (rank p·(n − 1)). */
function quantile(sorted: Float64Array, p: number): number {
  const rank = p * (sorted.length - 1);
  const low = Math.floor(rank);
  const a = sorted[low] as number;
  return a + (rank - low) * ((sorted[Math.min(low + 1, sorted.length - 1)] as number) - a);
}

const spreadOut = (values: Float64Array) => { const s = values.slice().sort(); return { p10: quantile(s, 0.1), p50: quantile(s, 0.5), p90: quantile(s, 0.9) }; };

/** One pour, load by load and cell by cell, many mornings over. */
export const pourSimulation = calculation({
  id: 'pour-simulation',
  title: 'Pour simulation',
  purpose: 'The timetable of a pour as planned, and how often late trucks lead to a cold seam, an old load, a shortage or work after dusk.',
  formula: 'Discrete events: a load starts at the latest of its arrival, the start and the end of the load before + change-over; cells fill in order at the placing rate; seams are cold when the gap is longer than the knit window',
  source: 'Deterministic arithmetic; delays lognormal by median and 90th percentile; windows as in joint-window',
  limits: 'One crew, one hose, cells in a fixed order. Delays of loads are independent of one another.',
  input: simulationInput,
  output: simulationOutput,
  compute(v, trace) {
    const spread = v.loads.some((l) => spreadOf(l.plantDelay) > 0 || spreadOf(l.travel) > 0);
    const next = normals(v.seed);
    const trials = spread ? v.trials : 1;
    const finish = new Float64Array(trials);
    const wait = new Float64Array(trials);
    const hits = { coldSeam: 0, overAge: 0, short: 0, afterDusk: 0, overRating: 0 };
    let timetable: Timetable | null = null;
    for (let i = 0; i < trials; i += 1) {
      const t = timetableOf(v, spread ? drawn(v, next) : medianArrivals(v));
      timetable ??= t;
      finish[i] = t.finishMin;
      wait[i] = t.crewWaitMin;
      if (t.seams.some((s) => s.verdict === 'cold')) hits.coldSeam += 1;
      if (t.loads.some((l) => l.overAge)) hits.overAge += 1;
      if (t.shortM3 > 0) hits.short += 1;
      if (t.finishMin > v.duskMin) hits.afterDusk += 1;
      if (t.cells.some((c) => c.overRating)) hits.overRating += 1;
    }
    const first = timetable ?? timetableOf(v, medianArrivals(v));
    trace.step('placed', `${first.placements.length} placements from ${first.loads.length} loads at ${fig(v.placingRateM3PerH)} m³/h`, first.placements.reduce((s, p) => s + p.volumeM3, 0), 'm³');
    trace.step('finish', 'end of the last placement, minutes after midnight', first.finishMin, 'min');
    trace.step('crew waits', 'ready to start of load, less breaks', first.crewWaitMin, 'min');
    if (first.seams[0]) trace.step('window', `opens ${fig(first.seams[0].stiffenMin)} min, shuts`, first.seams[0].knitMin, 'min');
    return {
      timetable: first,
      odds: {
        coldSeam: hits.coldSeam / trials, overAge: hits.overAge / trials, short: hits.short / trials, afterDusk: hits.afterDusk / trials, overRating: hits.overRating / trials,
        finishMin: spreadOut(finish), crewWaitMin: spreadOut(wait),
      },
    };
  },
});
