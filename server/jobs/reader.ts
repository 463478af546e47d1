import type { PourAnswer, StoredEvent, WeatherHour } from '../../contract/index.ts';
import { type PourState, replay } from '#core/log';
import { demoWeather } from '../demo.ts';
import { notFound } from '../problems.ts';
import { airBeforeFrom, curingAir } from '../services/weather.ts';
import { NO_WEATHER, SimulatedWeather, type WeatherService } from '../standins/weather.ts';
import { openForReading } from '../store/database.ts';
import { EventStore } from '../store/events.ts';
import { ForecastStore } from '../store/forecasts.ts';
import { PhotoStore } from '../store/photos.ts';
import { SiteStore } from '../store/sites.ts';
import { UnderlayStore } from '../store/underlays.ts';

/** Which store a piece of work reads, and at what moment. */
export interface Where {
  dataDir: string;
  demo: boolean;
  nowMs: number;
}

/** A pour with its log. */
export interface Logged {
  record: PourAnswer;
  log: StoredEvent[];
  state: PourState;
}

/** As many pours are kept with what was worked out of them. */
const MOST_KEPT = 48;
/** What says that a pour is as it was. */
const SAME = ['version', 'siteVersion', 'site', 'planNow', 'duskMin', 'airBeforeC'] as const;

/** The store as a thread beside the server's own reads it: its own connection, its own sites kept as they were read. */
export class Reader {
  nowMs = 0;
  readonly dataDir: string;
  readonly sites: SiteStore;
  readonly events: EventStore;
  readonly photos: PhotoStore;
  readonly underlays: UnderlayStore;
  readonly clock = { now: (): Date => new Date(this.nowMs) };
  readonly #records = new Map<string, PourAnswer>();
  readonly #forecasts: ForecastStore;
  readonly #weather: WeatherService;

  constructor({ dataDir, demo }: Where) {
    const db = openForReading(dataDir);
    this.dataDir = dataDir;
    this.sites = new SiteStore(db);
    this.events = new EventStore(db, this.clock.now);
    this.photos = new PhotoStore(db, dataDir);
    this.underlays = new UnderlayStore(db, this.photos);
    this.#forecasts = new ForecastStore(db);
    this.#weather = demo ? new SimulatedWeather(demoWeather()) : NO_WEATHER;
    this.sites.useAir(
      airBeforeFrom({ forecasts: this.#forecasts, weather: this.#weather, clock: this.clock }),
    );
  }

  /**
   * A pour as it stands. Where nothing of it has changed it is the same object as before: what was
   * worked out of it is still there.
   */
  async pour(pourId: string): Promise<PourAnswer> {
    const now = await this.sites.pour(pourId);
    const known = this.#records.get(pourId);
    this.#records.delete(pourId);
    const record = known && SAME.every((of) => known[of] === now[of]) ? known : now;
    this.#records.set(pourId, record);
    const [oldest] = this.#records.keys();
    if (this.#records.size > MOST_KEPT && oldest !== undefined) this.#records.delete(oldest);
    return record;
  }

  /** A pour that can be worked out. @throws ProblemError 404 where its site cannot be drawn as it is stored */
  async drawn(pourId: string): Promise<PourAnswer> {
    const record = await this.pour(pourId);
    if (record.faults?.length) throw notFound(`drawing of pour ${pourId} that can be worked out`);
    return record;
  }

  async logOf(record: PourAnswer): Promise<Logged> {
    const log = await this.events.after(record.id, 0);
    return { record, log, state: replay(log) };
  }

  /** A pour that can be worked out, with its log. @throws ProblemError 404 where its site cannot be drawn */
  async logged(pourId: string): Promise<Logged> {
    return this.logOf(await this.drawn(pourId));
  }

  /** Those pours of a site that can be worked out. */
  async drawnOf(siteId: string): Promise<PourAnswer[]> {
    const own = (await this.sites.pours()).filter((p) => p.siteId === siteId);
    const records: PourAnswer[] = [];
    for (const { id } of own) records.push(await this.pour(id));
    return records.filter((r) => !r.faults?.length);
  }

  /** The air a pour cures in, where it is known. */
  air(record: PourAnswer, state: PourState, nowMs = this.nowMs): Promise<WeatherHour[]> {
    const of = { forecasts: this.#forecasts, weather: this.#weather };
    return curingAir(of, record, state, nowMs);
  }
}

let open: Reader | null = null;

/** The reader of this thread, at that moment: one piece of work is done at a time. */
export function readerAt(where: Where): Reader {
  if (open?.dataDir !== where.dataDir) open = new Reader(where);
  open.nowMs = where.nowMs;
  return open;
}
