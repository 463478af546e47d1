import type { ReactNode } from 'react';

/** Some of a few, each a press, with what they are about before them. */
export function ChipRow({
  label,
  options,
  on,
  onPress,
  children,
}: {
  label: string;
  options: readonly { id: string; text: string }[];
  on: (id: string) => boolean;
  onPress: (id: string) => void;
  children?: ReactNode;
}) {
  return (
    <div>
      <span className="mb-1 block">{label}</span>
      <div className="flex flex-wrap gap-2" role="group" aria-label={label}>
        {options.map((o) => (
          <button
            key={o.id}
            type="button"
            className="chip"
            aria-pressed={on(o.id)}
            onClick={() => {
              onPress(o.id);
            }}
          >
            {o.text}
          </button>
        ))}
        {children}
      </div>
    </div>
  );
}
