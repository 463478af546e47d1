import { useState } from 'react';

/** A plain number with its label; says so when what stands there is none. */
export function NumberField({
  label,
  value,
  onChange,
  autoFocus = false,
}: {
  label: string;
  value: number | null;
  onChange: (n: number | null) => void;
  autoFocus?: boolean;
}) {
  const [text, setText] = useState(value === null ? '' : String(value));
  const bad = text.trim() !== '' && !Number.isFinite(Number(text.replace(',', '.')));
  return (
    <label className="block">
      {label}
      <input
        autoFocus={autoFocus}
        className="field mt-1"
        inputMode="decimal"
        value={text}
        aria-invalid={bad}
        onChange={(e) => {
          setText(e.target.value);
          const n = Number(e.target.value.replace(',', '.'));
          onChange(e.target.value.trim() !== '' && Number.isFinite(n) ? n : null);
        }}
      />
      {bad && <span className="font-semibold text-chalk-t">Not a number.</span>}
    </label>
  );
}
