import { evaluate } from '#core/kit';
import { coldStretches, moneyOf, oddsOf, planPour, pourForecast, startsOf } from '#core/pourplan';
import { rulesOf } from '#core/rules';
import { demoPour, type DemoPour } from '../core/testdata/demo.ts';
import { job } from '../core/testdata/jobs.ts';

/** What the Plan station does under a finger, on P2 and on a pour of 400 cells. */
export interface PlanFigure {
  name: string;
  ms: number;
  /** What it has to stay under, ms. */
  goalMs: number;
}

/** A ring of walls that is cut into 400 cells: 100 stretches of three metres in four lifts. */
function ring400(): DemoPour {
  const side = 76;
  return job({
    elements: ['WA', 'WB', 'WC', 'WD'],
    settings: { lifts: 4, placingRateM3PerH: 40, truckM3: 8 },
    nodes: [
      { id: 'A', xM: 0, yM: 0 },
      { id: 'B', xM: side, yM: 0 },
      { id: 'C', xM: side, yM: side },
      { id: 'D', xM: 0, yM: side },
    ],
    runs: (['AB', 'BC', 'CD', 'DA'] as const).map((n, i) => ({
      id: `W${'ABCD'[i] ?? ''}`,
      kind: 'wall',
      type: 'W1',
      from: n[0],
      to: n[1],
      bottomM: 0,
      topM: 2.8,
    })),
  });
}

const middle = (runs: number, run: (i: number) => void): number => {
  const times = Array.from({ length: runs }, (_, i) => {
    const from = performance.now();
    run(i);
    return performance.now() - from;
  });
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)] ?? 0;
};

const HOURS = Array.from({ length: 192 }, (_, h) => ({
  min: h * 60,
  airTempC: 12 + 6 * Math.sin(h / 4),
  humidity: 0.6,
  windKmH: 12,
  rainMmH: h % 31 === 0 ? 3 : 0,
}));

function figuresOf(name: string, { site, pour, mix, plant }: DemoPour): PlanFigure[] {
  const at = (i: number) => ({
    ...pour,
    settings: { ...pour.settings, firstLoadMin: 450 + 5 * i },
  });
  const plan = planPour(site, pour, mix, plant, 1190);
  const cells = `${plan.cells.length} cells`;
  planPour(site, at(40), mix, plant, 1190);
  const dragged = middle(9, (i) => {
    coldStretches(planPour(site, at(i), mix, plant, 1190));
  });
  const money = moneyOf({}, pour, plant);
  const drawn = middle(5, () => {
    oddsOf({ ...plan.simulation, trials: 400 }, money, 900);
  });
  const ask = {
    plan,
    pour,
    plant,
    conveyance: undefined,
    rules: rulesOf(site),
    hours: HOURS,
    days: [{ sunriseMin: 417, duskMin: 1172 }],
    fromMin: 0,
    toMin: 5 * 1440 - 15,
  };
  const windows = middle(5, () => {
    startsOf(ask);
  });
  const half = plan.timetable.placements.slice(0, plan.timetable.placements.length >> 1);
  const nowMin = half.at(-1)?.toMin ?? 480;
  const past = (t: number | null) => (t !== null && t <= nowMin ? t : null);
  const going = {
    ...plan.simulation,
    trials: 400,
    nowMin,
    placed: half,
    loadsNow: plan.timetable.loads.map((l) => ({
      id: l.id,
      arriveMin: past(l.arriveMin),
      startMin: past(l.startMin),
      endMin: past(l.endMin),
    })),
  };
  const forecast = middle(5, () => {
    evaluate(pourForecast, going);
  });
  return [
    { name: `pour, ${name} of ${cells}, half done: 400 mornings on`, ms: forecast, goalMs: 300 },
    { name: `plan, ${name} of ${cells}: timetable on drag`, ms: dragged, goalMs: 16 },
    { name: `plan, ${name} of ${cells}: 400 mornings`, ms: drawn, goalMs: 300 },
    { name: `plan, ${name}: 480 starts over five days`, ms: windows, goalMs: 300 },
  ];
}

/** Measured in one run. */
export const planFigures = (): PlanFigure[] => [
  ...figuresOf('P2', demoPour('quillback', 'P2')),
  ...figuresOf('a ring', ring400()),
];
