import { isClosed } from '#core/log';
import type { LoadState } from '#core/pourlog';
import { lengthText, textOf, loadVolume } from '#core/units';
import { LOAD_ADVICE, stageText } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';

/** Every load that came, and where it is; one that is empty is washed out by a press. */
export default function LoadRows() {
  const v = usePour();
  const closed = isClosed(v.state);
  return v.loads
    .filter((l) => l.arrivedAt !== null)
    .map((l) => (
      <div key={l.id} className="flex items-center gap-2" data-load={l.id} data-stage={l.stage}>
        <LoadRow load={l} />
        {!closed && l.ticket !== null && (l.stage === 'empty' || l.stage === 'back') && (
          <button
            type="button"
            className="chip"
            aria-label={`Load ${l.id.replace('L', '')} is washed out`}
            onClick={() => {
              void v.write('load-step', { loadId: l.id, step: 'washed' }).catch(() => undefined);
            }}
          >
            Washed out
          </button>
        )}
      </div>
    ));
}

function LoadRow({ load: l }: { load: LoadState }) {
  const v = usePour();
  const set = useSetFocus();
  const slump = l.slump ? `, slump ${lengthText(l.slump.measuredMm, v.units)}` : '';
  return (
    <button
      type="button"
      className="flex min-h-12 min-w-0 flex-1 items-center gap-3 py-1 text-left"
      onClick={() => {
        set({ sheet: `decide:${l.id}` });
      }}
    >
      <Mark verdict={LOAD_ADVICE[l.advice].tone} />
      <b>{l.id}</b>
      <span className="min-w-0 flex-1 truncate">
        <T>{`${stageText(l)}, ${textOf(loadVolume(l.volumeM3 ?? 0, v.units))}${l.ticket === null ? '' : `, ticket ${l.ticket}`}${slump}`}</T>
      </span>
      <span className="text-ink2">{l.ageMin === null ? '' : `${Math.round(l.ageMin)} min`}</span>
    </button>
  );
}
