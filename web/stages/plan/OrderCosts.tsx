import { moneyText, volume } from '#core/units';
import { orderOrigin } from '../../app/origins.ts';
import { usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';
import { OrderCurve } from '../../drawing/OrderCurve.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { FigureWithWorking } from '../../ui/Working.tsx';

/** What ordering too much or too little is likely to cost, and the two ways to order: firm, or with a balance that is called. */
export function OrderCosts() {
  const v = usePour();
  const set = useSetFocus();
  const [boxRef, box] = useSize();
  const { plan } = v;
  const order = plan.order.result;
  return (
    <>
      <div ref={boxRef}>
        <p className="text-[14px] leading-[18px] text-ink2">
          What ordering too much or too little is likely to cost. Press a quantity.
        </p>
        <OrderCurve
          width={box.width}
          height={150}
          units={v.units}
          all={order.curve}
          chosenM3={plan.orderedM3}
          bestM3={order.orderM3}
          meanM3={order.meanM3}
          currency={v.record.site.currency}
          call={
            order.callBalance
              ? { firstM3: order.callBalance.firstM3, cost: order.callBalance.cost }
              : null
          }
          onPick={(m3) => {
            void v.saveSettings({ orderM3: m3 });
          }}
        />
      </div>
      <div className="grid grid-cols-2 gap-2">
        <button
          type="button"
          className={`btn justify-between! ${order.cheaper === 'firm' ? '' : 'line'}`}
          onClick={() => {
            set({ sheet: 'order' });
          }}
        >
          <span>Firm {volume(order.orderM3, v.units).value}</span>
          <span className="tnum">{moneyText(order.cost, v.record.site.currency)}</span>
        </button>
        {order.callBalance && (
          <p className="flex items-center justify-between border border-line px-3">
            <span>
              Call the balance after {volume(order.callBalance.firstM3, v.units, 1).value}
            </span>
            <FigureWithWorking
              name="the cost of calling the balance"
              className="tnum font-semibold"
              {...orderOrigin(v)}
            >
              {moneyText(order.callBalance.cost, v.record.site.currency)}
            </FigureWithWorking>
          </p>
        )}
      </div>
    </>
  );
}
