import fs from 'node:fs';
import path from 'node:path';
import { newEventSchema, siteFileSchema, type Account, type NewEvent } from '../contract/index.ts';
import type { WeatherDay } from './standins/weather.ts';
import type { AccountStore } from './store/accounts.ts';
import type { EventStore } from './store/events.ts';
import type { SiteStore } from './store/sites.ts';

/** The morning the demo starts on: 06:40 at the clinic, Wednesday 23 September 2026. */
export const DEMO_START = new Date('2026-09-23T11:40:00Z');
export const DEMO_ACCOUNTS: (Account & { pin: string })[] = [
  { name: 'I. Brandvold', role: 'foreman', pin: '2468' },
  { name: 'T. Oakes', role: 'crew', pin: '1357' },
  { name: 'R. Halloran', role: 'inspector', pin: '8642' },
  { name: 'C. Dufresne', role: 'viewer', pin: '9753' },
];

const folder = path.resolve('demo');
const read = (file: string): unknown =>
  JSON.parse(fs.readFileSync(path.join(folder, file), 'utf8')) as unknown;

/** Weather scripts by site name. */
export function demoWeather(): Map<string, WeatherDay[]> {
  return new Map(
    fs.readdirSync(path.join(folder, 'weather')).map((f) => {
      const w = read(`weather/${f}`) as { site: string; days: WeatherDay[] };
      return [w.site, w.days];
    }),
  );
}

/** Loads the demo through the ordinary import and the ordinary log; never writes a table itself. */
export async function seedDemo(stores: {
  accounts: AccountStore;
  sites: SiteStore;
  events: EventStore;
}): Promise<void> {
  for (const a of DEMO_ACCOUNTS) await stores.accounts.add(a.name, a.pin, a.role);
  for (const name of ['quillback', 'kestrel']) {
    const { pours } = await stores.sites.import(siteFileSchema.parse(read(`sites/${name}.json`)));
    for (const pour of pours) {
      const file = path.join(folder, 'logs', `${name}.${pour.code}.jsonl`);
      if (!fs.existsSync(file)) continue;
      const lines = fs
        .readFileSync(file, 'utf8')
        .split('\n')
        .filter(Boolean)
        .map((l) => JSON.parse(l) as { actor: string });
      for (const [actor, events] of byActor(lines))
        await stores.events.append(pour.id, events, { actor, device: 'demo' });
    }
  }
}

/** Runs of consecutive lines by one person, as they were sent. */
function byActor(lines: { actor: string }[]): [string, NewEvent[]][] {
  const out: [string, NewEvent[]][] = [];
  for (const line of lines) {
    const event = newEventSchema.parse(line);
    const last = out.at(-1);
    if (last?.[0] === line.actor) last[1].push(event);
    else out.push([line.actor, [event]]);
  }
  return out;
}
