import { Wrong } from './Wrong.tsx';
import { Plus, X } from 'lucide-react';
import type { InputIssue } from '#core/kit';
import type { FieldInfo } from '#core/register';
import { shownUnit, type UnitSystem } from '#core/units';
import { QuantityField } from '../../ui/QuantityField.tsx';

interface NumbersProps {
  f: FieldInfo;
  label: string;
  value: number[];
  onChange: (to: number[]) => void;
  units: UnitSystem;
  issues: InputIssue[];
  at: string;
  error: string | undefined;
}

/** A list of readings, one small field each, with one more at the end. */
export function Numbers({ f, label, value, onChange, units, issues, at, error }: NumbersProps) {
  return (
    <div role="group" aria-label={label}>
      <span className="flex justify-between">
        <span className="first-letter:uppercase">{label}</span>
        <span className="text-ink2">{f.quantity ? shownUnit(f.quantity, units) : ''}</span>
      </span>
      <div className="grid grid-cols-4 items-end gap-2">
        {value.map((n, i) => (
          <div key={`${i}/${value.length}`} className="relative">
            <QuantityField
              label={String(i + 1)}
              quantity={f.quantity}
              units={units}
              value={n}
              onChange={(to) => {
                if (to !== null) onChange(value.map((x, k) => (k === i ? to : x)));
              }}
              error={issues.find((x) => x.path === `${at}.${i}`)?.message}
            />
            {value.length > 1 && (
              <button
                type="button"
                className="absolute right-0 top-0 flex h-6 w-8 items-center justify-center bg-sheet text-press"
                aria-label={`Take out ${label} ${i + 1}`}
                onClick={() => {
                  onChange(value.filter((_, k) => k !== i));
                }}
              >
                <X size={16} />
              </button>
            )}
          </div>
        ))}
        <button
          type="button"
          className="key fn"
          aria-label={`One more: ${label}`}
          onClick={() => {
            onChange([...value, value.at(-1) ?? 0]);
          }}
        >
          <Plus size={20} />
        </button>
      </div>
      {error && <Wrong text={error} />}
    </div>
  );
}

/** A list of names, parted by commas. */
export function Texts({
  label,
  value,
  onChange,
  error,
}: {
  label: string;
  value: string[];
  onChange: (to: string[]) => void;
  error: string | undefined;
}) {
  return (
    <label className="block">
      <span className="first-letter:uppercase">{label}</span>
      <input
        className="field mt-0.5"
        defaultValue={value.join(', ')}
        onBlur={(e) => {
          onChange(
            e.target.value
              .split(',')
              .map((s) => s.trim())
              .filter(Boolean),
          );
        }}
      />
      {error && <Wrong text={error} />}
    </label>
  );
}
