import { useSyncExternalStore } from 'react';

const query = window.matchMedia('(min-width: 840px)');
const subscribe = (heard: () => void) => {
  query.addEventListener('change', heard);
  return () => {
    query.removeEventListener('change', heard);
  };
};
/** True where the whole rail fits beside the clock. */
export const useWide = (): boolean => useSyncExternalStore(subscribe, () => query.matches);
