import { hash, verify } from '@node-rs/argon2';
import type { Selectable } from 'kysely';
import { randomUUID } from 'node:crypto';
import type { Account, Invitation, Person, Role } from '../../contract/index.ts';
import { waitAfter } from '../session/pin-waits.ts';
import type { Db, Tables } from './database.ts';
import { invitationOf, isOver } from './invitations.ts';

/** What came of a name and a PIN: who it is, or why not. */
export type Checked =
  | { ok: true; account: Account }
  | { ok: false; why: 'wrong' | 'locked' | 'over' }
  | { ok: false; why: 'wait'; waitS: number };

type Row = Selectable<Tables['account']>;

const personOf = (r: Row): Person => ({
  id: r.id,
  name: r.name,
  role: r.role as Role,
  locked: r.locked === 1,
  removed: r.removed === 1,
  guesses: r.guesses,
  wrongAt: r.wrong_at,
  waitUntil: r.wait_until,
  seenAt: r.seen_at,
  ...invitedOf(r),
});
const invitedOf = (r: Row) => {
  const invited = invitationOf(r.invited);
  return invited ? { invited } : {};
};

/** People and their PINs (hashed). Times run on the machine's clock, not the site's. */
export class AccountStore {
  readonly #db: Db;
  readonly #now: () => number;
  /** The last try at each name that is under way. */
  readonly #turns = new Map<string, Promise<void>>();
  constructor(db: Db, now: () => number = () => Date.now()) {
    this.#db = db;
    this.#now = now;
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
    return rows.map(personOf);
  }

  async byId(id: string): Promise<Person | null> {
    const row = await this.#db
      .selectFrom('account')
      .selectAll()
      .where('id', '=', id)
      .executeTakeFirst();
    return row ? personOf(row) : null;
  }

  /** Adds a person; false when the name is taken. */
  async add(name: string, pin: string, role: Role): Promise<boolean> {
    return (await this.#insert(this.#db, name, await hash(pin), role)) !== null;
  }

  /** Makes the first account, the foreman's; false when there is one already: of several at once one is made. */
  async addFirst(name: string, pin: string): Promise<boolean> {
    const pinHash = await hash(pin);
    return this.#db.transaction().execute(async (tx) => {
      const one = await tx.selectFrom('account').select('name').limit(1).executeTakeFirst();
      return one === undefined && (await this.#insert(tx, name, pinHash, 'foreman')) !== null;
    });
  }

  async #insert(db: Db, name: string, pin_hash: string, role: Role): Promise<string | null> {
    const id = randomUUID();
    const { numInsertedOrUpdatedRows } = await db
      .insertInto('account')
      .values({
        id,
        name,
        role,
        pin_hash,
        locked: 0,
        removed: 0,
        wrong: 0,
        guesses: 0,
        wrong_at: null,
        wait_until: null,
        seen_at: null,
        invited: null,
      })
      .onConflict((c) => c.column('name').doNothing())
      .executeTakeFirst();
    return (numInsertedOrUpdatedRows ?? 0n) > 0n ? id : null;
  }

  /**
   * Whether a PIN is somebody's. Wrong ones are counted where a restart does not forget them, and
   * make the next try wait; an unknown name costs as much time as a wrong PIN. Tries at one name
   * come one after the other: many at once are no way round.
   */
  async check(name: string, pin: string): Promise<Checked> {
    const before = this.#turns.get(name) ?? Promise.resolve();
    const mine = before.then(() => this.#checkNow(name, pin));
    const settled = mine.then(
      () => undefined,
      () => undefined,
    );
    this.#turns.set(name, settled);
    try {
      return await mine;
    } finally {
      if (this.#turns.get(name) === settled) this.#turns.delete(name);
    }
  }

  async #checkNow(name: string, pin: string): Promise<Checked> {
    const row = await this.#db
      .selectFrom('account')
      .selectAll()
      .where('name', '=', name)
      .executeTakeFirst();
    const now = this.#now();
    const waitMs = row?.wait_until ? Date.parse(row.wait_until) - now : 0;
    if (waitMs > 0) return { ok: false, why: 'wait', waitS: Math.ceil(waitMs / 1000) };
    const right = await verify(row?.pin_hash ?? (await DUMMY), pin);
    if (!row || row.removed === 1) return { ok: false, why: 'wrong' };
    if (!right) {
      await this.#wrong(row, now);
      return { ok: false, why: 'wrong' };
    }
    if (row.locked === 1) return { ok: false, why: 'locked' };
    if (isOver(invitationOf(row.invited), now)) return { ok: false, why: 'over' };
    await this.#set(row.id, { wrong: 0, wait_until: null, seen_at: new Date(now).toISOString() });
    return { ok: true, account: { name: row.name, role: row.role as Role, ...invitedOf(row) } };
  }

  async #wrong(row: Row, now: number): Promise<void> {
    const wrong = row.wrong + 1;
    const waitS = waitAfter(wrong);
    await this.#set(row.id, {
      wrong,
      guesses: row.guesses + 1,
      wrong_at: new Date(now).toISOString(),
      wait_until: waitS > 0 ? new Date(now + waitS * 1000).toISOString() : null,
    });
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
    await this.#set(id, {
      pin_hash: await hash(pin),
      wrong: 0,
      guesses: 0,
      wrong_at: null,
      wait_until: null,
    });
  }

  async idOf(name: string): Promise<string | null> {
    const row = await this.#db
      .selectFrom('account')
      .select('id')
      .where('name', '=', name)
      .executeTakeFirst();
    return row?.id ?? null;
  }

  async #set(id: string, change: Partial<Row>): Promise<void> {
    if (Object.keys(change).length === 0) return;
    await this.#db.updateTable('account').set(change).where('id', '=', id).execute();
  }
}

const DUMMY = hash('000000');
