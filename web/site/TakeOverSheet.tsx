import { useState } from 'react';
import useSWR from 'swr';
import type { SiteAnswer, SiteFile, SiteSummary } from '../../contract/index.ts';
import { getJson } from '../sync/api.ts';
import { Sheet } from '../ui/Dialog.tsx';
import { MergeRows } from './MergeRows.tsx';

/** Types, mixes, plants, crew and prices of another site, taken over thing by thing. */
export function TakeOverSheet({ of, onClose }: { of: SiteAnswer<SiteFile>; onClose: () => void }) {
  const { data: sites } = useSWR<SiteSummary[], Error>('/api/sites', getJson);
  const others = (sites ?? []).filter((s) => s.id !== of.id);
  const [picked, setPicked] = useState<string | null>(null);
  const from = picked ?? (others.length === 1 ? (others[0]?.id ?? null) : null);
  const { data } = useSWR<SiteFile, Error>(from ? `/api/sites/${from}/export` : null, getJson);
  return (
    <Sheet open onClose={onClose} title="Take over from another site" wide>
      {others.length === 0 && (
        <p>There is no other site here. Bring a site file in on the list of pours instead.</p>
      )}
      {others.length > 1 && (
        <div className="mb-3 flex flex-wrap gap-2" role="group" aria-label="From which site">
          {others.map((s) => (
            <button
              key={s.id}
              type="button"
              className="chip"
              aria-pressed={s.id === from}
              onClick={() => {
                setPicked(s.id);
              }}
            >
              {s.name}
            </button>
          ))}
        </div>
      )}
      {data && <MergeRows key={from} into={of} from={data} done={onClose} />}
    </Sheet>
  );
}
