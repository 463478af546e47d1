import { useState } from 'react';
import { shownUnit, type Quantity, type UnitSystem } from '../../core/units/index.ts';
import { readQuantity, writeQuantity } from './quantity-text.ts';

interface Props {
  label: string;
  quantity: Quantity | null;
  units: UnitSystem;
  value: number | null;
  onChange: (value: number | null) => void;
  /** Said under the field: where the value comes from, or what is wrong with it. */
  note?: string | undefined;
  error?: string | undefined;
  clock?: boolean;
  autoFocus?: boolean;
  required?: boolean;
}

/** A number with its unit, kept in SI and shown in the site's own. */
export function QuantityField({
  label,
  quantity,
  units,
  value,
  onChange,
  note,
  error,
  clock = false,
  autoFocus = false,
  required = true,
}: Props) {
  const [text, setText] = useState(() => writeQuantity(value, quantity, units, clock));
  // What was last sent or shown: a value that comes from elsewhere (a start again, the weather) takes the field over.
  const [held, setHeld] = useState(value);
  if (value !== held) {
    setHeld(value);
    setText(writeQuantity(value, quantity, units, clock));
  }
  const got = readQuantity(text, quantity, units, clock);
  const bad = got !== null && Number.isNaN(got);
  const unit = clock ? 'time' : quantity === null ? '' : shownUnit(quantity, units);
  const said = bad ? (clock ? 'Write it as 07:30.' : 'Not a number.') : error;
  return (
    <label className="block">
      <span className="flex justify-between gap-2">
        <span className="line-clamp-2 first-letter:uppercase">{label}</span>
        <span className="shrink-0 text-ink2">{unit}</span>
      </span>
      <input
        autoFocus={autoFocus}
        className="field mt-0.5"
        inputMode={quantity === 'Mm' || quantity === 'M' || clock ? 'text' : 'decimal'}
        aria-invalid={said !== undefined}
        value={text}
        placeholder={required ? '' : 'not given'}
        onChange={(e) => {
          setText(e.target.value);
          const n = readQuantity(e.target.value, quantity, units, clock);
          const good = n !== null && Number.isNaN(n) ? null : n;
          setHeld(good);
          onChange(good);
        }}
      />
      {said !== undefined ? (
        <span className="block text-[14px] font-semibold leading-[18px] text-chalk-t" role="alert">
          {said}
        </span>
      ) : note ? (
        <span className="block text-[14px] leading-[18px] text-ink2">{note}</span>
      ) : null}
    </label>
  );
}
