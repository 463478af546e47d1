import { strengthAtMPa } from '#core/concrete';
import { entries, latest, type LogEvent, type PourState } from '#core/log';
import { cubeMPa, type Mix, STRENGTH_CLASSES } from '#core/model';
import type { RuleProfile } from '#core/model';

/** Cylinder over cube where the mix names no class of both (EN 206 table 12, C20/25 to C40/50). */
const CYLINDER_OF_CUBE = 0.8;

type Break = LogEvent<'break-test'>['body'];

/** The class of EN 206 that a mix is called by; undefined where it names none. */
const classOf = ({ strengthClass, label }: Mix): string | undefined =>
  strengthClass ?? STRENGTH_CLASSES.find((c) => label.includes(c));

/** What specimens of a site are where nobody says: cylinders by ACI, cubes by EN. */
export const usualSpecimen = (profile: RuleProfile): 'cylinder' | 'cube' =>
  profile === 'us-aci' ? 'cylinder' : 'cube';

/** Strength that specimens of a kind are to reach at 28 days, MPa. */
export function specifiedMPa(mix: Mix, specimen: 'cylinder' | 'cube'): number {
  if (specimen === 'cylinder') return mix.cylinderMPa;
  const strengthClass = classOf(mix);
  return strengthClass === undefined ? mix.cylinderMPa / CYLINDER_OF_CUBE : cubeMPa(strengthClass);
}

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
      : strengthAtMPa(mix.cylinderMPa, mix.cementType, ageDays);
  const share = strengthMPa / Math.max(reckonedMPa, 1e-9);
  return share < 1 - 1e-9 ? { ageDays, strengthMPa, reckonedMPa, share } : null;
}

/** Every break of the pour, oldest first. */
export const breaksOf = (state: PourState): Break[] =>
  entries(state, 'break-test').map((e) => e.body);
