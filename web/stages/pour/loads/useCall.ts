import { useState } from 'react';
import type { OrderAnswer } from '../../../../contract/planning.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { sendJson } from '../../../sync/api.ts';
import { useDeliveries } from './useDeliveries.ts';

/** Tells the plant to send so much more, and keeps what it says. */
export function useCall(heard?: (said: { taken: boolean; text: string }) => void) {
  const v = usePour();
  const { ask } = useDeliveries();
  const [said, setSaid] = useState<{ taken: boolean; text: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const tell = (what: { taken: boolean; text: string }) => {
    setSaid(what);
    heard?.(what);
  };
  const call = async (volumeM3: number, loads: number) => {
    setBusy(true);
    try {
      const body = { act: 'more', volumeM3, loads };
      const path = `/api/pours/${v.record.id}/order`;
      const answer = await sendJson<OrderAnswer>('POST', path, body);
      tell({ taken: answer.taken, text: answer.said });
      await v.store.pull();
      await ask();
    } catch (e) {
      tell({ taken: false, text: e instanceof Error ? e.message : 'That did not work.' });
    } finally {
      setBusy(false);
    }
  };
  return { said, busy, call };
}
