import { sql } from 'kysely';
import { v7 as uuid } from 'uuid';
import type { PourAnswer, PourSummary, SiteFile, SiteSummary } from '../../contract/index.ts';
import { closedToLog, type PourDoc } from '#core/model';
import { withPlannedConcrete } from '#core/view';
import { daylight, workingLight } from '#core/weather';
import { notFound } from '../problems.ts';
import type { Db } from './tables.ts';
import { closedOn } from './kept-plans.ts';
import { asPour, readStoredPour, StoredSites } from './stored-site.ts';

/** Mean of the air over the day before a pour's first load, °C; null where nobody says. */
export type AirBefore = (
  site: { id: string; name: string; timeZone: string },
  pour: PourDoc,
) => Promise<number | null>;

/** A pour as it stands in a list, with the versions that say whether anything of it has changed. */
export interface ListedPour {
  id: string;
  version: number;
  siteVersion: number;
  /** The last entry of its log; 0 where there is none. */
  seq: number;
  date: string | null;
  elements: string[];
  /** Why it was called off, where it was. */
  reason: string | null;
  /** Called off or archived: it is out of the way. */
  away: boolean;
}

/** Where the sun does not set, or no date is set, the day is taken to last until midnight. */
const NO_DUSK_MIN = 24 * 60;

/** What may change of a closed pour: whether it is out of the way. */
const standingOf = ({ archived }: PourDoc): Partial<PourDoc> =>
  archived === undefined ? {} : { archived };

/** Plan records: sites as their files say, and pours with the version that a writer must name. */
export class SiteStore {
  readonly #db: Db;
  readonly #read = new StoredSites();
  #airBefore: AirBefore = () => Promise.resolve(null);
  constructor(db: Db) {
    this.#db = db;
  }

  /** What says how warm the air is before a pour; until it is told nobody knows. */
  useAir(airBefore: AirBefore): void {
    this.#airBefore = airBefore;
  }

  /** Stores a checked site file and its pours in one transaction; answers the ids. */
  async import(
    file: SiteFile,
    id: string = uuid(),
  ): Promise<{ id: string; pours: { id: string; code: string }[] }> {
    const { pours, ...site } = file;
    // A file that was changed before it left keeps its count: what was signed on a plan is told from what came after.
    const version = Math.max(1, ...site.planChanges.map((c) => c.version));
    const rows = pours.map((p) => ({
      id: uuid(),
      site_id: id,
      version: 1,
      doc: JSON.stringify(p),
    }));
    await this.#db.transaction().execute(async (tx) => {
      await tx
        .insertInto('site')
        .values({ id, name: file.name, version, doc: JSON.stringify(site) })
        .execute();
      for (const row of rows) await tx.insertInto('pour').values(row).execute();
    });
    return { id, pours: rows.map((r, i) => ({ id: r.id, code: pours[i]?.code ?? '' })) };
  }

  async list(): Promise<SiteSummary[]> {
    const rows = await this.#db
      .selectFrom('site')
      .select([
        'id',
        'name',
        'version',
        sql<'us' | 'metric'>`json_extract(doc, '$.units')`.as('units'),
        sql<string>`json_extract(doc, '$.timeZone')`.as('timeZone'),
        sql<number | null>`json_extract(doc, '$.archived')`.as('archived'),
        sql<number | null>`json_extract(doc, '$.madeUp')`.as('madeUp'),
      ])
      .orderBy('id')
      .execute();
    return rows.map((r) => ({ ...r, archived: r.archived === 1, madeUp: r.madeUp === 1 }));
  }

  /** The site as a file again, with its pours. */
  async export(id: string): Promise<SiteFile> {
    const row = await this.#db
      .selectFrom('site')
      .selectAll()
      .where('id', '=', id)
      .executeTakeFirst();
    if (!row) throw notFound(`site ${id}`);
    const pours = await this.#db
      .selectFrom('pour')
      .selectAll()
      .where('site_id', '=', id)
      .orderBy('id')
      .execute();
    return {
      ...(JSON.parse(row.doc) as SiteFile),
      pours: pours.map((p) => readStoredPour(p.doc)),
    };
  }

  /** A site's plan as it is drawn now; null where what is stored cannot be drawn. 404 when there is no such site. */
  async drawn(id: string): Promise<SiteFile | null> {
    const row = await this.#db
      .selectFrom('site')
      .select(['id', 'version', 'doc'])
      .where('id', '=', id)
      .executeTakeFirst();
    if (!row) throw notFound(`site ${id}`);
    const { site, faults } = this.#read.read(row);
    return faults.length ? null : site;
  }

  /** What of a site's pours a list of them is kept by: nothing of it was read from a log. */
  async listed(siteId: string): Promise<ListedPour[]> {
    const rows = await this.#db
      .selectFrom('pour')
      .innerJoin('site', 'site.id', 'pour.site_id')
      .select([
        'pour.id',
        'pour.version',
        'site.version as siteVersion',
        sql<string | null>`json_extract(pour.doc, '$.date')`.as('date'),
        sql<number | null>`json_extract(pour.doc, '$.archived')`.as('archived'),
        sql<string | null>`json_extract(pour.doc, '$.cancelled.reason')`.as('reason'),
        sql<string>`json_extract(pour.doc, '$.elements')`.as('elements'),
        sql<number>`(select coalesce(max(seq), 0) from pour_event where pour_id = pour.id)`.as(
          'seq',
        ),
      ])
      .where('site_id', '=', siteId)
      .orderBy('pour.id')
      .execute();
    return rows.map((r) => ({
      ...r,
      away: r.archived === 1 || r.reason !== null,
      elements: JSON.parse(r.elements) as string[],
    }));
  }

  async pours(): Promise<PourSummary[]> {
    const rows = await this.#db
      .selectFrom('pour')
      .select([
        'id',
        'site_id as siteId',
        sql<string>`json_extract(doc, '$.code')`.as('code'),
        sql<string>`json_extract(doc, '$.title')`.as('title'),
        sql<string | null>`json_extract(doc, '$.date')`.as('date'),
        sql<number | null>`json_extract(doc, '$.archived')`.as('archived'),
        sql<string | null>`json_extract(doc, '$.cancelled.reason')`.as('cancelled'),
      ])
      .orderBy('id')
      .execute();
    return rows.map((r) => ({
      ...r,
      archived: r.archived === 1,
      cancelled: r.cancelled !== null,
    }));
  }

  /** The code of a pour, asked for without reading its site; 404 when there is no such pour. */
  async codeOf(pourId: string): Promise<string> {
    const row = await this.#db
      .selectFrom('pour')
      .select(sql<string>`json_extract(doc, '$.code')`.as('code'))
      .where('id', '=', pourId)
      .executeTakeFirst();
    if (!row) throw notFound(`pour ${pourId}`);
    return row.code;
  }

  /** Why nothing is logged on a pour as it stands; null when something may be; 404 when there is no such pour. */
  async closedToLog(pourId: string): Promise<string | null> {
    const row = await this.#db
      .selectFrom('pour')
      .innerJoin('site', 'site.id', 'pour.site_id')
      .select([
        sql<string>`json_extract(pour.doc, '$.code')`.as('code'),
        sql<number | null>`json_extract(pour.doc, '$.archived')`.as('archived'),
        sql<string | null>`json_extract(pour.doc, '$.cancelled.reason')`.as('cancelled'),
        sql<number | null>`json_extract(site.doc, '$.archived')`.as('siteArchived'),
      ])
      .where('pour.id', '=', pourId)
      .executeTakeFirst();
    if (!row) throw notFound(`pour ${pourId}`);
    const cancelled =
      row.cancelled === null ? undefined : { reason: row.cancelled, by: '', at: '' };
    return closedToLog(
      { code: row.code, archived: row.archived === 1, cancelled },
      row.siteArchived === 1,
    );
  }

  /** Which version a site has; 404 when there is no such site. */
  async versionOf(siteId: string): Promise<number> {
    const row = await this.#db
      .selectFrom('site')
      .select('version')
      .where('id', '=', siteId)
      .executeTakeFirst();
    if (!row) throw notFound(`site ${siteId}`);
    return row.version;
  }

  /** Which version the site of a pour has; 404 when there is no such pour. */
  async siteVersionOf(pourId: string): Promise<number> {
    const row = await this.#db
      .selectFrom('pour')
      .innerJoin('site', 'site.id', 'pour.site_id')
      .select('site.version')
      .where('pour.id', '=', pourId)
      .executeTakeFirst();
    if (!row) throw notFound(`pour ${pourId}`);
    return row.version;
  }

  async pour(id: string): Promise<PourAnswer> {
    const row = await this.#db
      .selectFrom('pour')
      .selectAll()
      .where('id', '=', id)
      .executeTakeFirst();
    if (!row) throw notFound(`pour ${id}`);
    const { doc, version: siteVersion } = await this.#db
      .selectFrom('site')
      .select(['doc', 'version'])
      .where('id', '=', row.site_id)
      .executeTakeFirstOrThrow();
    // What is closed stands on the plan that it was closed on, whatever became of that since.
    const kept = await closedOn(this.#db, id);
    const pour = kept ? asPour(kept.pour) : readStoredPour(row.doc);
    const { site, faults } = kept
      ? this.#read.read({
          id: `${id} closed`,
          version: kept.siteVersion,
          doc: JSON.stringify(kept.site),
        })
      : this.#read.read({ id: row.site_id, version: siteVersion, doc });
    const { timeZone, latitude, longitude } = site;
    const duskMin = pour.date
      ? workingLight(daylight(pour.date, timeZone, latitude, longitude)).duskMin
      : null;
    const airBeforeC = faults.length
      ? null
      : await this.#airBefore({ id: row.site_id, name: site.name, timeZone }, pour);
    const record: PourAnswer = {
      id,
      siteId: row.site_id,
      version: row.version,
      pour: kept ? { ...pour, ...standingOf(readStoredPour(row.doc)) } : pour,
      site,
      siteVersion: kept?.siteVersion ?? siteVersion,
      ...(kept && kept.siteVersion !== siteVersion ? { planNow: siteVersion } : {}),
      duskMin: duskMin ?? NO_DUSK_MIN,
      airBeforeC,
      ...(faults.length ? { faults } : {}),
    };
    // A site that cannot be drawn has no section to reckon by.
    return faults.length ? record : withPlannedConcrete(record);
  }
}
