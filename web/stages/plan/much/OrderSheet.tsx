import { useState } from 'react';
import { putOffOf } from '#core/check';
import { clockText, moneyText, textOf, timeOfDay, volume } from '#core/units';
import { dayText, momentText } from '#core/view';
import { apartOrderText, holdText, MORNINGS } from '#core/words';
import type { DeliveriesAnswer } from '../../../../contract/planning.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';
import { Sheet } from '../../../ui/Dialog.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { PlantAnswer } from '../../../ui/PlantAnswer.tsx';
import { T } from '../../../ui/Text.tsx';
import { usePlanned } from '../planned.tsx';
import { FetchSheet } from './FetchSheet.tsx';
import { PlanPapers } from './PlanPapers.tsx';
import { type Telling, useOrder } from './useOrder.ts';

const STATE = { 'to batch': 'to batch', 'on the road': 'on the road', here: 'here' } as const;

/** What is ordered from the plant; or what is fetched, where it is mixed on the site. */
export default function OrderSheet({ onClose }: { onClose: () => void }) {
  const { plant } = usePour();
  return plant.mixer ? <FetchSheet onClose={onClose} /> : <PlantSheet onClose={onClose} />;
}

/** A mix or a plant that nobody has said yet: nothing is ordered of what is only usual without knowing it. */
function UsualStock() {
  const v = usePour();
  const set = useSetFocus();
  const rows = [
    { sheet: 'mixes', usual: v.mix.usual, text: `${v.mix.label} is a usual mix` },
    { sheet: 'plants', usual: v.plant.usual, text: `${v.plant.label} is a usual plant` },
  ].filter((r) => r.usual);
  return rows.map((r) => (
    <p key={r.sheet} className="mb-3 flex items-center justify-between gap-3 text-ochre-t">
      <span>
        <b className="font-semibold">{r.text}</b>, nobody has said yours.
      </span>
      <button
        type="button"
        className="chip"
        onClick={() => {
          set({ sheet: r.sheet });
        }}
      >
        Say it
      </button>
    </p>
  ));
}

/** What stands against ordering it so: asked before it goes to the plant. */
function Against() {
  const v = usePour();
  const rows = v.gate.rows.filter((r) => r.kind === 'pressure' || r.kind === 'reach');
  return rows.map((r) => (
    <p
      key={r.kind + r.ref}
      className="mb-3 flex gap-2 font-semibold text-chalk-t"
      data-against={r.kind}
    >
      <Mark verdict="out" />
      <span>
        <T>{holdText(v, r)}</T>
      </span>
    </p>
  ));
}

/** Each load as it was ordered or is planned, and where the plant says it is. */
function OrderLoads({ data }: { data: DeliveriesAnswer | undefined }) {
  const v = usePour();
  const { plan } = usePlanned();
  const { timeZone } = v.record.site;
  const time = (ms: number) => timeOfDay(ms, timeZone);
  const ordered = v.order.state !== 'none';
  const loads = ordered
    ? v.order.loads.map((l) => ({ ...l, batch: time(Date.parse(l.batchAt)), here: '' }))
    : plan.plannedLoads.map((l, i) => {
        const at = plan.trucks.result.loads[i];
        return {
          ...l,
          batch: clockText(at?.batchMin ?? 0),
          here: `here ${clockText(at?.arriveMin ?? 0)}`,
        };
      });
  return (
    <ol className="rows mb-4" aria-label={ordered ? 'Ordered' : 'Planned, not ordered'}>
      {loads.map((l) => {
        const d = data?.loads.find((x) => x.id === l.id);
        return (
          <li key={l.id} className="flex justify-between gap-2 py-2 tnum">
            <b>{l.id}</b>
            <span>{textOf(volume(l.volumeM3, v.units))}</span>
            <span>batch {l.batch}</span>
            <span>{d ? `${STATE[d.state]}, ${time(Date.parse(d.dueAt))}` : l.here}</span>
          </li>
        );
      })}
    </ol>
  );
}

/** Putting off to another day or to none yet, and calling off, with what that costs by now. */
function CallOff({ busy, tell }: { busy: boolean; tell: (t: Telling) => Promise<void> }) {
  const v = usePour();
  const [until, setUntil] = useState('');
  const off = putOffOf(v.record.pour, v.minuteOf(v.nowMs));
  const { currency } = v.record.site;
  return (
    <div className="mt-3 flex flex-wrap items-end gap-2">
      <label className="text-ink2">
        Another day, if known
        <input
          type="date"
          className="field mt-1"
          value={until}
          onChange={(e) => {
            setUntil(e.target.value);
          }}
        />
      </label>
      <button
        type="button"
        className="btn warn"
        disabled={busy}
        onClick={() => void tell({ act: 'put-off', until: until === '' ? null : until })}
      >
        Put it off
      </button>
      <button
        type="button"
        className="btn warn"
        disabled={busy}
        onClick={() => void tell({ act: 'cancel' })}
      >
        Call it off
      </button>
      <span className="pb-3 text-ink2">costs {moneyText(off.costNow, currency)} by now</span>
    </div>
  );
}

/** How the order stands, in one line; and what of it the plan no longer wants so. */
function OrderStands({ source }: { source: DeliveriesAnswer['source'] | undefined }) {
  const v = usePour();
  const { order, orderApart } = v;
  const ordered = textOf(volume(order.orderedM3 ?? 0, v.units));
  const ended = order.ended === 'put-off' ? 'Put off' : 'Called off';
  const how = order.number ?? 'by telephone';
  const none = order.ended === null ? 'Not ordered' : ended;
  return (
    <>
      <p className="mb-3 font-semibold" data-order={order.state}>
        {order.state === 'none'
          ? `${none}. Nothing is coming.`
          : `Ordered: ${ordered}, ${how}${source === 'none' ? ', no plant connected' : ''}.`}
      </p>
      {orderApart && (
        <p className="mb-3 flex gap-2 font-semibold text-ochre-t" data-order-apart>
          <Mark verdict="tight" />
          <span>
            <T>{apartOrderText(orderApart, v.units, (ms) => momentText(v, ms), dayText)}</T>
          </span>
        </p>
      )}
    </>
  );
}

/** The order as the plant gets it, what it says, and where its loads are. */
function PlantSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { plan, settings } = usePlanned();
  const result = plan.order.result;
  const { data, said, busy, tell } = useOrder();
  const ordered = v.order.state !== 'none';
  const { currency } = v.record.site;
  const held = v.gate.rows.some((r) => r.kind === 'pressure' || r.kind === 'reach');
  const act = ordered ? 'Change the order' : 'Order';
  return (
    <Sheet open onClose={onClose} title="Order">
      <OrderStands source={data?.source} />
      <p className="mb-3 text-[18px] leading-6">
        {textOf(volume(plan.orderedM3, v.units))} of {v.mix.label} from {v.plant.label}, first load{' '}
        {clockText(settings.firstLoadMin)}
        {v.plant.contact === undefined ? '' : ` (${v.plant.contact})`}. Likely cost of being wrong{' '}
        {moneyText(result.cost, currency)}; short about {Math.round(plan.shortShare * MORNINGS)} in{' '}
        {MORNINGS}.
      </p>
      <OrderLoads data={data} />
      <PlantAnswer said={said} className="mb-3 text-[18px] leading-6" />
      <UsualStock />
      <Against />
      {said?.taken === false && !ordered && (
        <button
          type="button"
          className="btn line mb-3 w-full"
          disabled={busy}
          onClick={() => void tell({ act: 'order', byTelephone: true }).then(onClose)}
        >
          It was settled by telephone
        </button>
      )}
      <button
        type="button"
        className={`btn w-full ${held ? 'warn' : ''}`}
        disabled={busy}
        onClick={() => void tell({ act: 'order' })}
      >
        {act} {textOf(volume(plan.orderedM3, v.units))}
        {held ? ' all the same' : ''}
      </button>
      {ordered && <CallOff busy={busy} tell={tell} />}
      <p className="mt-3 text-[14px] leading-[18px] text-ink2">
        {data?.source === 'none'
          ? 'No plant is connected: the order is written down here; ring the plant with it.'
          : 'The plant here is a stand-in; its answer and its loads go by the clock of the site.'}
      </p>
      <PlanPapers />
    </Sheet>
  );
}
