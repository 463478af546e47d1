import { describe, expect, test } from '@jest/globals';
import { calculationNamed } from './register.ts';
import { EXAMPLES } from './examples.ts';

/** One calculation cannot stop the others: what would take minutes, or all the memory, is refused in words. */
const asked = (id: string, change: object) => {
  const calc = calculationNamed(id);
  const input = { ...(EXAMPLES as Record<string, object>)[id], ...change };
  return calc?.input.safeParse(input);
};

describe('work is bounded by the schema', () => {
  test.each([
    ['pour-simulation', { trials: 20_000_000 }, 'trials'],
    ['vert-layout', { lengthM: 1_000_000, spacingM: 0.0025 }, 'spacingM'],
    ['order-quantity', { stepM3: 1e-9 }, 'stepM3'],
    ['truck-plan', { truckM3: 0.001 }, 'truckM3'],
    ['anchor-layout', { sections: [{ startM: 0, endM: 1e8 }] }, 'maxSpacingM'],
    ['form-pressure', { placementHeightM: 1e308 }, 'placementHeightM'],
    ['evaporation', { windKmH: 1e12 }, 'windKmH'],
  ])('%s with %j is refused at %s', (id, change, path) => {
    expect(asked(id, {})?.success).toBe(true);
    const got = asked(id, change);
    expect(got?.success).toBe(false);
    expect(got?.error?.issues.map((i) => i.path.join('.'))).toContain(path);
  });
});

describe('what cannot be so is refused at its own field', () => {
  test.each([
    ['sequence-search', { noGo: [{ fromMin: 600, toMin: 540, reason: 'rain' }] }, 'noGo.0.toMin'],
    ['pump-reach', { outriggerKN: undefined, bearingKPa: 100 }, 'outriggerKN'],
    ['pump-reach', { edgeM: undefined, excavationDepthM: 2 }, 'edgeM'],
    ['pump-reach', { edgeM: 2, excavationDepthM: undefined }, 'excavationDepthM'],
    ['waler-layout', { wallHeightM: 2, asBuiltM: [0.2, 2.001] }, 'asBuiltM.1'],
    [
      'pour-forecast',
      {
        placed: [
          { cellId: 'A1', loadId: 'L1', fromMin: 430, toMin: 434, volumeM3: 0.1 },
          { cellId: 'A1', loadId: 'L1', fromMin: 433, toMin: 436, volumeM3: 0.1 },
        ],
      },
      'placed.1.fromMin',
    ],
  ])('%s with %j: %s', (id, change, path) => {
    expect(asked(id, {})?.success).toBe(true);
    expect(asked(id, change)?.error?.issues.map((i) => i.path.join('.'))).toContain(path);
  });
});
