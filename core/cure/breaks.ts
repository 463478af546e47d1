import { strengthAtMPa } from '#core/concrete';
import { entries, latest, type LogEvent, type PourState } from '#core/log';
import type { Mix, RuleProfile } from '#core/model';

type Break = LogEvent<'break-test'>['body'];

/** What specimens of a site are where nobody says: cylinders by ACI, cubes by EN. */
export const usualSpecimen = (profile: RuleProfile): 'cylinder' | 'cube' =>
  profile === 'us-aci' ? 'cylinder' : 'cube';

/** Strength that specimens of a kind are to reach at 28 days, MPa. */
export const specifiedMPa = (mix: Mix, specimen: 'cylinder' | 'cube'): number =>
  specimen === 'cylinder' ? mix.cylinderMPa : mix.cubeMPa;

/** A break as the strength of a cylinder, MPa. */
export function asCylinderMPa(mix: Mix, profile: RuleProfile, b: Break): number {
  const specimen = b.specimen ?? usualSpecimen(profile);
  return (b.strengthMPa * mix.cylinderMPa) / specifiedMPa(mix, specimen);
}

/** The last break of the pour that came out under what was reckoned for its age. */
export interface BrokenUnder {
  ageDays: number;
  /** As a cylinder, MPa. */
  strengthMPa: number;
  /** What was reckoned of it at that age, MPa. */
  reckonedMPa: number;
  /** The one over the other: the curve is taken down by it. */
  share: number;
}

/**
 * Tests rule over the curve: where the last break came out under it, the whole curve is taken down
 * to the break. What comes out over it lifts nothing: it is what the concrete can do, kept well.
 * @param siteMPa what the curve of the place itself has at an age in days, MPa: for what was kept there
 */
export function brokenUnder(
  state: PourState,
  mix: Mix,
  profile: RuleProfile,
  nowMs: number,
  siteMPa: (ageDays: number) => number,
): BrokenUnder | null {
  const last = latest(state, 'break-test', (e) => Date.parse(e.at) <= nowMs)?.body;
  if (!last) return null;
  const { ageDays } = last;
  const strengthMPa = asCylinderMPa(mix, profile, last);
  const reckonedMPa =
    last.cured === 'site'
      ? siteMPa(ageDays)
      : strengthAtMPa(mix.cylinderMPa, mix.cementType, mix.strengthPace * ageDays);
  const share = strengthMPa / Math.max(reckonedMPa, 1e-9);
  return share < 1 - 1e-9 ? { ageDays, strengthMPa, reckonedMPa, share } : null;
}

/** Every break of the pour, oldest first. */
export const breaksOf = (state: PourState): Break[] =>
  entries(state, 'break-test').map((e) => e.body);
