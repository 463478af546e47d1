import { useState } from 'react';
import useSWR from 'swr';
import type { DeliveriesAnswer } from '../../../../contract/planning.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { getJson } from '../../../sync/api.ts';
import { type PlantSaid, tellPlant } from '../../../sync/tell-plant.ts';
import { usePlanned } from '../planned.tsx';

/** What is told to the plant; how it stands is read from the log alone. */
export interface Telling {
  act: 'order' | 'put-off' | 'cancel';
  byTelephone?: boolean;
  until?: string | null;
}

/** Tells the plant, and hears what it says. */
export function useOrder() {
  const v = usePour();
  const { plan } = usePlanned();
  const path = `/api/pours/${v.record.id}/deliveries`;
  const { data, mutate } = useSWR<DeliveriesAnswer, Error>(path, getJson, {
    refreshInterval: 30_000,
  });
  const [said, setSaid] = useState<PlantSaid | null>(null);
  const [busy, setBusy] = useState(false);
  const tell = async (telling: Telling) => {
    setBusy(true);
    const body = { volumeM3: plan.orderedM3, loads: plan.loadIds.length, ...telling };
    await tellPlant(v.record.id, body, setSaid, () =>
      Promise.all([mutate(), v.store.pull(), v.reread()]),
    );
    setBusy(false);
  };
  return { data, said, busy, tell };
}
