import { z } from 'zod';
import { COLD_AIR_C } from '#core/concrete';
import {
  anyNumber,
  freshTemperature,
  nonNegative,
  positive,
  share,
  someOf,
  temperature,
} from '#core/kit';

/** A start is looked at every so many minutes, over at most so many days: no more than this many. */
const MOST_STARTS = 2000;
const minutes = () => anyNumber().gte(-1e6, 'is too far off').lte(1e6, 'is too far off');
export const startWindowShape = z.object({
  fromMin: minutes(),
  toMin: minutes(),
  stepMin: positive().gte(1, 'must be 1 or more').default(15),
  placingMin: positive().lte(2880, 'must be two days or less'),
  finishMin: nonNegative().lte(2880, 'must be two days or less').default(60),
  cleanUpMin: nonNegative().lte(1440, 'must be a day or less').default(30),
  protectH: nonNegative().lte(1000, 'must be 1000 or less').default(48),
  travelMin: nonNegative().lte(1440, 'must be a day or less').default(0),
  forecast: someOf(
    z.object({
      timeMin: minutes(),
      airTempC: temperature(),
      humidity: share(),
      windKmH: nonNegative(),
      rainMmH: nonNegative(),
    }),
  ).max(1000, 'holds more than 1000 hours'),
  days: someOf(z.object({ sunriseMin: anyNumber(), duskMin: anyNumber() })).max(
    60,
    'holds more than 60 days',
  ),
  rainWatchMmH: nonNegative().default(0.5),
  rainNoMmH: nonNegative().default(2.5),
  coldC: temperature().default(COLD_AIR_C),
  windNoKmH: positive().optional(),
  plantOpenMin: nonNegative().lte(2880, 'must be within two days').optional(),
  plantCloseMin: nonNegative().lte(2880, 'must be within two days').optional(),
  dryingKgM2H: positive().default(1),
  flatFace: z.boolean({ error: 'must be true or false' }).default(false),
  concreteTempC: freshTemperature().optional(),
});
/** Plan, forecast and limits of `start-window`, defaults filled in. */
export type StartWindowInput = z.output<typeof startWindowShape>;

type Say = (path: (string | number)[], message: string) => void;
export function checkWindow(v: StartWindowInput, say: Say): void {
  if (v.toMin < v.fromMin) say(['toMin'], 'is before fromMin');
  if ((v.toMin - v.fromMin) / v.stepMin > MOST_STARTS)
    say(['stepMin'], `gives more than ${MOST_STARTS} starts`);
  if (v.rainNoMmH < v.rainWatchMmH) say(['rainNoMmH'], 'is under rainWatchMmH');
  if (v.flatFace && v.concreteTempC === undefined)
    say(['concreteTempC'], 'is missing: a flat face dries by the warmth of its concrete');
  if (
    v.plantOpenMin !== undefined &&
    v.plantCloseMin !== undefined &&
    v.plantCloseMin <= v.plantOpenMin
  )
    say(['plantCloseMin'], 'is not after plantOpenMin');
  v.forecast.forEach((h, i) => {
    const before = v.forecast[i - 1];
    if (before && h.timeMin <= before.timeMin)
      say(['forecast', i, 'timeMin'], 'is not after the hour before it');
  });
  v.days.forEach((d, i) => {
    if (d.duskMin <= d.sunriseMin) say(['days', i, 'duskMin'], 'is not after sunriseMin');
  });
}
