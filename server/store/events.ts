import { EventEmitter } from 'node:events';
import type { NewEvent, PostEventsAnswer, StoredEvent } from '../../contract/index.ts';
import { CHAIN_START, hashOf } from '../log/chain.ts';
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

/** The append-only log of all pours: numbered without gaps per pour, chained by hash, told to whoever listens. */
export class EventStore {
  readonly #db: Db;
  readonly #now: () => Date;
  readonly #news = new EventEmitter().setMaxListeners(0);

  constructor(db: Db, now: () => Date) {
    this.#db = db;
    this.#now = now;
  }

  /** Stores a batch in one transaction; an id seen before is answered as it was stored, once. */
  async append(pourId: string, events: NewEvent[], by: Author): Promise<PostEventsAnswer> {
    const fresh: StoredEvent[] = [];
    const answer = await this.#db.transaction().execute(async (tx): Promise<PostEventsAnswer> => {
      const pour = await tx
        .selectFrom('pour')
        .select('id')
        .where('id', '=', pourId)
        .executeTakeFirst();
      if (!pour) throw notFound(`pour ${pourId}`);
      const last = await tx
        .selectFrom('pour_event')
        .select(['seq', 'hash'])
        .where('pour_id', '=', pourId)
        .orderBy('seq', 'desc')
        .limit(1)
        .executeTakeFirst();
      let seq = last?.seq ?? 0;
      let prevHash = last?.hash ?? CHAIN_START;
      const stored: PostEventsAnswer['stored'] = [];
      const known: PostEventsAnswer['known'] = [];
      for (const [i, e] of events.entries()) {
        const old = await tx
          .selectFrom('pour_event')
          .select(['pour_id', 'seq', 'hash'])
          .where('id', '=', e.id)
          .executeTakeFirst();
        if (old && old.pour_id !== pourId)
          throw new ProblemError(
            409,
            'Already used',
            `Entry ${e.id} is already in another pour's log.`,
            [{ path: `events.${i}.id`, message: 'is already used in another pour' }],
          );
        if (old) {
          known.push({ id: e.id, seq: old.seq, hash: old.hash });
          continue;
        }
        seq += 1;
        const row = {
          id: e.id,
          pourId,
          seq,
          at: e.at,
          recordedAt: this.#now().toISOString(),
          ...by,
          kind: e.kind,
          body: e.body,
          supersedes: e.supersedes ?? null,
          prevHash,
        };
        const hash = hashOf(row);
        await tx
          .insertInto('pour_event')
          .values({
            id: row.id,
            pour_id: pourId,
            seq,
            at: row.at,
            recorded_at: row.recordedAt,
            actor: by.actor,
            device: by.device,
            kind: row.kind,
            body: JSON.stringify(row.body),
            supersedes: row.supersedes,
            prev_hash: prevHash,
            hash,
          })
          .execute();
        stored.push({ id: e.id, seq, hash });
        fresh.push({ ...row, hash } as StoredEvent);
        prevHash = hash;
      }
      return { stored, known };
    });
    if (fresh.length) this.#news.emit(pourId, fresh);
    return answer;
  }

  /** Entries after a number, oldest first. */
  async after(pourId: string, seq: number): Promise<StoredEvent[]> {
    const rows = await this.#db
      .selectFrom('pour_event')
      .selectAll()
      .where('pour_id', '=', pourId)
      .where('seq', '>', seq)
      .orderBy('seq')
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
        const rows = await own
          .where((is) => is.or([is('kind', 'in', kinds), is('supersedes', 'is not', null)]))
          .orderBy('seq')
          .execute();
        return rows.map(fromRow);
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
