import { createHash } from 'node:crypto';
import type { EventKind } from '#core/log';
import { canonicalJson } from '../log/chain.ts';
import { notFound } from '../problems.ts';
import type { Db } from './tables.ts';

/** A plan as it stood when something was signed, begun or closed on it: the site and the pour as stored. */
export interface KeptPlan {
  siteVersion: number;
  pourVersion: number;
  site: unknown;
  pour: unknown;
}

/** Entries that say on which plan they were made. */
export const ON_A_PLAN: ReadonlySet<EventKind> = new Set<EventKind>([
  'sign',
  'place-start',
  'close',
]);

/** What a plan is named by in the chain: SHA-256 over its canonical JSON. */
const planHashOf = (plan: unknown): string =>
  createHash('sha256').update(canonicalJson(plan)).digest('hex');

/** Keeps the plan of a pour as it stands now, once however often it is asked for; answers its hash. */
export async function keepPlan(tx: Db, pourId: string): Promise<string> {
  const row = await tx
    .selectFrom('pour')
    .innerJoin('site', 'site.id', 'pour.site_id')
    .select([
      'pour.doc as pour',
      'pour.version as pourVersion',
      'site.doc as site',
      'site.version as siteVersion',
    ])
    .where('pour.id', '=', pourId)
    .executeTakeFirst();
  if (!row) throw notFound(`pour ${pourId}`);
  const plan: KeptPlan = {
    siteVersion: row.siteVersion,
    pourVersion: row.pourVersion,
    site: JSON.parse(row.site) as unknown,
    pour: JSON.parse(row.pour) as unknown,
  };
  const hash = planHashOf(plan);
  await tx
    .insertInto('kept_plan')
    .values({ hash, doc: canonicalJson(plan) })
    .onConflict((c) => c.column('hash').doNothing())
    .execute();
  return hash;
}

/** Kept plans by their hashes, in that order; those that are not there are left out. */
export async function keptPlans(db: Db, hashes: readonly string[]): Promise<[string, KeptPlan][]> {
  const rows = hashes.length
    ? await db.selectFrom('kept_plan').selectAll().where('hash', 'in', hashes).execute()
    : [];
  const docs = new Map(rows.map((r) => [r.hash, JSON.parse(r.doc) as KeptPlan]));
  return [...new Set(hashes)].flatMap((hash): [string, KeptPlan][] => {
    const plan = docs.get(hash);
    return plan ? [[hash, plan]] : [];
  });
}

/** The closing that a pour stands closed by; null while it is open. */
async function closingOf(db: Db, pourId: string): Promise<{ plan_hash: string | null } | null> {
  const rows = await db
    .selectFrom('pour_event')
    .select(['id', 'kind', 'seq', 'plan_hash'])
    .where('pour_id', '=', pourId)
    .where('kind', 'in', ['close', 'reopen'])
    .execute();
  if (rows.length === 0) return null;
  const back = await db
    .selectFrom('pour_event')
    .select('supersedes')
    .where('pour_id', '=', pourId)
    .where(
      'supersedes',
      'in',
      rows.map((r) => r.id),
    )
    .execute();
  const gone = new Set(back.map((r) => r.supersedes));
  const last = rows
    .filter((r) => !gone.has(r.id))
    .sort((a, b) => a.seq - b.seq)
    .at(-1);
  return last?.kind === 'close' ? last : null;
}

/** The plan that a closed pour was closed on; null while it is open. */
export async function closedOn(db: Db, pourId: string): Promise<KeptPlan | null> {
  const closing = await closingOf(db, pourId);
  if (!closing) return null;
  // One that was closed before its closing named its plan stands on the plan of the upgrade.
  const before = await db
    .selectFrom('closed_plan')
    .select('hash')
    .where('pour_id', '=', pourId)
    .executeTakeFirst();
  const hash = closing.plan_hash ?? before?.hash;
  return hash === undefined ? null : ((await keptPlans(db, [hash]))[0]?.[1] ?? null);
}

/** Keeps the plans of pours that were closed before closings named theirs: as they are now, they stay. */
export async function keepClosedPlans(db: Db): Promise<void> {
  for (const { id } of await db.selectFrom('pour').select('id').execute()) {
    const closing = await closingOf(db, id);
    if (closing?.plan_hash !== null) continue;
    const hash = await keepPlan(db, id);
    await db.insertInto('closed_plan').values({ pour_id: id, hash }).execute();
  }
}
