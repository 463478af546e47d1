import { barNamed, type Met } from '#core/model';
import { lengthText, type UnitSystem } from '#core/units';
import type { Wanted } from './points/index.ts';

/** What a reading of this kind can be, mm, and what it usually is. */
interface ReadingRange {
  least: number;
  most: number;
  usual: readonly [number, number];
}

/** Off a line, a level or plumb: further than this nobody reads with a tape, mm; a tenth of it is a lot. */
const OFF_MM = 2000;
/** A size is nothing like what is wanted beyond this many times it, and unusual beyond so many. */
const FAR = { can: 10, usual: 2.5 };

/** The most a cover may be before the member is weaker, or the bar has left its place. */
export const coverMostMm = (w: Extract<Wanted, { type: 'cover' }>): number =>
  Math.min(w.mostMm ?? Infinity, coverRoomMm(w));

/**
 * The most a cover may be before the bar has left its place in the section, mm: half the member for
 * a bar that belongs near a face; else as far as the member leaves room beyond the bar. Trade rule.
 */
function coverRoomMm(w: Extract<Wanted, { type: 'cover' }>): number {
  const room = w.memberDepthMm - barNamed(w.bar).diameterMm;
  const half = w.memberDepthMm / 2;
  return w.specifiedMm < half * 0.8 ? half : Math.max(w.specifiedMm, room);
}

function rangeOf(w: Wanted): ReadingRange | null {
  if (w.type === 'cover') return { least: 0, most: w.memberDepthMm, usual: [0, coverRoomMm(w)] };
  if (w.type !== 'size') return null;
  switch (w.what) {
    case 'level':
    case 'line':
    case 'plumb':
    case 'lean':
    case 'centre':
    case 'place':
      return { least: -OFF_MM, most: OFF_MM, usual: [-OFF_MM / 10, OFF_MM / 10] };
    case 'other':
      return null;
    case 'square':
      return { least: 0, most: 10_000, usual: [0, 500] };
    case 'room':
      return { least: 0, most: 50_000, usual: [0, 10_000] };
    default: {
      const most = Math.max(w.wantedMm * FAR.can, 1000);
      return { least: 0, most, usual: [w.wantedMm / 4, Math.max(w.wantedMm * FAR.usual, 100)] };
    }
  }
}

/** How a typed reading is met: taken, asked about once more, or refused with what it could be. */
export function meetReading(w: Wanted, mm: number, units: UnitSystem): Met {
  const r = rangeOf(w);
  if (!r) return { take: true };
  const said = lengthText(mm, units);
  if (mm < r.least - 1e-6 || mm > r.most + 1e-6)
    return {
      refuse:
        w.type === 'cover'
          ? `${said} cannot be: the member is ${lengthText(w.memberDepthMm, units)} through.`
          : `${said} cannot be: read it again, it is between ${lengthText(r.least, units)} and ${lengthText(r.most, units)}.`,
    };
  if (mm < r.usual[0] - 1e-6 || mm > r.usual[1] + 1e-6)
    return { ask: `${said}? Say again: press Enter once more if it is so.` };
  return { take: true };
}
