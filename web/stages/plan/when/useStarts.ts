import { useMemo } from 'react';
import { bestStarts, lastStartsOf, type Start, startsOf } from '#core/pourplan';
import { clockText } from '#core/units';
import { conveyanceOf, noticeOf } from '#core/view';
import { dateName } from './dates.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { usePlanned } from '../planned.tsx';
import { type Day, useForecast } from './useForecast.ts';

const STEP = 15;

/** Every quarter hour of five days as a start of this pour, the one that is planned, and the best of them. */
export function useStarts() {
  const v = usePour();
  const { record, plan, settings } = usePlanned();
  const forecast = useForecast();
  const { days, hours } = forecast;
  const ask = useMemo(
    () => ({
      plan,
      pour: record.pour,
      plant: v.plant,
      conveyance: conveyanceOf(record),
      rules: v.rules,
      hours,
      days: days.map((d) => ({ sunriseMin: d.sunriseMin, duskMin: d.duskMin })),
      fromMin: 0,
      toMin: days.length * 1440 - STEP,
    }),
    [plan, record, v.plant, v.rules, hours, days],
  );
  const nowMin = (v.nowMs - forecast.firstMs) / 60_000;
  const notice = v.order.state === 'none' ? noticeOf(v.plant) : 0;
  const lead = v.plant.travel.medianMin + v.plant.plantDelay.medianMin + notice;
  const working = useMemo(() => (hours.length ? startsOf(ask) : null), [ask, hours]);
  const ahead = useMemo(
    () => working?.result.starts.filter((s) => s.startMin - lead >= nowMin) ?? [],
    [working, nowMin, lead],
  );
  const own = days.find((d) => d.date === record.pour.date);
  const startMin = own ? own.fromMin + settings.firstLoadMin : null;
  const chosen = useMemo((): Start | null => {
    if (startMin === null || hours.length === 0) return null;
    const one = startsOf({ ...ask, fromMin: startMin, toMin: startMin });
    return one.result.starts[0] ?? null;
  }, [ask, startMin, hours]);
  return {
    ...forecast,
    starts: working?.result.starts ?? [],
    origin: working && { id: 'start-window', input: working.input },
    chosen,
    best: bestStarts(ahead, 3),
    // Until the weather has come nobody knows how long there is.
    last: startMin === null || forecast.source === null ? [] : lastStartsOf(ask, startMin),
    nowMin,
  };
}

/** A start as a day and minutes of it. */
export function dayOf(
  days: readonly Day[],
  startMin: number,
): { date: string; min: number } | null {
  const day = days.find((d) => startMin >= d.fromMin && startMin < d.toMin);
  return day ? { date: day.date, min: startMin - day.fromMin } : null;
}

/** A minute of the forecast as people say it: only its time on the day of the pour, with its day on any other. */
export function saidAt(days: readonly Day[], min: number, onDate: string | null): string {
  const day = days.find((d) => min < d.toMin) ?? days.at(-1);
  if (!day) return clockText(min);
  const time = clockText((((min - day.fromMin) % 1440) + 1440) % 1440);
  return day.date === onDate && min >= day.fromMin ? time : `${dateName(day.date)} ${time}`;
}
