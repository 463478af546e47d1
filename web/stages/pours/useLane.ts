import { useEffect, useMemo, useSyncExternalStore } from 'react';
import type { PourAnswer } from '../../../contract/index.ts';
import { curingIn, viewOf } from '#core/view';
import { useCuringAir } from '../../app/useCuringAir.ts';
import { logStore } from '../../sync/log-store.ts';

/**
 * What a lane needs of a pour, from the same core as its stages: nothing is said of it before its log
 * has come. Null where its site has no such mix or plant.
 */
export function useLane(record: PourAnswer, nowMs: number) {
  const store = useMemo(() => logStore(record.id), [record.id]);
  const log = useSyncExternalStore(store.watch, store.snapshot);
  useEffect(() => {
    void store.pull().catch(() => undefined);
  }, [store]);
  const view = viewOf(record, log.state, nowMs);
  const air = useCuringAir(record, view?.progress.finishedMs ?? null, nowMs);
  const reading = !log.loaded || !log.heard || air === null;
  return useMemo(() => {
    if (reading) return 'reading';
    return view && { ...view, curing: curingIn(record, view, log.state, nowMs, air ?? []) };
  }, [reading, record, view, log.state, nowMs, air]);
}

/** A pour whose log has come. */
export type LaneKnown = Exclude<NonNullable<ReturnType<typeof useLane>>, 'reading'>;
