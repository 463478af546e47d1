import { useState } from 'react';
import type { PourSummary, SiteSummary } from '../../../contract/index.ts';
import { counted } from '#core/units';
import { lazily } from '../../ui/lazily.tsx';

const AllSites = lazily(() => import('./AllSites.tsx'));

/** So many sites stand on the rail; the others are a press away. */
const TABS = 3;

/** The sites in use, the one that is open among them, and the way to all others. */
export function SiteTabs({
  sites,
  pours,
  picked,
  onPick,
}: {
  sites: SiteSummary[];
  pours: PourSummary[];
  picked: string | null;
  onPick: (id: string) => void;
}) {
  const [all, setAll] = useState(false);
  const first = sites.filter((s) => !s.archived).slice(0, TABS);
  const open = sites.find((s) => s.id === picked);
  const tabs = open && !first.includes(open) ? [...first.slice(0, TABS - 1), open] : first;
  return (
    <nav
      className="flex min-w-0 flex-1 overflow-x-auto max-sm:order-last max-sm:basis-full"
      aria-label="Sites"
    >
      {tabs.map((s) => (
        <Tab
          key={s.id}
          site={s}
          on={s.id === picked}
          tells={counted(pours.filter((p) => p.siteId === s.id).length, 'pour')}
          onPick={onPick}
        />
      ))}
      {sites.length > tabs.length && (
        <button
          type="button"
          className="min-h-[72px] shrink-0 px-4 font-semibold text-rail-ink underline"
          onClick={() => {
            setAll(true);
          }}
        >
          All {sites.length} sites
        </button>
      )}
      {all && (
        <AllSites
          sites={sites}
          pours={pours}
          onPick={(id) => {
            setAll(false);
            onPick(id);
          }}
          onClose={() => {
            setAll(false);
          }}
        />
      )}
    </nav>
  );
}

function Tab({
  site,
  on,
  tells,
  onPick,
}: {
  site: SiteSummary;
  on: boolean;
  tells: string;
  onPick: (id: string) => void;
}) {
  const [name = site.name, place = ''] = site.name.split(/, (.*)/);
  const marks = [place, tells, site.madeUp ? 'made up' : '', site.archived ? 'archived' : ''];
  return (
    <button
      type="button"
      aria-current={on ? 'page' : undefined}
      className={`min-h-[72px] shrink-0 px-4 text-left ${on ? 'bg-ground text-ink' : 'text-rail-ink'}`}
      onClick={() => {
        onPick(site.id);
      }}
    >
      <b className="head block max-w-[260px] truncate text-[18px] leading-6">{name}</b>
      <span className={`text-[14px] leading-5 ${on ? '' : 'text-rail-ink2'}`}>
        {marks.filter(Boolean).join(', ')}
      </span>
    </button>
  );
}
