import type { Db } from './tables.ts';

/** An hour of a forecast as it was brought in. */
export interface StoredHour {
  at: string;
  airTempC: number;
  humidity: number;
  windKmH: number;
  rainMmH: number;
}
const nameOf = (siteId: string): string => `forecast ${siteId}`;

/** Forecasts that were typed or brought in, one a site: they rule over the service. */
export class ForecastStore {
  readonly #db: Db;
  constructor(db: Db) {
    this.#db = db;
  }

  async of(siteId: string): Promise<StoredHour[]> {
    const row = await this.#db
      .selectFrom('setting')
      .select('value')
      .where('name', '=', nameOf(siteId))
      .executeTakeFirst();
    return row ? (JSON.parse(row.value) as StoredHour[]) : [];
  }

  /** Puts one in the place of what stood; an empty one takes it away. */
  async put(siteId: string, hours: StoredHour[]): Promise<void> {
    const name = nameOf(siteId);
    if (hours.length === 0) {
      await this.#db.deleteFrom('setting').where('name', '=', name).execute();
      return;
    }
    const value = JSON.stringify(hours);
    await this.#db
      .insertInto('setting')
      .values({ name, value })
      .onConflict((c) => c.column('name').doUpdateSet({ value }))
      .execute();
  }
}
