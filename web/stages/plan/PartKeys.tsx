import { Redo2, Undo2 } from 'lucide-react';
import { useFocus } from '../../app/useFocus.ts';
import { PARTS, partOf } from './parts.ts';
import { usePlanned } from './planned.tsx';

/** The parts of the station as keys along the ground, and what takes a change back. */
export function PartKeys() {
  const { tab, set } = useFocus();
  const { undo, redo, canUndo, canRedo } = usePlanned();
  const open = partOf(tab);
  return (
    <div className="no-print flex items-stretch gap-2 overflow-x-auto py-2 max-sm:pt-0 sm:px-4">
      <div className="flex gap-2" role="group" aria-label="Parts of the plan">
        {PARTS.map(([id, name]) => (
          <button
            key={id}
            type="button"
            className="chip whitespace-nowrap max-sm:px-2.5"
            aria-pressed={id === open}
            onClick={() => {
              set({ tab: id, sheet: null });
            }}
          >
            {name}
          </button>
        ))}
      </div>
      <span className="flex-1" />
      <button
        type="button"
        className="key w-12 shrink-0"
        aria-label="Take back"
        disabled={!canUndo}
        onClick={undo}
      >
        <Undo2 size={20} />
      </button>
      <button
        type="button"
        className="key w-12 shrink-0"
        aria-label="Again"
        disabled={!canRedo}
        onClick={redo}
      >
        <Redo2 size={20} />
      </button>
    </div>
  );
}
