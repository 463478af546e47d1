import { createHash } from 'node:crypto';
import fs from 'node:fs/promises';
import path from 'node:path';
import type { PhotoAnswer } from '../../contract/index.ts';
import { reencode } from '../photos/reencode.ts';
import { notFound, ProblemError } from '../problems.ts';
import type { Db } from './tables.ts';

/** Pictures of a pour: files beside the database, a row each. The log says what each shows. */
export class PhotoStore {
  readonly #db: Db;
  readonly #folder: string;
  /** The last try to store each photo that is being taken in. */
  readonly #underWay = new Map<string, Promise<unknown>>();
  constructor(db: Db, dataDir: string) {
    this.#db = db;
    this.#folder = path.join(dataDir, 'photos');
  }

  #file(id: string, small: boolean): string {
    return path.join(this.#folder, `${id}${small ? '-small' : ''}.jpg`);
  }

  /** Stores a photo once; the same id again is answered as it was stored. */
  async put(
    pourId: string,
    id: string,
    bytes: Buffer,
    keepPosition: boolean,
    by: string,
  ): Promise<PhotoAnswer> {
    // A device that hears no answer sends again while the first is still being taken in: they are one, after the other.
    const before = this.#underWay.get(id) ?? Promise.resolve();
    const mine = before
      .catch(() => undefined)
      .then(() => this.#putNow(pourId, id, bytes, keepPosition, by));
    this.#underWay.set(id, mine);
    try {
      return await mine;
    } finally {
      if (this.#underWay.get(id) === mine) this.#underWay.delete(id);
    }
  }

  async #putNow(
    pourId: string,
    id: string,
    bytes: Buffer,
    keepPosition: boolean,
    by: string,
  ): Promise<PhotoAnswer> {
    const pour = await this.#db
      .selectFrom('pour')
      .select('id')
      .where('id', '=', pourId)
      .executeTakeFirst();
    if (!pour) throw notFound(`pour ${pourId}`);
    const known = await this.#row(id);
    if (known && known.pour_id !== pourId)
      throw new ProblemError(409, 'Already used', 'That photo is already in another pour.', [
        { path: 'photoId', message: 'is already used in another pour' },
      ]);
    if (known) return { id, width: known.width, height: known.height, bytes: known.bytes };
    const made = await reencode(bytes, keepPosition);
    await fs.mkdir(this.#folder, { recursive: true });
    // The files are whole on disk before the row says so: a kill in between leaves a file without a
    // row, and the device sends again.
    await writeWhole(this.#file(id, false), made.full);
    await writeWhole(this.#file(id, true), made.thumb);
    await this.#db
      .insertInto('photo')
      .values({
        id,
        pour_id: pourId,
        width: made.width,
        height: made.height,
        bytes: made.full.length,
        sha256: createHash('sha256').update(made.full).digest('hex'),
        stored_by: by,
        stored_at: new Date().toISOString(),
      })
      .onConflict((c) => c.column('id').doNothing())
      .execute();
    return { id, width: made.width, height: made.height, bytes: made.full.length };
  }

  async read(pourId: string, id: string, small: boolean): Promise<Buffer> {
    const row = await this.#row(id);
    if (!row || row.pour_id !== pourId)
      throw notFound('such photo here: it has not come from the device it was taken on yet');
    return fs.readFile(this.#file(id, small));
  }

  /**
   * Thumbs of those that have come, as data addresses; for the report. One whose file is gone is
   * left out, so that the rest can be printed.
   */
  async smallOnes(pourId: string, ids: string[]): Promise<Record<string, string>> {
    const out: Record<string, string> = {};
    for (const id of ids) {
      const row = await this.#row(id);
      const thumb = row?.pour_id === pourId ? await whereThere(this.#file(id, true)) : null;
      if (thumb) out[id] = `data:image/jpeg;base64,${thumb.toString('base64')}`;
    }
    return out;
  }

  /** A picture that belongs to no pour: its file alone; whoever keeps it keeps its row. */
  async putPicture(id: string, bytes: Buffer): Promise<{ width: number; height: number }> {
    const made = await reencode(bytes, false);
    await fs.mkdir(this.#folder, { recursive: true });
    await writeWhole(this.#file(id, false), made.full);
    return { width: made.width, height: made.height };
  }

  async readPicture(id: string): Promise<Buffer> {
    return fs.readFile(this.#file(id, false));
  }

  /** Takes files away whose rows are gone already. */
  async drop(ids: readonly string[]): Promise<void> {
    for (const id of ids)
      for (const small of [false, true]) await fs.rm(this.#file(id, small), { force: true });
  }

  #row(id: string) {
    return this.#db.selectFrom('photo').selectAll().where('id', '=', id).executeTakeFirst();
  }
}

async function whereThere(file: string): Promise<Buffer | null> {
  try {
    return await fs.readFile(file);
  } catch (e) {
    if ((e as NodeJS.ErrnoException).code === 'ENOENT') return null;
    throw e;
  }
}

async function writeWhole(file: string, bytes: Buffer): Promise<void> {
  const part = `${file}.part`;
  const handle = await fs.open(part, 'w');
  try {
    await handle.writeFile(bytes);
    await handle.sync();
  } finally {
    await handle.close();
  }
  await fs.rename(part, file);
}
