import { orderOrigin, trucksOrigin } from '../../app/origins.ts';
import { usePour } from '../../app/pour-context.tsx';
import { Working } from '../../ui/Working.tsx';
import { OrderFigures } from './much/OrderFigures.tsx';

/** The plan of a closed pour, as it was closed on: it is read, and nothing of it is offered for change. */
export default function ClosedPlan() {
  const v = usePour();
  return (
    <div className="flex flex-col gap-3">
      <p className="text-ink2">
        {v.record.pour.code} is closed. This is how it was planned; on Cure it can be opened again.
      </p>
      <OrderFigures />
      <div className="flex flex-wrap gap-x-4">
        <Working {...orderOrigin(v)}>Order, worked out</Working>
        <Working {...trucksOrigin(v)}>Loads, worked out</Working>
      </div>
    </div>
  );
}
