import { useState } from 'react';
import { clockText, fieldText, fromShown, parseMeasure, quantityText, shownUnit, toShown, type Quantity, type UnitSystem } from '../../core/units/index.ts';

interface Props {
  label: string; quantity: Quantity | null; units: UnitSystem; value: number | null; onChange: (value: number | null) => void;
  /** Said under the field: where the value comes from, or what is wrong with it. */
  note?: string | undefined; error?: string | undefined; clock?: boolean; autoFocus?: boolean; required?: boolean;
}

/** Lengths are written as they are read off a tape; a bare number is in the unit that stands beside the field. */
function read(text: string, quantity: Quantity | null, units: UnitSystem, clock: boolean): number | null {
  const bare = text.trim().replace(',', '.').replace('−', '-');
  if (bare === '') return null;
  if (clock) {
    const m = /^(\d{1,2})[:.](\d{2})$/.exec(bare);
    return m ? Number(m[1]) * 60 + Number(m[2]) : Number.isFinite(Number(bare)) ? Number(bare) : NaN;
  }
  if (Number.isFinite(Number(bare))) return quantity === null ? Number(bare) : fromShown(Number(bare), quantity, units);
  if (quantity !== 'Mm' && quantity !== 'M') return NaN;
  const parsed = parseMeasure(text, units);
  return parsed.ok ? (quantity === 'M' ? parsed.mm / 1000 : parsed.mm) : NaN;
}

function write(value: number | null, quantity: Quantity | null, units: UnitSystem, clock: boolean): string {
  if (value === null) return '';
  if (clock) return clockText(value);
  if (quantity === null) return fieldText(value);
  // A length off a tape stands as it was read, when that says all of it.
  if (units === 'us' && (quantity === 'Mm' || quantity === 'M')) {
    const text = quantityText(value, quantity, units);
    const back = read(text, quantity, units, false);
    if (back !== null && Math.abs(back - value) < 1e-6 * Math.max(1, Math.abs(value))) return text;
  }
  const shown = toShown(value, quantity, units);
  return fieldText(Math.abs(shown) >= 1000 ? Math.round(shown * 10) / 10 : Number(shown.toPrecision(4)));
}

/** A number with its unit, kept in SI and shown in the site's own. */
export function QuantityField({ label, quantity, units, value, onChange, note, error, clock = false, autoFocus = false, required = true }: Props) {
  const [text, setText] = useState(() => write(value, quantity, units, clock));
  // What was last sent or shown: a value that comes from elsewhere (a start again, the weather) takes the field over.
  const [held, setHeld] = useState(value);
  if (value !== held) { setHeld(value); setText(write(value, quantity, units, clock)); }
  const got = read(text, quantity, units, clock);
  const bad = got !== null && Number.isNaN(got);
  const unit = clock ? 'time' : quantity === null ? '' : shownUnit(quantity, units);
  const said = bad ? (clock ? 'Write it as 07:30.' : 'Not a number.') : error;
  return (
    <label className="block">
      <span className="flex justify-between gap-2"><span className="truncate first-letter:uppercase">{label}</span><span className="shrink-0 text-ink2">{unit}</span></span>
      <input autoFocus={autoFocus} className="field mt-0.5" inputMode={quantity === 'Mm' || quantity === 'M' || clock ? 'text' : 'decimal'} aria-invalid={said !== undefined} value={text} placeholder={required ? '' : 'not given'}
        onChange={(e) => { setText(e.target.value); const n = read(e.target.value, quantity, units, clock); const good = n !== null && Number.isNaN(n) ? null : n; setHeld(good); onChange(good); }} />
      {said !== undefined ? <span className="block text-[14px] font-semibold leading-[18px] text-chalk-t" role="alert">{said}</span> : note ? <span className="block text-[14px] leading-[18px] text-ink2">{note}</span> : null}
    </label>
  );
}
