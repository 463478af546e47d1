import type { Care } from '#core/cure';
import { strength, textOf, type UnitSystem } from '#core/units';

/** Ways to keep concrete from drying, as they are said. */
export const CURED_BY_WORDS = {
  forms: 'in its forms',
  wet: 'wet',
  covered: 'covered',
  compound: 'under compound',
} as const;

/** Days or hours, whichever is whole. */
const forText = (hours: number): string =>
  hours % 24 === 0 && hours >= 48 ? `${hours / 24} days` : `${hours} h`;

/** A difference of temperature in the site's units. */
const degreesText = (c: number, units: UnitSystem): string =>
  units === 'us' ? `${Math.round(c * 1.8)} °F` : `${Math.round(c)} °C`;

const isPast = (untilMs: number | null, nowMs: number): untilMs is number =>
  untilMs !== null && untilMs <= nowMs;

function protectText(
  p: NonNullable<Care['protect']>,
  moment: (ms: number) => string,
  units: UnitSystem,
  nowMs: number,
): string {
  const needs = [
    ...(p.hours > 0 ? [`${p.hours} h`] : []),
    textOf(strength(p.strengthMPa, units)),
  ].join(' and ');
  const until = p.untilMs === null ? 'until a test proves it' : `until ${moment(p.untilMs)}`;
  if (isPast(p.untilMs, nowMs)) return `Kept from freezing ${until}: ${needs}.`;
  return `Keep it from freezing ${until}: ${needs}.`;
}

function cureText(
  { cure, curedBy }: Pick<Care, 'cure' | 'curedBy'>,
  moment: (ms: number) => string,
  units: UnitSystem,
  nowMs: number,
): string {
  const how = curedBy ? CURED_BY_WORDS[curedBy] : 'wet, covered or under compound';
  const needs =
    cure.strengthMPa > 0 ? textOf(strength(cure.strengthMPa, units)) : forText(cure.hours);
  const until = cure.untilMs === null ? 'until a test proves it' : `until ${moment(cure.untilMs)}`;
  if (isPast(cure.untilMs, nowMs)) return `Its curing was up ${moment(cure.untilMs)}: ${needs}.`;
  return `Cure it ${how} ${until}: ${needs}.`;
}

/** A sentence of care, and how it is marked. */
export interface CareLine {
  text: string;
  tone: 'good' | 'unread' | 'out';
}

/**
 * How concrete is to be kept, a sentence each: from freezing and cooling fast where it is cold, and
 * from drying.
 * @param moment how a moment is said on site, as "Thu 05:20"
 */
export function careTexts(
  c: Care,
  moment: (ms: number) => string,
  units: UnitSystem,
  nowMs: number,
): CareLine[] {
  const most = degreesText(c.coolingC, units);
  const toneOf = (untilMs: number | null) => (isPast(untilMs, nowMs) ? 'good' : 'unread');
  const lines: CareLine[] = [];
  if (c.protect)
    lines.push(
      { text: protectText(c.protect, moment, units, nowMs), tone: toneOf(c.protect.untilMs) },
      { text: `Then let it cool slowly: at most ${most} in 24 h.`, tone: 'unread' },
    );
  if (c.cooledC !== null)
    lines.push({
      text: `It cooled ${degreesText(c.cooledC, units)} in 24 h, at most ${most} is wanted: look for cracks, cover it again.`,
      tone: 'out',
    });
  lines.push({ text: cureText(c, moment, units, nowMs), tone: toneOf(c.cure.untilMs) });
  return lines;
}
