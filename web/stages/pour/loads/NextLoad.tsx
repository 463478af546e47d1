import { dueOf, lateMin, momentText } from '#core/view';
import { clockText, textOf, loadVolume } from '#core/units';
import { onTheRoadText, supplyWords } from '#core/words';
import type { LoadState } from '#core/pourlog';
import { useSession } from '../../../app/session.tsx';
import { usePour } from '../../../app/pour-context.tsx';
import type { PourView } from '../../../app/pour-view.ts';
import { useDeliveries } from './useDeliveries.ts';

/** The load that comes next, while none is here: when it is due, and where the plant says it is. */
export default function NextLoad({ load }: { load: LoadState }) {
  const v = usePour();
  const { account } = useSession();
  const due = dueOf(v, load);
  const at = useDeliveries().loads.find((d) => d.id === load.id);
  if (!due) return null;
  const late = lateMin(v, load, v.nowMs);
  const planned = v.plant.mixer
    ? `mixed ${clockText(due.arriveMin)}`
    : `batched about ${clockText(due.batchMin)}, due ${clockText(due.arriveMin)}`;
  const where = at ? roadText(v, at) : planned;
  return (
    <div
      className="flex flex-wrap items-center gap-2 border-t border-hair pt-2"
      data-next-load={load.id}
    >
      <p className="min-w-0 flex-1">
        <b className="head text-[22px] leading-7">
          {supplyWords(v.plant).load} {load.id.replace('L', '')}
        </b>{' '}
        <span className="text-ink2">
          {textOf(loadVolume(due.volumeM3, v.units))}, {where}
          {at ? `, ordered for ${clockText(due.arriveMin)}` : ''}
        </span>
        {late > 0 && (
          <b className="block font-semibold text-chalk-t" data-late={Math.round(late)}>
            {Math.round(late)} min late.
            {!v.plant.mixer &&
              ` Ask ${v.plant.label}${v.plant.contact === undefined ? '' : `, ${v.plant.contact}`}.`}
          </b>
        )}
      </p>
      {account.role === 'foreman' && (
        <button
          type="button"
          className="chip"
          aria-label={`Load ${load.id.replace('L', '')} is cancelled`}
          onClick={() => {
            void v
              .write('load-verdict', {
                loadId: load.id,
                decision: 'reject',
                reason: 'Cancelled',
              })
              .catch(() => undefined);
          }}
        >
          Cancelled
        </button>
      )}
    </div>
  );
}

/** Where the plant says it is. */
const roadText = (v: PourView, at: { batchedAt: string | null; dueAt: string }): string =>
  onTheRoadText(
    {
      batchedMs: at.batchedAt === null ? null : Date.parse(at.batchedAt),
      dueMs: Date.parse(at.dueAt),
    },
    (ms) => momentText(v, ms),
  );
