import { useState } from 'react';
import useSWR from 'swr';
import type { DeliveriesAnswer, OrderAnswer } from '../../../../contract/planning.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { getJson, sendJson } from '../../../sync/api.ts';
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
  const [said, setSaid] = useState<{ taken: boolean; text: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const tell = async (telling: Telling) => {
    setBusy(true);
    try {
      const answer = await sendJson<OrderAnswer>('POST', `/api/pours/${v.record.id}/order`, {
        volumeM3: plan.orderedM3,
        loads: plan.loadIds.length,
        ...telling,
      });
      setSaid({ taken: answer.taken, text: answer.said });
      await Promise.all([mutate(), v.store.pull(), v.reread()]);
    } catch (e) {
      setSaid({ taken: false, text: e instanceof Error ? e.message : 'That did not work.' });
    } finally {
      setBusy(false);
    }
  };
  return { data, said, busy, tell };
}
