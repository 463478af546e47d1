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
