import { expect, test } from '@jest/globals';
import { planPour, walkedM } from '../../../core/pourplan/index.ts';
import { job } from '../../../core/testdata/jobs.ts';
import { marchOf } from './scales.ts';

/** Piers that stand apart: six of 450 mm, 2.4 m deep. */
const piers = Array.from({ length: 6 }, (_, i) => ({
  id: `P${i + 1}`,
  xM: i * 2,
  yM: 0,
  diameterM: 0.45,
  bottomM: -2.4,
  topM: 0,
}));
const { site, pour, mix, plant } = job({
  runs: [],
  piers,
  elements: piers.map((p) => p.id),
});
const plan = planPour(site, pour, mix, plant, 1200);
const chart = (light?: { sunriseMin: number; duskMin: number }) => {
  const m = marchOf({
    width: 768,
    height: 640,
    plan,
    units: 'metric',
    maxAgeMin: 90,
    nowMin: null,
    weather: [],
    ...(light ? { light } : {}),
  });
  if (!m) throw new Error('no room for the chart');
  return m;
};

test('six piers are 2.29 m³; they have no seam, no window and no way that is walked', () => {
  // 6 × π/4 × 0.45² × 2.4
  expect(plan.route.volumeM3).toBeCloseTo(2.29, 2);
  expect(plan.timetable.seams).toEqual([]);
  expect(walkedM(plan.route)).toBe(0);
  const m = chart();
  expect(m.open(m.planned)).toEqual([]);
  // The concrete itself stiffens all the same.
  expect(plan.stiffenMin).toBeGreaterThan(10);
  expect(plan.knitMin).toBeGreaterThan(plan.stiffenMin);
});

test('what reaches past the fold goes on as it came, and is cut off there', () => {
  const m = chart({ sunriseMin: 420, duskMin: 1200 });
  expect(m.fold).not.toBeNull();
  expect(m.edge).toBe(m.fold?.y0);
  const slope = (at: number) => m.straight(at + 1) - m.straight(at);
  expect(slope(m.tTo + 60)).toBeCloseTo(slope(m.tFrom), 6);
  expect(m.straight(m.tTo + 60)).toBeGreaterThan(m.edge);
  // Within the hours of the pour the two agree.
  expect(m.straight(m.tTo)).toBeCloseTo(m.t(m.tTo), 6);
  expect(m.straight(m.tFrom)).toBeCloseTo(m.t(m.tFrom), 6);
});
