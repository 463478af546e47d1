import { v7 as uuid } from 'uuid';
import type {
  PourAnswer,
  PourSummary,
  SiteFile,
  SiteSummary,
  SiteVersion,
} from '../../contract/index.ts';
import { siteFileSchema } from '../../contract/index.ts';
import { pourDocSchema, type PourDoc, type PourSettings } from '../../core/model/pour.ts';
import { issuesOf, type InputIssue } from '../../core/kit/calculation.ts';
import type { RuleChange } from '../../core/rules/rules.ts';
import { daylight } from '../../core/weather/daylight.ts';
import { diffText, planDiff } from '../../core/siteplan/changes.ts';
import { elementStates } from '../../core/siteplan/element-state.ts';
import { drawnOf, pourDrawn, withDrawn, type Drawn } from '../../core/siteplan/drawn.ts';
import { notFound, parse, ProblemError } from '../problems.ts';
import type { Db } from './database.ts';

/** Where the sun does not set, or no date is set, the day is taken to last until midnight. */
const NO_DUSK_MIN = 24 * 60;

const stale = (yours: number, now: number): ProblemError =>
  new ProblemError(
    409,
    'Changed meanwhile',
    `Somebody changed this site while you were at it: you had version ${yours}, it is now ${now}. Look at it again.`,
  );

/** Lists of a site that was stored before they were known. */
const NO_LISTS = {
  footingTypes: [],
  wallTypes: [],
  nodes: [],
  runs: [],
  pads: [],
  piers: [],
  plates: [],
  anchors: [],
  embeds: [],
  formSystems: [],
  points: [],
  ruleChanges: [],
  planChanges: [],
  mixes: [],
  plants: [],
  crew: [],
};

/**
 * A stored site as the schema reads it. One that was stored under other limits is handed out as it stands, with what is wrong
 * with it: whatever is stored can be opened, looked at as a list, and put right.
 */
function readStored(doc: string): { site: SiteFile; faults: InputIssue[] } {
  const raw = { ...(JSON.parse(doc) as SiteFile), pours: [] };
  const parsed = siteFileSchema.safeParse(raw);
  return parsed.success
    ? { site: parsed.data, faults: [] }
    : { site: { ...NO_LISTS, ...raw }, faults: issuesOf(parsed.error, raw).slice(0, 200) };
}

/** Plan records: sites as their files say, and pours with the version that a writer must name. */
export class SiteStore {
  readonly #db: Db;
  constructor(db: Db) {
    this.#db = db;
  }

  /** Stores a checked site file and its pours in one transaction; answers the ids. */
  async import(file: SiteFile): Promise<{ id: string; pours: { id: string; code: string }[] }> {
    const id = uuid();
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
    const rows = await this.#db.selectFrom('site').selectAll().orderBy('id').execute();
    return rows.map((r) => {
      const doc = JSON.parse(r.doc) as SiteFile;
      return {
        id: r.id,
        name: r.name,
        units: doc.units,
        timeZone: doc.timeZone,
        version: r.version,
      };
    });
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
      pours: pours.map((p) => JSON.parse(p.doc) as PourDoc),
    };
  }

  async pours(): Promise<PourSummary[]> {
    const rows = await this.#db.selectFrom('pour').selectAll().orderBy('id').execute();
    return rows.map((r) => {
      const doc = JSON.parse(r.doc) as PourDoc;
      return { id: r.id, siteId: r.site_id, code: doc.code, title: doc.title, date: doc.date };
    });
  }

  async pour(id: string): Promise<PourAnswer> {
    const row = await this.#db
      .selectFrom('pour')
      .selectAll()
      .where('id', '=', id)
      .executeTakeFirst();
    if (!row) throw notFound(`pour ${id}`);
    const site = await this.#db
      .selectFrom('site')
      .selectAll()
      .where('id', '=', row.site_id)
      .executeTakeFirstOrThrow();
    const pour = JSON.parse(row.doc) as PourDoc;
    const { site: doc, faults } = readStored(site.doc);
    const duskMin = pour.date
      ? (daylight(pour.date, doc.timeZone, doc.latitude, doc.longitude).duskMin ?? NO_DUSK_MIN)
      : NO_DUSK_MIN;
    return {
      id,
      siteId: row.site_id,
      version: row.version,
      pour,
      site: doc,
      siteVersion: site.version,
      duskMin,
      ...(faults.length ? { faults } : {}),
    };
  }

  /**
   * Stores another drawing of the site over the version that was read, with the runs of its pours, and writes down what
   * it changes. Nothing changed: nothing is stored. A stale version gets 409, a drawing that is not whole 400 with the path.
   */
  async changePlan(
    id: string,
    version: number,
    plan: Drawn,
    by: { by: string; at: string },
  ): Promise<SiteVersion> {
    return this.#db.transaction().execute(async (tx): Promise<SiteVersion> => {
      const row = await tx.selectFrom('site').selectAll().where('id', '=', id).executeTakeFirst();
      if (!row) throw notFound(`site ${id}`);
      if (row.version !== version) throw stale(version, row.version);
      const pours = (
        await tx.selectFrom('pour').selectAll().where('site_id', '=', id).orderBy('id').execute()
      ).map((p) => ({ row: p, doc: pourDocSchema.parse(JSON.parse(p.doc)) }));
      const { pours: _none, ...site } = readStored(row.doc).site;
      const unknown = plan.pours.find((p) => !pours.some((x) => x.doc.code === p.code));
      if (unknown)
        throw new ProblemError(
          400,
          'Bad input',
          `The plan was not stored: this site has no pour ${unknown.code}.`,
          [
            {
              path: `plan.pours.${plan.pours.indexOf(unknown)}.code`,
              message: 'is not a pour of this site',
            },
          ],
        );
      const nowhere = plan.pours.findIndex(
        (p) =>
          p.forms != null &&
          p.forms !== pours.find((x) => x.doc.code === p.code)?.doc.forms &&
          !plan.formSystems.some((f) => f.mark === p.forms),
      );
      if (nowhere >= 0)
        throw new ProblemError(
          400,
          'Bad input',
          `The plan was not stored: ${plan.pours[nowhere]?.code ?? ''} stands in ${plan.pours[nowhere]?.forms ?? ''}, which is not among its form systems.`,
          [{ path: `plan.pours.${nowhere}.forms`, message: 'is not among the form systems' }],
        );
      const next = pours.map((p) => ({ ...p, doc: pourDrawn(site, p.doc, plan) }));
      const was = drawnOf(
        site,
        pours.map((p) => p.doc),
      );
      const after = {
        ...plan,
        pours: drawnOf(
          site,
          next.map((p) => p.doc),
        ).pours,
      };
      const diff = planDiff(was, after, site.units);
      if (diff.words.length === 0) return { version };
      const doc = {
        ...withDrawn(site, plan),
        planChanges: [
          ...site.planChanges,
          {
            version: version + 1,
            ...by,
            what: diffText(diff).slice(0, 600),
            elements: diff.elements,
            states: elementStates(was, after, diff.elements),
          },
        ],
      };
      // As the schema reads it, so that every file of the site has its keys in one order.
      const { pours: _checked, ...stored } = parse(
        siteFileSchema,
        { ...doc, pours: next.map((p) => p.doc) },
        'The plan',
      );
      await tx
        .updateTable('site')
        .set({ version: version + 1, doc: JSON.stringify(stored) })
        .where('id', '=', id)
        .execute();
      for (const p of next) {
        const before = pours.find((x) => x.row.id === p.row.id);
        if (JSON.stringify(before?.doc) !== JSON.stringify(p.doc))
          await tx
            .updateTable('pour')
            .set({ version: p.row.version + 1, doc: JSON.stringify(p.doc) })
            .where('id', '=', p.row.id)
            .execute();
      }
      return { version: version + 1 };
    });
  }

  /** Adds a change of a rule over the version that was read; a stale one gets 409. Every sign-off opens again with the new version. */
  async changeRule(id: string, version: number, change: RuleChange): Promise<SiteVersion> {
    const row = await this.#db
      .selectFrom('site')
      .selectAll()
      .where('id', '=', id)
      .executeTakeFirst();
    if (!row) throw notFound(`site ${id}`);
    const doc = JSON.parse(row.doc) as SiteFile;
    const next = { ...doc, ruleChanges: [...(doc.ruleChanges ?? []), change] };
    const { numUpdatedRows } = await this.#db
      .updateTable('site')
      .set({ version: version + 1, doc: JSON.stringify(next) })
      .where('id', '=', id)
      .where('version', '=', version)
      .executeTakeFirst();
    if (numUpdatedRows === 0n) throw stale(version, row.version);
    return { version: version + 1 };
  }

  /** Writes new settings over the version that was read; a stale one gets 409 with what stands now. */
  async putSettings(id: string, version: number, settings: PourSettings): Promise<PourAnswer> {
    const now = await this.pour(id);
    if (settings.startAt >= now.pour.elements.length)
      throw new ProblemError(
        400,
        'Bad input',
        'The plan was not stored: settings.startAt is past the last run of the pour.',
        [{ path: 'settings.startAt', message: 'is past the last run of the pour' }],
      );
    const { numUpdatedRows } = await this.#db
      .updateTable('pour')
      .set({ version: version + 1, doc: JSON.stringify({ ...now.pour, settings }) })
      .where('id', '=', id)
      .where('version', '=', version)
      .executeTakeFirst();
    if (numUpdatedRows === 0n)
      throw new ProblemError(
        409,
        'Changed meanwhile',
        `Somebody changed this plan while you were at it: you had version ${version}, it is now ${now.version}.`,
        undefined,
        { yours: version, current: await this.pour(id) },
      );
    return this.pour(id);
  }
}
