import { describe, expect, test } from '@jest/globals';
import { type SitePlan } from '../model/site.ts';
import { sitePlanSchema } from '../model/site-check.ts';
import { smallPlan } from '../testdata/small-plan.ts';
import { takeOff } from './takeoff.ts';

/** Jobs unlike the demo, each worked out by hand beside its figures. */

type Small = ReturnType<typeof smallPlan>;
/** The small site with other runs, pads and piers: all of it metric, footings 0.6 × 0.3 m, walls 0.25 m. */
function job(parts: Partial<Pick<Small, 'nodes' | 'runs' | 'pads' | 'piers'>>): SitePlan {
  return sitePlanSchema.parse({ ...smallPlan(), runs: [], pads: [], piers: [], ...parts });
}
const at = (id: string, xM: number, yM: number) => ({ id, xM, yM });
const footing = (id: string, from: string, to: string) => ({
  id,
  kind: 'footing' as const,
  type: 'F1',
  from,
  to,
  bottomM: 99,
});
const wall = (id: string, from: string, to: string, topM: number) => ({
  id,
  kind: 'wall' as const,
  type: 'W1',
  from,
  to,
  bottomM: 99.3,
  topM,
});
const pad = (id: string, xM: number, yM: number, sideM: number) => ({
  id,
  xM,
  yM,
  widthM: sideM,
  lengthM: sideM,
  depthM: 0.3,
  bottomM: 99,
});
const TEE = [at('A', 0, 0), at('M', 6, 0), at('B', 12, 0), at('C', 6, 5)];
const TEE_RUNS = [footing('W', 'A', 'M'), footing('E', 'M', 'B'), footing('N', 'M', 'C')];

describe('a tee of footings', () => {
  test('is the way through and the branch from its side on', () => {
    const t = takeOff(job({ nodes: TEE, runs: TEE_RUNS }));
    // (12 + 5 − 0.3) × 0.6 × 0.3.
    expect(t.totals.concreteM3).toBeCloseTo(16.7 * 0.6 * 0.3, 9);
  });

  test('with a pad on it counts what they share once, on both arms and the branch', () => {
    const t = takeOff(job({ nodes: TEE, runs: TEE_RUNS, pads: [pad('P', 6, 0, 1.2)] }));
    // Of 1.2 × 1.2 m the way through takes 1.2 × 0.6, the branch 0.3 × 0.6 more.
    expect(t.totals.footingM3).toBeCloseTo(16.7 * 0.6 * 0.3, 9);
    expect(t.totals.padM3).toBeCloseTo((1.44 - 0.72 - 0.18) * 0.3, 9);
  });

  test('has the forms of its outline: no face where arm meets arm', () => {
    const t = takeOff(job({ nodes: TEE, runs: TEE_RUNS }));
    // Far side 12, near side 12 − 0.6, branch 2 × 4.7, three ends of 0.6.
    expect(t.totals.formM2).toBeCloseTo((12 + 11.4 + 9.4 + 1.8) * 0.3, 6);
  });
});

describe('an L of walls at two heights', () => {
  const nodes = [at('A', 0, 0), at('B', 12, 0), at('C', 12, 9)];

  test('shares its corner as high as both go; above it the higher one ends square', () => {
    const t = takeOff(
      job({ nodes, runs: [wall('S', 'A', 'B', 101.7), wall('E', 'B', 'C', 100.5)] }),
    );
    // 21 × 0.25 × 1.2 below, 12 × 0.25 × 1.2 above.
    expect(t.totals.wallM3).toBeCloseTo(6.3 + 3.6, 9);
  });

  test('loses its openings through the whole thickness', () => {
    const window = { kind: 'window' as const, atM: 3, widthM: 1.2, sillM: 0.9, headM: 2.1 };
    const t = takeOff(
      job({
        nodes,
        runs: [{ ...wall('S', 'A', 'B', 101.7), openings: [window] }, wall('E', 'B', 'C', 101.7)],
      }),
    );
    expect(t.totals.wallM3).toBeCloseTo((21 * 2.4 - 1.2 * 1.2) * 0.25, 9);
  });
});

describe('a pad under a pier across a footing', () => {
  const nodes = [at('A', 0, 0), at('B', 12, 0)];

  test('leaves the footing whole and loses the strip that crosses it', () => {
    const t = takeOff(job({ nodes, runs: [footing('S', 'A', 'B')], pads: [pad('P', 6, 0, 2)] }));
    expect(t.totals.footingM3).toBeCloseTo(12 * 0.6 * 0.3, 9);
    expect(t.totals.padM3).toBeCloseTo((4 - 2 * 0.6) * 0.3, 9);
    // The pad is left in two halves of 2 × 0.7 m: their sides stand free, not where they meet the strip.
    const padForms = t.elements.find((e) => e.id === 'P')?.formM2;
    expect(padForms).toBeCloseTo((2 + 0.7 + 0.7) * 2 * 0.3, 6);
  });

  test('the pier stands on the pad and shares nothing with it', () => {
    const pier = { id: 'Q', xM: 6, yM: 0, widthM: 0.4, lengthM: 0.4, bottomM: 99.3, topM: 100.8 };
    const t = takeOff(job({ nodes, runs: [], pads: [pad('P', 6, 0, 2)], piers: [pier] }));
    expect(t.totals.padM3).toBeCloseTo(4 * 0.3, 9);
    expect(t.totals.pierM3).toBeCloseTo(0.16 * 1.5, 9);
    expect(t.totals.concreteM3).toBeCloseTo(1.2 + 0.24, 9);
  });

  test('a pier let into the pad counts only above it', () => {
    const pier = { id: 'Q', xM: 6, yM: 0, widthM: 0.4, lengthM: 0.4, bottomM: 99.1, topM: 100.8 };
    const t = takeOff(job({ nodes, pads: [pad('P', 6, 0, 2)], piers: [pier] }));
    expect(t.totals.padM3).toBeCloseTo(4 * 0.3, 9);
    expect(t.totals.pierM3).toBeCloseTo(0.16 * 1.5, 9);
  });
});
