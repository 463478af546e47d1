import { isShort } from '#core/pourlog';
import type { ColdStretch } from '#core/pourplan';
import { clockText, durationText, textOf, type UnitSystem, volume } from '#core/units';
import { alongRouteText, coldPlace } from './cold-seam.ts';

/** So much sooner or later than planned is as planned, min. */
const AS_PLANNED_MIN = 4;

/** How the rest of a pour goes, as far as it is worked out. */
interface Ahead {
  finishMin: number;
  shortM3: number;
  lost: readonly ColdStretch[];
}

/** When it is done as it goes now, against the plan; or how much is missing. */
export function aheadText(a: Ahead, plannedMin: number, units: UnitSystem): string {
  if (isShort(a.shortM3))
    return `As it goes ${textOf(volume(a.shortM3, units, 1))} is missing at ${clockText(a.finishMin)}.`;
  const later = a.finishMin - plannedMin;
  const against =
    Math.abs(later) < AS_PLANNED_MIN
      ? 'as planned'
      : `${durationText(Math.abs(later))} ${later > 0 ? 'later' : 'sooner'} than planned`;
  return `Done ${clockText(a.finishMin)}, ${against}.`;
}

/** Which seam is lost first as it goes now, and when it shuts; null where all close in time. */
export function lostText(a: Ahead, units: UnitSystem): string | null {
  const [first] = a.lost;
  return first
    ? `As it goes a seam is lost: ${coldPlace(first, units)}, shuts ${clockText(first.shutsAtMin)}, met ${durationText(first.gapMin - first.knitMin)} too late.`
    : null;
}

/** What sending a load back does: the seam that then goes cold, where a bulkhead would stand, what is then missing. */
export function sentBackText(
  a: Ahead,
  asItGoes: Ahead | null,
  hoseM: number | null,
  units: UnitSystem,
): { bad: boolean; text: string } {
  const [lost] = a.lost;
  const known = asItGoes?.lost[0];
  const said = [
    ...(lost &&
    (!known ||
      lost.shutsAtMin < known.shutsAtMin - 1 ||
      a.lost.length > (asItGoes?.lost.length ?? 0))
      ? [
          `${lost.elementId} goes cold at ${clockText(lost.shutsAtMin)}${hoseM === null ? '' : ` and needs a bulkhead at ${alongRouteText(hoseM, units)}`}`,
        ]
      : []),
    ...(isShort(a.shortM3 - (asItGoes?.shortM3 ?? 0))
      ? [`${textOf(volume(a.shortM3, units, 1))} is then missing: order it at once`]
      : []),
  ];
  const later = a.finishMin - (asItGoes?.finishMin ?? a.finishMin);
  if (said.length) return { bad: true, text: `Sent back: ${said.join('; ')}.` };
  return {
    bad: false,
    text:
      later > AS_PLANNED_MIN
        ? `Sent back: every seam still closes, done ${durationText(later)} later.`
        : 'Sent back: every seam still closes in time.',
  };
}
