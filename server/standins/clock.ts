import type { Db } from '../store/tables.ts';

/**
 * The site clock: the machine's, moved by an offset. In the demo it starts at the scenario's
 * morning and can be put forward.
 */
export interface SiteClock {
  now(): Date;
  settable: boolean;
  advance(minutes: number): Promise<void>;
  /** Calls back when the clock was put forward; returns its own undo. */ listen(
    heard: () => void,
  ): () => void;
}

const NAME = 'clock_offset_ms';

export async function siteClock(db: Db, demoStart: Date | null): Promise<SiteClock> {
  const saved = await db
    .selectFrom('setting')
    .select('value')
    .where('name', '=', NAME)
    .executeTakeFirst();
  const first = demoStart ? demoStart.getTime() - Date.now() : 0;
  let offset = saved ? Number(saved.value) : first;
  const save = async () => {
    await db
      .insertInto('setting')
      .values({ name: NAME, value: String(offset) })
      .onConflict((c) => c.column('name').doUpdateSet({ value: String(offset) }))
      .execute();
  };
  if (demoStart && !saved) await save();
  const heard = new Set<() => void>();
  return {
    now: () => new Date(Date.now() + offset),
    settable: demoStart !== null,
    advance: async (minutes) => {
      offset += minutes * 60_000;
      await save();
      for (const tell of heard) tell();
    },
    listen: (tell) => {
      heard.add(tell);
      return () => {
        heard.delete(tell);
      };
    },
  };
}
