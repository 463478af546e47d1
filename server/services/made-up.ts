import { v7 as uuid } from 'uuid';
import { daysBetween, shifted } from '#core/begin';
import { localDate } from '#core/weather';
import type { AppDeps } from '../deps.ts';
import type { NewEvent } from '../../contract/index.ts';
import { DEMO_START, demoSite, demoWeather } from '../demo.ts';
import { SimulatedWeather } from '../standins/weather.ts';

/** Hours of made-up weather that are given with the site: two weeks back, two ahead. */
const WEATHER_DAYS = 14;
const DAY_MS = 86_400_000;

/** A log whose entries have ids of their own, in what names them too: an id stands for one entry on all of a server. */
function withNewIds(log: [string, NewEvent[]][]): [string, NewEvent[]][] {
  let text = JSON.stringify(log);
  for (const [, batch] of log) for (const { id } of batch) text = text.replaceAll(id, uuid());
  return JSON.parse(text) as [string, NewEvent[]][];
}

/**
 * The made-up clinic as a site of one's own to look round with: its dates and its log moved so that
 * its pour day is today, its weather given by hand. It is marked as made up, and can be taken away
 * whole.
 */
export async function madeUpSite({
  sites,
  events,
  forecasts,
  clock,
}: AppDeps): Promise<{ id: string }> {
  const { file, logs } = demoSite('quillback');
  const { timeZone } = file;
  const nowMs = clock.now().getTime();
  const days = daysBetween(localDate(DEMO_START.getTime(), timeZone), localDate(nowMs, timeZone));
  const { id, pours } = await sites.import({ ...shifted(file, days, timeZone), madeUp: true });
  for (const pour of pours)
    for (const [actor, batch] of withNewIds(shifted(logs.get(pour.code) ?? [], days, timeZone)))
      await events.append(pour.id, batch, { actor, device: 'made up' });
  const script = shifted(demoWeather().get(file.name) ?? [], days, timeZone);
  const weather = new SimulatedWeather(new Map([[file.name, script]]));
  const hours = weather.hours(
    file,
    nowMs - WEATHER_DAYS * DAY_MS,
    nowMs + WEATHER_DAYS * DAY_MS,
    nowMs,
  );
  await forecasts.put(
    id,
    (hours ?? []).map(({ sky: _sky, ...h }) => h),
  );
  return { id };
}
