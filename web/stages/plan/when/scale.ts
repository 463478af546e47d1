import { scaleLinear } from 'd3';
import type { Day } from './useForecast.ts';

/** Where a day lies across the chart: the chosen one wide from before work to after dusk, the others narrow. */
export interface DayBand {
  day: Day;
  x0: number;
  x1: number;
  wide: boolean;
  x: (min: number) => number;
}
export interface WhenScale {
  bands: DayBand[];
  /** Where a minute lies; on the edge of its day where it is folded away. */
  x: (min: number) => number;
}

const PAD = 12;
const GAP = 12;
/** What is shown of a day, minutes of it. */
const FROM_MIN = 300;
const TO_MIN = 1260;

/** Lays the days out across a width. */
export function whenScale(width: number, days: readonly Day[], chosen: number): WhenScale {
  const free = Math.max(0, width - 2 * PAD - GAP * (days.length - 1));
  // On a phone the other days show no more than whether there is a start in them.
  const least = width < 560 ? 28 : 62;
  const narrow = Math.min(
    free / Math.max(1, days.length),
    width < 560 ? least : Math.max(least, free * 0.13),
  );
  const wideW = free - narrow * (days.length - 1);
  let at = PAD;
  const bands = days.map((day, i): DayBand => {
    const wide = i === chosen;
    const x0 = at;
    const x1 = x0 + (wide ? wideW : narrow);
    at = x1 + GAP;
    const x = scaleLinear([day.fromMin + FROM_MIN, day.fromMin + TO_MIN], [x0, x1]).clamp(true);
    return { day, x0, x1, wide, x };
  });
  return {
    bands,
    x: (min) => {
      const band = bands.find((b) => min < b.day.toMin) ?? bands.at(-1);
      return band ? band.x(min) : PAD;
    },
  };
}
