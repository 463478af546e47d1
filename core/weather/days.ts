import { localDate } from './local-date.ts';

/** A day of weather in a line: coolest, warmest, rain in all. */
export interface DayWeather {
  date: string;
  lowC: number;
  highC: number;
  rainMm: number;
  /** An hour of the day, ms: where it stands on an axis of time. */
  atMs: number;
}

/** Hours by the day they are in where the site is, in the order they came; hours of rain count as an hour each. */
export function dailyWeather(
  hours: readonly { at: string; airTempC: number; rainMmH: number }[],
  timeZone: string,
): DayWeather[] {
  const days = new Map<string, DayWeather>();
  for (const h of hours) {
    const atMs = Date.parse(h.at);
    const date = localDate(atMs, timeZone);
    const day = days.get(date);
    if (!day)
      days.set(date, { date, lowC: h.airTempC, highC: h.airTempC, rainMm: h.rainMmH, atMs });
    else {
      day.lowC = Math.min(day.lowC, h.airTempC);
      day.highC = Math.max(day.highC, h.airTempC);
      day.rainMm += h.rainMmH;
    }
  }
  return [...days.values()];
}
