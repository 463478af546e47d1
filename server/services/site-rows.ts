import type { Transaction } from 'kysely';
import type { SiteFile } from '../../contract/index.ts';
import {
  isBegun,
  type EventKind,
  isClosed,
  type LogEvent,
  type PourState,
  replay,
} from '#core/log';
import { type PourDoc, pourDocSchema } from '#core/model';
import { notFound, ProblemError } from '../problems.ts';
import type { Tables } from '../store/tables.ts';
import { readStored } from '../store/stored-site.ts';

/** Sites and pours as rows, within a transaction. */
export type Tx = Transaction<Tables>;

export const stale = (yours: number, now: number): ProblemError =>
  new ProblemError(
    409,
    'Changed meanwhile',
    `Somebody changed this site while you were at it: you had version ${yours}, it is now ${now}. Look at it again.`,
  );
/** The site as it stands. */
export async function siteOf(tx: Tx, id: string): Promise<SiteFile> {
  const row = await tx.selectFrom('site').select('doc').where('id', '=', id).executeTakeFirst();
  if (!row) throw notFound(`site ${id}`);
  return readStored(row.doc).site;
}

/** The site as it stands, when it is at the version that was read. */
export async function siteAt(tx: Tx, id: string, version: number): Promise<SiteFile> {
  const row = await tx.selectFrom('site').selectAll().where('id', '=', id).executeTakeFirst();
  if (!row) throw notFound(`site ${id}`);
  if (row.version !== version) throw stale(version, row.version);
  return readStored(row.doc).site;
}

/** The same, when it is not out of the way: nothing of an archived site is changed but that. */
export async function openSiteAt(tx: Tx, id: string, version: number): Promise<SiteFile> {
  return refuseArchived(await siteAt(tx, id, version));
}

/** Says what to do first with a site that is archived. */
export function refuseArchived(site: SiteFile): SiteFile {
  if (site.archived)
    throw new ProblemError(
      409,
      'Archived',
      `${site.name} is archived: bring it back first, on the site’s own screen.`,
    );
  return site;
}

/** A pour as it is stored. */
export interface PourRow {
  id: string;
  version: number;
  doc: PourDoc;
}

export async function poursOf(tx: Tx, siteId: string): Promise<PourRow[]> {
  const rows = await tx
    .selectFrom('pour')
    .selectAll()
    .where('site_id', '=', siteId)
    .orderBy('id')
    .execute();
  return rows.map(({ id, version, doc }) => ({
    id,
    version,
    doc: pourDocSchema.parse(JSON.parse(doc)),
  }));
}

export async function storeSite(
  tx: Tx,
  id: string,
  version: number,
  file: SiteFile,
): Promise<void> {
  const { pours: _ownRows, ...site } = file;
  await tx
    .updateTable('site')
    .set({ version, doc: JSON.stringify(site) })
    .where('id', '=', id)
    .execute();
}

export async function storePour(tx: Tx, id: string, version: number, doc: PourDoc): Promise<void> {
  await tx
    .updateTable('pour')
    .set({ version, doc: JSON.stringify(doc) })
    .where('id', '=', id)
    .execute();
}

/** How many entries the log of a pour holds. */
export async function entriesOf(tx: Tx, pourId: string): Promise<number> {
  const { n } = await tx
    .selectFrom('pour_event')
    .select((is) => is.fn.countAll<number>().as('n'))
    .where('pour_id', '=', pourId)
    .executeTakeFirstOrThrow();
  return Number(n);
}

/** What of a pour's log is of some kinds, and what takes it back. */
async function stateOf(tx: Tx, pourId: string, kinds: EventKind[]): Promise<PourState> {
  const rows = await tx
    .selectFrom('pour_event')
    .select(['id', 'at', 'kind', 'body', 'actor', 'supersedes'])
    .where('pour_id', '=', pourId)
    .where('kind', 'in', [...kinds, 'supersede'])
    .orderBy('seq')
    .execute();
  return replay(rows.map((r) => ({ ...r, body: JSON.parse(r.body) as unknown }) as LogEvent));
}

/** What of a pour's log says what has been begun, by the core's own rule. */
export const placingOf = (tx: Tx, pourId: string): Promise<PourState> =>
  stateOf(tx, pourId, ['place-start']);

/** Whether a pour is closed, and was not opened again. */
export const isShut = async (tx: Tx, pourId: string): Promise<boolean> =>
  isClosed(await stateOf(tx, pourId, ['close', 'reopen']));

/** Nothing of what is planned changes under a closed pour. */
export async function refuseShut(tx: Tx, pourId: string, code: string): Promise<void> {
  if (await isShut(tx, pourId))
    throw new ProblemError(
      409,
      'Closed',
      `${code} is closed: it stands as it was poured. Open it again first, on Cure, and say why.`,
    );
}

/** Whether placing has begun: an entry says so that nobody took back. */
export const isStarted = async (tx: Tx, pourId: string): Promise<boolean> =>
  isBegun(await placingOf(tx, pourId));
