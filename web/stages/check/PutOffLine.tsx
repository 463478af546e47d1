import { scaleLinear } from 'd3';
import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';
import { putOffOf, type PutOffState } from '#core/check';
import { clockText, moneyText } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { useSize } from '../../drawing/useSize.ts';

/** Now, how long putting off is free, when the gate can be ready, and the first load: one line of time. */
export default function PutOffLine() {
  const v = usePour();
  const [boxRef, box] = useSize();
  // Whole minutes gone, as a clock shows them: the gate above says the same times.
  const now = Math.floor(v.minuteOf(v.nowMs));
  const first = v.record.pour.settings.firstLoadMin;
  const put = putOffOf(v.record.pour, now);
  const { currency } = v.record.site;
  const money = (amount: number) => moneyText(amount, currency);
  // Of no use before the day, nor once concrete flows.
  if (
    v.record.pour.date === null ||
    now > first ||
    now < first - 720 ||
    v.progress.startedMs !== null
  )
    return null;
  const ready = v.gate.minutes === null ? null : now + v.gate.minutes;
  const x = scaleLinear(
    [now, Math.max(first, ready ?? first) + 5],
    [6, Math.max(20, box.width - 10)],
  );
  const batch = v.plan.trucks.result.loads[0]?.batchMin;
  const free = put.freeUntilMin;
  const tick = (min: number, text: string, low: boolean, strong = false) => {
    const end = x(min) > box.width - 90;
    return (
      <g key={text}>
        <path
          d={`M${x(min)} ${low ? 33 : 21}V${low ? 42 : 33}`}
          stroke="var(--ink)"
          strokeWidth={strong ? 3 : 2}
        />
        <text
          x={x(min) + (end ? 4 : -4)}
          y={low ? 58 : 15}
          fontSize="14"
          textAnchor={end ? 'end' : 'start'}
          className={strong ? 'b' : 'q'}
        >
          {text}
        </text>
      </g>
    );
  };
  return (
    <div className="pt-2" data-put-off={put.costNow > 0 ? 'costs' : 'free'}>
      {free !== null && (
        <PutOffList put={put} currency={currency}>
          {now <= free ? (
            <>
              <b className="font-semibold">Put off free until {clockText(free)}</b>, costs{' '}
              {money(put.costLater)} after.
            </>
          ) : (
            <>
              <b className="font-semibold text-ochre-t">
                Putting off costs {money(put.costNow)} now
              </b>
              {put.costLater > put.costNow
                ? `, ${money(put.costLater)} in all from ${clockText(Math.max(...put.rows.map((r) => r.freeUntilMin)))}`
                : ''}
              .
            </>
          )}
        </PutOffList>
      )}
      <div ref={boxRef} className="h-[64px]">
        {box.width > 60 && (
          <svg
            width={box.width}
            height="64"
            role="img"
            aria-label={`Now ${clockText(now)}${free === null ? '' : `, put off free until ${clockText(free)}`}${ready === null ? '' : `, soonest ready ${clockText(ready)}`}, first load ${clockText(first)}`}
          >
            <path
              d={`M${x.range()[0] ?? 0} 33H${x.range()[1] ?? 0}`}
              stroke="var(--ink)"
              strokeWidth="1.5"
            />
            {free !== null && free > now && (
              <rect x={x(now)} y="28" width={x(free) - x(now)} height="10" fill="var(--good)" />
            )}
            {ready !== null && tick(ready, `ready ${clockText(ready)}`, false, true)}
            {batch !== undefined &&
              batch > now &&
              tick(batch, `plant batches ${clockText(batch)}`, true)}
            {tick(
              first,
              `load 1 ${clockText(first)}`,
              batch === undefined || x(first) - x(batch) > 150,
            )}
            <path d={`M${x(now)} 20V46`} stroke="var(--chalk)" strokeWidth="4" />
            <text x={x(now)} y="58" fontSize="14" className="b" style={{ fill: 'var(--chalk-t)' }}>
              now
            </text>
          </svg>
        )}
      </div>
    </div>
  );
}

/**
 * What was called for the pour, each with the moment it can be put off until and what it costs
 * after: behind the one line that says the soonest.
 */
function PutOffList({
  put,
  currency,
  children,
}: {
  put: PutOffState;
  currency: string | undefined;
  children: ReactNode;
}) {
  return (
    <Popover.Root>
      <Popover.Trigger className="opens leading-5">{children}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          collisionPadding={12}
          className="z-40 w-[min(380px,calc(100vw-24px))] bg-sheet p-4 shadow-[0_4px_24px_rgb(0_0_0/0.28)]"
          aria-label="What can be put off"
        >
          <ul className="rows">
            {put.rows.map((r) => (
              <li key={r.what} className="flex justify-between gap-4 py-2">
                <b className="font-semibold">{r.what}</b>
                <span className={r.free ? '' : 'font-semibold text-ochre-t'}>
                  {r.free
                    ? `free until ${clockText(r.freeUntilMin)}, then ${moneyText(r.cost, currency)}`
                    : `costs ${moneyText(r.cost, currency)} now`}
                </span>
              </li>
            ))}
          </ul>
          <p className="pt-2 text-[14px] leading-[18px] text-ink2">
            Costs as agreed with them{currency ? '' : '; in what money is said in Set out, Levels'}.
          </p>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
