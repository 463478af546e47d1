import type { TempReading } from '#core/concrete';
import type { RuleProfile } from '#core/model';

/** Strength that frost may not come before, MPa: 500 psi (ACI 306R-16 §3.1); 5 MPa (EN 13670 §8.5). */
export const LEAST_MPA: Record<RuleProfile, number> = { 'us-aci': 3.45, 'metric-en': 5 };
/** Under it young concrete is close to freezing, °C (EN 13670 §8.5; ACI 306R-16 §1.2: 40 °F, the next whole degree). */
const CLOSE_C = 5;

/** What cold does to concrete that is not strong enough for it yet. */
export interface Frost {
  /** Frozen too soon: it may never reach its strength. Close: it is to be kept warm now. */
  what: 'frozen' | 'close';
  atH: number;
  tempC: number;
  strengthMPa: number;
  leastMPa: number;
}

/**
 * Whether concrete froze before it was strong enough, or is close to it now; null where neither.
 * @param history its temperatures up to now, on the clock of curing
 * @param strengthMPa its strength at an hour of that clock, MPa
 */
export function frostOf(
  history: readonly TempReading[],
  strengthMPa: (timeH: number) => number,
  profile: RuleProfile,
): Frost | null {
  const leastMPa = LEAST_MPA[profile];
  const at = ({ timeH, tempC }: TempReading, what: Frost['what']): Frost | null => {
    const now = strengthMPa(timeH);
    return now < leastMPa ? { what, atH: timeH, tempC, strengthMPa: now, leastMPa } : null;
  };
  const froze = history.find((r) => r.tempC < 0);
  const frozen = froze && at(froze, 'frozen');
  if (frozen) return frozen;
  const last = history.at(-1);
  return last && last.tempC < CLOSE_C ? at(last, 'close') : null;
}
