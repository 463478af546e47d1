import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import useSWR from 'swr';
import type { PourSummary, SiteSummary } from '../../../contract/index.ts';
import { timeOfDay } from '#core/units';
import { localDate } from '#core/weather';
import { HelpButton } from '../../app/HelpButton.tsx';
import { useOfTheHouse, useSession } from '../../app/session.tsx';
import { getJson } from '../../sync/api.ts';
import { useSiteClock } from '../../sync/clock.ts';
import { lazily } from '../../ui/lazily.tsx';
import { BringSite } from './BringSite.tsx';
import { FirstStart } from './FirstStart.tsx';
import { LaneNext } from './LaneNext.tsx';
import { Lanes } from './Lanes.tsx';
import { OwnLane } from './OwnLane.tsx';
import { inUseFirst } from './site-order.ts';
import { SiteTabs } from './SiteTabs.tsx';
import { useKeptNear } from './useKeptNear.ts';
import { type LaneRow, useLanes } from './useLanes.ts';
import { usePoursOf } from './usePoursOf.ts';
import { useUnsent } from './useUnsent.ts';

const Upkeep = lazily(() => import('./Upkeep.tsx'));
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
  const own = usePoursOf(site?.id);
  const rows = useLanes(site?.id);
  const unsent = useUnsent();
  const next = site && nextOf(own, localDate(clock.nowMs, site.timeZone));
  useKeptNear(next?.id);
  const foreman = account.role === 'foreman';
  const ofTheHouse = useOfTheHouse();
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
        {ofTheHouse && <Upkeep />}
        {site && (
          <Lanes key={site.id} {...{ site, rows, unsent }} pours={own} nowMs={clock.nowMs} />
        )}
        {sites?.length === 0 && <FirstStart foreman={ofTheHouse} done={pick} />}
        {site && foreman && <SiteActs site={site} done={pick} />}
      </main>
      {site && next && (
        <NextOfSite
          key={next.id}
          site={site}
          pour={next}
          row={rows.get(next.id)}
          unsent={unsent.has(next.id)}
          nowMs={clock.nowMs}
        />
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
  const ofTheHouse = useOfTheHouse();
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
      {ofTheHouse && (
        <>
          <Link className="btn line" to="/new">
            New site
          </Link>
          <BringSite done={done} />
        </>
      )}
    </div>
  );
}

/** The pour of the site that is next: of today or soonest; one without a day comes after those that have one. */
const nextOf = (pours: readonly PourSummary[], today: string): PourSummary | undefined =>
  pours
    .filter((p) => !p.cancelled && !p.archived && (p.date === null || p.date >= today))
    .sort((a, b) => (a.date ?? '9999').localeCompare(b.date ?? '9999'))[0];

function NextOfSite({
  site,
  pour,
  row,
  unsent,
  nowMs,
}: {
  site: SiteSummary;
  pour: PourSummary;
  row: LaneRow | undefined;
  unsent: boolean;
  nowMs: number;
}) {
  if (!unsent) return <LaneNext {...{ site, pour, row, nowMs }} />;
  return (
    <OwnLane pourId={pour.id}>{(own) => <LaneNext {...{ site, pour, nowMs }} row={own} />}</OwnLane>
  );
}
