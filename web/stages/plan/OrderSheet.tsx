import { clockText, moneyText, textOf, volume } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { Sheet } from '../../ui/Dialog.tsx';
import { MORNINGS } from './mornings.ts';

/** The order as it is read to the plant, and the press that settles on it. */
export function OrderSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { plan } = v;
  const order = plan.order.result;
  return (
    <Sheet open onClose={onClose} title="Order">
      <p className="mb-3 text-[18px] leading-6">
        {textOf(volume(order.orderM3, v.units))} of {v.mix.label} from {v.plant.label}, first load{' '}
        {clockText(v.record.pour.settings.firstLoadMin)}. Likely cost of being wrong{' '}
        {moneyText(order.cost, v.record.site.currency)}; short about{' '}
        {Math.round(order.shortProbability * MORNINGS)} in {MORNINGS}.
      </p>
      <ol className="rows mb-4">
        {plan.trucks.result.loads.map((l, i) => (
          <li key={i} className="flex justify-between py-2 tnum">
            <b>{plan.loadIds[i]}</b>
            <span>{textOf(volume(l.volumeM3, v.units))}</span>
            <span>batch {clockText(l.batchMin)}</span>
            <span>here {clockText(l.arriveMin)}</span>
          </li>
        ))}
      </ol>
      <button
        type="button"
        className="btn w-full"
        onClick={() => {
          void v.saveSettings({ orderM3: order.orderM3 }).then(onClose);
        }}
      >
        Settle on {textOf(volume(order.orderM3, v.units))}
      </button>
      <p className="mt-3 text-[14px] leading-[18px] text-ink2">
        Jactum writes the order down; ring the plant with it.
      </p>
    </Sheet>
  );
}
