import { orderOrigin, trucksOrigin } from '../../app/origins.ts';
import { usePour } from '../../app/pour-context.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { Working } from '../../ui/Working.tsx';
import { HighLifts, LiftsSheet } from './Lifts.tsx';
import { Mornings } from './Mornings.tsx';
import { OrderCosts } from './OrderCosts.tsx';
import { OrderFigures } from './OrderFigures.tsx';
import { OrderSheet } from './OrderSheet.tsx';
import { PlanChoices } from './PlanChoices.tsx';
import { PlanSteppers } from './PlanSteppers.tsx';
import { SearchSheet } from './SearchSheet.tsx';

/** How much, how fast, in what order and when. */
export function PlanBench() {
  const v = usePour();
  const { sheet, set } = useFocus();
  const s = v.record.pour.settings;
  const close = () => {
    set({ sheet: null });
  };
  return (
    <div className="flex flex-col gap-3">
      <OrderFigures />
      <OrderCosts />
      <Mornings />
      <HighLifts />
      <PlanSteppers />
      <PlanChoices />
      <div className="flex gap-4">
        <Working {...orderOrigin(v)}>Order, worked out</Working>
        <Working {...trucksOrigin(v)}>Loads, worked out</Working>
        {s.orderM3 !== null && (
          <button
            type="button"
            className="min-h-12 font-semibold text-press"
            onClick={() => {
              void v.saveSettings({ orderM3: null });
            }}
          >
            Back to what is recommended
          </button>
        )}
      </div>
      {sheet === 'search' && <SearchSheet onClose={close} />}
      {sheet === 'lifts' && <LiftsSheet onClose={close} />}
      {sheet === 'order' && <OrderSheet onClose={close} />}
    </div>
  );
}
