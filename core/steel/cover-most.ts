import type { RuleProfile } from '#core/model';
import { atMost } from '#core/units';

/** Permitted plus of cover by depth of the member, mm, straight between (EN 13670 §10.6, fig. 4a). */
const EN_PLUS: readonly (readonly [depthMm: number, plusMm: number])[] = [
  [150, 10],
  [400, 15],
  [2500, 20],
];
/** In foundations it may be so much more (EN 13670 §10.6). */
const EN_FOUNDATION_MM = 15;

/** A value straight between the steps of a table; beyond its ends as at them. */
export function between(table: readonly (readonly [number, number])[], x: number): number {
  const first = table[0] ?? [0, 0];
  const i = table.findIndex(([at]) => x < at);
  if (i === 0) return first[1];
  const a = table[(i < 0 ? table.length : i) - 1] ?? first;
  const b = i < 0 ? a : (table[i] ?? a);
  return b[0] === a[0] ? a[1] : a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0]);
}

/**
 * How much more than drawn the cover of a bar that bends the member may be, mm: beyond it the
 * effective depth falls short (ACI 318-19 table 26.6.2.1; EN 13670 §10.6).
 * @param depthMm of the member, mm
 */
export function coverPlusMm(profile: RuleProfile, depthMm: number, foundation: boolean): number {
  if (profile === 'metric-en')
    return between(EN_PLUS, depthMm) + (foundation ? EN_FOUNDATION_MM : 0);
  return atMost(depthMm, 203.2) ? 9.525 : 12.7;
}
