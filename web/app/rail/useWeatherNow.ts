import { latest } from '#core/log';
import { temperatureFigure, textOf, timeOfDay, wind } from '#core/units';
import { usePour } from '../pour-context.tsx';

/** Weather at the hour: what was logged last within two hours, else the forecast. */
export function useWeatherNow() {
  const v = usePour();
  const logged = latest(
    v.state,
    'weather',
    (e) => v.nowMs - Date.parse(e.at) < 2 * 3600_000 && v.nowMs >= Date.parse(e.at),
  );
  const hour = v.weatherNow.find(
    (h) => Date.parse(h.at) <= v.nowMs && v.nowMs < Date.parse(h.at) + 3600_000,
  );
  const rain = v.weatherNow.find((h) => Date.parse(h.at) > v.nowMs && h.rainMmH > 0);
  const air = logged?.body.airTempC ?? hour?.airTempC;
  const blow = logged?.body.windKmH ?? hour?.windKmH;
  return {
    air: air === undefined ? null : textOf(temperatureFigure(air, v.units)),
    wind: blow === undefined ? null : `wind ${textOf(wind(blow, v.units))}`,
    rain: rain ? `rain from ${timeOfDay(Date.parse(rain.at), v.record.site.timeZone)}` : null,
  };
}
