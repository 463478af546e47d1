import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { EventEmitter } from 'node:events';
import type { Account, Role } from '../../contract/index.ts';
import type { Db } from './tables.ts';
import { invitationOf, isOver } from './invitations.ts';

/** A session lasts a working fortnight, so that a phone on site is not asked for its PIN in the middle of a pour. */
const SESSION_MS = 14 * 24 * 3600_000;
const digest = (token: string): string => createHash('sha256').update(token).digest('hex');

export interface SignedIn extends Account {
  device: string;
  /** The session by which they are here; never its token. */
  session: string;
}

/** Who is signed in where. Times run on the machine's clock, not the site's. */
export class SessionStore {
  readonly #db: Db;
  readonly #ended = new EventEmitter().setMaxListeners(0);
  constructor(db: Db) {
    this.#db = db;
  }

  /** Opens a session; the one that the device had before ends with it. */
  async open(
    account: Account,
    oldToken: string | undefined,
  ): Promise<{ token: string; maxAgeS: number }> {
    const token = randomBytes(32).toString('base64url');
    const device = (oldToken && (await this.#deviceOf(oldToken))) || randomUUID();
    if (oldToken) await this.close(oldToken);
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

  /** Whose session it is; null when it has ended, or when they may not be here any more. */
  async find(token: string): Promise<SignedIn | null> {
    const session = digest(token);
    const row = await this.#db
      .selectFrom('session')
      .innerJoin('account', 'account.name', 'session.account')
      .select([
        'account.name',
        'account.role',
        'account.invited',
        'session.device',
        'session.expires_at',
      ])
      .where('token_hash', '=', session)
      .where('account.locked', '=', 0)
      .where('account.removed', '=', 0)
      .executeTakeFirst();
    if (!row || row.expires_at < new Date().toISOString()) return null;
    const invited = invitationOf(row.invited);
    if (isOver(invited, Date.now())) return null;
    return {
      name: row.name,
      role: row.role as Role,
      ...(invited ? { invited } : {}),
      device: row.device,
      session,
    };
  }

  /** To which site a pour belongs. */
  async siteOf(pourId: string): Promise<string | null> {
    const row = await this.#db
      .selectFrom('pour')
      .select('site_id')
      .where('id', '=', pourId)
      .executeTakeFirst();
    return row?.site_id ?? null;
  }

  async #deviceOf(token: string): Promise<string | undefined> {
    const row = await this.#db
      .selectFrom('session')
      .select('device')
      .where('token_hash', '=', digest(token))
      .executeTakeFirst();
    return row?.device;
  }

  async close(token: string): Promise<void> {
    await this.#end([digest(token)]);
  }

  /** Ends all sessions of a person, but for the one they may be asking from. */
  async closeAllOf(name: string, butSession?: string): Promise<number> {
    const rows = await this.#db
      .selectFrom('session')
      .select('token_hash')
      .where('account', '=', name)
      .execute();
    const ids = rows.map((r) => r.token_hash).filter((id) => id !== butSession);
    await this.#end(ids);
    return ids.length;
  }

  /** How many devices each person is signed in on. */
  async counts(): Promise<Map<string, number>> {
    const rows = await this.#db
      .selectFrom('session')
      .select((is) => ['account', is.fn.countAll<number>().as('n')])
      .where('expires_at', '>=', new Date().toISOString())
      .groupBy('account')
      .execute();
    return new Map(rows.map((r) => [r.account, Number(r.n)]));
  }

  /** Ends the sessions that have run out. */
  async purge(): Promise<void> {
    const rows = await this.#db
      .selectFrom('session')
      .select('token_hash')
      .where('expires_at', '<', new Date().toISOString())
      .execute();
    await this.#end(rows.map((r) => r.token_hash));
  }

  async #end(ids: string[]): Promise<void> {
    if (ids.length === 0) return;
    await this.#db.deleteFrom('session').where('token_hash', 'in', ids).execute();
    for (const id of ids) this.#ended.emit(id);
  }

  /** Calls back once when a session ends; returns its own undo. */
  onEnd(session: string, ended: () => void): () => void {
    this.#ended.once(session, ended);
    return () => {
      this.#ended.off(session, ended);
    };
  }
}
