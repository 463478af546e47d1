import { waitAfter, waitOfAllAfter } from '../session/pin-waits.ts';
import type { Db } from './tables.ts';

/** From where a PIN is tried. */
export interface TriedFrom {
  address: string;
  /** The device, where somebody is signed in on it. */
  device: string | null;
}

/** Tries that are so old count no more, ms. */
const FORGOTTEN_MS = 24 * 3600_000;

/**
 * Where tries are counted: the device that is signed in, or the address; and all of its like
 * together. Strangers hold up no device that is signed in.
 */
const keysOf = ({ address, device }: TriedFrom): [own: string, all: string] =>
  device === null ? [`address ${address}`, 'strangers'] : [`device ${device}`, 'devices'];

/**
 * Wrong PINs by the name they were tried at and by where they came from, kept over a restart. Names
 * that nobody has count like others: how one is answered tells nothing of who is here.
 */
export class PinTries {
  readonly #db: Db;
  constructor(db: Db) {
    this.#db = db;
  }

  /** How long no PIN is looked at from there, s; 0 when one is. */
  async waitS(name: string, from: TriedFrom, nowMs: number): Promise<number> {
    const rows = await this.#db
      .selectFrom('pin_try')
      .select('wait_until')
      .where('name_key', '=', name)
      .where('from_key', 'in', keysOf(from))
      .execute();
    const untilMs = Math.max(nowMs, ...rows.map((r) => Date.parse(r.wait_until ?? '') || 0));
    return Math.ceil((untilMs - nowMs) / 1000);
  }

  async wrong(name: string, from: TriedFrom, nowMs: number): Promise<void> {
    const [own, all] = keysOf(from);
    await this.#count(name, own, nowMs, waitAfter);
    await this.#count(name, all, nowMs, waitOfAllAfter);
    await this.#db
      .deleteFrom('pin_try')
      .where('at', '<', new Date(nowMs - FORGOTTEN_MS).toISOString())
      .execute();
  }

  /** Who knows the PIN is not held up by what others tried. */
  async right(name: string, from: TriedFrom): Promise<void> {
    await this.#db
      .deleteFrom('pin_try')
      .where('name_key', '=', name)
      .where('from_key', 'in', keysOf(from))
      .execute();
  }

  /** A new PIN: what was guessed at the one before counts no more. */
  async forget(name: string): Promise<void> {
    await this.#db.deleteFrom('pin_try').where('name_key', '=', name).execute();
  }

  /** Until when strangers are held up at each name that somebody has tried. */
  async waits(nowMs: number): Promise<Map<string, string>> {
    const rows = await this.#db
      .selectFrom('pin_try')
      .select((is) => ['name_key', is.fn.max('wait_until').as('until')])
      .where('wait_until', '>', new Date(nowMs).toISOString())
      .groupBy('name_key')
      .execute();
    return new Map(rows.map((r) => [r.name_key, r.until ?? '']));
  }

  async #count(
    name_key: string,
    from_key: string,
    nowMs: number,
    waitAfterWrong: (wrong: number) => number,
  ): Promise<void> {
    const before = await this.#db
      .selectFrom('pin_try')
      .select('wrong')
      .where('name_key', '=', name_key)
      .where('from_key', '=', from_key)
      .executeTakeFirst();
    const wrong = (before?.wrong ?? 0) + 1;
    const waitS = waitAfterWrong(wrong);
    const row = {
      wrong,
      wait_until: waitS > 0 ? new Date(nowMs + waitS * 1000).toISOString() : null,
      at: new Date(nowMs).toISOString(),
    };
    await this.#db
      .insertInto('pin_try')
      .values({ name_key, from_key, ...row })
      .onConflict((c) => c.columns(['name_key', 'from_key']).doUpdateSet(row))
      .execute();
  }
}
