import { Wrong } from './Wrong.tsx';

export function Choice({
  label,
  options,
  value,
  onPick,
  error,
  note,
}: {
  label: string;
  options: [string, unknown][];
  value: unknown;
  onPick: (to: unknown) => void;
  error: string | undefined;
  note: string | undefined;
}) {
  return (
    <div role="group" aria-label={label}>
      <span className="block first-letter:uppercase">{label}</span>
      <div className="mt-0.5 flex flex-wrap gap-2">
        {options.map(([text, to]) => (
          <button
            key={text}
            type="button"
            className="chip"
            aria-pressed={to === value}
            onClick={() => {
              onPick(to);
            }}
          >
            {text}
          </button>
        ))}
      </div>
      {error && <Wrong text={error} />}
      {!error && note && <span className="block text-[14px] leading-[18px] text-ink2">{note}</span>}
    </div>
  );
}
