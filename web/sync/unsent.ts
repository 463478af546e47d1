import { localDb } from './local-db.ts';

/** What of a person's waits on this device, of any pour. */
export async function unsentOf(name: string): Promise<{ entries: number; photos: number }> {
  const db = await localDb();
  const [outbox, photos] = await Promise.all([db.getAll('outbox'), db.getAll('photos')]);
  return {
    entries: outbox.filter((r) => r.event.actor === name).length,
    photos: photos.filter((r) => (r.author ?? name) === name && r.refused === null).length,
  };
}
