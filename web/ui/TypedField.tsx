import { useState } from 'react';
import { meet, type Met, type RangeName } from '#core/model';
import { type Quantity, shownUnit, type UnitSystem } from '#core/units';
import { readQuantity, writeQuantity } from './quantity-text.ts';

interface Props {
  label: string;
  quantity: Quantity;
  units: UnitSystem;
  value: number | null;
  onCommit: (value: number) => boolean | void;
  disabled?: boolean;
  /** What it measures: outside its range it is refused, beyond what is usual it is asked about once more. */
  range?: RangeName;
}

/** A figure that is changed by typing another and pressing Enter (or leaving the field); Escape goes back. */
export function TypedField({
  label,
  quantity,
  units,
  value,
  onCommit,
  disabled = false,
  range,
}: Props) {
  const [complaint, setComplaint] = useState<string | null>(null);
  const [asked, setAsked] = useState<string | null>(null);
  const shown = writeQuantity(value, quantity, units, false);
  const [text, setText] = useState(shown);
  const [held, setHeld] = useState(shown);
  if (shown !== held) {
    setHeld(shown);
    setText(shown);
  }
  const got = readQuantity(text, quantity, units, false);
  const bad = text.trim() !== '' && (got === null || Number.isNaN(got));
  const commit = () => {
    if (text === shown) return;
    if (got === null || Number.isNaN(got)) {
      if (text.trim() === '') setText(shown);
      return;
    }
    if (value !== null && Math.abs(got - value) < 1e-9) {
      setText(shown);
      return;
    }
    const met: Met = range ? meet(range, got, units) : { take: true };
    if ('refuse' in met) {
      setComplaint(met.refuse);
      return;
    }
    if ('ask' in met && asked !== text) {
      setComplaint(met.ask);
      setAsked(text);
      return;
    }
    setComplaint(null);
    setAsked(null);
    if (onCommit(got) === false) setText(shown);
  };
  return (
    <label className="block">
      <span className="flex justify-between gap-2">
        <span>{label}</span>
        <span className="text-ink2">{shownUnit(quantity, units)}</span>
      </span>
      <input
        className="field mt-0.5"
        disabled={disabled}
        value={text}
        aria-invalid={bad}
        onChange={(e) => {
          setText(e.target.value);
          setComplaint(null);
        }}
        onBlur={() => {
          // Leaving the field is no answer to a question.
          if (asked !== text) commit();
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.preventDefault();
            commit();
          } else if (e.key === 'Escape') {
            e.stopPropagation();
            setText(shown);
            setComplaint(null);
          }
        }}
      />
      {!bad && complaint && (
        <span role="alert" className="block text-[14px] font-semibold leading-[18px] text-chalk-t">
          {complaint}
        </span>
      )}
      {bad && (
        <span role="alert" className="block text-[14px] font-semibold leading-[18px] text-chalk-t">
          {units === 'us'
            ? "Write it as 24.5, 24' 6 or 24 ft 6 in."
            : 'Write it as 7.45 or 745 cm.'}
        </span>
      )}
    </label>
  );
}
