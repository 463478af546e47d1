import { useMemo, useSyncExternalStore } from 'react';
import { usePour } from '../app/pour-context.tsx';
import { photoQueue } from './photo-queue.ts';

/** Photos of this pour that the server has not got yet. */
export function usePhotoQueue() {
  const v = usePour();
  const queue = useMemo(() => photoQueue(v.record.id), [v.record.id]);
  return useSyncExternalStore(queue.subscribe, queue.snapshot);
}
