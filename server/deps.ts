import type { Logger } from 'pino';
import type { Account } from '../contract/index.ts';
import type { Config } from './config.ts';
import type { DailyBackups } from './backup/daily.ts';
import type { SiteClock } from './standins/clock.ts';
import type { PlantService } from './standins/plant.ts';
import type { WeatherService } from './standins/weather.ts';
import type { AccountStore } from './store/accounts.ts';
import type { ForecastStore } from './store/forecasts.ts';
import type { SessionStore } from './store/sessions.ts';
import type { EventStore } from './store/events.ts';
import type { PhotoStore } from './store/photos.ts';
import type { LaneKeeper } from './services/lanes.ts';
import type { PeopleService } from './services/people.ts';
import type { SiteChanges } from './services/site-changes.ts';
import type { SiteLife } from './services/site-life.ts';
import type { UnderlayStore } from './store/underlays.ts';
import type { HeavyPool } from './workers/pool.ts';
import type { SiteStore } from './store/sites.ts';

/** What the routes stand on. */
export interface AppDeps {
  config: Config;
  logger: Logger;
  /** Aborted when the server is stopped: streams end. */
  stopping: AbortSignal;
  accounts: AccountStore;
  sessions: SessionStore;
  people: PeopleService;
  /** Asked for when the first account is made from another device. */
  setUpCode: string;
  sites: SiteStore;
  changes: SiteChanges;
  life: SiteLife;
  underlays: UnderlayStore;
  events: EventStore;
  photos: PhotoStore;
  clock: SiteClock;
  heavy: HeavyPool;
  /** How disk and backups stand. */
  upkeep: Pick<DailyBackups, 'state'>;
  /** How pours stand, as lists show it. */
  lanes: LaneKeeper;
  weather: WeatherService;
  forecasts: ForecastStore;
  /** The batching plant; null where none is connected. */
  plant: PlantService | null;
  /** Names and PINs that the demo offers at one press; null on one's own data. */
  demoAccounts: (Account & { pin: string })[] | null;
}
