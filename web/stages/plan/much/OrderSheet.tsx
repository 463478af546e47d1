import { useState } from 'react';
import useSWR from 'swr';
import { putOffOf } from '#core/check';
import { clockText, moneyText, textOf, timeOfDay, volume } from '#core/units';
import { MORNINGS } from '#core/words';
import type { DeliveriesAnswer, OrderAnswer } from '../../../../contract/planning.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';
import { getJson, sendJson } from '../../../sync/api.ts';
import { Sheet } from '../../../ui/Dialog.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { usePlanned } from '../planned.tsx';
import { FetchSheet } from './FetchSheet.tsx';
import { PlanPapers } from './PlanPapers.tsx';

type Act = 'order' | 'put-off' | 'cancel';
const STATE = { 'to batch': 'to batch', 'on the road': 'on the road', here: 'here' } as const;

/** Tells the plant, and hears what it says. */
function useOrder() {
  const v = usePour();
  const { change, plan, settings } = usePlanned();
  const path = `/api/pours/${v.record.id}/deliveries`;
  const { data, mutate } = useSWR<DeliveriesAnswer, Error>(path, getJson, {
    refreshInterval: 30_000,
  });
  const [said, setSaid] = useState<{ taken: boolean; text: string } | null>(null);
  const [busy, setBusy] = useState(false);
  /** What is ordered is what stands in the plan from now on. */
  const settle = async () => {
    if (settings.orderM3 === null) await change({ orderM3: plan.orderedM3 });
  };
  const tell = async (act: Act) => {
    setBusy(true);
    try {
      const answer = await sendJson<OrderAnswer>('POST', `/api/pours/${v.record.id}/order`, {
        volumeM3: plan.orderedM3,
        loads: plan.loadIds.length,
        act,
      });
      setSaid({ taken: answer.taken, text: answer.said });
      if (answer.taken && act === 'order') await settle();
      await mutate();
      await v.store.pull();
    } catch (e) {
      setSaid({ taken: false, text: e instanceof Error ? e.message : 'That did not work.' });
    } finally {
      setBusy(false);
    }
  };
  return { data, said, busy, tell, settle };
}

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

/** The order as the plant gets it, what it says, and where its loads are. */
function PlantSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { plan, settings } = usePlanned();
  const order = plan.order.result;
  const { data, said, busy, tell, settle } = useOrder();
  const ordered = data?.number != null;
  const off = putOffOf(v.record.pour, v.minuteOf(v.nowMs));
  const { currency, timeZone } = v.record.site;
  const time = (iso: string) => timeOfDay(Date.parse(iso), timeZone);
  return (
    <Sheet open onClose={onClose} title="Order">
      <p className="mb-3 text-[18px] leading-6">
        {textOf(volume(plan.orderedM3, v.units))} of {v.mix.label} from {v.plant.label}, first load{' '}
        {clockText(settings.firstLoadMin)}
        {v.plant.contact === undefined ? '' : ` (${v.plant.contact})`}. Likely cost of being wrong{' '}
        {moneyText(order.cost, currency)}; short about{' '}
        {Math.round(order.shortProbability * MORNINGS)} in {MORNINGS}.
      </p>
      <ol className="rows mb-4">
        {plan.trucks.result.loads.map((l, i) => {
          const d = data?.loads[i];
          return (
            <li key={i} className="flex justify-between gap-2 py-2 tnum">
              <b>{plan.loadIds[i]}</b>
              <span>{textOf(volume(l.volumeM3, v.units))}</span>
              <span>batch {clockText(l.batchMin)}</span>
              <span>
                {d ? `${STATE[d.state]}, ${time(d.dueAt)}` : `here ${clockText(l.arriveMin)}`}
              </span>
            </li>
          );
        })}
      </ol>
      {said && (
        <p
          className="mb-3 flex gap-2 text-[18px] leading-6"
          role="status"
          data-plant-said={said.taken}
        >
          <Mark verdict={said.taken ? 'good' : 'out'} />
          {said.text}
        </p>
      )}
      <UsualStock />
      {said?.taken === false && settings.orderM3 === null && (
        <button
          type="button"
          className="btn line mb-3 w-full"
          onClick={() => {
            void settle().then(onClose);
          }}
        >
          It was settled by telephone
        </button>
      )}
      {ordered && (
        <p className="mb-3 font-semibold">
          Ordered, {data.number}
          {data.source === 'simulated' ? '' : ', by telephone'}.
        </p>
      )}
      <button
        type="button"
        className="btn w-full"
        disabled={busy}
        onClick={() => void tell('order')}
      >
        {ordered ? 'Change the order' : 'Order'} {textOf(volume(plan.orderedM3, v.units))}
      </button>
      {ordered && (
        <div className="mt-3 flex flex-wrap items-center gap-2">
          {(['put-off', 'cancel'] as const).map((act) => (
            <button
              key={act}
              type="button"
              className="btn warn"
              disabled={busy}
              onClick={() => void tell(act)}
            >
              {act === 'put-off' ? 'Put it off' : 'Call it off'}
            </button>
          ))}
          <span className="text-ink2">costs {moneyText(off.costNow, currency)} by now</span>
        </div>
      )}
      <p className="mt-3 text-[14px] leading-[18px] text-ink2">
        {data?.source === 'none'
          ? 'No plant is connected: the order is written down here; ring the plant with it.'
          : 'The plant here is a stand-in; its answer and its loads go by the clock of the site.'}
      </p>
      <PlanPapers />
    </Sheet>
  );
}
