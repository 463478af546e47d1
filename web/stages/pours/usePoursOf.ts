import { useMemo } from 'react';
import useSWR from 'swr';
import type { PourSummary } from '../../../contract/index.ts';
import { getJson } from '../../sync/api.ts';

/** The pours of a site: the same list until something of it changes. */
export function usePoursOf(siteId: string | undefined): PourSummary[] {
  const { data } = useSWR<PourSummary[], Error>('/api/pours', getJson);
  return useMemo(() => data?.filter((p) => p.siteId === siteId) ?? [], [data, siteId]);
}
