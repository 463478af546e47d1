import { wallMs } from '#core/weather';

const LOCAL = /^(\d{4}-\d{2}-\d{2})[T ](\d{1,2}):(\d{2})$/;

/** A time with its zone, or one of the site's own clock as `2026-09-24 06:00`; null where it is neither. */
export function instantOf(text: string, timeZone: string): number | null {
  const local = LOCAL.exec(text.trim());
  if (local) {
    const [, date = '', h, m] = local;
    return wallMs(date, Number(h) * 60 + Number(m), timeZone);
  }
  const ms = /[zZ]|[+-]\d{2}:?\d{2}$/.test(text) ? Date.parse(text) : Number.NaN;
  return Number.isNaN(ms) ? null : ms;
}

/** A field as a number; undefined where it is empty, NaN where it is none. */
export function numberOf(text: string | undefined): number | undefined {
  const t = text?.trim().replace(',', '.') ?? '';
  return t === '' ? undefined : Number(t);
}
