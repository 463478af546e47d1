import type { PourAnswer, SiteAnswer, SiteFile, SiteVersion } from '../../contract/index.ts';
import { siteFileSchema } from '../../contract/index.ts';
import { codeKey } from '#core/kit';
import { pourChangeRefusal, splitPour, type PourCut, type SiteHead } from '#core/begin';
import type { PourDoc } from '#core/model';
import { drawnOf, EditRefused } from '#core/siteplan';
import { notFound, notStored, parse, ProblemError } from '../problems.ts';
import type { Db } from '../store/tables.ts';
import type { PhotoStore } from '../store/photos.ts';
import type { SiteStore } from '../store/sites.ts';
import { putPlan } from './site-changes.ts';
import {
  entriesOf,
  isShut,
  isStarted,
  openSiteAt,
  poursOf,
  refuseArchived,
  refuseShut,
  siteAt,
  siteOf,
  stale,
  storePour,
  storeSite,
  type Tx,
} from './site-rows.ts';

interface By {
  by: string;
  at: string;
}

/** What of a site's head is changed; a currency of null goes back to bare figures. */
type HeadChange = Partial<Omit<SiteHead, 'currency'>> & {
  currency?: string | null | undefined;
  archived?: boolean | undefined;
};

function withCurrency(site: SiteFile, currency: string | null | undefined): SiteFile {
  if (currency === undefined) return site;
  const { currency: _had, ...rest } = site;
  return currency === null ? rest : { ...rest, currency };
}

/** How sites and pours come to be, change what they are, and end. */
export class SiteLife {
  readonly #db: Db;
  readonly #sites: SiteStore;
  readonly #photos: PhotoStore;
  constructor(db: Db, sites: SiteStore, photos: PhotoStore) {
    this.#db = db;
    this.#sites = sites;
    this.#photos = photos;
  }

  async site(id: string): Promise<SiteAnswer<SiteFile>> {
    const { version } = await this.#db
      .selectFrom('site')
      .select('version')
      .where('id', '=', id)
      .executeTakeFirstOrThrow(() => notFound(`site ${id}`));
    const site = await this.#sites.export(id);
    const logged = await this.#db.transaction().execute((tx) => isLogged(tx, id));
    return { id, version, site, logged };
  }

  /**
   * Makes a site under the id its device gave it. The same again, because the answer was not heard,
   * is answered as it stands.
   */
  async create(id: string, file: SiteFile): Promise<{ id: string; pours: { id: string }[] }> {
    const there = (await this.#sites.list()).some((s) => s.id === id);
    if (!there) return this.#sites.import(file, id);
    const pours = (await this.#sites.pours()).filter((p) => p.siteId === id);
    return { id, pours };
  }

  /** What a site is called, where it is and what it keeps to; the rules only while nothing was logged by others. */
  async head(
    id: string,
    version: number,
    { currency, ...change }: HeadChange,
  ): Promise<SiteVersion> {
    return this.#db.transaction().execute(async (tx): Promise<SiteVersion> => {
      const site = await siteAt(tx, id, version);
      // Of what is archived only that is taken back.
      if (change.archived !== false) refuseArchived(site);
      const profile = change.ruleProfile ?? site.ruleProfile;
      if (profile !== site.ruleProfile && (await isLogged(tx, id)))
        throw notStored('The site', [
          { path: 'ruleProfile', message: 'cannot change: its pours were logged by other rules' },
        ]);
      const pours = (await poursOf(tx, id)).map((r) => r.doc);
      const whole = parse(
        siteFileSchema,
        { ...withCurrency(site, currency), ...change, pours },
        'The site',
      );
      await storeSite(tx, id, version + 1, whole);
      await tx.updateTable('site').set({ name: whole.name }).where('id', '=', id).execute();
      return { version: version + 1 };
    });
  }

  /** Takes a site away for good: only one on which nothing was logged, or that was made up to look round. */
  async remove(id: string): Promise<void> {
    const gone = await this.#db.transaction().execute(async (tx) => {
      const site = await siteOf(tx, id);
      if (!site.madeUp && (await isLogged(tx, id)))
        throw new ProblemError(
          409,
          'Not removed',
          `Something was logged on ${site.name}: it is kept. Archive it instead.`,
        );
      const pictures = await picturesOf(tx, id);
      const photos = [];
      for (const row of await poursOf(tx, id)) photos.push(...(await removePour(tx, row.id)));
      await tx.deleteFrom('underlay').where('site_id', '=', id).execute();
      await tx.deleteFrom('setting').where('name', '=', `forecast ${id}`).execute();
      await tx.deleteFrom('site').where('id', '=', id).execute();
      return [...photos, ...pictures];
    });
    await this.#photos.drop(gone);
  }

  /** Makes a pour under the id its device gave it; a code that was taken meanwhile is said. */
  async createPour(id: string, siteId: string, pour: PourDoc): Promise<PourAnswer> {
    await this.#db.transaction().execute(async (tx) => {
      const known = await tx
        .selectFrom('pour')
        .select('id')
        .where('id', '=', id)
        .executeTakeFirst();
      if (known) return;
      const site = refuseArchived(await siteOf(tx, siteId));
      const rows = await poursOf(tx, siteId);
      refuseTaken(rows, pour.code);
      parse(siteFileSchema, { ...site, pours: [...rows.map((r) => r.doc), pour] }, 'The pour');
      await insertPour(tx, id, siteId, pour);
    });
    return this.#sites.pour(id);
  }

  /** Another title, date, mix… of a pour, or its standing, over the version that was read. */
  async changePour(id: string, version: number, pour: PourDoc, by: By): Promise<PourAnswer> {
    await this.#db.transaction().execute(async (tx) => {
      const row = await tx.selectFrom('pour').selectAll().where('id', '=', id).executeTakeFirst();
      if (!row) throw notFound(`pour ${id}`);
      if (row.version !== version) throw stale(version, row.version);
      const site = refuseArchived(await siteOf(tx, row.site_id));
      const rows = await poursOf(tx, row.site_id);
      const was = rows.find((r) => r.id === id)?.doc ?? pour;
      const refusal = pourChangeRefusal(was, pour, {
        started: await isStarted(tx, id),
        closed: await isShut(tx, id),
      });
      if (refusal) throw notStored('The pour', [refusal]);
      refuseTaken(
        rows.filter((r) => r.id !== id),
        pour.code,
      );
      const docs = rows.map((r) => (r.id === id ? { ...pour, elements: was.elements } : r.doc));
      parse(siteFileSchema, { ...site, pours: docs }, 'The pour');
      await storePour(tx, id, version + 1, { ...pour, elements: was.elements });
      if (JSON.stringify(pour.elements) === JSON.stringify(was.elements)) return;
      // What belongs to the pour is a change of the plan, and kept as one.
      const { version: siteVersion } = await tx
        .selectFrom('site')
        .select('version')
        .where('id', '=', row.site_id)
        .executeTakeFirstOrThrow();
      const drawn = drawnOf(site, docs);
      // What it takes over leaves the pour that had it.
      const taken = new Set(pour.elements.filter((e) => !was.elements.includes(e)));
      const pours = drawn.pours.map((p) => ({
        ...p,
        elements: p.code === pour.code ? pour.elements : p.elements.filter((e) => !taken.has(e)),
      }));
      const left = pours.find((p) => p.elements.length === 0);
      if (left)
        throw notStored('The pour', [
          { path: 'pour.elements', message: `takes all there is of ${left.code}` },
        ]);
      await putPlan(tx, row.site_id, siteVersion, { ...drawn, pours }, by);
    });
    return this.#sites.pour(id);
  }

  /** Cuts a pour in two at a bulkhead, over the version of the site that was read. */
  async split(
    id: string,
    version: number,
    cut: PourCut,
    second: { id: string; code: string },
    by: By,
  ): Promise<PourAnswer> {
    await this.#db.transaction().execute(async (tx) => {
      const row = await tx.selectFrom('pour').selectAll().where('id', '=', id).executeTakeFirst();
      if (!row) throw notFound(`pour ${id}`);
      const known = await tx
        .selectFrom('pour')
        .select('id')
        .where('id', '=', second.id)
        .executeTakeFirst();
      if (known) return;
      const site = await openSiteAt(tx, row.site_id, version);
      const rows = await poursOf(tx, row.site_id);
      const pour = rows.find((r) => r.id === id)?.doc;
      await refuseShut(tx, id, pour?.code ?? 'It');
      if (await isStarted(tx, id))
        throw new ProblemError(
          409,
          'Not cut',
          `${pour?.code ?? 'It'} is being poured: close it where it stands instead.`,
        );
      const { plan, pour: made } = attempt(() =>
        splitPour(
          site,
          rows.map((r) => r.doc),
          pour?.code ?? '',
          cut,
          second.code,
        ),
      );
      await insertPour(tx, second.id, row.site_id, { ...made, elements: pour?.elements ?? [] });
      await putPlan(tx, row.site_id, version, plan, by);
    });
    return this.#sites.pour(second.id);
  }

  /** Takes a pour away for good: only one of which nothing was logged. */
  async removePour(id: string): Promise<void> {
    const gone = await this.#db.transaction().execute(async (tx) => {
      const row = await tx.selectFrom('pour').selectAll().where('id', '=', id).executeTakeFirst();
      if (!row) throw notFound(`pour ${id}`);
      if ((await entriesOf(tx, id)) > 0)
        throw new ProblemError(
          409,
          'Not removed',
          'Something was logged on it: it is kept. Call it off or archive it instead.',
        );
      return removePour(tx, id);
    });
    await this.#photos.drop(gone);
  }
}

/** Does it, or says in words why the plan does not allow it. */
function attempt<T>(act: () => T): T {
  try {
    return act();
  } catch (e) {
    if (!(e instanceof EditRefused)) throw e;
    throw new ProblemError(400, 'Bad input', `The pour was not cut: ${e.message}`, [
      { path: 'element', message: e.message },
    ]);
  }
}

function refuseTaken(rows: readonly { doc: PourDoc }[], code: string): void {
  // What looks the same on a ticket is the same.
  if (rows.every((r) => codeKey(r.doc.code) !== codeKey(code))) return;
  throw new ProblemError(
    409,
    'Code taken',
    `There is a pour ${code} on this site already: give this one another code.`,
    [{ path: 'pour.code', message: 'is taken' }],
  );
}

async function insertPour(tx: Tx, id: string, siteId: string, doc: PourDoc): Promise<void> {
  await tx
    .insertInto('pour')
    .values({ id, site_id: siteId, version: 1, doc: JSON.stringify(doc) })
    .execute();
}

/** Takes the rows of a pour away; answers the photos whose files go with it. */
async function removePour(tx: Tx, id: string): Promise<string[]> {
  const photos = await tx.selectFrom('photo').select('id').where('pour_id', '=', id).execute();
  await tx.deleteFrom('pour_event').where('pour_id', '=', id).execute();
  await tx.deleteFrom('photo').where('pour_id', '=', id).execute();
  await tx.deleteFrom('pour').where('id', '=', id).execute();
  return photos.map((p) => p.id);
}

const picturesOf = async (tx: Tx, siteId: string): Promise<string[]> =>
  (await tx.selectFrom('underlay').select('picture').where('site_id', '=', siteId).execute()).map(
    (u) => u.picture,
  );

/** Whether anything was logged on any pour of a site. */
async function isLogged(tx: Tx, siteId: string): Promise<boolean> {
  for (const { id } of await poursOf(tx, siteId)) if ((await entriesOf(tx, id)) > 0) return true;
  return false;
}
