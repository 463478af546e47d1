import { nameKey } from '#core/kit';
import type { Selectable } from 'kysely';
import { randomUUID } from 'node:crypto';
import type { Account, Invitation, Person, Role } from '../../contract/index.ts';
import { hashPin, isPin } from '../session/pins.ts';
import type { Db, Tables } from './tables.ts';
import { invitationOf, isOver } from './invitations.ts';
import { PinTries, type TriedFrom } from './pin-tries.ts';

/** What came of a name and a PIN: who it is, or why not. */
export type Checked =
  | { ok: true; account: Account }
  | { ok: false; why: 'wrong' | 'locked' | 'over' }
  | { ok: false; why: 'wait'; waitS: number };

type Row = Selectable<Tables['account']>;

const personOf = (r: Row, waitUntil: string | null): Person => ({
  id: r.id,
  name: r.name,
  role: r.role as Role,
  locked: r.locked === 1,
  removed: r.removed === 1,
  guesses: r.guesses,
  wrongAt: r.wrong_at,
  waitUntil,
  seenAt: r.seen_at,
  ...invitedOf(r),
});
const invitedOf = (r: Row) => {
  const invited = invitationOf(r.invited);
  return invited ? { invited } : {};
};

const iso = (ms: number): string => new Date(ms).toISOString();

/** People and their PINs (hashed). Times run on the machine's clock, not the site's. */
export class AccountStore {
  readonly #db: Db;
  readonly #now: () => number;
  readonly #tries: PinTries;
  /** The last try at each name that is under way. */
  readonly #turns = new Map<string, Promise<void>>();
  constructor(db: Db, now: () => number = () => Date.now()) {
    this.#db = db;
    this.#now = now;
    this.#tries = new PinTries(db);
  }

  async count(): Promise<number> {
    const row = await this.#db
      .selectFrom('account')
      .select((e) => e.fn.countAll<number>().as('n'))
      .executeTakeFirstOrThrow();
    return Number(row.n);
  }

  /** Everybody who is or was here, by name. */
  async list(): Promise<Person[]> {
    const rows = await this.#db.selectFrom('account').selectAll().orderBy('name').execute();
    const waits = await this.#tries.waits(this.#now());
    return rows.map((r) => personOf(r, waits.get(r.name_key) ?? null));
  }

  async byId(id: string): Promise<Person | null> {
    const row = await this.#db
      .selectFrom('account')
      .selectAll()
      .where('id', '=', id)
      .executeTakeFirst();
    if (!row) return null;
    const waits = await this.#tries.waits(this.#now());
    return personOf(row, waits.get(row.name_key) ?? null);
  }

  /** Adds a person; false when the name is taken, or looks like one that is. */
  async add(name: string, pin: string, role: Role): Promise<boolean> {
    return (await this.#insert(this.#db, name, await hashPin(pin), role)) !== null;
  }

  /** Makes the first account, the foreman's; false when there is one already: of several at once one is made. */
  async addFirst(name: string, pin: string): Promise<boolean> {
    const pinHash = await hashPin(pin);
    return this.#db.transaction().execute(async (tx) => {
      const one = await tx.selectFrom('account').select('name').limit(1).executeTakeFirst();
      return one === undefined && (await this.#insert(tx, name, pinHash, 'foreman')) !== null;
    });
  }

  async #insert(db: Db, name: string, pin_hash: string, role: Role): Promise<string | null> {
    const id = randomUUID();
    const name_key = nameKey(name);
    const alike = await db
      .selectFrom('account')
      .select('id')
      .where('name_key', '=', name_key)
      .executeTakeFirst();
    if (alike) return null;
    const { numInsertedOrUpdatedRows } = await db
      .insertInto('account')
      .values({
        id,
        name,
        name_key,
        role,
        pin_hash,
        locked: 0,
        removed: 0,
        guesses: 0,
        wrong_at: null,
        seen_at: null,
        invited: null,
      })
      .onConflict((c) => c.column('name').doNothing())
      .executeTakeFirst();
    return (numInsertedOrUpdatedRows ?? 0n) > 0n ? id : null;
  }

  /**
   * Whether a PIN is somebody's. Wrong ones are counted where a restart does not forget them, and
   * make the next try from there wait; an unknown name costs as much time as a wrong PIN, and waits
   * alike. Tries at one name come one after the other: many at once are no way round.
   */
  async check(name: string, pin: string, from: TriedFrom): Promise<Checked> {
    const key = nameKey(name);
    const before = this.#turns.get(key) ?? Promise.resolve();
    const mine = before.then(() => this.#checkNow(name, pin, from));
    const settled = mine.then(
      () => undefined,
      () => undefined,
    );
    this.#turns.set(key, settled);
    try {
      return await mine;
    } finally {
      if (this.#turns.get(key) === settled) this.#turns.delete(key);
    }
  }

  async #checkNow(name: string, pin: string, from: TriedFrom): Promise<Checked> {
    const row = await this.#called(name);
    const now = this.#now();
    const waitS = await this.#tries.waitS(nameKey(name), from, now);
    if (waitS > 0) return { ok: false, why: 'wait', waitS };
    const right = await isPin(row?.pin_hash ?? null, pin);
    if (!row || !right || row.removed === 1) {
      await this.#tries.wrong(nameKey(name), from, now);
      if (row) await this.#set(row.id, { guesses: row.guesses + 1, wrong_at: iso(now) });
      return { ok: false, why: 'wrong' };
    }
    if (row.locked === 1) return { ok: false, why: 'locked' };
    if (isOver(invitationOf(row.invited), now)) return { ok: false, why: 'over' };
    await this.#tries.right(nameKey(name), from);
    await this.#set(row.id, { seen_at: iso(now) });
    return { ok: true, account: { name: row.name, role: row.role as Role, ...invitedOf(row) } };
  }

  /** Whoever is called so: to the letter, else as it looks, where that is one person. */
  async #called(name: string): Promise<Row | null> {
    const alike = await this.#db
      .selectFrom('account')
      .selectAll()
      .where('name_key', '=', nameKey(name))
      .execute();
    return alike.find((r) => r.name === name) ?? (alike.length === 1 ? (alike[0] ?? null) : null);
  }

  /** Changes somebody's role, or shuts them out or lets them in again. */
  async change(
    id: string,
    {
      role,
      locked,
      removed,
      invited,
    }: {
      role?: Role | undefined;
      locked?: boolean | undefined;
      removed?: boolean | undefined;
      invited?: Invitation | null | undefined;
    },
  ): Promise<void> {
    await this.#set(id, {
      ...(role === undefined ? {} : { role }),
      ...(locked === undefined ? {} : { locked: Number(locked) }),
      ...(removed === undefined ? {} : { removed: Number(removed) }),
      ...(invited === undefined ? {} : { invited: invited && JSON.stringify(invited) }),
    });
  }

  /** Gives somebody a new PIN; what was guessed before counts no more. */
  async setPin(id: string, pin: string): Promise<void> {
    await this.#set(id, { pin_hash: await hashPin(pin), guesses: 0, wrong_at: null });
    const row = await this.#db
      .selectFrom('account')
      .select('name_key')
      .where('id', '=', id)
      .executeTakeFirst();
    if (row) await this.#tries.forget(row.name_key);
  }

  async idOf(name: string): Promise<string | null> {
    return (await this.#called(name))?.id ?? null;
  }

  async #set(id: string, change: Partial<Row>): Promise<void> {
    if (Object.keys(change).length === 0) return;
    await this.#db.updateTable('account').set(change).where('id', '=', id).execute();
  }
}
