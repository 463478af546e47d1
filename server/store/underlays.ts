import { randomUUID } from 'node:crypto';
import { type Placement, placementSchema, type Underlay } from '../../contract/index.ts';
import { notFound } from '../problems.ts';
import type { Db } from './tables.ts';
import type { PhotoStore } from './photos.ts';

/** The picture under the plan of each site: its file lies among the photos, its place in a row. */
export class UnderlayStore {
  readonly #db: Db;
  readonly #photos: PhotoStore;
  constructor(db: Db, photos: PhotoStore) {
    this.#db = db;
    this.#photos = photos;
  }

  async of(siteId: string): Promise<Underlay | null> {
    const row = await this.#row(siteId);
    if (!row) return null;
    const { picture, width, height, placement } = row;
    return { picture, width, height, ...placementSchema.parse(JSON.parse(placement)) };
  }

  /**
   * Puts a picture under the plan in the place of what lay there.
   * @param placement where it lies until somebody says better
   */
  async put(siteId: string, bytes: Buffer, placement: Placement): Promise<Underlay> {
    const site = await this.#db
      .selectFrom('site')
      .select('id')
      .where('id', '=', siteId)
      .executeTakeFirst();
    if (!site) throw notFound(`site ${siteId}`);
    const picture = randomUUID();
    const { width, height } = await this.#photos.putPicture(picture, bytes);
    const before = await this.#row(siteId);
    const row = { picture, width, height, placement: JSON.stringify(placement) };
    await this.#db
      .insertInto('underlay')
      .values({ site_id: siteId, ...row })
      .onConflict((c) => c.column('site_id').doUpdateSet(row))
      .execute();
    if (before) await this.#photos.drop([before.picture]);
    return { picture, width, height, ...placement };
  }

  /** The picture with its place, where it is wanted on the report; null where it is not, or there is none. */
  async onReport(siteId: string) {
    const of = await this.of(siteId);
    if (!of?.onReport) return null;
    const bytes = await this.#photos.readPicture(of.picture);
    return { ...of, href: `data:image/jpeg;base64,${bytes.toString('base64')}` };
  }

  async place(siteId: string, placement: Placement): Promise<Underlay> {
    await this.#db
      .updateTable('underlay')
      .set({ placement: JSON.stringify(placement) })
      .where('site_id', '=', siteId)
      .execute();
    const now = await this.of(siteId);
    if (!now) throw notFound('picture under this plan');
    return now;
  }

  async remove(siteId: string): Promise<void> {
    const row = await this.#row(siteId);
    if (!row) return;
    await this.#db.deleteFrom('underlay').where('site_id', '=', siteId).execute();
    await this.#photos.drop([row.picture]);
  }

  async picture(siteId: string, picture: string): Promise<Buffer> {
    const row = await this.#row(siteId);
    if (row?.picture !== picture) throw notFound('such picture here');
    return this.#photos.readPicture(picture);
  }

  #row(siteId: string) {
    return this.#db
      .selectFrom('underlay')
      .selectAll()
      .where('site_id', '=', siteId)
      .executeTakeFirst();
  }
}
