import { CompiledQuery } from 'kysely';
import { EventEmitter } from 'node:events';
import type { NewEvent, PostEventsAnswer, StoredEvent } from '../../contract/index.ts';
import { canonicalJson, CHAIN_START, hashOf } from '../log/chain.ts';
import { notFound, ProblemError } from '../problems.ts';
import type { KnownLog } from '../log/admit.ts';
import type { Db, Tables } from './tables.ts';
import { keepPlan, type KeptPlan, keptPlans, ON_A_PLAN } from './kept-plans.ts';

const fromRow = (r: Tables['pour_event']): StoredEvent =>
  ({
    id: r.id,
    pourId: r.pour_id,
    seq: r.seq,
    at: r.at,
    recordedAt: r.recorded_at,
    ...(r.written_at === null ? {} : { writtenAt: r.written_at }),
    ...(r.plan_hash === null ? {} : { planHash: r.plan_hash }),
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

/** Compiled once: what is asked and written at every entry would be made into SQL anew each time. */
const CHAIN_END = `select pour.id, last.seq, last.hash from pour
  left join pour_event as last on last.pour_id = pour.id
    and last.seq = (select max(seq) from pour_event where pour_id = pour.id)
  where pour.id = ?`;
const COLUMNS = [
  'id',
  'pour_id',
  'seq',
  'at',
  'recorded_at',
  'written_at',
  'actor',
  'device',
  'kind',
  'body',
  'supersedes',
  'prev_hash',
  'hash',
  'plan_hash',
] as const satisfies (keyof Tables['pour_event'])[];
const INSERT_NEW = `insert into pour_event (${COLUMNS.join(', ')})
  values (${COLUMNS.map(() => '?').join(', ')}) on conflict do nothing`;

async function chainEnd(db: Db, pourId: string): Promise<ChainEnd> {
  const { rows } = await db.executeQuery<{ seq: number | null; hash: string | null }>(
    CompiledQuery.raw(CHAIN_END, [pourId]),
  );
  const [end] = rows;
  if (!end) throw notFound(`pour ${pourId}`);
  return end.seq === null || end.hash === null
    ? { seq: 0, hash: CHAIN_START }
    : { seq: end.seq, hash: end.hash };
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
    old.written_at === (e.writtenAt ?? null) &&
    canonicalJson(JSON.parse(old.body)) === canonicalJson(e.body);
  if (!same)
    conflict(
      `Entry ${e.id} is in the log already, and says something else there.`,
      'is already used for another entry',
    );
}

/** An entry with its place in the chain. */
function chained(
  pourId: string,
  e: NewEvent,
  by: Author,
  end: ChainEnd,
  now: Date,
  planHash: string | null = null,
): StoredEvent {
  const entry = {
    id: e.id,
    pourId,
    seq: end.seq + 1,
    at: e.at,
    recordedAt: now.toISOString(),
    ...(e.writtenAt ? { writtenAt: e.writtenAt } : {}),
    ...(planHash === null ? {} : { planHash }),
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
  written_at: e.writtenAt ?? null,
  actor: e.actor,
  device: e.device,
  kind: e.kind,
  body: JSON.stringify(e.body),
  supersedes: e.supersedes ?? null,
  prev_hash: e.prevHash,
  hash: e.hash,
  plan_hash: e.planHash ?? null,
});

/** The values of a row in the order of its columns. */
const rowValues = (e: StoredEvent): unknown[] => {
  const row = toRow(e);
  return COLUMNS.map((c) => row[c]);
};

/** The append-only log of all pours: numbered without gaps per pour, chained by hash, told to whoever listens. */
export class EventStore {
  readonly #db: Db;
  readonly #now: () => Date;
  /** Where the chain of a pour ends, as it was written last: this process alone writes to its folder. */
  readonly #ends = new Map<string, ChainEnd>();
  readonly #news = new EventEmitter().setMaxListeners(0);

  constructor(db: Db, now: () => Date) {
    this.#db = db;
    this.#now = now;
  }

  /**
   * Stores a batch in one transaction; an id seen before is answered as it was stored, once. The
   * same id with other content is a conflict: what was acknowledged stays as it is.
   */
  async append(pourId: string, events: NewEvent[], by: Author): Promise<PostEventsAnswer> {
    const [only] = events;
    const alone =
      only && events.length === 1 && !ON_A_PLAN.has(only.kind)
        ? await this.#appendOne(pourId, only, by)
        : null;
    if (!alone) return this.#appendBatch(pourId, events, by);
    this.#news.emit(pourId, [alone]);
    return { stored: [{ id: alone.id, seq: alone.seq, hash: alone.hash }], known: [] };
  }

  /**
   * One new entry in one statement that is whole by itself: what most devices send. Null when its
   * id is known, or when another entry took its place in between: then it goes the long way.
   */
  async #appendOne(pourId: string, e: NewEvent, by: Author): Promise<StoredEvent | null> {
    const end = this.#ends.get(pourId) ?? (await chainEnd(this.#db, pourId));
    // Until it is known how this goes, nobody builds on what was known.
    this.#ends.delete(pourId);
    const entry = chained(pourId, e, by, end, this.#now());
    if (!(await this.#inserted(entry))) return null;
    this.#ends.set(pourId, { seq: entry.seq, hash: entry.hash });
    return entry;
  }

  /** Whether an entry found its place: not when its id or its number in the chain is taken, or its pour is gone. */
  async #inserted(entry: StoredEvent): Promise<boolean> {
    try {
      const { numAffectedRows } = await this.#db.executeQuery(
        CompiledQuery.raw(INSERT_NEW, rowValues(entry)),
      );
      return (numAffectedRows ?? 0n) > 0n;
    } catch (e) {
      if ((e as { code?: string }).code === 'SQLITE_CONSTRAINT_FOREIGNKEY') return false;
      throw e;
    }
  }

  async #appendBatch(pourId: string, events: NewEvent[], by: Author): Promise<PostEventsAnswer> {
    this.#ends.delete(pourId);
    const fresh: StoredEvent[] = [];
    const answer = await this.#db.transaction().execute(async (tx): Promise<PostEventsAnswer> => {
      let end = await chainEnd(tx, pourId);
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
        const planHash = ON_A_PLAN.has(e.kind) ? await keepPlan(tx, pourId) : null;
        const entry = chained(pourId, e, by, end, this.#now(), planHash);
        await tx.insertInto('pour_event').values(toRow(entry)).execute();
        fresh.push(entry);
        end = entry;
      }
      return { stored: fresh.map(({ id, seq, hash }) => ({ id, seq, hash })), known };
    });
    this.#ends.delete(pourId);
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

  /** The plans that entries were made on, by their hashes. */
  plansOf(events: readonly StoredEvent[]): Promise<[string, KeptPlan][]> {
    return keptPlans(
      this.#db,
      events.flatMap((e) => e.planHash ?? []),
    );
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
