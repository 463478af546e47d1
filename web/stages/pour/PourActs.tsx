import type { LoadState } from '#core/pourlog';
import { usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';

/** What is logged on the day, a press each. `here`: the load at the chute; `next`: the one that is waited for. */
export function PourActs({
  here,
  next,
}: {
  here: LoadState | undefined;
  next: string | undefined;
}) {
  const { progress } = usePour();
  const set = useSetFocus();
  return (
    <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
      <button
        type="button"
        className={`btn min-h-[60px] ${here || progress.finishedMs !== null ? 'line' : ''}`}
        onClick={() => {
          set({ sheet: `load:${next ?? 'next'}` });
        }}
      >
        Load is here
      </button>
      <button
        type="button"
        className={`btn min-h-[60px] ${here?.advice === 'slump' ? '' : 'line'}`}
        onClick={() => {
          set({ sheet: 'slump:here' });
        }}
        disabled={!here}
      >
        Slump
      </button>
      {progress.current ? (
        <button
          type="button"
          className="btn min-h-[60px]"
          onClick={() => {
            set({ sheet: 'stop' });
          }}
        >
          Stop placing
        </button>
      ) : (
        <button
          type="button"
          className={`btn min-h-[60px] ${here?.advice === 'accept' ? '' : 'line'}`}
          onClick={() => {
            set({ sheet: 'start' });
          }}
          disabled={progress.toFillM3 < 1e-6}
        >
          Start placing
        </button>
      )}
      <button
        type="button"
        className="btn line min-h-[60px]"
        onClick={() => {
          set({ sheet: `end:${here?.id ?? ''}` });
        }}
        disabled={!here}
      >
        Truck is empty
      </button>
      <button
        type="button"
        className="btn line min-h-[60px]"
        onClick={() => {
          set({ sheet: 'weather' });
        }}
      >
        Weather
      </button>
      <button
        type="button"
        className="btn line min-h-[60px]"
        onClick={() => {
          set({ sheet: 'note' });
        }}
      >
        Note
      </button>
      <button
        type="button"
        className="btn line min-h-[60px]"
        onClick={() => {
          set({ sheet: 'hands' });
        }}
      >
        Who is here
      </button>
      <button
        type="button"
        className="btn warn min-h-[60px]"
        onClick={() => {
          set({ sheet: 'trouble' });
        }}
      >
        Trouble
      </button>
      <button
        type="button"
        className="btn warn min-h-[60px]"
        onClick={() => {
          set({ sheet: 'hurt' });
        }}
      >
        Hurt
      </button>
    </div>
  );
}
