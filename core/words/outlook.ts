import type { ColdStretch } from '#core/pourplan';
import { clockText, durationText, textOf, type UnitSystem, volume } from '#core/units';
import { coldPlace } from './cold-seam.ts';

/** So much sooner or later than planned is as planned, min. */
const AS_PLANNED_MIN = 4;
/** A shortage below this is within what can be read off the forms, m³. */
const SHORT_M3 = 0.1;

/** How the rest of a pour goes, as far as it is worked out. */
interface Ahead {
  finishMin: number;
  shortM3: number;
  lost: readonly ColdStretch[];
}

/** When it is done as it goes now, against the plan; or how much is missing. */
export function aheadText(a: Ahead, plannedMin: number, units: UnitSystem): string {
  if (a.shortM3 > SHORT_M3)
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
