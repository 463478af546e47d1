import type { Laying, WayNote } from '#core/pourplan';
import { clockText, distanceText, type UnitSystem } from '#core/units';

/** Off corners, and no further from where the hose stands than it flows well, m: three feet. */
const OFF_CORNER_M = 0.9144;

const LAID: Record<Laying['how'], (from: string) => string> = {
  'low-side': (from) => `From the low side, ${from}`,
  'far-end': (from) => `From the end farthest from the pump, ${from}`,
  'other-end': (from) => `From the other end, ${from}`,
  'two-fronts': (from) => `Two fronts from ${from}`,
  'pier-by-pad': (from) => `Each pier right after its pad, from ${from}`,
};
/** What a way round is called. */
export const layingName = (l: Laying): string => LAID[l.how](l.from);
/** What it comes to: how much of its window the tightest seam uses, and when it is done. */
export function layingText(l: Laying): string {
  const done = `done ${clockText(l.finishMin)}`;
  if (l.worstShare === 0) return `no seams, ${done}`;
  return l.worstShare > 1
    ? `a seam goes cold, ${done}`
    : `tightest seam uses ${Math.round(l.worstShare * 100)} in 100 of its window, ${done}`;
}

/** What to do at a place along the way. */
export function wayNoteText(n: WayNote, units: UnitSystem): string {
  switch (n.kind) {
    case 'corner':
      return `Corner ${n.node}: feed toward it, hose ${distanceText(OFF_CORNER_M, units)} off`;
    case 'tee':
      return n.waitMin > 0
        ? `Tee ${n.node}: waits ${Math.round(n.waitMin)} min, shuts at ${Math.round(n.knitMin)}`
        : `Tee ${n.node}: fill what meets there together`;
    case 'opening':
      return `${n.mark ?? (n.what === 'door' ? 'Door' : 'Window')} in ${n.elementId}: ${
        n.passes > 1
          ? `a lift goes up there in ${n.passes} passes: part way, then the other side as far, never more than ${distanceText(n.liftM, units)} apart`
          : `both sides evenly, never more than ${distanceText(n.liftM, units)} apart`
      }`;
    case 'step':
      return `Step ${n.upM > 0 ? 'up' : 'down'} ${distanceText(Math.abs(n.upM), units)} at ${n.node}: ${
        n.upM > 0 ? 'fill the low side first' : 'close the riser before the low side is filled'
      }`;
    case 'bulkhead':
      return `Planned bulkhead in ${n.elementId}: full height to it before what lies beyond`;
  }
}
