import { type Anchor, type RuleProfile, type SitePlan, standsOf } from '#core/model';
import { positionToleranceMm } from './anchor-verdict.ts';

/** Bolt to bolt ⅛ in, the group ¼ in, tops ½ in, mm: house defaults after AISC 303 §7.5. */
export const BASE_TOLERANCES = { centreMm: 3.175, groupMm: 6.35, topMm: 12.7 } as const;

/** A base bolt that is not adjusted after: so far off at most, mm (EN 1090-2 table B.20, to be confirmed). */
const EN_OFF_MM = 3;

/** How far two bolts of a base may be apart from what is drawn, mm, and by which standard. */
export const baseBoltOff = (
  profile: RuleProfile,
  diameterMm: number,
): { mm: number; source: string } =>
  profile === 'us-aci'
    ? { mm: positionToleranceMm(diameterMm), source: 'AISC 303-22 §7.5.1; ACI 117-10 §2.3.4' }
    : { mm: EN_OFF_MM, source: 'EN 1090-2 table B.20, to be confirmed' };

/**
 * Bolts of a machine, mast or column base: tied in on a pad or pier before the pour, measured as a
 * pattern, and read again while it is cast.
 */
export const baseBolts = (site: SitePlan, elementId: string): Anchor[] =>
  standsOf(site).some((s) => s.id === elementId)
    ? site.anchors.filter((a) => a.elementId === elementId && a.kind !== 'dowel' && !a.wetSet)
    : [];
