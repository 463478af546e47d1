import SqliteDatabase from 'better-sqlite3';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { verifyLines } from '../log/chain.ts';

/** What a store holds, when all of it is whole. */
export interface StoreCheck {
  sites: number;
  pours: number;
  entries: number;
  photos: number;
}

/** Columns that a store of an earlier version may not have, as the chain calls them. */
const LATER = { written_at: 'writtenAt', plan_hash: 'planHash' } as const;

/** The rows of a pour's log as they are hashed. */
function rowsSql(db: SqliteDatabase.Database): string {
  const columns = new Set(
    (
      db.prepare("select name from pragma_table_info('pour_event')").all() as { name: string }[]
    ).map((c) => c.name),
  );
  const later = Object.entries(LATER)
    .filter(([column]) => columns.has(column))
    .map(([column, name]) => `, ${column} as ${name}`);
  return `select id, pour_id as pourId, seq, at, recorded_at as recordedAt, actor, device, kind, body, supersedes,
    prev_hash as prevHash, hash${later.join('')} from pour_event where pour_id = ? order by seq`;
}

/**
 * Checks a folder with a store in it: the file, every chain, every photo by its sum.
 * @param photosDir where its photos lie
 * @throws Error that says what is not whole
 */
export async function verifyStore(
  dir: string,
  photosDir = path.join(dir, 'photos'),
): Promise<StoreCheck> {
  const file = path.join(dir, 'jactum.sqlite');
  if (!fs.existsSync(file)) throw new Error('There is no store in it.');
  const db = new SqliteDatabase(file, { readonly: true });
  try {
    const [row] = db.pragma('integrity_check(1)') as { integrity_check: string }[];
    if (row?.integrity_check !== 'ok')
      throw new Error(`Its store is damaged: ${row?.integrity_check ?? 'no answer'}.`);
    const pours = db.prepare('select id from pour').all() as { id: string }[];
    let entries = 0;
    for (const { id } of pours) entries += chainLength(db, id);
    checkPlans(db);
    const photos = db.prepare('select id, sha256 from photo').all() as {
      id: string;
      sha256: string;
    }[];
    for (const p of photos) await checkPhoto(photosDir, p);
    const { n } = db.prepare('select count(*) as n from site').get() as { n: number };
    return { sites: n, pours: pours.length, entries, photos: photos.length };
  } finally {
    db.close();
  }
}

/** Every plan that is kept is as it was. */
function checkPlans(db: SqliteDatabase.Database): void {
  if (!db.prepare("select 1 from sqlite_master where name = 'kept_plan'").get()) return;
  const plans = db.prepare('select hash, doc from kept_plan').all() as {
    hash: string;
    doc: string;
  }[];
  for (const { hash, doc } of plans)
    if (createHash('sha256').update(doc).digest('hex') !== hash)
      throw new Error(`A kept plan (${hash.slice(0, 12)}) is not as it was stored.`);
}

function chainLength(db: SqliteDatabase.Database, pourId: string): number {
  const rows = db.prepare(rowsSql(db)).all(pourId) as { body: string }[];
  const lines = rows.map((r) => JSON.stringify({ ...r, body: JSON.parse(r.body) as unknown }));
  const chain = verifyLines(lines);
  if (!chain.ok) throw new Error(`The log of pour ${pourId} is broken at entry ${chain.line}.`);
  return rows.length;
}

async function checkPhoto(
  dir: string,
  { id, sha256 }: { id: string; sha256: string },
): Promise<void> {
  const file = path.join(dir, `${id}.jpg`);
  const bytes = await fs.promises.readFile(file).catch(() => null);
  if (!bytes)
    throw new Error(
      `Photo ${id} is missing. The photos of a day’s backup lie in “photos” beside it: both are wanted.`,
    );
  if (createHash('sha256').update(bytes).digest('hex') !== sha256)
    throw new Error(`Photo ${id} is not as it was stored.`);
}
