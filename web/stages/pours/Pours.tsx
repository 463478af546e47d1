import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import useSWR from 'swr';
import type { PourAnswer, PourSummary, SiteSummary } from '../../../contract/index.ts';
import { timeOfDay } from '#core/units';
import { localDate } from '#core/weather';
import { HelpButton } from '../../app/HelpButton.tsx';
import { useSession } from '../../app/session.tsx';
import { getJson } from '../../sync/api.ts';
import { useSiteClock } from '../../sync/clock.ts';
import { lazily } from '../../ui/lazily.tsx';
import { BringSite } from './BringSite.tsx';
import { FirstStart } from './FirstStart.tsx';
import { LaneNext } from './LaneNext.tsx';
import { Lanes } from './Lanes.tsx';
import { inUseFirst } from './site-order.ts';
import { SiteTabs } from './SiteTabs.tsx';

const AccountSheet = lazily(() => import('../../app/AccountSheet.tsx'));

/** The opening screen: every pour of the site on one time strip, a lane each. */
export function Pours() {
  const clock = useSiteClock();
  const { account } = useSession();
  const { data: sites } = useSWR<SiteSummary[], Error>('/api/sites', getJson);
  const { data: pours } = useSWR<PourSummary[], Error>('/api/pours', getJson);
  const [params, setParams] = useSearchParams();
  const ordered = inUseFirst(sites ?? [], pours ?? [], clock.nowMs);
  // The address follows a moment later: what is pressed next is already of the site that was picked.
  const [picked, setPicked] = useState(params.get('site'));
  const site = sites?.find((s) => s.id === picked) ?? ordered[0];
  const pick = (id: string) => {
    setPicked(id);
    setParams({ site: id }, { replace: true });
  };
  const own = pours?.filter((p) => p.siteId === site?.id) ?? [];
  const foreman = account.role === 'foreman';
  return (
    <div className="flex min-h-dvh flex-col">
      <header className="rail flex flex-wrap items-stretch bg-rail text-rail-ink">
        <Who />
        <SiteTabs sites={ordered} pours={pours ?? []} picked={site?.id ?? null} onPick={pick} />
        <HelpButton of="pours" />
        <span className="big self-center px-5 text-[36px]">
          {site ? timeOfDay(clock.nowMs, site.timeZone) : ''}
        </span>
      </header>
      <main className="flex flex-1 flex-col px-4 pb-4">
        {site && <Lanes key={site.id} site={site} pours={own} nowMs={clock.nowMs} />}
        {sites?.length === 0 && <FirstStart foreman={foreman} done={pick} />}
        {site && foreman && <SiteActs site={site} done={pick} />}
      </main>
      {site && (
        <NextOfSite pours={own} today={localDate(clock.nowMs, site.timeZone)} nowMs={clock.nowMs} />
      )}
    </div>
  );
}

/** Who is signed in; a press opens their account. */
function Who() {
  const { account } = useSession();
  const [menu, setMenu] = useState(false);
  return (
    <div className="w-[200px] px-5 py-3.5 max-sm:flex-1">
      <h1 className="head text-[20px] leading-6">Pours</h1>
      <button
        type="button"
        className="text-[14px] leading-5 text-rail-ink2 underline"
        onClick={() => {
          setMenu(true);
        }}
      >
        {account.name}
      </button>
      {menu && (
        <AccountSheet
          onClose={() => {
            setMenu(false);
          }}
        />
      )}
    </div>
  );
}

/** What a foreman does with a site from here. */
function SiteActs({ site, done }: { site: SiteSummary; done: (id: string) => void }) {
  return (
    <div className="mt-6 flex flex-wrap items-center gap-3">
      {!site.archived && (
        <Link className="btn" to={`/sites/${site.id}/pour`}>
          <Plus size={20} aria-hidden="true" />
          New pour
        </Link>
      )}
      <Link className="btn line" to={`/sites/${site.id}`}>
        The site, its mixes, plants and crew
      </Link>
      <Link className="btn line" to="/new">
        New site
      </Link>
      <BringSite done={done} />
    </div>
  );
}

function NextOfSite({
  pours,
  today,
  nowMs,
}: {
  pours: PourSummary[];
  today: string;
  nowMs: number;
}) {
  const open = pours.filter((p) => !p.cancelled && !p.archived);
  // One without a day comes after those that have one.
  const next = open
    .filter((p) => p.date === null || p.date >= today)
    .sort((a, b) => (a.date ?? '9999').localeCompare(b.date ?? '9999'))[0];
  const { data } = useSWR<PourAnswer, Error>(next ? `/api/pours/${next.id}` : null, getJson);
  return data ? <LaneNext key={data.id} record={data} nowMs={nowMs} /> : null;
}
