import { useState } from 'react';
import { usePour } from '../../../app/pour-context.tsx';
import { type PlantSaid, tellPlant } from '../../../sync/tell-plant.ts';
import { useDeliveries } from './useDeliveries.ts';

/** Tells the plant to send so much more, and keeps what it says. */
export function useCall(heard?: (said: PlantSaid) => void) {
  const v = usePour();
  const { ask } = useDeliveries();
  const [said, setSaid] = useState<PlantSaid | null>(null);
  const [busy, setBusy] = useState(false);
  const tell = (what: PlantSaid) => {
    setSaid(what);
    heard?.(what);
  };
  const call = async (volumeM3: number, loads: number) => {
    setBusy(true);
    await tellPlant(v.record.id, { act: 'more', volumeM3, loads }, tell, async () => {
      await v.store.pull();
      await ask();
    });
    setBusy(false);
  };
  return { said, busy, call };
}
