import { entriesFrom } from '../testdata/entries.ts';
import { describe, expect, test } from '@jest/globals';
import { curingOf } from '../cure/curing.ts';
import type { LogEvent } from '../log/events.ts';
import { planPour } from '../pourplan/plan.ts';
import { demoPour } from '../testdata/demo.ts';
import { loadsOf } from './loads.ts';
import { progressOf } from './progress.ts';
import { replay, type PourState } from '../log/state.ts';

const { site, pour, mix, plant } = demoPour('quillback', 'P1');
const plan = planPour(site, pour, mix, plant, 1190);
const T0 = Date.parse('2026-09-10T12:30:00Z');
const { ms, entry } = entriesFrom(T0, 'P. Winder');
const arrived = (
  loadId: string,
  minute: number,
  batchedMinute: number,
  volumeM3 = 4,
  tempC?: number,
) =>
  entry(
    'load-arrived',
    {
      loadId,
      ticket: '1',
      volumeM3,
      batchedAt: new Date(ms(batchedMinute)).toISOString(),
      ...(tempC === undefined ? {} : { concreteTempC: tempC }),
    },
    minute,
  );
const place = (elementId: string, from: number, to: number, ratio = 1, loadId = 'L1') => [
  entry('place-start', { elementId, lift: 0, loadId }, from),
  entry('place-stop', { elementId, lift: 0, filledRatio: ratio }, to),
];
const see = (log: LogEvent[], nowMinute: number) => {
  const state = replay(log);
  const loads = loadsOf(state, plan.plannedLoads, mix, site.ruleProfile, ms(nowMinute));
  return { loads, progress: progressOf(pour, mix, plan.route, state, loads, ms(nowMinute)), state };
};
const cureOf = (state: PourState, finishedMs: number | null, nowMs: number) =>
  curingOf({ site, pour, mix, state, finishedMs, placedC: 20, nowMs, air: [] });
const volumeOf = (id: string) => plan.route.legs.find((l) => l.elementId === id)?.volumeM3 ?? 0;

describe('a load', () => {
  test.each([
    ['on the road', [], 0, 'await'],
    ['here, not read', [arrived('L1', 0, -40)], 5, 'slump'],
    [
      'in range',
      [
        arrived('L1', 0, -40),
        entry('slump', { loadId: 'L1', measuredMm: 101.6, where: 'truck' }, 2),
      ],
      5,
      'air',
    ],
    [
      'too stiff',
      [arrived('L1', 0, -40), entry('slump', { loadId: 'L1', measuredMm: 50, where: 'truck' }, 2)],
      5,
      'tooStiff',
    ],
    [
      'too wet',
      [arrived('L1', 0, -40), entry('slump', { loadId: 'L1', measuredMm: 150, where: 'truck' }, 2)],
      5,
      'tooWet',
    ],
    [
      'good at the hose, half an inch lower',
      [arrived('L1', 0, -40), entry('slump', { loadId: 'L1', measuredMm: 65, where: 'hose' }, 2)],
      5,
      'air',
    ],
    [
      'exactly at its age limit',
      [
        arrived('L1', 0, -40),
        entry('slump', { loadId: 'L1', measuredMm: 101.6, where: 'truck' }, 2),
      ],
      50,
      'air',
    ],
    [
      'its air read as well, which was ordered',
      [
        arrived('L1', 0, -40),
        entry('slump', { loadId: 'L1', measuredMm: 101.6, where: 'truck' }, 2),
        entry('fresh-test', { loadId: 'L1', airRatio: 0.06, where: 'truck' }, 3),
      ],
      5,
      'accept',
    ],
    [
      'past its age limit',
      [
        arrived('L1', 0, -40),
        entry('slump', { loadId: 'L1', measuredMm: 101.6, where: 'truck' }, 2),
      ],
      50.1,
      'tooOld',
    ],
    [
      'hotter than the site takes, whatever its slump',
      [
        arrived('L1', 0, -40, 4, 35.5),
        entry('slump', { loadId: 'L1', measuredMm: 101.6, where: 'truck' }, 2),
      ],
      5,
      'tooHot',
    ],
    ['exactly as hot as the site takes', [arrived('L1', 0, -40, 4, 35)], 5, 'slump'],
    ['colder than the site takes', [arrived('L1', 0, -40, 4, 4)], 5, 'tooCold'],
    ['old before it is hot', [arrived('L1', 0, -40, 4, 36)], 60, 'tooOld'],
    ['batched by a clock that runs ahead', [arrived('L1', 0, 3)], 1, 'slump'],
    [
      'sent back',
      [arrived('L1', 0, -40), entry('load-verdict', { loadId: 'L1', decision: 'reject' }, 3)],
      300,
      'sentBack',
    ],
    [
      'done',
      [arrived('L1', 0, -40), entry('load-end', { loadId: 'L1', returnedM3: 0 }, 20)],
      300,
      'done',
    ],
  ] as const)('%s', (_, log, now, advice) => {
    expect(see([...log], now).loads[0]).toMatchObject({ id: 'L1', advice });
  });

  test('its age stops when it is done', () => {
    expect(
      see([arrived('L1', 0, -40), entry('load-end', { loadId: 'L1', returnedM3: 0 }, 20)], 300)
        .loads[0]?.ageMin,
    ).toBeCloseTo(60, 9);
  });

  test('one beyond the plan stands after the planned ones', () => {
    expect(see([arrived('L9', 0, -30)], 1).loads.map((l) => l.id)).toEqual([...plan.loadIds, 'L9']);
  });
});

describe('what is placed and what is still needed', () => {
  test('before anything, the need is neat, waste and hose, and the order covers it', () => {
    const { progress } = see([], 0);
    expect(progress.neededM3).toBeCloseTo(plan.order.result.meanM3, 9);
    expect(progress.onOrderM3).toBeCloseTo(plan.orderedM3, 9);
    expect(progress.balanceM3).toBeLessThan(0);
  });

  test('part and full runs count by their share of the neat volume; what is open counts nothing yet', () => {
    const { progress } = see(
      [
        ...place('FN', 0, 10),
        ...place('FW', 11, 15, 0.5),
        entry('place-start', { elementId: 'FW', lift: 0, loadId: 'L1' }, 18),
      ],
      20,
    );
    expect(progress.placedM3).toBeCloseTo(volumeOf('FN') + 0.5 * volumeOf('FW'), 9);
    expect(progress.current).toMatchObject({ elementId: 'FW', fromRatio: 0.5, open: true });
    expect(progress.toFillM3 + progress.placedM3).toBeCloseTo(plan.route.volumeM3, 9);
  });

  test('the use that is measured takes over from the planned waste', () => {
    const used = 1.12;
    const first = plan.plannedLoads[0]?.volumeM3 ?? 0;
    const ratio = (first - pour.settings.leftBehindM3) / used / (volumeOf('FN') + volumeOf('FW'));
    const log = [
      arrived('L1', 0, -40, first),
      ...place('FN', 1, 8),
      ...place(
        'FW',
        8,
        14,
        (ratio * (volumeOf('FN') + volumeOf('FW')) - volumeOf('FN')) / volumeOf('FW'),
      ),
      entry('load-end', { loadId: 'L1', returnedM3: 0 }, 15),
    ];
    const { progress } = see(log, 16);
    expect(progress.usedPerNeat).toBeCloseTo(used, 9);
    // Blended by volume with what was planned, which weighs as a quarter of the pour.
    const k = plan.route.volumeM3 / 4;
    const blended =
      (progress.placedM3 * used + k * (1 + pour.settings.wasteRatio)) / (progress.placedM3 + k);
    expect(progress.usePerNeat).toBeCloseTo(blended, 9);
    expect(progress.neededM3).toBeCloseTo(progress.toFillM3 * blended, 9);
  });

  test('a load sent back is missing from the balance', () => {
    const here = [arrived('L1', 0, -40, plan.plannedLoads[0]?.volumeM3)];
    const kept = see(here, 1).progress.balanceM3;
    const sent = see([...here, entry('load-verdict', { loadId: 'L1', decision: 'reject' }, 2)], 3)
      .progress.balanceM3;
    expect(sent - kept).toBeCloseTo(plan.plannedLoads[0]?.volumeM3 ?? 0, 9);
  });
});

describe('the seams’ clocks', () => {
  test('standing still, the last face shuts after the knit window of the concrete as it came', () => {
    const { progress } = see([arrived('L1', 0, -40, 4, 20), ...place('FN', 0, 10)], 30);
    expect(progress.knitMin).toBeCloseTo(75, 9);
    const seam = progress.seams.find((s) => s.elementId === 'FN' && s.sinceMs === ms(10));
    expect(seam?.minutesLeft).toBeCloseTo(55, 9);
    // The ring's first face is older and the more urgent of the two.
    // It waits from the end of its first cell, a quarter of the run, as the simulation counts it.
    expect(progress.seams[0]?.sinceMs).toBe(ms(2.5));
  });
  test('warmer concrete leaves less time; past it the seam is cold', () => {
    const hot = see([arrived('L1', 0, -40, 4, 30), ...place('FN', 0, 10)], 70).progress;
    expect(hot.knitMin).toBeLessThan(75);
    expect(hot.seams[0]?.cold).toBe(true);
  });
  test('when all is full there is no seam, and curing starts at the last stop', () => {
    const log = pour.elements.flatMap((e, i) => place(e, i * 10, i * 10 + 9));
    const { progress, state } = see(log, 60);
    expect(progress.seams).toEqual([]);
    expect(progress.finishedMs).toBe(ms(39));
    expect(cureOf(state, progress.finishedMs, ms(60))?.startMs).toBe(ms(39));
  });
});

describe('curing', () => {
  const placed = pour.elements.flatMap((e, i) => place(e, i * 10, i * 10 + 9));
  const cure = (extra: LogEvent[], nowH: number) => {
    const { progress, state } = see([...placed, ...extra], 39 + nowH * 60);
    return cureOf(state, progress.finishedMs, ms(39 + nowH * 60));
  };
  const probe = (tempC: number, h: number) => entry('probe', { tempC }, 39 + h * 60);
  test('nothing to cure before the last run is full', () => {
    expect(cureOf(replay(placed.slice(0, 5)), null, ms(60))).toBeNull();
  });
  test('strength grows, faster when warm; the curve passes through it', () => {
    const warm = cure([probe(25, 1), probe(25, 23)], 24);
    const cold = cure([probe(8, 1), probe(8, 23)], 24);
    expect(warm?.measured).toBe(true);
    expect(warm?.strengthMPa).toBeGreaterThan(cold?.strengthMPa ?? Infinity);
    expect(warm?.stripMs).toBeLessThan(cold?.stripMs ?? 0);
    const later = cure([probe(25, 1), probe(25, 23)], 48);
    expect(later?.strengthMPa).toBeGreaterThan(warm?.strengthMPa ?? 0);
    const before = warm?.curve.filter((c) => c.timeH <= 24).at(-1);
    expect(before?.strengthMPa).toBeLessThanOrEqual((warm?.strengthMPa ?? 0) + 1e-9);
    for (let i = 1; i < (warm?.curve.length ?? 0); i += 1)
      expect(warm?.curve[i]?.strengthMPa).toBeGreaterThanOrEqual(
        warm?.curve[i - 1]?.strengthMPa ?? 0,
      );
  });
  test('forms stay on until the clock floor, however warm', () => {
    const hot = cure([probe(60, 0.5), probe(60, 8)], 9);
    expect(hot?.strengthMPa).toBeGreaterThan(hot?.stripMPa ?? Infinity);
    expect(hot?.strip).toBe('no');
    expect(hot?.stripMs).toBe(ms(39) + 12 * 3_600_000);
    expect(cure([probe(60, 0.5), probe(60, 8)], 12)?.strip).toBe('may');
  });
});
