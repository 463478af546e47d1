import useSWR from 'swr';
import type { WeatherAnswer } from '../../contract/index.ts';
import { dateAfter } from '#core/begin';
import type { UnitSystem } from '#core/units';
import { temperatureFigure } from '#core/units';
import { dailyWeather, localDate, midnightMs } from '#core/weather';
import { getJson } from '../sync/api.ts';

/** As many days ahead stand on the strip; any other is typed. */
const DAYS = 14;
/** Rain of a day that is worth a mark, mm. */
const WET_MM = 1;

/** The days ahead with the forecast over each, to put a pour on; or none yet. */
export function DayStrip({
  site,
  value,
  nowMs,
  onPick,
}: {
  site: { id: string; timeZone: string; units: UnitSystem };
  value: string | null;
  nowMs: number;
  onPick: (date: string | null) => void;
}) {
  const today = localDate(nowMs, site.timeZone);
  const from = new Date(midnightMs(today, site.timeZone)).toISOString();
  const to = new Date(midnightMs(dateAfter(today, DAYS), site.timeZone)).toISOString();
  const { data } = useSWR<WeatherAnswer, Error>(
    `/api/sites/${site.id}/weather?from=${from}&to=${to}`,
    getJson,
  );
  const weather = new Map(dailyWeather(data?.hours ?? [], site.timeZone).map((d) => [d.date, d]));
  const dates = Array.from({ length: DAYS }, (_, i) => dateAfter(today, i));
  return (
    <div>
      <div className="flex gap-1 overflow-x-auto pb-1" role="group" aria-label="Day of the pour">
        {dates.map((date) => {
          const d = weather.get(date);
          return (
            <button
              key={date}
              type="button"
              aria-pressed={date === value}
              aria-label={dayText(date, 'long')}
              className={`flex min-h-[84px] w-[58px] shrink-0 flex-col items-center justify-between rounded-[2px] py-1.5 text-[14px] leading-4 ${date === value ? 'bg-ink text-ground' : 'bg-press-2 text-press'}`}
              onClick={() => {
                onPick(date === value ? null : date);
              }}
            >
              <span className="tnum">
                {d
                  ? `${temperatureFigure(d.highC, site.units).value}° ${temperatureFigure(d.lowC, site.units).value}°`
                  : ''}
              </span>
              <span>{d && d.rainMm > WET_MM ? 'rain' : ''}</span>
              <b className="head text-[16px] leading-5">{dayText(date, 'short')}</b>
            </button>
          );
        })}
      </div>
      <div className="mt-1 flex items-center gap-3">
        <label className="flex items-center gap-2">
          or on
          <input
            type="date"
            className="field w-[170px]!"
            value={value ?? ''}
            onChange={(e) => {
              onPick(e.target.value || null);
            }}
          />
        </label>
        <span className="text-ink2">{value === null ? 'no date yet' : dayText(value, 'long')}</span>
      </div>
      {data?.source === 'none' && (
        <p className="mt-1 text-[14px] text-ink2">
          No forecast for this site yet: it can be typed or pasted on the site’s own screen.
        </p>
      )}
    </div>
  );
}

/** A calendar date as people say it, the same wherever the reader is. */
const dayText = (date: string, how: 'short' | 'long'): string =>
  new Intl.DateTimeFormat('en-GB', {
    timeZone: 'UTC',
    weekday: how,
    day: 'numeric',
    ...(how === 'long' ? { month: 'long' } : {}),
  }).format(Date.parse(`${date}T12:00:00Z`));
