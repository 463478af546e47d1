import type { LoadState } from '#core/pourlog';
import { usePour } from '../../app/pour-context.tsx';
import type { PourView } from '../../app/pour-view.ts';
import { supplyWords } from '#core/words';
import { useSetFocus } from '../../app/useFocus.ts';
import { stampNow } from '../../sync/clock.ts';

/** What is logged on the day, a press each. `here`: the load at the chute; `next`: the one that is waited for. */
export function PourActs({
  here,
  next,
}: {
  here: LoadState | undefined;
  next: string | undefined;
}) {
  const v = usePour();
  const { progress } = v;
  const { mixer } = v.plant;
  const words = supplyWords(v.plant);
  const set = useSetFocus();
  return (
    <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
      <button
        type="button"
        className={`btn min-h-[60px] ${here || progress.finishedMs !== null ? 'line' : ''}`}
        onClick={() => {
          if (mixer) void batchMixed(v, next, mixer.batchM3);
          else set({ sheet: `load:${next ?? 'next'}` });
        }}
      >
        {words.isHere}
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
          if (mixer && here) void drumEmpty(v, here.id);
          else set({ sheet: `end:${here?.id ?? ''}` });
        }}
        disabled={!here}
      >
        {words.isEmpty}
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

/** A batch out of the drum: as much as it gives, mixed now, without a ticket. */
async function batchMixed(v: PourView, next: string | undefined, volumeM3: number) {
  const loadId = next ?? `L${v.loads.length + 1}`;
  const atMs = stampNow();
  const batchedAt = new Date(atMs).toISOString();
  await v.write('load-arrived', { loadId, volumeM3, batchedAt }, { atMs }).catch(() => undefined);
}

/** Nothing of a batch goes back: its drum is empty. */
async function drumEmpty(v: PourView, loadId: string) {
  await v.write('load-end', { loadId, returnedM3: 0 }).catch(() => undefined);
}
