import { BAR_NAMES, type Hooks, type WallType } from '#core/model';
import type { DrawnLap } from '#core/steel';
import { barText, lengthText, parseMeasure, type UnitSystem } from '#core/units';

/**
 * Bars as drawings and schedules write them, read and written in one place: the cells of a schedule
 * on the screen, rows of a spreadsheet, the cage of a pier and the mats of a pad. A reader gives a
 * sentence where it cannot read.
 */
export interface Counted {
  bar: string;
  count: number;
  hooks: Hooks;
}
export interface Spaced {
  bar: string;
  spacingM: number;
  hooks: Hooks;
}

/** A bar as schedules write it: "No. 5", "#5", "5"; "12 mm", "12", "T12"; "15M". Null when the table has none such. */
export function barFromText(text: string, units: UnitSystem): string | null {
  const t = text
    .trim()
    .toUpperCase()
    .replace(/^NO\.?\s*/, '#')
    .replace(/\s+/g, '');
  const tries =
    units === 'us'
      ? [t, `#${t}`]
      : [t.replace(/MM$/, 'mm'), `${t.replace(/^[THBØ]+/, '').replace(/MM$/, '')}mm`];
  return BAR_NAMES.find((b) => tries.includes(b)) ?? null;
}

/** Millimetres off a tape in metres, without the last digits that binary fractions leave. */
export const metres = (mm: number): number => Math.round(mm * 1e4) / 1e7;

/** Nothing, in the ways people write it: empty, "none", a dash. */
export const isNone = (text: string): boolean => /^\s*(none|-|–)?\s*$/i.test(text);

/** "No. 4 at 12, hooked" and "…, hooked one end" taken apart: the bars, and which ends are bent. */
function splitHooks(text: string): { bars: string; hooks: Hooks } {
  const m = /^(.*?)[,\s]*\bhook(?:s|ed)?\b\s*(.*)$/i.exec(text);
  if (!m) return { bars: text, hooks: undefined };
  return { bars: (m[1] ?? '').trim(), hooks: /one|1/i.test(m[2] ?? '') ? 'one' : 'both' };
}
const HOOKS_TEXT: Partial<Record<NonNullable<Hooks>, string>> = {
  both: ', hooked',
  one: ', hooked one end',
};
const hooksText = (hooks: Hooks): string => (hooks && HOOKS_TEXT[hooks]) ?? '';

/** "3 No. 5", "3 #5", "4 x 12 mm, hooked". */
export function countedFromText(text: string, units: UnitSystem): Counted | string {
  const { bars, hooks } = splitHooks(text);
  const m = /^\s*(\d+)\s*[x×-]?\s*(.+)$/i.exec(bars);
  const bar = m ? barFromText(m[2] ?? '', units) : null;
  return m && bar
    ? { bar, count: Number(m[1]), hooks }
    : `“${text.trim()}” is not so many bars of a size, as ${units === 'us' ? '3 No. 5' : '4 × 12 mm'}`;
}
export const countedText = (v: { bar: string; count: number; hooks?: Hooks }): string =>
  `${v.count} ${barText(v.bar)}${hooksText(v.hooks)}`;

/** "No. 5 at 12", "#5 @ 12 in", "12 mm / 200, hooked one end". */
export function spacedFromText(text: string, units: UnitSystem): Spaced | string {
  const { bars, hooks } = splitHooks(text);
  const [left = '', right = ''] = bars.split(/\s*(?:@|\bat\b|\/(?=\s*\d{2}))\s*/i);
  const bar = barFromText(left, units);
  const p = parseMeasure(right, units);
  return bar && p.ok && p.mm > 0
    ? { bar, spacingM: metres(p.mm), hooks }
    : `“${text.trim()}” is not a bar at a spacing, as ${units === 'us' ? 'No. 5 at 12' : '12 mm at 200'}`;
}
export const spacedText = (
  v: { bar: string; spacingM: number; hooks?: Hooks },
  units: UnitSystem,
): string => `${barText(v.bar)} at ${lengthText(v.spacingM * 1000, units)}${hooksText(v.hooks)}`;

/** A lap as schedules write it: "24 in", "40 db", "40 dia", "40 d"; undefined for none: it is computed then. */
export function lapFromText(text: string, units: UnitSystem): DrawnLap | undefined | string {
  if (isNone(text) || /^\s*computed\s*$/i.test(text)) return undefined;
  const m = /^\s*(\d+(?:\.\d+)?)\s*(?:×\s*)?(?:db|d|dia|diameters?|bar diameters?|ø)\.?\s*$/i.exec(
    text,
  );
  if (m) return { diameters: Number(m[1]) };
  const p = parseMeasure(text, units);
  return p.ok && p.mm > 0
    ? { lengthM: metres(p.mm) }
    : `“${text.trim()}” is not a lap, as ${units === 'us' ? '24' : '600'} or 40 db, or none: then it is computed`;
}
export function lapText(lap: DrawnLap | undefined, units: UnitSystem): string {
  if (lap === undefined) return 'computed';
  return 'lengthM' in lap ? lengthText(lap.lengthM * 1000, units) : `${lap.diameters} db`;
}

/** A brick ledge as "5 x 8": how wide, and how far down from the top; null for none. */
export function ledgeFromText(text: string, units: UnitSystem): WallType['ledge'] | string {
  if (isNone(text)) return null;
  const [w, h] = text.split(/\s*[x×]\s*/i).map((part) => parseMeasure(part, units));
  return w?.ok && h?.ok && w.mm > 0 && h.mm > 0
    ? { widthM: metres(w.mm), heightM: metres(h.mm) }
    : `“${text.trim()}” is not wide × high, as ${units === 'us' ? '5 × 8' : '120 × 200'}, or none`;
}
export const ledgeText = (ledge: WallType['ledge'], units: UnitSystem): string =>
  ledge
    ? `${lengthText(ledge.widthM * 1000, units)} × ${lengthText(ledge.heightM * 1000, units)}`
    : 'none';
