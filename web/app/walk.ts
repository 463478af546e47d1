import { useSyncExternalStore } from 'react';
import type { Walk } from '#core/check';

/** Which way round the checks are walked; kept on this device. */
const KEY = 'jactum-walk';
const heard = new Set<() => void>();
const read = (): Walk => (localStorage.getItem(KEY) === 'route' ? 'route' : 'kind');
export const setWalk = (walk: Walk): void => {
  localStorage.setItem(KEY, walk);
  for (const h of heard) h();
};
export const useWalk = (): Walk =>
  useSyncExternalStore((h) => {
    heard.add(h);
    return () => {
      heard.delete(h);
    };
  }, read);
