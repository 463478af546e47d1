import type { SessionAnswer } from '../../contract/index.ts';
import { NoSignal, sendJson } from './api.ts';
import { forgetLogs } from './local-db.ts';

/** Somebody signed out here without signal: the server is told as soon as it can be heard. */
const KEY = 'jactum-signed-out';

export const signedOutHere = (): boolean => localStorage.getItem(KEY) !== null;

/** Somebody has signed in here: the session that was left open is ended by that. */
export const signedInHere = (): void => {
  localStorage.removeItem(KEY);
};

/** Forgets what this device keeps of who was signed in; what is unsent stays until it is sent. */
export async function forgetPerson(): Promise<void> {
  await forgetLogs();
  if (!('caches' in window)) return;
  const kept = (await caches.keys()).filter((name) => !name.includes('precache'));
  await Promise.all(kept.map((name) => caches.delete(name)));
}

/** Signs out, with or without signal. Null when the server could not be told yet. */
export async function signOutHere(): Promise<SessionAnswer | null> {
  localStorage.setItem(KEY, '1');
  await forgetPerson();
  return tellServer();
}

/** Ends the session that was left open for want of signal. Null when there is none still. */
export async function tellServer(): Promise<SessionAnswer | null> {
  try {
    const answer = await sendJson<SessionAnswer>('DELETE', '/api/session');
    localStorage.removeItem(KEY);
    return answer;
  } catch (e) {
    if (e instanceof NoSignal) return null;
    throw e;
  }
}
