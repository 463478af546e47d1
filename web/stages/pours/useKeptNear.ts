import { useEffect } from 'react';
import { getJson } from '../../sync/api.ts';
import { logStore } from '../../sync/log-store.ts';

/** It is fetched when what is looked at is there, ms. */
const LATER_MS = 2500;

/** The pour that is next is fetched with its log: whoever looked at the list can open it without signal. */
export function useKeptNear(pourId: string | undefined): void {
  useEffect(() => {
    if (!pourId) return undefined;
    const timer = setTimeout(() => {
      // Without signal what is kept here stays as it is.
      void getJson(`/api/pours/${pourId}`).catch(() => undefined);
      void logStore(pourId)
        .pull()
        .catch(() => undefined);
    }, LATER_MS);
    return () => {
      clearTimeout(timer);
    };
  }, [pourId]);
}
