/**
 * Benchmarks: figures and ratios taken in one run. `npm run bench`, or `npm run -s bench -- --json`
 * for a line a figure.
 */
import { type LogEvent, replay } from '#core/log';
import { type Choices, searchSequences, trialsOf } from '#core/pourplan';
import { demoPour } from '../core/testdata/demo.ts';
import { tallyByEvents } from './event-queue.ts';
import { planFigures } from './plan-figures.ts';
import { ringPour } from './pours.ts';

interface Figure {
  name: string;
  value: number;
  unit: string;
  yardstick: number | null;
  ratio: number | null;
  goal: string;
  ok: boolean;
}
const figures: Figure[] = [];
const json = process.argv.includes('--json');
const seconds = (run: () => void): number => {
  const from = performance.now();
  run();
  return (performance.now() - from) / 1000;
};
/** Of a few runs the middle one: a machine with other work to do spoils the ends. */
const middle = (runs: number, run: () => void): number =>
  Array.from({ length: runs }, () => seconds(run)).sort((a, b) => a - b)[
    Math.floor(runs / 2)
  ] as number;
/** A log of so many readings, one a second. */
const readings = (n: number): LogEvent[] =>
  Array.from({ length: n }, (_, i) => ({
    id: `e${String(i).padStart(6, '0')}`,
    at: new Date(1_790_000_000_000 + i * 1000).toISOString(),
    actor: 'T. Oakes',
    kind: 'reading',
    body: { checkId: `R${i % 400}/width`, place: i % 3, value: { type: 'length', mm: 600 } },
    supersedes: null,
  }));
const heapMB = (): number => {
  globalThis.gc?.();
  return process.memoryUsage().heapUsed / 1e6;
};

const CELLS = 120;
const TRIALS = 10_000;
const wall = ringPour(CELLS / 3, 3, 6);
const fast = trialsOf(wall);

// The first run compiles; it is not counted, and neither is the yardstick's.
fast.run(1000, 1);
tallyByEvents(wall, 20, 1);
const fastS = middle(5, () => {
  fast.run(TRIALS, 1);
});
const slowTrials = 400;
const slowS =
  (middle(3, () => {
    tallyByEvents(wall, slowTrials, 1);
  }) *
    TRIALS) /
  slowTrials;
figures.push({
  name: `pour-simulation: ${TRIALS} trials of ${CELLS} cells, ${wall.loads.length} loads`,
  value: fastS,
  unit: 's',
  yardstick: slowS,
  ratio: slowS / fastS,
  goal: 'under 0.6 s, and 40 times the event queue of objects and closures',
  ok: fastS < 0.6 && slowS / fastS >= 40,
});

const a = fast.run(slowTrials, 1);
const b = tallyByEvents(wall, slowTrials, 1);
const counts = ['coldSeam', 'overAge', 'short', 'afterDusk', 'overRating'] as const;
const apart = Math.max(
  ...counts.map((k) => Math.abs(a[k] - b[k])),
  Math.abs(a.finishSum - b.finishSum) / b.finishSum,
  Math.abs(a.crewWaitSum - b.crewWaitSum) / b.crewWaitSum,
);
figures.push({
  name: 'pour-simulation: furthest from the yardstick in any count or mean',
  value: apart,
  unit: '',
  yardstick: null,
  ratio: null,
  goal: 'equal, to 1e-9',
  ok: apart < 1e-9,
});

const grown = [1000, 10_000].map((n) => {
  const log = readings(n);
  replay(log);
  return middle(5, () => {
    replay(log);
  });
}) as [number, number];
figures.push({
  name: 'log: 10 000 entries replayed, against 1 000',
  value: grown[1],
  unit: 's',
  yardstick: grown[0],
  ratio: grown[1] / grown[0],
  goal: 'grows with the log: at most 20 times for 10 times the entries',
  ok: grown[1] / grown[0] <= 20,
});

const before = heapMB();
fast.run(TRIALS, 2);
const once = heapMB();
fast.run(TRIALS * 10, 3);
const after = heapMB();
figures.push({
  name: 'pour-simulation: heap after ten times the trials',
  value: after - before,
  unit: 'MB more',
  yardstick: once - before,
  ratio: null,
  goal: 'flat: under 1 MB',
  ok: after - before < 1,
});

const choices: Choices = {
  startAt: [0, 1, 2, 3, 4, 5],
  reverse: [false, true],
  lifts: [1, 2, 3, 4, 5],
  truckM3: [6.88, 7.65],
  spacingMin: [null, 18, 24, 30],
  firstLoadMin: [390, 420, 450, 480, 510],
  placingRateM3PerH: [],
  conveyance: [],
  way: [],
  liftWaitMin: [],
};
const plans = 1000;
const search = searchSequences({
  ...demoPour('quillback', 'P2'),
  duskMin: 1190,
  choices,
  prices: { crewPerMin: 5, oldLoad: 400, afterDusk: 300 },
  noGo: [],
  coldSeamShare: 0.02,
  trials: 200,
  seed: 7,
  maxPlans: plans,
  runnersUp: 5,
  pressureBy: 'rise',
});
let reports = 0;
let examined = 0;
let worstGap = 0;
let last = performance.now();
const searchS = seconds(() => {
  for (;;) {
    const step = search.next();
    worstGap = Math.max(worstGap, (performance.now() - last) / 1000);
    last = performance.now();
    if (step.done) {
      examined = step.value.examined;
      return;
    }
    reports += 1;
  }
});
figures.push({
  name: `sequence-search: ${examined} plans of 200 trials each`,
  value: searchS,
  unit: 's',
  yardstick: null,
  ratio: null,
  goal: 'under 6 s',
  ok: searchS < 6 && examined === plans,
});
figures.push({
  name: `sequence-search: longest without a report, of ${reports}`,
  value: worstGap,
  unit: 's',
  yardstick: searchS,
  ratio: searchS / worstGap,
  goal: 'under 0.5 s, so that it can be stopped',
  ok: worstGap < 0.5,
});

for (const f of planFigures())
  figures.push({
    name: f.name,
    value: f.ms / 1000,
    unit: 's',
    yardstick: null,
    ratio: null,
    goal: `under ${f.goalMs} ms`,
    ok: f.ms < f.goalMs,
  });

const round = (n: number | null): string =>
  n === null ? '' : Math.abs(n) >= 100 ? n.toFixed(0) : n.toPrecision(3);
if (json)
  for (const f of figures)
    console.log(
      JSON.stringify({
        name: f.name,
        value: f.value,
        unit: f.unit,
        yardstick: f.yardstick,
        ratio: f.ratio,
        goal: f.goal,
      }),
    );
else
  console.table(
    figures.map((f) => ({
      figure: f.name,
      value: `${round(f.value)} ${f.unit}`,
      yardstick: round(f.yardstick),
      ratio: round(f.ratio),
      goal: f.goal,
      met: f.ok ? 'yes' : 'NO',
    })),
  );
