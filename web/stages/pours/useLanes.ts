import { useMemo } from 'react';
import useSWR from 'swr';
import type { LanesAnswer } from '../../../contract/index.ts';
import { getJson } from '../../sync/api.ts';

/** How a pour stands, as the list shows it. */
export type LaneRow = LanesAnswer['pours'][number];

/** The list looks again after this, ms: sooner while the server works some of it out. */
const AGAIN_MS = { more: 700, known: 20_000 };

/** How the pours of a site stand, by their ids, from the server's kept view in one request. */
export function useLanes(siteId: string | undefined): Map<string, LaneRow> {
  const { data } = useSWR<LanesAnswer, Error>(
    siteId ? `/api/sites/${siteId}/lanes` : null,
    getJson,
    {
      refreshInterval: (known) => (known?.more ? AGAIN_MS.more : AGAIN_MS.known),
      dedupingInterval: 500,
    },
  );
  return useMemo(() => new Map(data?.pours.map((p) => [p.id, p])), [data]);
}
