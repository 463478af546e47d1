import { type Remote, wrap } from 'comlink';
import { useEffect, useSyncExternalStore } from 'react';
import useSWR from 'swr';
import type { PourAnswer } from '../../../contract/index.ts';
import { useCuringAir } from '../../app/useCuringAir.ts';
import { getJson } from '../../sync/api.ts';
import { logStore } from '../../sync/log-store.ts';
import type { LaneWorker } from '../../workers/lane.worker.ts';
import type { LaneRow } from './useLanes.ts';

/** What a list shows moves by the minute, ms. */
const MINUTE = 60_000;

/** Made when it is first asked, and stays. */
let kept: Remote<LaneWorker> | null = null;
const laneWorker = (): Remote<LaneWorker> => {
  kept ??= wrap<LaneWorker>(
    new Worker(new URL('../../workers/lane.worker.ts', import.meta.url), { type: 'module' }),
  );
  return kept;
};

/** How a pour stands by what this device knows of it: with what it has not sent yet. Undefined until it is read. */
export function useOwnLane(pourId: string, nowMs: number): LaneRow | undefined {
  const { data: record } = useSWR<PourAnswer, Error>(`/api/pours/${pourId}`, getJson);
  const store = logStore(pourId);
  const log = useSyncExternalStore(store.watch, store.snapshot);
  useEffect(() => {
    void store.pull().catch(() => undefined);
  }, [store]);
  const ready = record && log.loaded && log.heard;
  const atMs = Math.floor(nowMs / MINUTE) * MINUTE;
  const lane = (air: Parameters<LaneWorker['lane']>[3] | null) => ({
    key:
      ready && air
        ? [
            'lane',
            pourId,
            record.version,
            record.siteVersion,
            log.state.seen.size,
            atMs,
            air.length,
          ]
        : null,
    make: () => (record && air ? laneWorker().lane(record, log.state, atMs, air) : null),
  });
  // When all was placed is worked out first: the air is asked for from then on.
  const first = lane([]);
  const { data: placed } = useSWR(first.key, first.make, { keepPreviousData: true });
  const air = useCuringAir(record, placed?.progress.finishedMs ?? null, nowMs);
  const whole = lane(placed === undefined ? null : air);
  const { data } = useSWR(whole.key, whole.make, { keepPreviousData: true });
  if (!record || data === undefined) return undefined;
  const { id, version, pour } = record;
  return {
    id,
    version,
    elements: pour.elements,
    reason: pour.cancelled?.reason ?? null,
    lane: data,
  };
}
