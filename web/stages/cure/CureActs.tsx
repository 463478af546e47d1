import type { Curing } from '#core/cure';
import { usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';

/** What is done while it cures: the likeliest next stands dark. */
export function CureActs({ c }: { c: Curing }) {
  const v = usePour();
  const set = useSetFocus();
  const formsOn = c.stripped.length < v.record.pour.elements.length;
  // What is proved or found after it was closed is still entered; nothing else is.
  const open = [
    { sheet: 'probe', words: 'Read temperature', likely: !c.measured || c.strip === 'forecast' },
    { sheet: 'strip', words: 'Strip', likely: c.strip === 'may' && formsOn },
  ];
  const acts = [
    ...(v.closed ? [] : open),
    { sheet: 'defect', words: 'Defect', likely: false },
    { sheet: 'break', words: 'Strength test', likely: false },
  ];
  return (
    <div className="grid grid-cols-2 gap-2">
      {acts.map((a) => (
        <button
          key={a.sheet}
          type="button"
          className={`btn ${a.likely ? '' : 'line'}`}
          onClick={() => {
            set({ sheet: a.sheet });
          }}
        >
          {a.words}
        </button>
      ))}
    </div>
  );
}
