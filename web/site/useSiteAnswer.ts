import { useMemo } from 'react';
import useSWR, { useSWRConfig } from 'swr';
import type { Resources, SiteAnswer, SiteFile } from '../../contract/index.ts';
import type { SiteView } from '../app/site-context.tsx';
import { getJson, sendJson } from '../sync/api.ts';

/**
 * A site by itself, with what its sheets need to change its lists; everything read of it is read
 * anew after a change.
 */
export function useSiteAnswer(id: string) {
  const { mutate: mutateAll } = useSWRConfig();
  const { data, error, mutate } = useSWR<SiteAnswer<SiteFile>, Error>(`/api/sites/${id}`, getJson);
  const view = useMemo((): SiteView | null => {
    if (!data) return null;
    return {
      siteId: id,
      site: data.site,
      units: data.site.units,
      saveResources: async (lists: Resources) => {
        try {
          await sendJson('PUT', `/api/sites/${id}/resources`, { version: data.version, ...lists });
        } finally {
          await mutate();
        }
      },
    };
  }, [data, id, mutate]);
  const changed = async () => {
    await mutate();
    await mutateAll((key) => typeof key === 'string' && /^\/api\/(sites|pours)/.test(key));
  };
  return { data, error, view, changed };
}
