import { setMaxListeners } from 'node:events';
import type { Server } from 'node:http';
import net, { type AddressInfo } from 'node:net';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { readConfig } from './config.ts';
import { DEMO_ACCOUNTS, DEMO_START, demoWeather, seedDemo } from './demo.ts';
import { newSetUpCode } from './session/set-up-code.ts';
import { listen, reachOf } from './listen.ts';
import { siteClock } from './standins/clock.ts';
import { ForecastStore } from './store/forecasts.ts';
import { SimulatedPlant } from './standins/plant.ts';
import { airBeforeFrom } from './services/weather.ts';
import { NO_WEATHER, SimulatedWeather } from './standins/weather.ts';
import { AccountStore } from './store/accounts.ts';
import { DailyBackups } from './backup/daily.ts';
import { HeavyPool } from './workers/pool.ts';
import { openStore, takeFolder } from './store/open-store.ts';
import { emptyDemoFolder } from './store/demo-folder.ts';
import { EventStore } from './store/events.ts';
import { PhotoStore } from './store/photos.ts';
import { LaneKeeper } from './services/lanes.ts';
import { PeopleService } from './services/people.ts';
import { SiteChanges } from './services/site-changes.ts';
import { SiteLife } from './services/site-life.ts';
import { UnderlayStore } from './store/underlays.ts';
import { SessionStore } from './store/sessions.ts';
import { SiteStore } from './store/sites.ts';

const stopWith = (words: string): never => {
  console.error(words);
  process.exit(1);
};
const inUse = (port: number): string => `Port ${port} is in use: set PORT to another.`;
/** Whether something listens there already. */
const portTaken = (port: number, host: string): Promise<boolean> =>
  new Promise((resolve) => {
    const probe = net.createServer();
    probe.once('error', () => {
      resolve(true);
    });
    probe.listen(port, host, () => {
      probe.close(() => {
        resolve(false);
      });
    });
  });

/** Requests under way are waited for so long when the server is stopped, ms: whoever asks for a report asks again. */
const REQUESTS_END_MS = 1500;

/** No backup takes so long: what does is tried again in an hour, ms. */
const BACKUP_LIMIT_MS = 20 * 60_000;

const config = readConfig(process.argv.slice(2));
const logger = pino({ level: config.logLevel });
if (config.demo && !config.keep) {
  // A demo that cannot listen, or whose folder another one is using, must not have emptied the
  // folder under the one that does.
  if (await portTaken(config.port, config.host)) stopWith(inUse(config.port));
  try {
    emptyDemoFolder(config.dataDir, takeFolder);
  } catch (e) {
    stopWith(e instanceof Error ? e.message : String(e));
  }
}
const { db, close } = await openStore(config.dataDir).catch((e: unknown) =>
  stopWith(e instanceof Error ? e.message : String(e)),
);

const clock = await siteClock(db, config.demo ? DEMO_START : null);
const accounts = new AccountStore(db);
const sessions = new SessionStore(db);
const people = new PeopleService(accounts, sessions);
const sites = new SiteStore(db);
const changes = new SiteChanges(db, sites);
const events = new EventStore(db, () => clock.now());
const photos = new PhotoStore(db, config.dataDir);
const life = new SiteLife(db, sites, photos);
const underlays = new UnderlayStore(db, photos);
if (config.demo && (await accounts.count()) === 0) await seedDemo({ accounts, sites, events });
const weather = config.demo ? new SimulatedWeather(demoWeather()) : NO_WEATHER;
const forecasts = new ForecastStore(db);
sites.useAir(airBeforeFrom({ forecasts, weather, clock }));
const heavy = new HeavyPool({ dataDir: config.dataDir, demo: config.demo });
const setUpCode = newSetUpCode();
const backups = new DailyBackups(config.dataDir, config.demo ? 0 : config.backups, logger, (file) =>
  heavy.run('backup', file, BACKUP_LIMIT_MS),
);
backups.begin();
await sessions.purge();
setInterval(() => void sessions.purge(), 3600_000).unref();
/** Ends what would never end by itself. */
const stopped = new AbortController();
// Every open stream listens to it.
setMaxListeners(0, stopped.signal);
const app = createApp({
  config,
  stopping: stopped.signal,
  logger,
  accounts,
  sessions,
  people,
  setUpCode,
  sites,
  changes,
  life,
  underlays,
  events,
  photos,
  clock,
  heavy,
  upkeep: backups,
  lanes: new LaneKeeper({ sites, forecasts, clock, heavy, logger }),
  weather,
  forecasts,
  plant: config.demo ? new SimulatedPlant() : null,
  demoAccounts: config.demo ? DEMO_ACCOUNTS : null,
});
const servers = await listen(app, config);

const started = async (): Promise<void> => {
  const [first] = servers;
  const port = (first?.address() as AddressInfo | null)?.port ?? config.port;
  const { secure, address, help, open } = reachOf({ ...config, port });
  const here = `${secure ? 'https' : 'http'}://${open ? 'localhost' : config.host}:${port}/`;
  console.log(`Jactum ${config.demo ? 'demo ' : ''}is at ${here}`);
  if (open) console.log(`Other devices: ${help ? `${help} first, then ` : ''}${address}`);
  if ((await accounts.count()) === 0)
    console.log(`No account yet. From another device, the first one needs this code: ${setUpCode}`);
};
for (const server of servers)
  server.on('error', (error: NodeJS.ErrnoException) => {
    stopWith(error.code === 'EADDRINUSE' ? inUse(config.port) : error.message);
  });
servers[0]?.on('listening', () => void started());

const ended = (server: Server): Promise<void> =>
  new Promise((resolve) => {
    server.close(() => {
      resolve();
    });
    server.closeIdleConnections();
  });
let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    backups.stop();
    stopped.abort();
    setTimeout(() => {
      for (const server of servers) server.closeAllConnections();
    }, REQUESTS_END_MS).unref();
    void Promise.all(servers.map(ended))
      .then(() => heavy.close())
      .then(close)
      .then(() => process.exit(0));
  });
}
