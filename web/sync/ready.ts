import { useSyncExternalStore } from 'react';

/**
 * Whether this device goes on without signal: its worker holds the app and what the screen was made
 * of; or, where none is in charge (plain http), every part of the app has been fetched.
 */
let partsFetched = false;
/** Said once every screen and its parts are here. */
export const tellPartsFetched = (): void => {
  partsFetched = true;
};

let workerComes = false;
/** Said while a worker is being brought in, and taken back where the browser refuses it. */
export const tellWorkerComes = (comes: boolean): void => {
  workerComes = comes;
};

const kept = async (paths: readonly string[]): Promise<boolean> => {
  const own = (await (await caches.open('api')).keys()).map((r) => new URL(r.url).pathname);
  return paths.every((p) => own.includes(p));
};

/** Pictures that were shown before the worker was in charge: it has not seen them. */
async function keepPictures(): Promise<void> {
  const cache = await caches.open('api');
  for (const { src } of document.images)
    if (src.includes('/api/') && !(await cache.match(src))) await cache.add(src);
}

/** @param paths answers that the screen cannot be opened without, as paths of the API */
async function goesWithoutSignal(paths: readonly string[]): Promise<boolean> {
  const worker = 'serviceWorker' in navigator ? navigator.serviceWorker.controller : null;
  if (worker) {
    if (worker.state !== 'activated' || !(await kept(paths))) return false;
    await keepPictures();
    return true;
  }
  return partsFetched && !workerComes;
}

const ASK_MS = 500;
const readyFor = new Set<string>();

/** True from the moment on at which a pour can be gone on with on this device without signal. */
export function useReadyWithoutSignal(pourId: string): boolean {
  return useSyncExternalStore(
    (changed) => {
      if (readyFor.has(pourId)) return () => undefined;
      const ask = setInterval(() => {
        void goesWithoutSignal(['/api/session', `/api/pours/${pourId}`])
          // Where the device refuses its store there is nothing kept.
          .catch(() => false)
          .then((ready) => {
            if (!ready) return;
            clearInterval(ask);
            readyFor.add(pourId);
            changed();
          });
      }, ASK_MS);
      return () => {
        clearInterval(ask);
      };
    },
    () => readyFor.has(pourId),
  );
}
