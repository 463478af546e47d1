import { strengthAcceptance } from '#core/concrete';
import { resultOf } from '#core/kit';
import type { PourState } from '#core/log';
import type { Mix, RuleProfile } from '#core/model';
import { atLeast } from '#core/units';
import { breaksOf, specifiedMPa, usualSpecimen } from './breaks.ts';

/** The age at which the specified strength is judged, days. */
const JUDGED_DAYS = 28;
/** A single test may be lower than its class by so much, MPa (EN 206:2013 annex B, table B.1). */
const SINGLE_LOW_MPA = 4;
/** So much over its class is the mean of so many tests (EN 206:2013 annex B, table B.1). */
const MEAN_OVER: readonly { tests: number; overMPa: number }[] = [
  { tests: 5, overMPa: 2 },
  { tests: 2, overMPa: 1 },
];

/** Whether the tests of a pour show the strength that was specified. */
export interface Acceptance {
  ok: boolean;
  tests: number;
  lowestMPa: number;
  /** The least a single test may be, MPa. */
  leastMPa: number;
  /** The mean that falls short, and what it was to be, MPa; null where none does, or none is judged. */
  shortMean: { meanMPa: number; wantedMPa: number } | null;
  specifiedMPa: number;
  source: string;
}

const meanOf = (list: readonly number[]): number => list.reduce((s, x) => s + x, 0) / list.length;

function byAci(fcMPa: number, testsMPa: number[]): Acceptance {
  const r = resultOf(strengthAcceptance, { fcMPa, testsMPa });
  const short = r.failingMeans.length > 0 && r.lowestMeanMPa !== null;
  return {
    ok: r.ok,
    tests: testsMPa.length,
    lowestMPa: Math.min(...testsMPa),
    leastMPa: r.lowestAllowedMPa,
    shortMean: short ? { meanMPa: r.lowestMeanMPa ?? 0, wantedMPa: fcMPa } : null,
    specifiedMPa: fcMPa,
    source: 'ACI 318-19 §26.12.3.1',
  };
}

function byEn(fckMPa: number, testsMPa: number[]): Acceptance {
  const overMPa = MEAN_OVER.find((m) => testsMPa.length >= m.tests)?.overMPa ?? null;
  const meanMPa = meanOf(testsMPa);
  const short = overMPa !== null && !atLeast(meanMPa, fckMPa + overMPa);
  const lowestMPa = Math.min(...testsMPa);
  return {
    ok: !short && atLeast(lowestMPa, fckMPa - SINGLE_LOW_MPA),
    tests: testsMPa.length,
    lowestMPa,
    leastMPa: fckMPa - SINGLE_LOW_MPA,
    shortMean: short ? { meanMPa, wantedMPa: fckMPa + (overMPa ?? 0) } : null,
    specifiedMPa: fckMPa,
    source: 'EN 206:2013 annex B',
  };
}

/**
 * Acceptance of the strength by the tests of 28 days and more, each the mean of its specimens; null
 * before there is one. By ACI 318 against f′c, by EN 206 as identity of what was delivered, cubes
 * against the cube strength of the class.
 */
export function acceptanceOf(mix: Mix, profile: RuleProfile, state: PourState): Acceptance | null {
  const tests = breaksOf(state).filter((b) => b.ageDays >= JUDGED_DAYS);
  const [first] = tests;
  if (!first) return null;
  const specimen = first.specimen ?? usualSpecimen(profile);
  const wanted = specifiedMPa(mix, specimen);
  // Cubes among cylinders are held against the same by what each is to reach.
  const list = tests.map(
    (b) => (b.strengthMPa * wanted) / specifiedMPa(mix, b.specimen ?? usualSpecimen(profile)),
  );
  return profile === 'us-aci' ? byAci(wanted, list) : byEn(wanted, list);
}
