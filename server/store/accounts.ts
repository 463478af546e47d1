import { hash, verify } from '@node-rs/argon2';
import { createHash, randomBytes } from 'node:crypto';
import type { Account, Role } from '../../contract/index.ts';
import type { Db } from './database.ts';

/** A session lasts a working fortnight, so that a phone on site is not asked for its PIN in the middle of a pour. */
const SESSION_MS = 14 * 24 * 3600_000;
const digest = (token: string): string => createHash('sha256').update(token).digest('hex');

export interface SignedIn extends Account {
  device: string;
}

/** People, their PINs (hashed) and their sessions. Session times run on the machine's clock, not the site's. */
export class AccountStore {
  readonly #db: Db;
  constructor(db: Db) {
    this.#db = db;
  }

  async count(): Promise<number> {
    const row = await this.#db
      .selectFrom('account')
      .select((e) => e.fn.countAll<number>().as('n'))
      .executeTakeFirstOrThrow();
    return Number(row.n);
  }

  /** Adds a person; false when the name is taken. */
  async add(name: string, pin: string, role: Role): Promise<boolean> {
    const pin_hash = await hash(pin);
    const { numInsertedOrUpdatedRows } = await this.#db
      .insertInto('account')
      .values({ name, role, pin_hash })
      .onConflict((c) => c.column('name').doNothing())
      .executeTakeFirst();
    return (numInsertedOrUpdatedRows ?? 0n) > 0n;
  }

  async check(name: string, pin: string): Promise<Account | null> {
    const row = await this.#db
      .selectFrom('account')
      .selectAll()
      .where('name', '=', name)
      .executeTakeFirst();
    // An unknown name costs as much time as a wrong PIN.
    const ok = await verify(row?.pin_hash ?? (await DUMMY), pin);
    return row && ok ? { name: row.name, role: row.role as Role } : null;
  }

  async open(account: Account, device: string): Promise<{ token: string; maxAgeS: number }> {
    const token = randomBytes(32).toString('base64url');
    await this.#db
      .insertInto('session')
      .values({
        token_hash: digest(token),
        account: account.name,
        device,
        expires_at: new Date(Date.now() + SESSION_MS).toISOString(),
      })
      .execute();
    return { token, maxAgeS: SESSION_MS / 1000 };
  }

  async find(token: string): Promise<SignedIn | null> {
    const row = await this.#db
      .selectFrom('session')
      .innerJoin('account', 'account.name', 'session.account')
      .select(['account.name', 'account.role', 'session.device', 'session.expires_at'])
      .where('token_hash', '=', digest(token))
      .executeTakeFirst();
    if (!row || row.expires_at < new Date().toISOString()) return null;
    return { name: row.name, role: row.role as Role, device: row.device };
  }

  async close(token: string): Promise<void> {
    await this.#db.deleteFrom('session').where('token_hash', '=', digest(token)).execute();
  }
}

const DUMMY = hash('0000');
