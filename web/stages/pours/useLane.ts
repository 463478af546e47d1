import { useEffect, useMemo, useSyncExternalStore } from 'react';
import type { PourAnswer } from '../../../contract/index.ts';
import { curingIn, viewOf } from '#core/view';
import { useCuringAir } from '../../app/useCuringAir.ts';
import { logStore } from '../../sync/log-store.ts';

/** What a lane needs of a pour, from the same core as its stages. */
export function useLane(record: PourAnswer, nowMs: number) {
  const store = useMemo(() => logStore(record.id), [record.id]);
  const log = useSyncExternalStore(store.watch, store.snapshot);
  useEffect(() => {
    void store.pull().catch(() => undefined);
  }, [store]);
  const view = viewOf(record, log.state, nowMs);
  const air = useCuringAir(record, view?.progress.finishedMs ?? null, nowMs);
  return useMemo(
    () => view && { ...view, curing: curingIn(record, view, log.state, nowMs, air) },
    [record, view, log.state, nowMs, air],
  );
}
