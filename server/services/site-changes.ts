import {
  siteFileSchema,
  type PourAnswer,
  type Resources,
  type SiteFile,
  type SiteVersion,
} from '../../contract/index.ts';
import { begunElements } from '#core/log';
import { type PourDoc, pourDocSchema, type PourSettings } from '#core/model';
import { keepPlaced } from '#core/pourplan';
import type { RuleChange } from '#core/rules';
import { changePlan, type Drawn, drawnOf, withTopsKept } from '#core/siteplan';
import { notFound, parse, ProblemError } from '../problems.ts';
import type { Db } from '../store/tables.ts';
import type { SiteStore } from '../store/sites.ts';
import {
  isShut,
  isStarted,
  placingOf,
  type PourRow,
  poursOf,
  refuseArchived,
  refuseShut,
  openSiteAt,
  siteOf,
  storePour,
  storeSite,
  type Tx,
} from './site-rows.ts';

const refused = (detail: string, path: string, message: string): ProblemError =>
  new ProblemError(400, 'Bad input', `The plan was not stored: ${detail}.`, [{ path, message }]);

/** What a pour still names and the lists no longer hold, said by the pour's own name; null where all is there. */
function stillNamed(
  site: Pick<SiteFile, 'mixes' | 'plants' | 'conveyances' | 'mixers'>,
  pours: readonly PourDoc[],
): ProblemError | null {
  const lists = [
    ['mixes', 'mix', site.mixes.map((m) => m.mark), (p: PourDoc) => p.mix],
    ['plants', 'plant', site.plants.map((p) => p.id), (p: PourDoc) => p.plant],
    [
      'conveyances',
      'conveyance',
      site.conveyances.map((c) => c.id),
      (p: PourDoc) => p.settings.conveyance,
    ],
    ['mixers', 'mixer', site.mixers.map((m) => m.id), (p: PourDoc) => p.settings.mixer],
  ] as const;
  for (const [list, what, ids, of] of lists)
    for (const p of pours) {
      const id = of(p);
      if (id !== null && !ids.includes(id))
        return refused(`${p.code} still uses ${what} ${id}`, list, `${p.code} still uses ${id}`);
    }
  return null;
}

/** Stores another drawing within a transaction, with the runs of its pours and what it changes. */
export async function putPlan(
  tx: Tx,
  id: string,
  version: number,
  plan: Drawn,
  by: { by: string; at: string },
): Promise<SiteVersion> {
  const site = await openSiteAt(tx, id, version);
  const rows = await poursOf(tx, id);
  const was = rows.map((r) => r.doc);
  const changed = changePlan(site, was, plan, { version: version + 1, ...by });
  if (changed.kind === 'same') return { version };
  if (changed.kind === 'refused') {
    const { detail, path, message } = changed.refusal;
    throw refused(detail, `plan.${path.replace(/^plan\./, '')}`, message);
  }
  await keepPoured(tx, rows, changed.pours);
  await keepBegun(tx, rows, changed.site.planChanges.at(-1)?.elements ?? []);
  // As the schema reads it, so that every file of the site has its keys in one order.
  const whole = parse(siteFileSchema, { ...changed.site, pours: changed.pours }, 'The plan');
  await storeSite(tx, id, version + 1, whole);
  for (const [i, row] of rows.entries()) {
    const doc = changed.pours[i];
    if (doc && JSON.stringify(doc) !== JSON.stringify(row.doc))
      await storePour(tx, row.id, row.version + 1, doc);
  }
  return { version: version + 1 };
}

/** What is being poured stays in its pour: nothing is moved out of it or into it any more. */
async function keepPoured(
  tx: Tx,
  rows: readonly PourRow[],
  pours: readonly PourDoc[],
): Promise<void> {
  const owner = (list: readonly PourDoc[]) =>
    new Map(list.flatMap((p) => p.elements.map((e) => [e, p.code] as const)));
  const [was, is] = [owner(rows.map((r) => r.doc)), owner(pours)];
  const moved = [...was].filter(([e, code]) => is.has(e) && is.get(e) !== code);
  const touched = new Set(moved.flatMap(([e, code]) => [code, is.get(e) ?? '']));
  for (const row of rows) {
    if (!touched.has(row.doc.code) || !(await isStarted(tx, row.id))) continue;
    throw refused(
      `${row.doc.code} is being poured: nothing is moved out of it or into it`,
      'plan.pours',
      `${row.doc.code} has been started`,
    );
  }
}

/** What concrete flows into stands as it is: it is not taken out, moved or made another any more. */
async function keepBegun(
  tx: Tx,
  rows: readonly PourRow[],
  elements: readonly string[],
): Promise<void> {
  for (const { id, doc } of rows) {
    const touched = doc.elements.find((e) => elements.includes(e));
    if (touched === undefined || !(await isStarted(tx, id)) || (await isShut(tx, id))) continue;
    throw refused(
      `${doc.code} is being poured: ${touched} stays as it was begun`,
      'plan',
      `would change ${touched} of ${doc.code}, which has been started`,
    );
  }
}

/** Settings as they may stand: what was placed keeps its cells and its day, or the change is refused in words. */
async function placedKept(
  tx: Tx,
  id: string,
  site: SiteFile,
  next: PourDoc,
): Promise<PourSettings> {
  const begun = begunElements(await placingOf(tx, id));
  const row = await tx.selectFrom('pour').select('doc').where('id', '=', id).executeTakeFirst();
  if (begun.size === 0 || !row) return next.settings;
  const was = pourDocSchema.parse(JSON.parse(row.doc));
  if (next.date !== was.date)
    throw new ProblemError(409, 'Begun already', `${was.code} is being poured: its day stays.`, [
      { path: 'date', message: 'cannot change once concrete flows' },
    ]);
  const kept = keepPlaced(site, was, next.settings, begun);
  if ('refused' in kept)
    throw new ProblemError(409, 'Placed already', kept.refused, [
      { path: 'settings', message: `would move what was placed in ${kept.elementId}` },
    ]);
  return kept.settings;
}

/** Changes of what is planned: each over the version that was read, whole or not at all. */
export class SiteChanges {
  readonly #db: Db;
  readonly #sites: SiteStore;
  constructor(db: Db, sites: SiteStore) {
    this.#db = db;
    this.#sites = sites;
  }

  /**
   * Stores another drawing of the site over the version that was read, with the runs of its pours,
   * and writes down what it changes. Nothing changed: nothing is stored. A stale version gets 409,
   * a drawing that is not whole 400 with the path.
   */
  async plan(
    id: string,
    version: number,
    plan: Drawn,
    by: { by: string; at: string },
  ): Promise<SiteVersion> {
    return this.#db.transaction().execute((tx) => putPlan(tx, id, version, plan, by));
  }

  /**
   * Adds a change of a rule over the version that was read; a stale one gets 409. Every sign-off
   * opens again with the new version.
   */
  async rule(id: string, version: number, change: RuleChange): Promise<SiteVersion> {
    return this.#db.transaction().execute(async (tx): Promise<SiteVersion> => {
      const site = await openSiteAt(tx, id, version);
      await storeSite(tx, id, version + 1, {
        ...site,
        ruleChanges: [...site.ruleChanges, change],
      });
      return { version: version + 1 };
    });
  }

  /**
   * Puts other mixes, plants, conveyances, crew or prices in the place of those that stand, over
   * the version that was read. What a pour still names cannot go.
   */
  async resources(
    id: string,
    version: number,
    lists: Resources,
    by: { by: string; at: string },
  ): Promise<SiteVersion> {
    return this.#db.transaction().execute(async (tx): Promise<SiteVersion> => {
      const site = await openSiteAt(tx, id, version);
      // Nothing named: nothing changes.
      if (Object.values(lists).every((l) => l === undefined)) return { version };
      const { footingTypes, wallTypes, formSystems, ...stock } = lists;
      const pours = (await poursOf(tx, id)).map((r) => r.doc);
      const named = stillNamed({ ...site, ...stock }, pours);
      if (named) throw named;
      const whole = parse(
        siteFileSchema,
        { ...site, ...stock, pours },
        'What there is to plan with',
      );
      await storeSite(tx, id, version + 1, whole);
      const types = { footingTypes, wallTypes, formSystems };
      if (Object.values(types).every((l) => l === undefined)) return { version: version + 1 };
      const given = Object.fromEntries(Object.entries(types).filter(([, l]) => l !== undefined));
      const was = drawnOf(whole, pours);
      return putPlan(tx, id, version + 1, withTopsKept(was, { ...was, ...given }), by);
    });
  }

  /** Moves a pour to another day, or to none yet. */
  async day(id: string, date: string | null): Promise<void> {
    await this.#db.transaction().execute(async (tx) => {
      const row = await tx.selectFrom('pour').selectAll().where('id', '=', id).executeTakeFirst();
      if (!row) throw notFound(`pour ${id}`);
      const doc = JSON.parse(row.doc) as PourDoc;
      await refuseShut(tx, id, doc.code);
      if (doc.date !== date) await storePour(tx, id, row.version + 1, { ...doc, date });
    });
  }

  /** Writes new settings over the version that was read; a stale one gets 409 with what stands now. */
  async settings(
    id: string,
    version: number,
    settings: PourSettings,
    date?: string | null,
  ): Promise<PourAnswer> {
    const was = await this.#db.transaction().execute(async (tx): Promise<number> => {
      const row = await tx.selectFrom('pour').selectAll().where('id', '=', id).executeTakeFirst();
      if (!row) throw notFound(`pour ${id}`);
      const doc = JSON.parse(row.doc) as PourDoc;
      await refuseShut(tx, id, doc.code);
      if (settings.startAt >= doc.elements.length)
        throw refused(
          'settings.startAt is past the last run of the pour',
          'settings.startAt',
          'is past the last run of the pour',
        );
      const site = refuseArchived(await siteOf(tx, row.site_id));
      const by = settings.conveyance;
      if (by !== null && !site.conveyances.some((c) => c.id === by))
        throw refused(
          `the site has no conveyance ${by}`,
          'settings.conveyance',
          `names ${by}, which is not in conveyances`,
        );
      const { mixer } = settings;
      if (mixer !== null && !site.mixers.some((m) => m.id === mixer))
        throw refused(
          `the site has no mixer ${mixer}`,
          'settings.mixer',
          `names ${mixer}, which is not in mixers`,
        );
      const day = date === undefined ? doc.date : date;
      if (row.version === version) {
        const kept = await placedKept(tx, id, site, { ...doc, date: day, settings });
        await storePour(tx, id, version + 1, { ...doc, date: day, settings: kept });
      }
      return row.version;
    });
    const current = await this.#sites.pour(id);
    if (was === version) return current;
    throw new ProblemError(
      409,
      'Changed meanwhile',
      `Somebody changed this plan while you were at it: you had version ${version}, it is now ${was}.`,
      undefined,
      { yours: version, current },
    );
  }
}
