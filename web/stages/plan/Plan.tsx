import {
  clockText,
  moneyText,
  temperatureFigure,
  textOf,
  volume,
} from '../../../core/units/index.ts';
import type { PourSettings } from '../../../core/model/pour.ts';
import { HighLifts, LiftsSheet, LiftSteppers } from './Lifts.tsx';
import { SearchSheet } from './SearchSheet.tsx';
import { Stepper } from './Stepper.tsx';
import { useOdds } from './useOdds.ts';
import { usePour } from '../../app/pour-context.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { MarchChart } from '../../drawing/march/MarchChart.tsx';
import { OrderCurve } from '../../drawing/OrderCurve.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { Sheet } from '../../ui/Dialog.tsx';
import { Mark, MarkShape } from '../../ui/Mark.tsx';
import { Big } from '../../ui/Text.tsx';
import { Opens, Working } from '../../ui/Working.tsx';
import {
  oddsOrigin,
  orderOrigin,
  takeoffOrigin,
  timetableOrigin,
  trucksOrigin,
} from '../../app/origins.ts';
import { M3_PER_YD3 } from '../../../core/units/index.ts';

export function PlanGround() {
  const v = usePour();
  const [boxRef, box] = useSize();
  const sameDay = v.minuteOf(v.nowMs) > -60 && v.minuteOf(v.nowMs) < 1500;
  return (
    <div ref={boxRef} className="h-full">
      <MarchChart
        width={box.width}
        height={box.height}
        plan={v.plan}
        units={v.units}
        maxAgeMin={v.mix.maxAgeMin}
        nowMin={sameDay ? v.minuteOf(v.nowMs) : null}
        weather={v.weather.map((hour) => ({ min: v.minuteOf(Date.parse(hour.at)), hour }))}
      />
    </div>
  );
}

const ODDS = [
  ['coldSeam', 'a seam goes cold'],
  ['overAge', 'a load too old'],
  ['short', 'short at the end'],
  ['afterDusk', 'after dusk'],
] as const;
/** Chances are counted: of twenty mornings like this. */
const MORNINGS = 20;

export function PlanBench() {
  const v = usePour();
  const { sheet, set } = useFocus();
  const [boxRef, box] = useSize();
  const { plan } = v;
  const odds = useOdds();
  const s = v.record.pour.settings;
  const order = plan.order.result;
  const save = (change: Partial<PourSettings>) => {
    void v.saveSettings(change);
  };
  const rateStep = v.units === 'us' ? 2 * M3_PER_YD3 : 1;
  const firstLeg = plan.route.legs[0];
  const trucks = v.plant.trucksM3;
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-1">
        <Opens name="the order" {...orderOrigin(v)}>
          <Big figure={volume(plan.orderedM3, v.units)} size={52} />
        </Opens>
        <p className="pb-1 leading-5">
          {plan.trucks.result.loads.map((l) => volume(l.volumeM3, v.units, 1).value).join(', ')}
          <br />
          <span className="text-ink2">
            {s.orderM3 === null ? 'recommended, not ordered yet' : 'ordered'}
          </span>
        </p>
      </div>
      <dl className="rows border-y border-hair tnum">
        {(
          [
            ['neat', plan.route.volumeM3],
            [
              `waste, ${Math.round(s.wasteRatio * 1000) / 10} in 100`,
              plan.route.volumeM3 * s.wasteRatio,
            ],
            ['stays in hose and hopper', s.leftBehindM3],
            ['needed', order.meanM3],
          ] as const
        ).map(([label, m3]) => (
          <div
            key={label}
            className={`flex justify-between py-1.5 ${label === 'needed' ? 'font-semibold' : ''}`}
          >
            <dt>{label}</dt>
            <dd>
              <Opens name={label} {...(label === 'neat' ? takeoffOrigin(v) : orderOrigin(v))}>
                {textOf(volume(m3, v.units))}
              </Opens>
            </dd>
          </div>
        ))}
        <div className="flex justify-between py-1.5">
          <dt>loads</dt>
          <dd>
            <Opens name="the loads" {...trucksOrigin(v)}>
              {plan.loadIds.length}, {plan.trucks.result.spacingMin.toFixed(0)} min apart,{' '}
              {plan.trucks.result.trucks} truck{plan.trucks.result.trucks > 1 ? 's' : ''}
            </Opens>
          </dd>
        </div>
        <div className="flex justify-between py-1.5">
          <dt>first batched, last placed</dt>
          <dd>
            <Opens name="the timetable" {...timetableOrigin(v)}>
              {clockText(plan.trucks.result.loads[0]?.batchMin ?? 0)},{' '}
              {clockText(plan.timetable.finishMin)}
            </Opens>
          </dd>
        </div>
      </dl>
      {order.withoutLoadsM3 !== null && s.orderM3 === null && (
        <p className="flex gap-2" data-load-bites>
          <Mark verdict="tight" />
          <span>
            {textOf(volume(order.withoutLoadsM3, v.units))} would be the order if a truck cost
            nothing:{' '}
            {order.withoutLoadsM3 > order.orderM3
              ? 'another truck for the rest is dearer than the risk of running short.'
              : 'the truck comes anyway, and carries a little more.'}
          </span>
        </p>
      )}
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
            save({ orderM3: m3 });
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
            <Opens
              name="the cost of calling the balance"
              className="tnum font-semibold"
              {...orderOrigin(v)}
            >
              {moneyText(order.callBalance.cost, v.record.site.currency)}
            </Opens>
          </p>
        )}
      </div>
      <div className="flex items-center justify-between">
        <h2 className="head">Of {MORNINGS} mornings like this one</h2>
        {odds && (
          <span className="text-ink2">
            done{' '}
            <Opens name="the finish" {...oddsOrigin(v)}>
              {clockText(odds.finishMin.p50)}, or {clockText(odds.finishMin.p10)} to{' '}
              {clockText(odds.finishMin.p90)}
            </Opens>
          </span>
        )}
      </div>
      <div className="flex flex-col gap-1">
        {ODDS.map(([key, label]) => {
          const n = odds ? Math.round(odds[key] * MORNINGS) : null;
          return (
            <p key={key} className="flex items-center gap-2">
              <span className="w-36 shrink-0">{label}</span>
              <svg
                height="14"
                viewBox={`0 0 ${MORNINGS * 16} 14`}
                className="min-w-0 flex-1"
                preserveAspectRatio="xMinYMid meet"
                aria-hidden="true"
              >
                {Array.from({ length: MORNINGS }, (_, i) =>
                  n !== null && i < n ? (
                    <MarkShape key={i} verdict="out" x={i * 16} size={14} />
                  ) : (
                    <circle key={i} cx={i * 16 + 7} cy="7" r="2" fill="var(--line)" />
                  ),
                )}
              </svg>
              <b className="w-20 text-right tnum">
                {n === null ? (
                  'drawing'
                ) : (
                  <Opens name={label} {...oddsOrigin(v)}>
                    {n} in {MORNINGS}
                  </Opens>
                )}
              </b>
            </p>
          );
        })}
      </div>
      <HighLifts />
      {(odds?.overRating ?? 0) > 0.5 && (
        <p className="flex gap-2 font-semibold text-chalk-t">
          <Mark verdict="out" />
          Fresh head goes over the forms’ rating: more lifts, or slower.
        </p>
      )}
      <div className="grid grid-cols-1 gap-2 sm:grid-cols-2">
        <Stepper
          label="first load"
          value={clockText(s.firstLoadMin)}
          less={() => {
            save({ firstLoadMin: Math.max(0, s.firstLoadMin - 15) });
          }}
          more={() => {
            save({ firstLoadMin: Math.min(1425, s.firstLoadMin + 15) });
          }}
        />
        <Stepper
          label={v.units === 'us' ? 'yd³ an hour' : 'm³ an hour'}
          value={volume(s.placingRateM3PerH, v.units, 0).value}
          less={() => {
            save({ placingRateM3PerH: Math.max(rateStep, s.placingRateM3PerH - rateStep) });
          }}
          more={() => {
            save({ placingRateM3PerH: s.placingRateM3PerH + rateStep });
          }}
        />
        <LiftSteppers />
        <Stepper
          label="waste in 100"
          value={String(Math.round(s.wasteRatio * 100))}
          less={() => {
            save({ wasteRatio: Math.max(0, Math.round(s.wasteRatio * 100 - 1) / 100) });
          }}
          more={() => {
            save({ wasteRatio: Math.min(1, Math.round(s.wasteRatio * 100 + 1) / 100) });
          }}
        />
        <Stepper
          label="min between loads"
          value={String(Math.round(plan.trucks.result.spacingMin))}
          less={() => {
            save({ spacingMin: Math.max(1, Math.round(plan.trucks.result.spacingMin) - 1) });
          }}
          more={() => {
            save({ spacingMin: Math.min(240, Math.round(plan.trucks.result.spacingMin) + 1) });
          }}
        />
        <Stepper
          label={`concrete, ${temperatureFigure(0, v.units).unit}`}
          value={temperatureFigure(s.concreteTempC, v.units).value}
          less={() => {
            save({ concreteTempC: Math.max(0, s.concreteTempC - 1) });
          }}
          more={() => {
            save({ concreteTempC: Math.min(60, s.concreteTempC + 1) });
          }}
        />
        <Stepper
          label="start at"
          value={firstLeg ? `${firstLeg.startNode ?? firstLeg.elementId}` : ''}
          less={() => {
            save({
              startAt:
                (s.startAt + v.record.pour.elements.length - 1) % v.record.pour.elements.length,
            });
          }}
          more={() => {
            save({ startAt: (s.startAt + 1) % v.record.pour.elements.length });
          }}
        />
      </div>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn line"
          onClick={() => {
            set({ sheet: 'search' });
          }}
        >
          Best way round
        </button>
        <button
          type="button"
          className="chip"
          onClick={() => {
            set({ sheet: 'lifts' });
          }}
        >
          Lifts, run by run
        </button>
        {s.lifts !== null && (
          <button
            type="button"
            className="chip"
            onClick={() => {
              save({ lifts: null });
            }}
          >
            Lifts as the forms allow
          </button>
        )}
        {s.spacingMin !== null && (
          <button
            type="button"
            className="chip"
            onClick={() => {
              save({ spacingMin: null });
            }}
          >
            Loads as they are placed
          </button>
        )}
        <button
          type="button"
          className="chip"
          aria-pressed={s.reverse}
          onClick={() => {
            save({ reverse: !s.reverse });
          }}
        >
          Other way round
        </button>
        {(['full', 'even'] as const).map((k) => (
          <button
            key={k}
            type="button"
            className="chip"
            aria-pressed={s.split === k}
            onClick={() => {
              save({ split: k });
            }}
          >
            {k === 'full' ? 'Full loads' : 'Even loads'}
          </button>
        ))}
        {trucks.map((m3) => (
          <button
            key={m3}
            type="button"
            className="chip"
            aria-pressed={Math.abs(s.truckM3 - m3) < 1e-6}
            onClick={() => {
              save({ truckM3: m3 });
            }}
          >
            {textOf(volume(m3, v.units, v.units === 'us' ? 0 : 1))} trucks
          </button>
        ))}
      </div>
      <div className="flex gap-4">
        <Working {...orderOrigin(v)}>Order, worked out</Working>
        <Working {...trucksOrigin(v)}>Loads, worked out</Working>
        {s.orderM3 !== null && (
          <button
            type="button"
            className="min-h-12 font-semibold text-press"
            onClick={() => {
              save({ orderM3: null });
            }}
          >
            Back to what is recommended
          </button>
        )}
      </div>
      {sheet === 'search' && (
        <SearchSheet
          onClose={() => {
            set({ sheet: null });
          }}
        />
      )}
      {sheet === 'lifts' && (
        <LiftsSheet
          onClose={() => {
            set({ sheet: null });
          }}
        />
      )}
      {sheet === 'order' && (
        <Sheet
          open
          onClose={() => {
            set({ sheet: null });
          }}
          title="Order"
        >
          <p className="mb-3 text-[18px] leading-6">
            {textOf(volume(order.orderM3, v.units))} of {v.mix.label} from {v.plant.label}, first
            load {clockText(s.firstLoadMin)}. Likely cost of being wrong{' '}
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
              void v.saveSettings({ orderM3: order.orderM3 }).then(() => {
                set({ sheet: null });
              });
            }}
          >
            Settle on {textOf(volume(order.orderM3, v.units))}
          </button>
          <p className="mt-3 text-[14px] leading-[18px] text-ink2">
            Jactum writes the order down; ring the plant with it.
          </p>
        </Sheet>
      )}
    </div>
  );
}
