import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { pino } from 'pino';
import request from 'supertest';
import { v7 as uuid } from 'uuid';
import type { PourSummary, Role } from '../../contract/index.ts';
import { createApp } from '../app.ts';
import { readConfig } from '../config.ts';
import { DEMO_ACCOUNTS, DEMO_START, demoWeather, seedDemo } from '../demo.ts';
import { DailyBackups } from '../backup/daily.ts';
import { siteClock } from '../standins/clock.ts';
import { ForecastStore } from '../store/forecasts.ts';
import { airBeforeFrom } from '../services/weather.ts';
import { SimulatedPlant } from '../standins/plant.ts';
import { SimulatedWeather } from '../standins/weather.ts';
import { AccountStore } from '../store/accounts.ts';
import { openDatabase } from '../store/database.ts';
import type { Db } from '../store/tables.ts';
import { EventStore } from '../store/events.ts';
import { PhotoStore } from '../store/photos.ts';
import { LaneKeeper } from '../services/lanes.ts';
import { PeopleService } from '../services/people.ts';
import { SiteChanges } from '../services/site-changes.ts';
import { SiteLife } from '../services/site-life.ts';
import { UnderlayStore } from '../store/underlays.ts';
import { SessionStore } from '../store/sessions.ts';
import { HeavyPool } from '../workers/pool.ts';
import { SiteStore } from '../store/sites.ts';

const configIn = (dataDir: string) => ({
  ...readConfig(['--demo'], { SIGN_IN_LIMIT: '5' }),
  webDir: path.join(dataDir, 'none'),
});
const airOf = (db: Db) => ({
  weather: new SimulatedWeather(demoWeather()),
  forecasts: new ForecastStore(db),
});

/** Somebody of that role, signed in. */
async function signedIn(app: ReturnType<typeof createApp>, role: Role) {
  const account = DEMO_ACCOUNTS.find((a) => a.role === role);
  const agent = request.agent(app);
  await agent.post('/api/session').send({ name: account?.name, pin: account?.pin }).expect(200);
  return agent;
}

/** The application on a data folder of its own, for tests: seeded like the demo, without a port. */
export async function testApi({ seed = true } = {}) {
  const dataDir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-api-'));
  const { db, sqlite, close } = await openDatabase(dataDir);
  const clock = await siteClock(db, DEMO_START);
  const accounts = new AccountStore(db);
  const sessions = new SessionStore(db);
  const people = new PeopleService(accounts, sessions);
  const sites = new SiteStore(db);
  const changes = new SiteChanges(db, sites);
  const events = new EventStore(db, () => clock.now());
  const photos = new PhotoStore(db, dataDir);
  const life = new SiteLife(db, sites, photos);
  const underlays = new UnderlayStore(db, photos);
  const heavy = new HeavyPool({ dataDir, demo: true });
  const air = airOf(db);
  sites.useAir(airBeforeFrom({ ...air, clock }));
  if (seed) await seedDemo({ accounts, sites, events });
  const logger = pino({ level: 'silent' });
  const app = createApp({
    config: configIn(dataDir),
    logger,
    stopping: new AbortController().signal,
    accounts,
    sessions,
    people,
    setUpCode: '12345678',
    sites,
    changes,
    life,
    underlays,
    events,
    photos,
    clock,
    heavy,
    upkeep: new DailyBackups(dataDir, 0, logger, () => Promise.reject(new Error('none'))),
    lanes: new LaneKeeper({ sites, clock, heavy, logger, forecasts: air.forecasts }),
    ...air,
    plant: new SimulatedPlant(),
    demoAccounts: DEMO_ACCOUNTS,
  });
  return {
    app,
    dataDir,
    as: (role: Role) => signedIn(app, role),
    idOf: async (code: string): Promise<string> =>
      (await sites.pours()).find((p: PourSummary) => p.code === code)?.id ?? '',
    sites,
    changes,
    events,
    photos,
    accounts,
    db,
    sqlite,
    end: async () => {
      await heavy.close();
      await close();
      fs.rmSync(dataDir, { recursive: true, force: true });
    },
  };
}

export const note = (text: string, more: object = {}) => ({
  id: uuid(),
  at: '2026-09-23T11:35:00.000Z',
  kind: 'note',
  body: { text },
  ...more,
});
