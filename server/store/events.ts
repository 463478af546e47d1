import { EventEmitter } from 'node:events';
import type { NewEvent, PostEventsAnswer, StoredEvent } from '../../contract/index.ts';
import { canonicalJson, CHAIN_START, hashOf } from '../log/chain.ts';
import { notFound, ProblemError } from '../problems.ts';
import type { KnownLog } from '../log/admit.ts';
import type { Db, Tables } from './database.ts';

const fromRow = (r: Tables['pour_event']): StoredEvent =>
  ({
    id: r.id,
    pourId: r.pour_id,
    seq: r.seq,
    at: r.at,
    recordedAt: r.recorded_at,
    actor: r.actor,
    device: r.device,
    kind: r.kind,
    body: JSON.parse(r.body) as unknown,
    supersedes: r.supersedes,
    prevHash: r.prev_hash,
    hash: r.hash,
  }) as StoredEvent;

export interface Author {
  actor: string;
  device: string;
}

/** Where a chain ends. */
interface ChainEnd {
  seq: number;
  hash: string;
}

async function endOf(tx: Db, pourId: string): Promise<ChainEnd> {
  const pour = await tx.selectFrom('pour').select('id').where('id', '=', pourId).executeTakeFirst();
  if (!pour) throw notFound(`pour ${pourId}`);
  const last = await tx
    .selectFrom('pour_event')
    .select(['seq', 'hash'])
    .where('pour_id', '=', pourId)
    .orderBy('seq', 'desc')
    .limit(1)
    .executeTakeFirst();
  return last ?? { seq: 0, hash: CHAIN_START };
}

/** An id that is taken: it stands for the same entry of the same pour, or it is refused. */
function refuseOther(old: Tables['pour_event'], pourId: string, e: NewEvent, path: string): void {
  const conflict = (detail: string, message: string): never => {
    throw new ProblemError(409, 'Already used', detail, [{ path, message }]);
  };
  if (old.pour_id !== pourId)
    conflict(`Entry ${e.id} is already in another pour's log.`, 'is already used in another pour');
  const same =
    old.kind === e.kind &&
    Date.parse(old.at) === Date.parse(e.at) &&
    old.supersedes === (e.supersedes ?? null) &&
    canonicalJson(JSON.parse(old.body)) === canonicalJson(e.body);
  if (!same)
    conflict(
      `Entry ${e.id} is in the log already, and says something else there.`,
      'is already used for another entry',
    );
}

/** An entry with its place in the chain. */
function chained(pourId: string, e: NewEvent, by: Author, end: ChainEnd, now: Date): StoredEvent {
  const entry = {
    id: e.id,
    pourId,
    seq: end.seq + 1,
    at: e.at,
    recordedAt: now.toISOString(),
    ...by,
    kind: e.kind,
    body: e.body,
    supersedes: e.supersedes ?? null,
    prevHash: end.hash,
  };
  return { ...entry, hash: hashOf(entry) } as StoredEvent;
}

const toRow = (e: StoredEvent): Tables['pour_event'] => ({
  id: e.id,
  pour_id: e.pourId,
  seq: e.seq,
  at: e.at,
  recorded_at: e.recordedAt,
  actor: e.actor,
  device: e.device,
  kind: e.kind,
  body: JSON.stringify(e.body),
  supersedes: e.supersedes ?? null,
  prev_hash: e.prevHash,
  hash: e.hash,
});

/** The append-only log of all pours: numbered without gaps per pour, chained by hash, told to whoever listens. */
export class EventStore {
  readonly #db: Db;
  readonly #now: () => Date;
  readonly #news = new EventEmitter().setMaxListeners(0);

  constructor(db: Db, now: () => Date) {
    this.#db = db;
    this.#now = now;
  }

  /**
   * Stores a batch in one transaction; an id seen before is answered as it was stored, once. The same id with other content is a
   * conflict: what was acknowledged stays as it is.
   */
  async append(pourId: string, events: NewEvent[], by: Author): Promise<PostEventsAnswer> {
    const fresh: StoredEvent[] = [];
    const answer = await this.#db.transaction().execute(async (tx): Promise<PostEventsAnswer> => {
      let end = await endOf(tx, pourId);
      const known: PostEventsAnswer['known'] = [];
      for (const [i, e] of events.entries()) {
        const old = await tx
          .selectFrom('pour_event')
          .selectAll()
          .where('id', '=', e.id)
          .executeTakeFirst();
        if (old) {
          refuseOther(old, pourId, e, `events.${i}.id`);
          known.push({ id: e.id, seq: old.seq, hash: old.hash });
          continue;
        }
        const entry = chained(pourId, e, by, end, this.#now());
        await tx.insertInto('pour_event').values(toRow(entry)).execute();
        fresh.push(entry);
        end = entry;
      }
      return { stored: fresh.map(({ id, seq, hash }) => ({ id, seq, hash })), known };
    });
    if (fresh.length) this.#news.emit(pourId, fresh);
    return answer;
  }

  /** Entries after a number, oldest first. */
  async after(pourId: string, seq: number, most = Number.MAX_SAFE_INTEGER): Promise<StoredEvent[]> {
    const rows = await this.#db
      .selectFrom('pour_event')
      .selectAll()
      .where('pour_id', '=', pourId)
      .where('seq', '>', seq)
      .orderBy('seq')
      .limit(most)
      .execute();
    return rows.map(fromRow);
  }

  /** How many entries a pour's log holds. */
  async count(pourId: string): Promise<number> {
    const { n } = await this.#db
      .selectFrom('pour_event')
      .select((is) => is.fn.countAll<number>().as('n'))
      .where('pour_id', '=', pourId)
      .executeTakeFirstOrThrow();
    return n;
  }

  /** What of a pour's log is asked before something is taken into it. */
  known(pourId: string): KnownLog {
    const own = this.#db.selectFrom('pour_event').selectAll().where('pour_id', '=', pourId);
    return {
      byId: async (ids) => (await own.where('id', 'in', ids).execute()).map(fromRow),
      ofKinds: async (kinds) => {
        // In no order of SQLite's: for the sake of it the whole log would be gone through.
        const rows = await own.where('kind', 'in', kinds).execute();
        if (rows.length === 0) return [];
        const ids = rows.map((r) => r.id);
        const corrections = await own.where('supersedes', 'in', ids).execute();
        return [...rows, ...corrections].map(fromRow);
      },
    };
  }

  /** Calls back with entries as they are stored; returns its own undo. */
  listen(pourId: string, heard: (events: StoredEvent[]) => void): () => void {
    this.#news.on(pourId, heard);
    return () => {
      this.#news.off(pourId, heard);
    };
  }
}
