import { MM_PER_IN } from './factors.ts';

/** The two unit systems a site may use; never mixed on one screen. */
export const UNIT_SYSTEMS = ['us', 'metric'] as const;
export type UnitSystem = (typeof UNIT_SYSTEMS)[number];

/** What a reading on a tape comes to, or the sentence to show when it cannot be read. */
export type ParsedMeasure = { ok: true; mm: number } | { ok: false; message: string };

const FORMS: Record<UnitSystem, string> = {
  us: 'Write it as 7\' 3 1/2, 87.5", 2-7/8, 2 7/8 in, 4 ft or 222 cm.',
  metric: 'Write it as 2220, 2220 mm, 222 cm, 2.22 m or 7\' 3 1/2".',
};

const GLYPHS: Record<string, string> = {
  '½': ' 1/2',
  '¼': ' 1/4',
  '¾': ' 3/4',
  '⅛': ' 1/8',
  '⅜': ' 3/8',
  '⅝': ' 5/8',
  '⅞': ' 7/8',
  '⁄': '/',
  '′': "'",
  '’': "'",
  '″': '"',
  '”': '"',
  '“': '"',
  ',': '.',
};

/** `3`, `3.5`, `7/8`, `3 7/8` or `3-7/8` as a number; null when it is none of them. */
function mixedNumber(text: string): number | null {
  const m = /^(?:(\d+(?:\.\d+)?|\.\d+)|(?:(\d+)[\s-]+)?(\d+)\/(\d+))$/.exec(text.trim());
  if (!m) return null;
  if (m[1] !== undefined) return Number(m[1]);
  const den = Number(m[4]);
  return den === 0 ? null : Number(m[2] ?? 0) + Number(m[3]) / den;
}

const inchesText = (s: string): string => s.replace(/("|''|in\.?|inch(es)?)$/, '').trim();

/**
 * Reads a length as people write it off a tape.
 * @param text what was typed: feet and inches, inches with fractions, or mm, cm, m
 * @param system the site's units: a bare number is inches in `us` and millimetres in `metric`
 * @returns the length in millimetres, or a message that says which forms can be read
 */
export function parseMeasure(text: string, system: UnitSystem): ParsedMeasure {
  const fail: ParsedMeasure = {
    ok: false,
    message: `“${text.trim()}” cannot be read as a measure. ${FORMS[system]}`,
  };
  let s = text.trim().toLowerCase();
  for (const [glyph, plain] of Object.entries(GLYPHS)) s = s.replaceAll(glyph, plain);
  s = s.replace(/\s+/g, ' ').trim();
  if (s === '') return { ok: false, message: `Nothing is entered. ${FORMS[system]}` };
  let sign = 1;
  if (/^[-+−]/.test(s)) {
    sign = /^\+/.test(s) ? 1 : -1;
    s = s.slice(1).trim();
  }

  const metric = /^(\d+(?:\.\d+)?|\.\d+)\s*(mm|cm|m)$/.exec(s);
  if (metric)
    return {
      ok: true,
      mm: sign * Number(metric[1]) * { mm: 1, cm: 10, m: 1000 }[metric[2] as 'mm' | 'cm' | 'm'],
    };

  const feet = /^(.+?)\s*(?:'(?!')|ft\.?|feet|foot)\s*-?\s*(.*)$/.exec(s);
  if (feet) {
    const ft = mixedNumber(feet[1] ?? '');
    const rest = inchesText(feet[2] ?? '');
    const inch = rest === '' ? 0 : mixedNumber(rest);
    if (ft === null || inch === null) return fail;
    return { ok: true, mm: sign * (ft * 12 + inch) * MM_PER_IN };
  }
  if (/("|''|in\.?|inch(es)?)$/.test(s)) {
    const inch = mixedNumber(inchesText(s));
    return inch === null ? fail : { ok: true, mm: sign * inch * MM_PER_IN };
  }
  const bare = mixedNumber(s);
  if (bare === null) return fail;
  return { ok: true, mm: sign * bare * (system === 'us' ? MM_PER_IN : 1) };
}

/** A length split for setting in type: sign, feet (0 when not asked for), whole inches and a reduced fraction. */
export interface FootInch {
  negative: boolean;
  feet: number;
  inches: number;
  numerator: number;
  denominator: number;
}

/**
 * Splits millimetres into feet, inches and a fraction, rounded to the nearest 1/`denominator` inch (16 by default).
 * @param withFeet false keeps everything in inches, as covers and bar spacings are spoken
 */
export function footInch(mm: number, withFeet: boolean, denominator = 16): FootInch {
  const units = Math.round((Math.abs(mm) / MM_PER_IN) * denominator);
  const whole = Math.floor(units / denominator);
  let num = units - whole * denominator;
  let den = denominator;
  while (num > 0 && num % 2 === 0) {
    num /= 2;
    den /= 2;
  }
  const feet = withFeet ? Math.floor(whole / 12) : 0;
  return {
    negative: mm < 0 && units > 0,
    feet,
    inches: whole - feet * 12,
    numerator: num,
    denominator: num === 0 ? 1 : den,
  };
}
