import { lazily } from '../../../ui/lazily.tsx';
import { orderOrigin, trucksOrigin } from '../../../app/origins.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';
import { Working } from '../../../ui/Working.tsx';
import { HighLifts } from '../way/Lifts.tsx';
import { usePlanned } from '../planned.tsx';
import { Amounts } from './Amounts.tsx';
import { Mornings } from './Mornings.tsx';
import { OrderFigures } from './OrderFigures.tsx';
import { OrderWays } from './OrderWays.tsx';
import { Supply } from './Supply.tsx';

const AskPrices = lazily(() => import('../../../resources/AskPrices.tsx'));
const LeftOver = lazily(() => import('./LeftOver.tsx'));
const WhatIfs = lazily(() => import('./WhatIfs.tsx'));
const Learned = lazily(() => import('./Learned.tsx'));

/** How much: the order and what it is made of, the ways to order it, and how it goes. */
export function MuchBench() {
  const v = usePour();
  const set = useSetFocus();
  const { settings, change } = usePlanned();
  return (
    <div className="flex flex-col gap-3">
      <Supply />
      <OrderFigures />
      <AskPrices />
      <OrderWays />
      <Mornings />
      <HighLifts />
      <WhatIfs />
      <Amounts />
      <Learned />
      <LeftOver />
      <div className="flex flex-wrap gap-x-4">
        <Working {...orderOrigin(v)}>Order, worked out</Working>
        <Working {...trucksOrigin(v)}>Loads, worked out</Working>
        <button
          type="button"
          className="min-h-12 font-semibold text-press"
          onClick={() => {
            set({ sheet: 'prices' });
          }}
        >
          Prices of this site
        </button>
        {settings.orderM3 !== null && (
          <button
            type="button"
            className="min-h-12 font-semibold text-press"
            onClick={() => {
              void change({ orderM3: null });
            }}
          >
            Back to what is recommended
          </button>
        )}
      </div>
    </div>
  );
}
