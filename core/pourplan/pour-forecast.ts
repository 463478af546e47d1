import { calculation, fig } from '#core/kit';
import { forecastInput } from './forecast-model.ts';
import { inOrder, laterThan } from './going-on.ts';
import { spreadOut } from './quantiles.ts';
import { simulationOutput } from './simulation-model.ts';
import { timetableOf } from './timetable.ts';
import { trialsOf } from './trials.ts';
import { spreadOf } from './trials-layout.ts';
import { goingOf } from './underway.ts';

/** The rest of a pour from now, many times over. */
export const pourForecast = calculation({
  id: 'pour-forecast',
  title: 'Pour forecast',
  purpose:
    'How the rest of a pour goes from now: when it ends, which seams close in time, and how often late trucks, an old load or dusk get in the way.',
  formula:
    'pour-simulation gone on with from what is placed: what is still to fill × yield, at the rate given; a load that has not come arrives by its own distribution, given that it has not come by now',
  source:
    'Deterministic arithmetic; delays lognormal by median and 90th percentile, their tail by rejection (Marsaglia)',
  limits:
    'One crew, one hose, cells in a fixed order after the one under way. What was done is taken as it was done.',
  input: forecastInput,
  output: simulationOutput,
  compute(v, trace) {
    const { simulation, underway } = goingOf(v);
    const spread = simulation.loads.some(
      (l) => spreadOf(l.plantDelay) > 0 || spreadOf(l.travel) > 0,
    );
    const trials = spread ? v.trials : 1;
    const finish = new Float64Array(trials);
    const wait = new Float64Array(trials);
    const many = trialsOf(simulation, underway);
    const tally = many.run(trials, v.seed, finish, wait);
    const arrivals = spread
      ? many.firstArrivals(v.seed)
      : laterThan(v.nowMin, simulation, underway);
    const first = timetableOf(simulation, arrivals, underway);
    trace.step(
      'placed',
      'so far',
      v.placed.reduce((s, p) => s + p.volumeM3, 0),
      'm³',
    );
    trace.step(
      'still to fill',
      `× ${fig(v.yieldRatio)}`,
      underway.serving.todo.reduce((s, d) => s + d.leftM3, 0),
      'm³',
    );
    trace.step(
      'finish',
      'end of the last placement, minutes after midnight',
      first.finishMin,
      'min',
    );
    const share = (n: number) => n / trials;
    return {
      timetable: inOrder(first, v.cells),
      odds: {
        coldSeam: share(tally.coldSeam),
        overAge: share(tally.overAge),
        short: share(tally.short),
        afterDusk: share(tally.afterDusk),
        overRating: share(tally.overRating),
        finishMin: spreadOut(finish),
        crewWaitMin: spreadOut(wait),
      },
    };
  },
});
