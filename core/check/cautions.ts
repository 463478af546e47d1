import type { CheckPoint } from './points/index.ts';

/**
 * The caution that bears on a check, in one line, where it can still prevent harm. Jactum replaces no engineer, inspector,
 * maker's manual or local code; where they differ, they rule.
 */
export function cautionOf(point: CheckPoint): string | null {
  const { kind } = point;
  if (kind === 'trench' || kind === 'room')
    return 'Trenches bury people. Nobody goes in before it is sloped or shored and looked at, again after rain.';
  if (kind.startsWith('verts') || kind === 'tied' || kind === 'guard')
    return 'Uncapped bars impale. Cap every upright before anybody works above it.';
  if (point.round === 'forms' || kind === 'braced' || kind.startsWith('ties-'))
    return 'Forms fail at the bottom and without warning. Nobody stands in the line of a wall under pour.';
  if (kind === 'stand')
    return 'Outriggers sink. Keep back from the edge, mats under every foot; trucks are backed by somebody who is seen.';
  if (kind === 'wires')
    return 'Booms touch wires. The distance of your local rules counts, also with the boom folded.';
  if (kind.startsWith('dowels'))
    return 'Drilling dust harms lungs, glue burns skin: mask, glasses, gloves. The glue maker’s manual rules.';
  if (kind === 'oiled') return 'Release agent irritates skin and eyes: gloves and glasses on.';
  return null;
}
