import { z } from 'zod';
import { pourSettingsSchema } from '#core/model';

/** As many changes can be taken back. */
const MOST = 60;

const stood = z.object({ settings: pourSettingsSchema, date: z.string().nullable() });
/** A plan as it stood, with its day. */
export type Stood = z.output<typeof stood>;
const shape = z.object({ undo: z.array(stood), redo: z.array(stood) });
/** The plans that stood before, oldest first, and those that were taken back, the last taken back at the end. */
export type History = z.output<typeof shape>;

const NONE: History = { undo: [], redo: [] };
const keyOf = (pourId: string): string => `plan-before:${pourId}`;

/**
 * What was changed on this plan in this tab: it stands after a reload. What cannot be read is as if
 * nothing had been.
 */
export function historyOf(pourId: string): History {
  try {
    const kept = sessionStorage.getItem(keyOf(pourId));
    const parsed = kept === null ? null : shape.safeParse(JSON.parse(kept));
    return parsed?.success ? parsed.data : NONE;
  } catch {
    return NONE;
  }
}

function keep(pourId: string, history: History): History {
  try {
    sessionStorage.setItem(keyOf(pourId), JSON.stringify(history));
  } catch {
    // Without room the changes of this visit can still be taken back.
  }
  return history;
}

/** After a change: what stood can come back, what was taken back cannot. */
export const changed = (pourId: string, { undo }: History, before: Stood): History =>
  keep(pourId, { undo: [...undo, before].slice(-MOST), redo: [] });

/** A change taken back, or made again: the plan to go to, and the history after it. Null where there is none. */
export function step(
  pourId: string,
  { undo, redo }: History,
  way: 'undo' | 'redo',
  now: Stood,
): { to: Stood; history: History } | null {
  const from = way === 'undo' ? undo : redo;
  const to = from.at(-1);
  if (!to) return null;
  const rest = from.slice(0, -1);
  const history =
    way === 'undo' ? { undo: rest, redo: [...redo, now] } : { undo: [...undo, now], redo: rest };
  return { to, history: keep(pourId, history) };
}
