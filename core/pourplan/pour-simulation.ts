import { calculation, fig } from '#core/kit';
import { counted } from '#core/units';
import { spreadOut } from './quantiles.ts';
import { simulationInput, simulationOutput } from './simulation-model.ts';
import { medianArrivals, timetableOf } from './timetable.ts';
import { trialsOf } from './trials.ts';
import { spreadOf } from './trials-layout.ts';

/** One pour, load by load and cell by cell, many mornings over. */
export const pourSimulation = calculation({
  id: 'pour-simulation',
  title: 'Pour simulation',
  purpose:
    'The timetable of a pour as planned, and how often late trucks lead to a cold seam, an old load, a shortage or work after dusk.',
  formula:
    'Discrete events: a load starts at the latest of its arrival, the start and the end of the load before + change-over; cells fill in order at the placing rate; seams are cold when the gap is longer than the knit window',
  source:
    'Deterministic arithmetic; delays lognormal by median and 90th percentile; windows as in joint-window',
  limits:
    'One crew, one hose, cells in a fixed order. Delays of loads are independent of one another.',
  input: simulationInput,
  output: simulationOutput,
  compute(v, trace) {
    const spread = v.loads.some((l) => spreadOf(l.plantDelay) > 0 || spreadOf(l.travel) > 0);
    const trials = spread ? v.trials : 1;
    const finish = new Float64Array(trials);
    const wait = new Float64Array(trials);
    const many = trialsOf(v);
    const tally = many.run(trials, v.seed, finish, wait);
    const first = timetableOf(v, spread ? many.firstArrivals(v.seed) : medianArrivals(v));
    trace.step(
      'placed',
      `${counted(first.placements.length, 'placement')} from ${counted(first.loads.length, 'load')} at ${fig(v.placingRateM3PerH)} m³/h`,
      first.placements.reduce((s, p) => s + p.volumeM3, 0),
      'm³',
    );
    trace.step(
      'finish',
      'end of the last placement, minutes after midnight',
      first.finishMin,
      'min',
    );
    trace.step('crew waits', 'ready to start of load, less breaks', first.crewWaitMin, 'min');
    if (first.seams[0])
      trace.step(
        'window',
        `opens ${fig(first.seams[0].stiffenMin)} min, shuts`,
        first.seams[0].knitMin,
        'min',
      );
    return {
      timetable: first,
      odds: {
        coldSeam: tally.coldSeam / trials,
        overAge: tally.overAge / trials,
        short: tally.short / trials,
        afterDusk: tally.afterDusk / trials,
        overRating: tally.overRating / trials,
        finishMin: spreadOut(finish),
        crewWaitMin: spreadOut(wait),
      },
    };
  },
});
