import { useState } from 'react';
import useSWR from 'swr';
import {
  readSiteFile,
  type SiteAnswer,
  type SiteFile,
  type SiteSummary,
} from '../../../contract/index.ts';
import { counted } from '#core/units';
import { MergeRows } from '../../site/MergeRows.tsx';
import { getJson } from '../../sync/api.ts';
import { Sheet } from '../../ui/Dialog.tsx';

/**
 * A file that was brought in where there are sites already: a site of its own, or what of it one of
 * them takes over.
 */
export default function BringSheet({
  raw,
  sites,
  own,
  merged,
  onClose,
}: {
  raw: unknown;
  sites: SiteSummary[];
  /** It becomes a site of its own. */
  own: () => void;
  merged: (siteId: string) => void;
  onClose: () => void;
}) {
  const [{ file, issues }] = useState(() => readSiteFile(raw));
  const [into, setInto] = useState<string | null>(null);
  const { data } = useSWR<SiteAnswer<SiteFile>, Error>(into ? `/api/sites/${into}` : null, getJson);
  if (!file)
    return (
      <Sheet open onClose={onClose} title="That file was not taken">
        <p className="font-semibold text-chalk-t">Nothing was stored. Put this right in it:</p>
        <ul className="rows mt-2 max-h-[50vh] overflow-y-auto" role="alert">
          {issues.map((i) => (
            <li key={`${i.path} ${i.message}`} className="py-1">
              <b className="font-mono">{i.path}</b> {i.message}
            </li>
          ))}
        </ul>
      </Sheet>
    );
  const namesake = sites.some((s) => s.name === file.name);
  return (
    <Sheet open onClose={onClose} title={`Bring in ${file.name}`} wide>
      <p className="mb-3">
        {counted(file.pours.length, 'pour')}, {counted(file.runs.length, 'run')}.
        {namesake && (
          <b className="font-semibold text-ochre-t"> There is a site of that name already.</b>
        )}
      </p>
      <button type="button" className="btn mb-4 w-full" onClick={own}>
        {namesake ? 'A second site of that name' : 'A site of its own'}
      </button>
      <h3 className="head mb-1">or take over types, mixes, plants, crew and prices into</h3>
      <div className="mb-3 flex flex-wrap gap-2" role="group" aria-label="Into which site">
        {sites
          .filter((s) => !s.archived)
          .map((s) => (
            <button
              key={s.id}
              type="button"
              className="chip"
              aria-pressed={s.id === into}
              onClick={() => {
                setInto(s.id);
              }}
            >
              {s.name}
            </button>
          ))}
      </div>
      {data && (
        <MergeRows
          key={data.id}
          into={data}
          from={file}
          done={() => {
            merged(data.id);
          }}
        />
      )}
    </Sheet>
  );
}
