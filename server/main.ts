import fs from 'node:fs';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { readConfig } from './config.ts';
import { DEMO_ACCOUNTS, DEMO_START, demoWeather, seedDemo } from './demo.ts';
import { siteClock } from './standins/clock.ts';
import { NO_WEATHER, SimulatedWeather } from './standins/weather.ts';
import { AccountStore } from './store/accounts.ts';
import { openDatabase } from './store/database.ts';
import { EventStore } from './store/events.ts';
import { PhotoStore } from './store/photos.ts';
import { SiteStore } from './store/sites.ts';

const config = readConfig(process.argv.slice(2));
const logger = pino({ level: config.logLevel });
if (config.demo && !config.keep) fs.rmSync(config.dataDir, { recursive: true, force: true });
const { db, close } = await openDatabase(config.dataDir);
const clock = await siteClock(db, config.demo ? DEMO_START : null);
const accounts = new AccountStore(db);
const sites = new SiteStore(db);
const events = new EventStore(db, () => clock.now());
const photos = new PhotoStore(db, config.dataDir);
if (config.demo && (await accounts.count()) === 0) await seedDemo({ accounts, sites, events });
const weather = config.demo ? new SimulatedWeather(demoWeather()) : NO_WEATHER;
const server = createApp({
  config,
  logger,
  accounts,
  sites,
  events,
  photos,
  clock,
  weather,
  demoAccounts: config.demo ? DEMO_ACCOUNTS : null,
}).listen(config.port, config.host);

server.on('listening', () => {
  console.log(
    `Jactum ${config.demo ? 'demo ' : ''}is at http://${config.host === '0.0.0.0' ? '127.0.0.1' : config.host}:${(server.address() as AddressInfo).port}/`,
  );
});
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Port ${config.port} is in use: set PORT to another.`
      : error.message,
  );
  process.exit(1);
});

let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    // Streams never end by themselves: give ordinary requests two seconds, then let go.
    setTimeout(() => {
      server.closeAllConnections();
    }, 2000).unref();
    server.close(() => {
      void close().then(() => process.exit(0));
    });
    server.closeIdleConnections();
  });
}
