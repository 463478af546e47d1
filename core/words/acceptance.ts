import type { Acceptance } from '#core/cure';
import { counted, strength, textOf, type UnitSystem } from '#core/units';

/** What the tests of 28 days say of the strength specified, in the site's units, with the clause. */
export function acceptanceText(a: Acceptance, units: UnitSystem): string {
  const mpa = (x: number) => textOf(strength(x, units));
  const tests = `${counted(a.tests, 'test')} of 28 days`;
  if (a.ok) return `${tests}: lowest ${mpa(a.lowestMPa)} for ${mpa(a.specifiedMPa)}, accepted.`;
  const low =
    a.lowestMPa < a.leastMPa - 1e-9
      ? `lowest ${mpa(a.lowestMPa)}, at least ${mpa(a.leastMPa)} is wanted of each`
      : '';
  const mean = a.shortMean
    ? `mean ${mpa(a.shortMean.meanMPa)}, at least ${mpa(a.shortMean.wantedMPa)} is wanted`
    : '';
  const said = [low, mean].filter(Boolean).join('; ');
  return `${tests} under the strength specified: ${said} (${a.source}). Tell the engineer.`;
}
