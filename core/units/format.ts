import {
  KM_PER_MI,
  M2_PER_FT2,
  M3_PER_YD3,
  M_PER_FT,
  MPA_PER_PSI,
  KG_PER_LB,
  fahrenheitOf,
} from './factors.ts';
import { footInch, type UnitSystem } from './measure.ts';

/**
 * Figures as they are spoken on a site, in its own units. Only here are numbers rounded; the core hands on
 * every digit. Words and signs are plain text, so that screens, the report and read-aloud say the same.
 */
const group = (text: string): string => text.replace(/\B(?=(\d{3})+(?!\d))/g, ' ');

/** A length in whole and fractional inches (cover, bars) or millimetres. */
export function lengthText(mm: number, units: UnitSystem): string {
  if (units === 'metric') return `${group(String(Math.round(mm)))} mm`;
  return `${inchText(footInch(mm, false))} in`;
}

/** A long length: feet and inches, or metres. */
export function distanceText(m: number, units: UnitSystem): string {
  if (units === 'metric') return `${m.toFixed(2)} m`;
  const p = footInch(m * 1000, true, 8);
  return `${p.negative ? '−' : ''}${p.feet} ft ${inchText({ ...p, feet: 0, negative: false })} in`;
}

function inchText(p: ReturnType<typeof footInch>): string {
  const fraction = p.numerator ? `${p.numerator}/${p.denominator}` : '';
  const whole = p.inches + p.feet * 12;
  const body = [whole === 0 && fraction ? '' : String(whole), fraction].filter(Boolean).join(' ');
  return `${p.negative ? '−' : ''}${body}`;
}

export interface Figure {
  value: string;
  unit: string;
}
const figure = (value: string, unit: string): Figure => ({ value: value.replace('-', '−'), unit });

/** So little that it is only lost on the way between units: 1.125 yd³ kept in m³ is one figure wherever it is shown. */
const LOST = 1e-9;
const fixed = (x: number, digits: number): string => (x + Math.sign(x) * LOST).toFixed(digits);

export const volume = (m3: number, units: UnitSystem, digits = 2): Figure =>
  units === 'us' ? figure(fixed(m3 / M3_PER_YD3, digits), 'yd³') : figure(fixed(m3, digits), 'm³');
/**
 * A load or batch as it is measured out: to a tenth, to a hundredth where the plant's steps are
 * finer (9.25, not 9.3), the batch of a small drum to a thousandth (0.125).
 */
export function loadVolume(m3: number, units: UnitSystem): Figure {
  const shown = units === 'us' ? m3 / M3_PER_YD3 : m3;
  if (shown < 1) {
    const { value, unit } = volume(m3, units, 3);
    return { value: value.replace(/0$/, ''), unit };
  }
  const tenths = Math.abs(shown * 10 - Math.round(shown * 10)) < 0.05;
  return volume(m3, units, tenths ? 1 : 2);
}
export const area = (m2: number, units: UnitSystem): Figure =>
  units === 'us' ? figure((m2 / M2_PER_FT2).toFixed(0), 'ft²') : figure(m2.toFixed(1), 'm²');
export const strength = (mpa: number, units: UnitSystem): Figure =>
  units === 'us'
    ? figure(group(String(Math.round(mpa / MPA_PER_PSI / 10) * 10)), 'psi')
    : figure(mpa.toFixed(1), 'MPa');
export const temperatureFigure = (c: number, units: UnitSystem): Figure =>
  units === 'us' ? figure(fahrenheitOf(c).toFixed(0), '°F') : figure(c.toFixed(0), '°C');
export const wind = (kmh: number, units: UnitSystem): Figure =>
  units === 'us' ? figure((kmh / KM_PER_MI).toFixed(0), 'mph') : figure(kmh.toFixed(0), 'km/h');
export const mass = (kg: number, units: UnitSystem): Figure =>
  units === 'us'
    ? figure(group((kg / KG_PER_LB).toFixed(0)), 'lb')
    : figure(group(kg.toFixed(0)), 'kg');
export const level = (m: number, units: UnitSystem): Figure =>
  units === 'us' ? figure((m / M_PER_FT).toFixed(2), 'ft') : figure(m.toFixed(3), 'm');
export const textOf = (f: Figure): string => `${f.value} ${f.unit}`;

/** A bar as it is called: `#5` is a No. 5. */
export const barText = (name: string): string =>
  name.startsWith('#') ? `No. ${name.slice(1)}` : name.replace('mm', ' mm');

/** Minutes after midnight as a clock, 24 hours. */
export function clockText(minutes: number): string {
  const m = Math.round(minutes);
  const day = ((m % 1440) + 1440) % 1440;
  return `${String(Math.floor(day / 60)).padStart(2, '0')}:${String(day % 60).padStart(2, '0')}`;
}

/** A span of time as it is spoken: "45 min", "4 h 45". */
export function durationText(minutes: number): string {
  const whole = Math.round(Math.abs(minutes));
  const sign = minutes < 0 && whole > 0 ? '−' : '';
  return whole < 60
    ? `${sign}${whole} min`
    : `${sign}${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`;
}
