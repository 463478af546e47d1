import { type Anchor, type SitePlan, standsOf } from '#core/model';

/** Bolt to bolt ⅛ in, the group ¼ in, tops ½ in, mm: house defaults after AISC 303 §7.5. */
export const BASE_TOLERANCES = { centreMm: 3.175, groupMm: 6.35, topMm: 12.7 } as const;

/**
 * Bolts of a machine, mast or column base: tied in on a pad or pier before the pour, measured as a
 * pattern, and read again while it is cast.
 */
export const baseBolts = (site: SitePlan, elementId: string): Anchor[] =>
  standsOf(site).some((s) => s.id === elementId)
    ? site.anchors.filter((a) => a.elementId === elementId && a.kind !== 'dowel' && !a.wetSet)
    : [];
