import type { Rules } from '#core/rules';
import { clockText } from '#core/units';
import type { NoGo } from './search-types.ts';

/** An hour of the forecast, on the clock of the day of the pour. */
export interface DayHour {
  /** Minutes after local midnight of the day of the pour. */
  min: number;
  airTempC: number;
  humidity: number;
  windKmH: number;
  rainMmH: number;
}

/** Hours of the forecast that are alike, joined: those for which `reason` has words. */
function joined(hours: readonly DayHour[], reason: (h: DayHour) => string | null): NoGo[] {
  const out: NoGo[] = [];
  for (const h of hours) {
    const why = reason(h);
    if (why === null) continue;
    const last = out.at(-1);
    if (last && last.toMin >= h.min - 1) last.toMin = h.min + 60;
    else out.push({ fromMin: h.min, toMin: h.min + 60, reason: `${why} from ${clockText(h.min)}` });
  }
  return out;
}

/** Hours in which nothing may be placed, by the forecast: too wet, or too windy for what conveys it. */
export const noGoOf = (
  hours: readonly DayHour[],
  rules: Rules,
  windNoKmH: number | undefined,
): NoGo[] =>
  [
    ...joined(hours, (h) => (h.rainMmH > rules.value('rainStop') ? 'rain' : null)),
    ...(windNoKmH === undefined
      ? []
      : joined(hours, (h) => (h.windKmH > windNoKmH ? 'too windy' : null))),
  ].sort((a, b) => a.fromMin - b.fromMin);
