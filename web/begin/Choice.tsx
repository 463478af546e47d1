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
    <div>
      <span className="mb-1 block leading-5">{label}</span>
      <div className="flex gap-1.5" role="group" aria-label={label}>
        {options.map((o) => (
          <button
            key={o}
            type="button"
            className="chip min-w-0 flex-1 justify-center whitespace-normal! px-1! text-center leading-4"
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
