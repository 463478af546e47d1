import { barNamed, type RuleProfile } from '#core/model';

/** Largest stone where the mix does not say it, mm: ¾ in, and what is usual under EN. */
const USUAL_STONE_MM: Record<RuleProfile, number> = { 'us-aci': 19.05, 'metric-en': 20 };

/**
 * Least clear distance between parallel bars, at laps and to what is cast in too, mm: 1 in, a bar, or
 * 4/3 of the stone (ACI 318-19 §25.2.1); a bar, the stone and 5 mm, or 20 mm (EN 1992-1-1 §8.2).
 */
export function clearDistanceMm(
  profile: RuleProfile,
  bar: string,
  stoneMm: number | undefined,
): number {
  const stone = stoneMm ?? USUAL_STONE_MM[profile];
  const { diameterMm } = barNamed(bar);
  return profile === 'us-aci'
    ? Math.max(25.4, diameterMm, (4 / 3) * stone)
    : Math.max(diameterMm, stone + 5, 20);
}
