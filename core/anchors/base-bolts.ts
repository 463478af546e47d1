import { type Anchor, type SitePlan, standsOf } from '#core/model';

/**
 * Bolts of a machine, mast or column base: tied in on a pad or pier before the pour, measured as a
 * pattern, and read again while it is cast.
 */
export const baseBolts = (site: SitePlan, elementId: string): Anchor[] =>
  standsOf(site).some((s) => s.id === elementId)
    ? site.anchors.filter((a) => a.elementId === elementId && a.kind !== 'dowel' && !a.wetSet)
    : [];
