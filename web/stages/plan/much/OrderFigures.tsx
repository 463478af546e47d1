import type { StandingOrder } from '#core/pourlog';
import { clockText, counted, textOf, volume } from '#core/units';
import { apartText } from '#core/words';
import { orderOrigin, takeoffOrigin, timetableOrigin, trucksOrigin } from '../../../app/origins.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { Big } from '../../../ui/Text.tsx';
import { usePlanned } from '../planned.tsx';
import { FigureWithWorking } from '../../../ui/Working.tsx';

/** Whether what is wanted is on its way. */
function stands(order: StandingOrder, fetched: boolean, mixed: boolean): string {
  if (mixed) return fetched ? 'fetched' : 'to be fetched';
  if (order.ended !== null) return order.ended === 'put-off' ? 'put off' : 'called off';
  return order.state === 'none' ? 'not ordered' : 'ordered';
}

/** What is ordered, and what it is made up of: neat, waste, what stays behind; loads and when they come. */
export function OrderFigures() {
  const v = usePour();
  const { plan, settings: s } = usePlanned();
  const order = plan.order.result;
  const mixed = v.plant.mixer !== undefined;
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-1">
        <FigureWithWorking name="the order" {...orderOrigin(v)}>
          <Big figure={volume(plan.orderedM3, v.units)} size={52} />
        </FigureWithWorking>
        <p className="pb-1 leading-5">
          {mixed
            ? counted(plan.loadIds.length, 'batch', 'batches')
            : plan.trucks.result.loads.map((l) => volume(l.volumeM3, v.units).value).join(', ')}
          <br />
          <span
            className={v.order.state === 'none' ? 'font-semibold text-ochre-t' : 'text-ink2'}
            data-order-stands
          >
            {stands(v.order, s.orderM3 !== null, mixed)}
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
            ['stays in hose and hopper', mixed ? 0 : s.leftBehindM3],
            ['needed', order.meanM3],
          ] as const
        ).map(([label, m3]) => (
          <div
            key={label}
            className={`flex justify-between py-1.5 ${label === 'needed' ? 'font-semibold' : ''}`}
          >
            <dt>{label}</dt>
            <dd>
              <FigureWithWorking
                name={label}
                {...(label === 'neat' ? takeoffOrigin(v) : orderOrigin(v))}
              >
                {textOf(volume(m3, v.units))}
              </FigureWithWorking>
            </dd>
          </div>
        ))}
        <div className="flex justify-between py-1.5">
          <dt>{mixed ? 'batches' : 'loads'}</dt>
          <dd>
            <FigureWithWorking name="the loads" {...trucksOrigin(v)}>
              {plan.loadIds.length}
              {apartText(plan.loadIds.length, plan.trucks.result.spacingMin)}
              {mixed ? '' : `, ${counted(plan.trucks.result.trucks, 'truck')}`}
            </FigureWithWorking>
          </dd>
        </div>
        <div className="flex justify-between py-1.5">
          <dt>{mixed ? 'first mixed, last placed' : 'first batched, last placed'}</dt>
          <dd>
            <FigureWithWorking name="the timetable" {...timetableOrigin(v)}>
              {clockText(plan.trucks.result.loads[0]?.batchMin ?? 0)},{' '}
              {clockText(plan.timetable.finishMin)}
            </FigureWithWorking>
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
    </>
  );
}
