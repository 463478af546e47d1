import type { OrderWay } from '#core/pourplan';
import { moneyText, volume } from '#core/units';
import { orderWayText } from '#core/words';
import { planningOf } from '#core/view';
import { orderOrigin } from '../../../app/origins.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';
import { OrderCurve } from '../../../drawing/OrderCurve.tsx';
import { useSize } from '../../../drawing/useSize.ts';
import { Mark } from '../../../ui/Mark.tsx';
import { FigureWithWorking } from '../../../ui/Working.tsx';
import { usePlanned } from '../planned.tsx';

/** A way to order: what it costs by itself, and what its waits do. */
function WayWords({ way: w }: { way: OrderWay }) {
  const v = usePour();
  const { currency } = v.record.site;
  return (
    <>
      <b className="w-40 shrink-0 font-semibold">
        {w.way === 'firm'
          ? `Firm ${volume(w.firstM3, v.units).value}`
          : `Call after ${volume(w.firstM3, v.units, 1).value}`}
      </b>
      <span className="tnum w-16 shrink-0">{moneyText(w.orderCost, currency)}</span>
      <span className="min-w-0 flex-1 leading-5">{orderWayText(w, currency)}</span>
      <Mark verdict={w.coldSeams > 0 ? 'out' : 'good'} />
    </>
  );
}

/**
 * What ordering too much or too little is likely to cost, and firm against calling the balance,
 * with what its wait does.
 */
export function OrderWays() {
  const v = usePour();
  const p = usePlanned();
  const set = useSetFocus();
  const [boxRef, box] = useSize();
  const { currency } = v.record.site;
  const order = v.plan.order.result;
  const ways = planningOf(v.record)?.ways ?? [];
  return (
    <section aria-label="Ways to order" className="flex flex-col gap-2">
      <div ref={boxRef}>
        <p className="text-[14px] leading-[18px] text-ink2">
          What ordering too much or too little is likely to cost. Press a quantity.
        </p>
        <OrderCurve
          width={box.width}
          height={130}
          units={v.units}
          all={order.curve}
          chosenM3={v.plan.orderedM3}
          bestM3={order.orderM3}
          meanM3={order.meanM3}
          currency={currency}
          call={
            order.callBalance && !v.plant.mixer
              ? { firstM3: order.callBalance.firstM3, cost: order.callBalance.cost }
              : null
          }
          onPick={(m3) => {
            void p.change({ orderM3: m3 });
          }}
        />
      </div>
      {ways.map((w) => {
        const words = <WayWords way={w} />;
        return w.way === 'firm' ? (
          <button
            key={w.way}
            type="button"
            data-way={w.way}
            className="flex min-h-12 items-center gap-3 bg-press-2 px-3 text-left text-press"
            onClick={() => {
              set({ sheet: 'order' });
            }}
          >
            {words}
          </button>
        ) : (
          <p
            key={w.way}
            data-way={w.way}
            className="flex min-h-12 items-center gap-3 border border-line px-3"
          >
            {words}
          </p>
        );
      })}
      {ways.length > 1 && (
        <p className="text-ink2">
          With standing and seams{' '}
          {ways.map((w) => (
            <span key={w.way}>
              {w.way === 'firm' ? 'firm ' : ', called '}
              <FigureWithWorking
                name={w.way === 'firm' ? 'the cost of firm' : 'the cost of calling the balance'}
                className="tnum font-semibold text-ink"
                {...orderOrigin(v)}
              >
                {moneyText(w.cost, currency)}
              </FigureWithWorking>
            </span>
          ))}
          .
        </p>
      )}
    </section>
  );
}
