import useSWR from 'swr';
import type { DeliveriesAnswer, Delivery } from '../../../../contract/planning.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { getJson } from '../../../sync/api.ts';

/** The plant is asked so often where its loads are, ms. */
const ASK_MS = 20_000;
const NONE: Delivery[] = [];

/** Where the plant says its loads are; nothing without an order, a plant or signal. */
export function useDeliveries(): { loads: Delivery[]; ask: () => Promise<unknown> } {
  const v = usePour();
  const { data, mutate } = useSWR<DeliveriesAnswer, Error>(
    v.plant.mixer ? null : `/api/pours/${v.record.id}/deliveries`,
    getJson,
    { refreshInterval: ASK_MS, shouldRetryOnError: false },
  );
  return { loads: data?.loads ?? NONE, ask: () => mutate() };
}
