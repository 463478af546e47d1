import { useState } from 'react';
import type { PourSummary, SiteSummary } from '../../../contract/index.ts';
import { counted } from '#core/units';
import { FormField } from '../../forms/FormField.tsx';
import { Sheet } from '../../ui/Dialog.tsx';

/** Every site there is, found by its name or by a pour of it; those in use first, archived ones last. */
export default function AllSites({
  sites,
  pours,
  onPick,
  onClose,
}: {
  sites: SiteSummary[];
  pours: PourSummary[];
  onPick: (id: string) => void;
  onClose: () => void;
}) {
  const [text, setText] = useState('');
  const wanted = text.trim().toLowerCase();
  const own = (s: SiteSummary) => pours.filter((p) => p.siteId === s.id);
  const found = sites.filter(
    (s) =>
      s.name.toLowerCase().includes(wanted) ||
      own(s).some((p) => p.title.toLowerCase().includes(wanted)),
  );
  return (
    <Sheet open onClose={onClose} title="All sites">
      <FormField
        label="Find by name, or by a pour"
        type="search"
        autoFocus
        value={text}
        onChange={(e) => {
          setText(e.target.value);
        }}
      />
      <ul className="rows mt-3" aria-label="Sites found">
        {found.map((s) => (
          <li key={s.id}>
            <button
              type="button"
              className="flex min-h-14 w-full items-center justify-between gap-3 py-2 text-left"
              onClick={() => {
                onPick(s.id);
              }}
            >
              <b className="font-semibold">{s.name}</b>
              <span className="shrink-0 text-right text-ink2">
                {counted(own(s).length, 'pour')}
                {s.archived ? ', archived' : ''}
                {s.madeUp ? ', made up' : ''}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {found.length === 0 && <p className="py-3">No site and no pour is called that.</p>}
    </Sheet>
  );
}
