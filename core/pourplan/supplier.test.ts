import { describe, expect, test } from '@jest/globals';
import { mixerSchema } from '../model/mixers.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import { coldStretches } from './cold-stretches.ts';
import { orderWays } from './balance.ts';
import { planPour } from './plan.ts';
import { mixerNeeds } from './mixer-needs.ts';
import { supplierOf } from './supplier.ts';
import { moneyOf } from './odds.ts';
import { USUAL_PRICES } from '../model/resources.ts';
import { whatIfsOf } from './what-ifs.ts';

const drum = mixerSchema.parse({
  id: 'drum',
  label: 'Drum',
  batchM3: 0.1,
  batchMin: 8,
  trailerKg: 1000,
});

/** A job of one element, mixed beside the form. */
function mixed(elements: string[], settings = {}) {
  const made = job({
    elements,
    runs: L_RUNS,
    settings: { mixer: 'drum', truckM3: 6, leftBehindM3: 0.3, ...settings },
  });
  const plant = supplierOf({ plants: [made.plant], mixers: [drum] }, made.pour);
  if (!plant) throw new Error('no supplier');
  return { ...made, plant, plan: planPour(made.site, made.pour, made.mix, plant, 1140) };
}

describe('mixed on the site', () => {
  test('a footing is placed batch by batch, at the rate of the mixer', () => {
    const { plan } = mixed(['FA']);
    // 7 m of 0.6 × 0.3 with 5 in 100 of waste: 1.32 m³.
    const batches = plan.timetable.loads;
    expect(plan.orderedM3).toBeCloseTo(Math.round(plan.orderedM3 * 10) / 10, 9);
    expect(plan.orderedM3).toBeGreaterThanOrEqual(1.3);
    expect(batches.slice(0, 3).map((l) => l.arriveMin)).toEqual([450, 458, 466]);
    expect(plan.trucks.result.loads).toHaveLength(Math.round(plan.orderedM3 / 0.1));
    // 1.323 m³ at 0.75 m³ an hour.
    expect(plan.timetable.finishMin).toBeCloseTo(450 + (7 * 0.6 * 0.3 * 1.05 * 60) / 0.75, 3);
    expect(plan.timetable.crewWaitMin).toBeCloseTo(0, 6);
    expect(coldStretches(plan)).toEqual([]);
  });

  test('a wall in two lifts goes cold from a small drum, and says where', () => {
    const { plan } = mixed(['WA'], { lifts: 2 });
    // A lift of 2.1 m³ takes 2.8 h and waste: its seam shuts long before.
    const [worst] = coldStretches(plan);
    expect(worst?.kind).toBe('below');
    expect(worst?.gapMin).toBeGreaterThan(160);
  });

  test('nothing is called or sent back, and no batch costs a trip', () => {
    const { site, pour, mix, plant, plan } = mixed(['FA']);
    expect(orderWays(site, pour, mix, plant, 1140, plan, USUAL_PRICES)).toHaveLength(1);
    expect(plan.order.result.withoutLoadsM3).toBeNull();
    const { whatIfs, plan: asPlanned } = whatIfsOf(
      {
        site,
        pour,
        mix,
        plant,
        duskMin: 1140,
        noGo: [],
        money: moneyOf({}, pour, plant),
        hands: 3,
        pumped: false,
        trials: 20,
      },
      plan.orderedM3,
      8,
    );
    expect(whatIfs.map((w) => w.id)).not.toContain('sent-back');
    // Its drum may stand, though nothing is pumped; off a chute nothing does.
    expect(whatIfs.map((w) => w.id)).toContain('pump-down');
    const own = job({ elements: ['FA'], runs: L_RUNS });
    const chute = whatIfsOf(
      {
        ...own,
        duskMin: 1140,
        noGo: [],
        money: moneyOf({}, own.pour, own.plant),
        hands: 3,
        pumped: false,
        trials: 20,
      },
      plan.orderedM3,
      8,
    );
    expect(chute.whatIfs.map((w) => w.id)).not.toContain('pump-down');
    expect(whatIfs.map((w) => w.remedy?.id)).not.toContain('closer-loads');
    // The drum is late with all its batches, not with the first alone.
    const late = whatIfs.find((w) => w.id === 'late')?.odds.finishMin.p50 ?? 0;
    expect(late - asPlanned.finishMin.p50).toBeCloseTo(60, 0);
  });

  test('without the mixer its own plant sends the loads', () => {
    const { pour, plant } = job({ elements: ['FA'], runs: L_RUNS });
    expect(supplierOf({ plants: [plant], mixers: [drum] }, pour)).toBe(plant);
  });
});

describe('what mixing takes', () => {
  test('by parts: bags of cement, sand and stone, trips by what they weigh', () => {
    const n = mixerNeeds(drum, 1.4);
    expect(n.batches).toBe(14);
    expect(n.mixingMin).toBe(112);
    // About 319 kg of cement a m³ of 1 : 2 : 3 at 0.5: ten or eleven bags of 42.6 kg.
    expect(n.bags).toBeGreaterThanOrEqual(10);
    expect(n.bags).toBeLessThanOrEqual(12);
    const solids = (n.batch?.sandKg ?? 0) + (n.batch?.stoneKg ?? 0);
    expect(n.massKg).toBeCloseTo(n.bags * n.bagKg + solids * 14, 6);
    expect(n.trips).toBe(Math.ceil(n.massKg / 1000));
  });
  test('by bags: as many as give the volume', () => {
    const n = mixerNeeds({ ...drum, by: 'bags', bagLb: 80 }, 1.4);
    // 0.6 ft³ a bag is 0.01699 m³.
    expect(n.bags).toBe(83);
    expect(n.trips).toBe(4);
    expect(n.batch).toBeNull();
  });
});
