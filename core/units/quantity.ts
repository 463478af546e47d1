import {
  KG_M3_PER_PCF,
  KG_PER_LB,
  KM_PER_MI,
  KPA_PER_PSF,
  L_PER_GAL,
  M2_PER_FT2,
  M3_PER_YD3,
  M_PER_FT,
  MM_PER_IN,
  MPA_PER_PSI,
  N_PER_LBF,
} from './factors.ts';
import { distanceText, lengthText } from './format.ts';
import type { UnitSystem } from './measure.ts';

/** How a kind of quantity is shown: the unit's name, how many SI units make one of it, and how many digits are said. */
interface Shown {
  unit: string;
  size: number;
  zero?: number;
  digits: number;
}
const same = (unit: string, digits: number): Record<UnitSystem, Shown> => ({
  us: { unit, size: 1, digits },
  metric: { unit, size: 1, digits },
});
const shown = (us: Shown, metric: Shown): Record<UnitSystem, Shown> => ({ us, metric });

/**
 * Kinds of quantity by how a field that holds one ends, with the unit each system shows it in. The core's own unit is
 * the one in the name; `size` is how many of those make one shown unit.
 */
export const QUANTITIES = {
  Mm: shown({ unit: 'in', size: MM_PER_IN, digits: 3 }, { unit: 'mm', size: 1, digits: 1 }),
  M: shown({ unit: 'ft', size: M_PER_FT, digits: 3 }, { unit: 'm', size: 1, digits: 3 }),
  M2: shown({ unit: 'ft²', size: M2_PER_FT2, digits: 1 }, { unit: 'm²', size: 1, digits: 2 }),
  M3: shown({ unit: 'yd³', size: M3_PER_YD3, digits: 2 }, { unit: 'm³', size: 1, digits: 2 }),
  M3PerH: shown(
    { unit: 'yd³/h', size: M3_PER_YD3, digits: 1 },
    { unit: 'm³/h', size: 1, digits: 1 },
  ),
  MPerH: shown({ unit: 'ft/h', size: M_PER_FT, digits: 2 }, { unit: 'm/h', size: 1, digits: 2 }),
  KPa: shown({ unit: 'psf', size: KPA_PER_PSF, digits: 0 }, { unit: 'kPa', size: 1, digits: 1 }),
  MPa: shown({ unit: 'psi', size: MPA_PER_PSI, digits: 0 }, { unit: 'MPa', size: 1, digits: 1 }),
  KN: shown({ unit: 'lb', size: N_PER_LBF / 1000, digits: 0 }, { unit: 'kN', size: 1, digits: 2 }),
  KNM: shown(
    { unit: 'lb/ft', size: N_PER_LBF / 1000 / M_PER_FT, digits: 0 },
    { unit: 'kN/m', size: 1, digits: 2 },
  ),
  Kg: shown({ unit: 'lb', size: KG_PER_LB, digits: 0 }, { unit: 'kg', size: 1, digits: 1 }),
  KgM: shown(
    { unit: 'lb/ft', size: KG_PER_LB / M_PER_FT, digits: 3 },
    { unit: 'kg/m', size: 1, digits: 3 },
  ),
  KgM3: shown(
    { unit: 'lb/ft³', size: KG_M3_PER_PCF, digits: 1 },
    { unit: 'kg/m³', size: 1, digits: 0 },
  ),
  KgM2H: shown(
    { unit: 'lb/ft²/h', size: KG_PER_LB / M2_PER_FT2, digits: 2 },
    { unit: 'kg/m²/h', size: 1, digits: 2 },
  ),
  C: shown(
    { unit: '°F', size: 1 / 1.8, zero: -32 / 1.8, digits: 0 },
    { unit: '°C', size: 1, digits: 1 },
  ),
  K: same('K', 0),
  KmH: shown({ unit: 'mph', size: KM_PER_MI, digits: 0 }, { unit: 'km/h', size: 1, digits: 0 }),
  MmH: shown({ unit: 'in/h', size: MM_PER_IN, digits: 2 }, { unit: 'mm/h', size: 1, digits: 1 }),
  Min: same('min', 1),
  H: same('h', 1),
  CH: shown({ unit: '°F·h', size: 1 / 1.8, digits: 0 }, { unit: '°C·h', size: 1, digits: 0 }),
  L: shown({ unit: 'gal', size: L_PER_GAL, digits: 1 }, { unit: 'L', size: 1, digits: 1 }),
  Mm2: shown({ unit: 'in²', size: MM_PER_IN ** 2, digits: 2 }, { unit: 'mm²', size: 1, digits: 0 }),
  Deg: same('°', 1),
  Ratio: shown(
    { unit: 'in 100', size: 0.01, digits: 1 },
    { unit: 'in 100', size: 0.01, digits: 1 },
  ),
  Lb: same('lb', 0),
  In: same('in', 3),
  Ft3: same('ft³', 3),
  MmPerTurn: shown(
    { unit: 'in a turn', size: MM_PER_IN, digits: 3 },
    { unit: 'mm a turn', size: 1, digits: 1 },
  ),
  MmPerM: same('mm/m', 1),
  MmPerLPerM3: shown(
    { unit: 'in for 1 gal/yd³', size: (MM_PER_IN * M3_PER_YD3) / L_PER_GAL, digits: 2 },
    { unit: 'mm for 1 L/m³', size: 1, digits: 2 },
  ),
  PerM3: shown(
    { unit: 'a yd³', size: 1 / M3_PER_YD3, digits: 2 },
    { unit: 'a m³', size: 1, digits: 2 },
  ),
  /** Levels are read in decimals in both systems; they are fields by name, not by ending. */
  Level: shown({ unit: 'ft', size: M_PER_FT, digits: 3 }, { unit: 'm', size: 1, digits: 3 }),
  Count: same('', 0),
} as const satisfies Record<string, Record<UnitSystem, Shown>>;
export type Quantity = keyof typeof QUANTITIES;

const ENDINGS = (Object.keys(QUANTITIES) as Quantity[])
  .filter((k) => k !== 'Count' && k !== 'Level')
  .sort((a, b) => b.length - a.length);

/** The ratios that are no shares of a hundred: they are shown as they stand. */
const PLAIN_RATIOS = new Set([
  'deflectionRatio',
  'ratio',
  'restRatio',
  'edgeRatio',
  'maxWcRatio',
  'wcRatio',
  'loadSdRatio',
  'yieldRatio',
]);

/** Fields of levelling: heights above a datum, and what is read on a rod. */
const LEVELS = new Set([
  'benchmarkM',
  'backSightM',
  'rodM',
  'planM',
  'turnRodM',
  'closingRodM',
  'hiM',
  'elevationM',
  'levelM',
]);

/**
 * What kind of quantity a field holds, by the unit its name ends in; null for plain numbers, words
 * and shares named otherwise.
 */
export function quantityOfField(name: string): Quantity | null {
  if (name === 'humidity') return 'Ratio';
  if (PLAIN_RATIOS.has(name)) return null;
  if (LEVELS.has(name)) return 'Level';
  const plural = /^(.*[A-Za-z0-9])(\[\])?$/.exec(name)?.[1] ?? name;
  return (
    ENDINGS.find(
      (e) =>
        plural.endsWith(e) &&
        plural.length > e.length &&
        /[a-z0-9]$/.test(plural.slice(0, -e.length)),
    ) ?? null
  );
}

/** An SI value in the unit that is shown. */
export const toShown = (value: number, quantity: Quantity, units: UnitSystem): number => {
  const q: Shown = QUANTITIES[quantity][units];
  return (value - (q.zero ?? 0)) / q.size;
};
/** A shown value in SI. */
export const fromShown = (value: number, quantity: Quantity, units: UnitSystem): number => {
  const q: Shown = QUANTITIES[quantity][units];
  return value * q.size + (q.zero ?? 0);
};
/** An SI value as it is shown: rounded to the digits that are said of it, and no finer. */
export const asShown = (value: number, quantity: Quantity, units: UnitSystem): number => {
  const ten = 10 ** QUANTITIES[quantity][units].digits;
  return fromShown(Math.round(toShown(value, quantity, units) * ten) / ten, quantity, units);
};
export const shownUnit = (quantity: Quantity, units: UnitSystem): string =>
  QUANTITIES[quantity][units].unit;

const trimmed = (n: number, digits: number): string => {
  // What is only lost on the way between units is none of the figure.
  const text = (n + Math.sign(n) * 1e-9).toFixed(digits);
  return (text.includes('.') ? text.replace(/\.?0+$/, '') : text).replace('-', '−');
};
/** A number as it is put into a field: enough digits to come back the same, no trailing zeros. */
export const fieldText = (n: number): string => String(Number(n.toPrecision(10)));

/** A quantity in words, in the site's units: lengths as they are read off a tape. */
export function quantityText(value: number, quantity: Quantity | null, units: UnitSystem): string {
  if (quantity === null) return trimmed(value, Math.abs(value) >= 100 ? 1 : 3);
  if (units === 'us' && quantity === 'Mm' && Math.abs(value) >= 1) return lengthText(value, units);
  if (units === 'us' && quantity === 'M')
    return Math.abs(value) >= 0.3 ? distanceText(value, units) : lengthText(value * 1000, units);
  const q: Shown = QUANTITIES[quantity][units];
  const number = trimmed(toShown(value, quantity, units), q.digits);
  return q.unit === '' ? number : `${number} ${q.unit}`;
}
