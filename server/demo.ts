import fs from 'node:fs';
import path from 'node:path';
import {
  type Account,
  type NewEvent,
  newEventSchema,
  type SiteFile,
  siteFileSchema,
} from '../contract/index.ts';
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
    const { file, logs } = demoSite(name);
    const { pours } = await stores.sites.import(file);
    for (const pour of pours)
      for (const [actor, events] of logs.get(pour.code) ?? [])
        await stores.events.append(pour.id, events, { actor, device: 'demo' });
  }
}

/** A made-up site: its file, and the log of each pour as it was sent, by the pour's code. */
export function demoSite(name: string): {
  file: SiteFile;
  logs: Map<string, [string, NewEvent[]][]>;
} {
  const file = siteFileSchema.parse(read(`sites/${name}.json`));
  const logs = new Map<string, [string, NewEvent[]][]>();
  for (const { code } of file.pours) {
    const log = path.join(folder, 'logs', `${name}.${code}.jsonl`);
    if (!fs.existsSync(log)) continue;
    const lines = fs
      .readFileSync(log, 'utf8')
      .split('\n')
      .filter(Boolean)
      .map((l) => JSON.parse(l) as { actor: string });
    logs.set(code, byActor(lines));
  }
  return { file, logs };
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
