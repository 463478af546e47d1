import {
  clockText,
  fieldText,
  fromShown,
  parseMeasure,
  type Quantity,
  quantityText,
  toShown,
  type UnitSystem,
} from '#core/units';

/**
 * What was typed, in SI: null for nothing, NaN for what cannot be read. Lengths are written as they
 * are read off a tape; a bare number is in the unit that stands beside the field.
 */
export function readQuantity(
  text: string,
  quantity: Quantity | null,
  units: UnitSystem,
  clock: boolean,
): number | null {
  const bare = text.trim().replace(',', '.').replace('−', '-');
  if (bare === '') return null;
  if (clock) {
    const m = /^(\d{1,2})[:.](\d{2})$/.exec(bare);
    if (m) return Number(m[1]) * 60 + Number(m[2]);
    return Number.isFinite(Number(bare)) ? Number(bare) : NaN;
  }
  if (Number.isFinite(Number(bare)))
    return quantity === null ? Number(bare) : fromShown(Number(bare), quantity, units);
  if (quantity !== 'Mm' && quantity !== 'M') return NaN;
  const parsed = parseMeasure(text, units);
  if (!parsed.ok) return NaN;
  return quantity === 'M' ? parsed.mm / 1000 : parsed.mm;
}

/** A value as it first stands in its field. */
export function writeQuantity(
  value: number | null,
  quantity: Quantity | null,
  units: UnitSystem,
  clock: boolean,
): string {
  if (value === null) return '';
  if (clock) return clockText(value);
  if (quantity === null) return fieldText(value);
  // A length off a tape stands as it was read, when that says all of it.
  if (units === 'us' && (quantity === 'Mm' || quantity === 'M')) {
    const text = quantityText(value, quantity, units);
    const back = readQuantity(text, quantity, units, false);
    if (back !== null && Math.abs(back - value) < 1e-6 * Math.max(1, Math.abs(value))) return text;
  }
  const shown = toShown(value, quantity, units);
  return fieldText(
    Math.abs(shown) >= 1000 ? Math.round(shown * 10) / 10 : Number(shown.toPrecision(4)),
  );
}
