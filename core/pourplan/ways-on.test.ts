import { describe, expect, test } from '@jest/globals';
import { conveyanceSchema } from '../model/resources.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import type { ForecastInput } from './forecast-model.ts';
import { moneyOf } from './odds.ts';
import { planPour } from './plan.ts';
import type { TroubleAsk } from './ways.ts';
import { waysOn } from './ways-on.ts';

/** The walls of an L in two lifts, ten minutes in: the first of its two walls is half filled in its first lift. */
const { site, pour, mix, plant } = job({
  elements: ['WA', 'WB'],
  runs: L_RUNS,
  settings: { lifts: 2, truckM3: 3, leftBehindM3: 0 },
});
const plan = planPour(site, pour, mix, plant, 1140);
const first = plan.simulation.cells[0];
if (!first) throw new Error('no cell');
const input: ForecastInput = {
  ...plan.simulation,
  trials: 200,
  nowMin: 460,
  placed: [
    { cellId: first.id, loadId: 'L1', fromMin: 450, toMin: 460, volumeM3: first.volumeM3 / 2 },
  ],
  loadsNow: [{ id: 'L1', arriveMin: 450, startMin: 450, endMin: null, sentBack: false }],
  yieldRatio: 1,
};
const chute = conveyanceSchema.parse({
  id: 'c',
  label: 'Chute',
  kind: 'chute',
  reachM: 6,
  rateM3PerH: 6,
  hire: 70,
});
const ask = (what: TroubleAsk['what'], more: Partial<TroubleAsk> = {}): TroubleAsk => ({
  input,
  what,
  elementId: null,
  others: [],
  money: moneyOf({}, pour, plant),
  callLeadMin: 45,
  truckM3: 3,
  noGoFromMin: null,
  trials: 200,
  ...more,
});
const ways = (what: TroubleAsk['what'], more: Partial<TroubleAsk> = {}) => waysOn(ask(what, more));
const named = (list: ReturnType<typeof ways>, id: string) => {
  const found = list.find((w) => w.id === id);
  if (!found) throw new Error(`no way ${id}`);
  return found;
};
const KINDS = [
  'form-open',
  'pump-down',
  'load-late',
  'load-lost',
  'hose-blocked',
  'rain',
  'vibrator',
] as const;

describe('whatever goes wrong', () => {
  test.each(KINDS)(
    '%s: at most three ways, each with odds, an end and a price, the best first',
    (what) => {
      const found = ways(what, { elementId: 'WA', others: [chute] });
      expect(found.length).toBeGreaterThanOrEqual(2);
      expect(found.length).toBeLessThanOrEqual(3);
      expect(new Set(found.map((w) => w.id)).size).toBe(found.length);
      for (const w of found) {
        expect(w.odds.finishMin.p50).toBeGreaterThanOrEqual(460);
        expect(Number.isFinite(w.cost)).toBe(true);
        for (const share of [w.odds.coldSeam, w.odds.short, w.odds.overAge])
          expect(share >= 0 && share <= 1).toBe(true);
      }
      const worth = found.map((w) => w.cost + 1500 * (w.odds.coldSeam + w.odds.inRain));
      expect(worth).toEqual([...worth].sort((a, b) => a - b));
      // The same question has the same answer.
      expect(ways(what, { elementId: 'WA', others: [chute] })).toEqual(found);
    },
  );
});

describe('a form that opens', () => {
  const found = ways('form-open', { elementId: 'WA' });
  test('standing makes it half an hour later, closing off leaves that wall for another day', () => {
    expect(named(found, 'stand').laterMin).toBeGreaterThan(15);
    expect(named(found, 'stand').laterMin).toBeLessThanOrEqual(31);
    const wall = plan.simulation.cells
      .filter((c) => c.id.startsWith('WA.'))
      .reduce((s, c) => s + c.volumeM3, 0);
    expect(named(found, 'close-off').leftM3).toBeCloseTo(wall - first.volumeM3 / 2, 6);
    expect(named(found, 'close-off').odds.short).toBe(0);
  });
  test('going on elsewhere stands still no longer than the hose takes to move', () => {
    expect(named(found, 'go-on-elsewhere').laterMin).toBeLessThan(named(found, 'stand').laterMin);
    expect(named(found, 'go-on-elsewhere').leftM3).toBe(0);
  });
});

test('a pump that is down goes on by what there is, at its rate and its price', () => {
  const by = named(ways('pump-down', { others: [chute] }), 'other-conveyance');
  expect(by.conveyance).toBe('Chute');
  expect(by.laterMin).toBeGreaterThan(20);
  expect(ways('pump-down').map((w) => w.id)).not.toContain('other-conveyance');
});

test('a lost load is made up for by another: less is missing than without', () => {
  const lost = {
    ...input,
    loadsNow: [
      ...input.loadsNow,
      { id: 'L2', arriveMin: 455, startMin: null, endMin: null, sentBack: true },
    ],
  };
  const found = waysOn({ ...ask('load-lost'), input: lost });
  expect(named(found, 'another-truck').odds.short).toBeLessThan(1);
  expect(named(found, 'bulkhead-here').leftM3).toBeGreaterThan(0);
});

describe('no way is offered with what is not there', () => {
  const bare = { ...input, placed: [], loadsNow: [] };
  test('nothing is spread while no load is here, and nothing is ended that was not begun', () => {
    const empty = {
      ...input,
      loadsNow: [{ id: 'L1', arriveMin: 450, startMin: 450, endMin: 460, sentBack: false }],
    };
    const late = waysOn({ ...ask('load-late'), input: empty });
    expect(late.map((w) => w.id)).not.toContain('slow-down');
    expect(ways('load-late').map((w) => w.id)).toContain('slow-down');
    for (const what of KINDS) {
      const found = waysOn({ ...ask(what, { elementId: 'WA' }), input: bare }).map((w) => w.id);
      expect(found).not.toContain('bulkhead-here');
      expect(found).not.toContain('close-off');
    }
  });
  test('and none is done before now', () => {
    for (const what of KINDS)
      for (const w of waysOn({
        ...ask(what, { elementId: 'WA' }),
        input: { ...bare, nowMin: 700 },
      }))
        expect(w.odds.finishMin.p50).toBeGreaterThanOrEqual(700);
  });
});
