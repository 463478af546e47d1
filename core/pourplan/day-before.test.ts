import { describe, expect, test } from '@jest/globals';
import { conveyanceSchema, type CrewMember, USUAL_PRICES } from '../model/resources.ts';
import { evaluate } from '../kit/calculation.ts';
import { rulesOf } from '../rules/rules.ts';
import { job, type JobParts, L_RUNS } from '../testdata/jobs.ts';
import { orderWays } from './balance.ts';
import { cellsOf } from './cells.ts';
import { noGoOf, type DayHour } from './no-go.ts';
import { moneyOf, oddsOf } from './odds.ts';
import { placesOf } from './places.ts';
import { planPour } from './plan.ts';
import { pourSimulation } from './pour-simulation.ts';
import { envelopeOf, ratesOf } from './rates.ts';
import { offeredStands } from './offered-stands.ts';
import { standAt } from './reach.ts';
import { bestStarts, lastStartsOf, placingMinOf, startsOf } from './starts.ts';
import { whatIfsOf } from './what-ifs.ts';
import { fillJobs, jobsNeeded, handsOf, turnsOf } from './who.ts';

/** An L of two heights, metric; a boom that stands beside it. */
function small(parts: Partial<JobParts> = {}) {
  const made = job({
    elements: ['WA', 'WB'],
    runs: L_RUNS,
    ground: { gradeM: 2.4, frostDepthM: 0.8, bearingKPa: 125 },
    ...parts,
  });
  const { site, pour, mix, plant } = made;
  return { ...made, rules: rulesOf(site), plan: planPour(site, pour, mix, plant, 1140) };
}
const boom = conveyanceSchema.parse({
  id: 'b',
  label: 'Boom',
  kind: 'boom',
  reachM: 10,
  rateM3PerH: 40,
  outriggers: { spreadM: 4, reactionKN: 200 },
  windNoKmH: 45,
});
const money = moneyOf({}, small().pour, small().plant);

describe('how many mornings', () => {
  test('seam by seam and cost agree with the tally, and the same seed gives the same answer', () => {
    const { site, pour, mix, plant } = small({ settings: { lifts: 3, spacingMin: 70 } });
    const simulation = { ...planPour(site, pour, mix, plant, 1140).simulation, trials: 400 };
    const { odds } = evaluate(pourSimulation, simulation).result;
    const found = oddsOf(simulation, money, null);
    expect(found.coldSeam).toBe(odds.coldSeam);
    expect(found.finishMin).toEqual(odds.finishMin);
    const shares = found.seams.map((s) => s.share);
    expect(Math.max(...shares, 0)).toBeLessThanOrEqual(found.coldSeam);
    expect(shares.reduce((a, b) => a + b, 0)).toBeGreaterThanOrEqual(found.coldSeam);
    expect(found.cost.p10).toBeLessThanOrEqual(found.cost.p90);
    expect(oddsOf(simulation, money, null)).toEqual(found);
    // What is hired, and trucks that stand beyond what is free, cost on every morning; short loads by their number.
    const dear = {
      ...money,
      hire: 500,
      plant: { freeUnloadMin: 0, waitPerMin: 2, minLoadM3: 100, shortLoadFee: 40 },
    };
    const loads = simulation.loads.length;
    expect(oddsOf(simulation, dear, null).cost.p10).toBeGreaterThan(
      found.cost.p10 + 500 + 40 * loads + 2 * loads,
    );
    // The hours ruled out begin before anything is placed: every morning runs into them.
    expect(oddsOf(simulation, money, 0).inRain).toBe(1);
  });
});

describe('where a conveyance stands', () => {
  const { site, plan, rules } = small();
  const ask = { site, rules, conveyance: boom, places: placesOf(site, plan.route, plan.cells) };

  test('what it does not reach is measured run by run', () => {
    // The walls run from (0, 0) to (7, 0) and up to (7, 5). From (-6, 0) with 10 m the boom ends at x = 4.
    const stand = standAt(ask, { xM: -6, yM: 0 });
    expect(stand.ok).toBe(false);
    expect(stand.out.map((o) => o.elementId)).toEqual(['WA', 'WB']);
    // WA is cut in 3 stretches of 2.33 m: the second ends at 4.67, out of reach; WB is out whole.
    expect(stand.outM).toBeCloseTo(14 / 3 + 5, 6);
    expect(stand.padSideM).toBeCloseTo(Math.sqrt(200 / 125), 6);
  });

  test('legs keep off the edge as far as it is deep', () => {
    // Dug from 2.4 down to 0.3: 2.1 m. Its legs at (−4, ±2) are off the end of the wall, less the
    // room beside the forms.
    const stand = standAt(ask, { xM: -6, yM: 0 });
    expect(stand.edge?.leastM).toBeCloseTo(2.1, 6);
    const room = rules.value('workingRoom');
    expect(stand.edge?.distanceM).toBeCloseTo(Math.hypot(4, 2) - room, 6);
    expect(standAt(ask, { xM: -3.5, yM: 0 }).working.result.edgeOk).toBe(false);
  });

  test('wires near what is placed are a no, and stop the boom', () => {
    const wires = [{ id: 'w', from: { xM: -20, yM: 9 }, to: { xM: 20, yM: 9 }, clearM: 6 }];
    const wired = { ...ask, site: { ...site, wires } };
    const stand = standAt(wired, { xM: 3, yM: -4 });
    expect(stand.wires?.distanceM).toBeCloseTo(4, 6);
    expect(stand.ok).toBe(false);
    expect(stand.boomStopM).toBeCloseTo(7, 6);
    expect(standAt(ask, { xM: 3, yM: -4 }).wires).toBeNull();
  });

  test('of the sides that are offered the one that reaches all comes first', () => {
    const offers = offeredStands({ ...ask, conveyance: { ...boom, reachM: 14 } });
    expect(offers.map((o) => o.side).sort()).toEqual(['E', 'N', 'S', 'W']);
    expect(offers[0]?.stand.ok).toBe(true);
    const outs = offers.map((o) => o.stand.outM);
    expect(outs).toEqual([...outs].sort((a, b) => a - b));
  });
});

describe('how fast, and what it presses', () => {
  test('the least of what conveys, crew, plant and forms rules', () => {
    const s = small({ settings: { spacingMin: 30 } });
    const ask = { ...s, conveyance: boom, hands: 3, plantRoundTripMin: 100 };
    const { result } = ratesOf(ask);
    const load = s.plan.orderedM3 / s.plan.loadIds.length;
    expect(result.limits.find((l) => l.by === 'plant')?.rateM3PerH).toBeCloseTo(load * 2, 6);
    expect(result.limits.find((l) => l.by === 'crew')?.rateM3PerH).toBeCloseTo(
      3 * s.rules.value('handRate'),
      6,
    );
    expect(result.rateM3PerH).toBe(Math.min(...result.limits.map((l) => l.rateM3PerH)));
    // A crew that nobody has given holds nothing back.
    const unsaid = ratesOf({ ...ask, hands: null }).result;
    expect(unsaid.limits.map((l) => l.by)).not.toContain('crew');
  });

  test('lift by lift up to the foot of the tallest wall, by three methods, one of which rules', () => {
    const s = small({ settings: { lifts: 3 } });
    const e = envelopeOf({ ...s, conveyance: boom, hands: 3, plantRoundTripMin: 100 });
    expect(e?.heightM).toBeCloseTo(2.4, 6);
    expect(e?.byLift).toHaveLength(3);
    expect(e?.byLift).toEqual([...(e?.byLift ?? [])].sort((a, b) => a - b));
    expect(e?.byMethod.filter((m) => m.rules).map((m) => m.method)).toEqual(['ciria108']);
    expect(e?.fullHeadKPa).toBeCloseTo(2.4 * 2400 * 9.80665 * 1e-3, 6);
    const footings = small({ elements: ['FA', 'FB'] });
    expect(envelopeOf({ ...footings, conveyance: boom, hands: 3, plantRoundTripMin: 100 })).toBe(
      null,
    );
  });
});

describe('when it may start', () => {
  const hour = (min: number, change: Partial<DayHour> = {}): DayHour => ({
    min,
    airTempC: 14,
    humidity: 0.6,
    windKmH: 10,
    rainMmH: 0,
    ...change,
  });
  const hours = Array.from({ length: 120 }, (_, h) =>
    hour(h * 60, { rainMmH: h >= 15 && h < 18 ? 4 : 0, airTempC: h >= 104 ? 1 : 14 }),
  );
  const s = small({ plant: { openMin: 390, closeMin: 1020 } });
  const ask = {
    ...s,
    conveyance: boom,
    hours,
    days: [{ sunriseMin: 420, duskMin: 1150 }],
    fromMin: 0,
    toMin: 1425,
  };

  test('rain, plant and light speak against starts, and the last start stands before each', () => {
    const { starts } = startsOf(ask).result;
    const at = (min: number) => starts.find((x) => x.startMin === min);
    expect(at(480)?.verdict).toBe('good');
    expect(at(405)?.reasons.map((r) => r.rule)).toContain('plant');
    const last = lastStartsOf(ask, 480).find((l) => l.rule === 'rain');
    expect(last?.limitMin).toBe(900);
    expect(last?.lastStartMin).toBeCloseTo(900 - placingMinOf(s.plan) - 60, 6);
    // Up to that start it is dry, from the next quarter hour on it is not.
    const wet = starts.filter((x) => x.reasons.some((r) => r.rule === 'rain'));
    expect(wet[0]?.startMin).toBe(Math.ceil(((last?.lastStartMin ?? 0) + 1e-6) / 15) * 15);
    const plant = lastStartsOf(ask, 480).find((l) => l.rule === 'plant');
    expect(plant?.lastStartMin).toBeCloseTo(1020 - placingMinOf(s.plan) + 35, 6);
  });

  test('the best starts are good ones first, none ruled out', () => {
    const best = bestStarts(startsOf(ask).result.starts, 3);
    expect(best[0]?.verdict).toBe('good');
    expect(best.every((b) => b.verdict !== 'no')).toBe(true);
  });

  test('hours too wet or too windy are joined, with their reason', () => {
    const windy = hours.map((h) => (h.min === 600 ? { ...h, windKmH: 60 } : h));
    expect(noGoOf(windy, s.rules, 45)).toEqual([
      { fromMin: 600, toMin: 660, reason: 'too windy from 10:00' },
      { fromMin: 900, toMin: 1080, reason: 'rain from 15:00' },
    ]);
  });
});

describe('who does what', () => {
  const hand = (name: string, ...jobs: CrewMember['jobs']): CrewMember => ({
    name,
    role: '',
    jobs,
  });
  const needs = jobsNeeded(small().plan.route, boom, undefined);

  test('where it is mixed on the site no truck wants anybody, and somebody feeds the drum', () => {
    const jobs = jobsNeeded(small().plan.route, undefined, undefined, true);
    expect(jobs.map((n) => n.job)).not.toContain('truck');
    expect(jobs.filter((n) => n.job === 'barrow')).toHaveLength(3);
  });

  test('who may do two makes room for who may do one', () => {
    const crew = [hand('A', 'hose', 'vibrator'), hand('B', 'hose'), hand('C', 'strike-off')];
    const filled = fillJobs(needs, crew, []);
    const by = Object.fromEntries(filled.map((f) => [f.job, f.name]));
    expect(by).toMatchObject({ hose: 'B', vibrator: 'A', 'strike-off': 'C', tester: null });
    expect(handsOf(filled, crew)).toBe(3);
    // Who has no job but may place relieves the others.
    expect(handsOf(filled, [...crew, hand('D', 'barrow'), hand('E', 'watch')])).toBe(4);
  });

  test('what the foreman told stands, and a name that left the crew does not', () => {
    const crew = [hand('A', 'hose', 'vibrator'), hand('B', 'hose', 'vibrator')];
    const told = fillJobs(needs, crew, [
      { job: 'vibrator', name: 'B' },
      { job: 'hose', name: 'gone' },
    ]);
    expect(told.find((f) => f.job === 'vibrator')).toMatchObject({ name: 'B', told: true });
    expect(told.find((f) => f.job === 'hose')).toMatchObject({ name: 'A', told: false });
  });

  test('heavy jobs change hands every half hour among those who may', () => {
    const crew = [hand('A', 'hose', 'vibrator'), hand('B', 'vibrator', 'hose')];
    const turns = turnsOf(fillJobs(needs, crew, []), crew, 450, 540);
    expect(turns.filter((t) => t.job === 'hose').map((t) => t.name)).toEqual(['B', 'A', 'B']);
    expect(turns.map((t) => t.fromMin)).toContain(510);
  });
});

describe('what if', () => {
  const parts = { settings: { lifts: 2, spacingMin: 40 }, plant: { noticeMin: 60 } };
  const { site, pour, mix, plant, plan } = small(parts);
  const ask = { site, pour, mix, plant, duskMin: 1140, money, hands: 4, pumped: true, trials: 200 };
  const dry = whatIfsOf({ ...ask, noGo: [] }, plan.orderedM3, 40);

  test('each goes otherwise as it says, on the mornings of the plan', () => {
    const by = new Map(dry.whatIfs.map((w) => [w.id, w.odds]));
    expect(by.has('early-rain')).toBe(false);
    expect(by.get('pump-down')?.finishMin.p50).toBeGreaterThan(dry.plan.finishMin.p50);
    expect(by.get('late')?.crewWaitMin.p50).toBeGreaterThan(dry.plan.crewWaitMin.p50);
    expect(by.get('hand-short')?.finishMin.p50).toBeGreaterThanOrEqual(dry.plan.finishMin.p50);
    // Warmer concrete shuts its seams sooner: no fewer go cold.
    expect(by.get('hotter')?.coldSeam).toBeGreaterThanOrEqual(dry.plan.coldSeam);
  });

  test('rain two hours early catches more mornings; a remedy makes the day cheaper', () => {
    const noGo = [{ fromMin: 660, toMin: 720, reason: 'rain' }];
    const wet = whatIfsOf({ ...ask, noGo }, plan.orderedM3, 40);
    const early = wet.whatIfs.find((w) => w.id === 'early-rain');
    expect(early?.odds.inRain).toBeGreaterThan(wet.plan.inRain);
    for (const w of wet.whatIfs) if (w.remedy) expect(w.remedy.saves).toBeGreaterThan(1);
  });
});

describe('firm, or the balance called', () => {
  test('the wait for a called balance is reckoned with its standing and its seams', () => {
    const { site, pour, mix, plant, plan } = small({
      settings: { lifts: 3 },
      plant: { travel: { medianMin: 80, p90Min: 95 } },
    });
    const [firm, call] = orderWays(site, pour, mix, plant, 1140, plan, USUAL_PRICES);
    expect(firm?.cost).toBeCloseTo(
      (firm?.orderCost ?? 0) + (firm?.standingCost ?? 0) + (firm?.seamCost ?? 0),
      6,
    );
    // Called when the last of the first loads begins, 15 min to batch, 5 + 80 on the way: the crew stands.
    expect(call?.callAtMin).not.toBeNull();
    expect(call?.finishMin).toBeGreaterThan((call?.callAtMin ?? 0) + 100);
    expect(call?.standingMin).toBeGreaterThan((firm?.standingMin ?? 0) + 30);
    expect((call?.firstM3 ?? 0) + (call?.calledM3 ?? 0)).toBeGreaterThanOrEqual(
      plan.order.result.meanM3 - 1e-9,
    );
  });
});

test('a pour of next to nothing is planned like any other: nothing in it is too small', () => {
  const pads = [{ id: 'P', xM: 0, yM: 0, widthM: 0.4, lengthM: 0.4, depthM: 0.2, bottomM: 0 }];
  const tiny = small({
    elements: ['P'],
    runs: [],
    pads,
    settings: { leftBehindM3: 0.5, truckM3: 6 },
    plant: { minLoadM3: 1.5, openMin: 390, closeMin: 1020 },
  });
  const { site, pour, mix, plant, plan } = tiny;
  const ways = orderWays(site, pour, mix, plant, 1140, plan, USUAL_PRICES);
  expect(ways.map((w) => w.way)).toEqual(['firm']);
  expect(
    ratesOf({ ...tiny, conveyance: undefined, hands: 0, plantRoundTripMin: 100 }).result.rateM3PerH,
  ).toBeGreaterThan(0);
  const { whatIfs } = whatIfsOf(
    { site, pour, mix, plant, duskMin: 1140, noGo: [], money, hands: 2, pumped: true, trials: 20 },
    plan.orderedM3,
    plan.trucks.result.spacingMin,
  );
  expect(whatIfs.length).toBeGreaterThan(3);
  // A balance smaller than what stays in the hose is no reason to stop.
  const more = small({ settings: { leftBehindM3: 2 } });
  expect(
    orderWays(more.site, more.pour, more.mix, more.plant, 1140, more.plan, USUAL_PRICES),
  ).toHaveLength(2);
});

test('cells are where their runs are', () => {
  const { site, plan } = small();
  const places = placesOf(site, plan.route, cellsOf(plan.route));
  expect(places).toHaveLength(plan.cells.length);
  const [first] = places;
  expect(first?.ends[0]).toEqual({ xM: 0, yM: 0 });
  expect(places.at(-1)?.topM).toBeCloseTo(1.5, 6);
});
