import { useState } from 'react';
import { type Quantity, shownUnit, type UnitSystem } from '#core/units';
import { readQuantity, writeQuantity } from './quantity-text.ts';

interface Props {
  label: string;
  quantity: Quantity | null;
  units: UnitSystem;
  value: number | null;
  /** What is typed, in SI; null for nothing, and for what cannot be read, which is then told apart by the second. */
  onChange: (value: number | null, unreadable: boolean) => void;
  onBlur?: () => void;
  /** Said under the field: where the value comes from, or what is wrong with it. */
  note?: string | undefined;
  error?: string | undefined;
  clock?: boolean;
  autoFocus?: boolean;
  required?: boolean;
  /** What it is stands beside it already: the label is said, not drawn. */
  bare?: boolean;
}

/** The same figure, but for what is lost on the way from millimetres to metres and back. */
const same = (a: number | null, b: number | null): boolean =>
  Object.is(a, b) || (a !== null && b !== null && Math.abs(a - b) <= 1e-9 * Math.abs(b));

/** A number with its unit, kept in SI and shown in the site's own. */
export function QuantityField({
  label,
  quantity,
  units,
  value,
  onChange,
  onBlur,
  note,
  error,
  clock = false,
  autoFocus = false,
  required = true,
  bare = false,
}: Props) {
  const written = () => writeQuantity(value, quantity, units, clock);
  const [text, setText] = useState(written);
  /** What was typed last, and what stood here when the field was drawn last. */
  const [held, setHeld] = useState(value);
  const [stood, setStood] = useState(value);
  // A value that comes from elsewhere (a start again, the weather) takes the field over; one that is
  // what was typed, or that stays while something is being typed, does not.
  if (!Object.is(value, stood)) {
    setStood(value);
    if (!same(value, held)) {
      setHeld(value);
      setText(written());
    }
  }
  const got = readQuantity(text, quantity, units, clock);
  const bad = got !== null && Number.isNaN(got);
  const own = quantity === null ? '' : shownUnit(quantity, units);
  const unit = clock ? 'time' : own;
  const unread = clock ? 'Write it as 07:30.' : 'Not a number.';
  const said = bad ? unread : error;
  return (
    <label className="block">
      <span className={bare ? 'sr-only' : 'flex justify-between gap-2'}>
        <span className="line-clamp-2 first-letter:uppercase">{label}</span>
        <span className="shrink-0 text-ink2">{unit}</span>
      </span>
      <input
        autoFocus={autoFocus}
        className="field mt-0.5"
        inputMode={quantity === 'Mm' || quantity === 'M' || clock ? 'text' : 'decimal'}
        aria-invalid={said !== undefined}
        value={text}
        onBlur={() => {
          // Left without a figure it shows the one that rules still.
          if ((got === null || bad) && value !== null) {
            setHeld(value);
            setText(written());
          }
          onBlur?.();
        }}
        placeholder={required ? '' : 'not given'}
        onChange={(e) => {
          setText(e.target.value);
          const n = readQuantity(e.target.value, quantity, units, clock);
          const unreadable = n !== null && Number.isNaN(n);
          const good = unreadable ? null : n;
          setHeld(good);
          onChange(good, unreadable);
        }}
      />
      {said !== undefined && (
        <span className="block text-[14px] font-semibold leading-[18px] text-chalk-t" role="alert">
          {said}
        </span>
      )}
      {said === undefined && note && (
        <span className="block text-[14px] leading-[18px] text-ink2">{note}</span>
      )}
    </label>
  );
}
