import { localDb, type OutboxRow } from './local-db.ts';
import { currentSender } from './sender.ts';

/** What waits on this device for a pour, oldest first. */
export async function outboxOf(pourId: string): Promise<OutboxRow[]> {
  const rows = await (await localDb()).getAllFromIndex('outbox', 'pour', pourId);
  return rows.sort((a, b) => a.order - b.order);
}

/** What is unsent of who is signed in: only under their own session does it go out. */
export async function ownRows(pourId: string): Promise<OutboxRow[]> {
  const sender = currentSender();
  return (await outboxOf(pourId)).filter((r) => r.event.actor === sender);
}

/** How much waits here, and whose it is that somebody else has to sign in for. */
export async function waitingRows(pourId: string): Promise<{ unsent: number; others: string[] }> {
  const rows = await outboxOf(pourId);
  const sender = currentSender();
  const others = [...new Set(rows.map((r) => r.event.actor).filter((a) => a !== sender))];
  return { unsent: rows.length, others };
}
