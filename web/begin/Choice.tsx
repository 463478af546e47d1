/** One of a few, side by side, with what it is about before it. */
export function Choice<T extends string>({
  label,
  options,
  words,
  value,
  onPick,
}: {
  label: string;
  options: readonly T[];
  words: Record<T, string>;
  value: T;
  onPick: (value: T) => void;
}) {
  return (
    <div className="grid grid-cols-[84px_minmax(0,1fr)] items-center gap-3">
      <span>{label}</span>
      <div className="flex gap-2" role="group" aria-label={label}>
        {options.map((o) => (
          <button
            key={o}
            type="button"
            className="chip min-w-0 flex-1 justify-center whitespace-normal! leading-5"
            aria-pressed={o === value}
            onClick={() => {
              onPick(o);
            }}
          >
            {words[o]}
          </button>
        ))}
      </div>
    </div>
  );
}
