import { useState } from 'react';
import { Link } from 'react-router';
import useSWR from 'swr';
import type {
  PourAnswer,
  PourSummary,
  SiteSummary,
  WeatherAnswer,
} from '../../../contract/index.ts';
import { outlinesOf } from '#core/takeoff';
import { timeOfDay } from '#core/units';
import { localDate, midnightMs } from '#core/weather';
import { useSession } from '../../app/session.tsx';
import { getJson } from '../../sync/api.ts';
import { useSiteClock } from '../../sync/clock.ts';
import { BringSite } from './BringSite.tsx';
import { LaneNext } from './LaneNext.tsx';
import { LaneStatus } from './LaneStatus.tsx';
import { LaneStrip } from './LaneStrip.tsx';
import { StripAxis, stripScale } from './strip.tsx';
import { lazily } from '../../ui/lazily.tsx';
import { useSize } from '../../drawing/useSize.ts';

const AccountSheet = lazily(() => import('../../app/AccountSheet.tsx'));

/** The opening screen: every pour of the site on one time strip, a lane each. */
export function Pours() {
  const { account } = useSession();
  const [menu, setMenu] = useState(false);
  const clock = useSiteClock();
  const { data: sites } = useSWR<SiteSummary[], Error>('/api/sites', getJson);
  const { data: pours } = useSWR<PourSummary[], Error>('/api/pours', getJson);
  const [picked, setPicked] = useState<string | null>(null);
  const site = sites?.find((s) => s.id === picked) ?? sites?.[0];
  const own = pours?.filter((p) => p.siteId === site?.id) ?? [];
  const time = site ? timeOfDay(clock.nowMs, site.timeZone) : '';
  return (
    <div className="flex min-h-dvh flex-col">
      <header className="rail flex flex-wrap items-stretch bg-rail text-rail-ink">
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
        <nav
          className="flex min-w-0 flex-1 overflow-x-auto max-sm:order-last max-sm:basis-full"
          aria-label="Sites"
        >
          {sites?.map((s) => {
            const [name = s.name, place = ''] = s.name.split(/, (.*)/);
            return (
              <button
                key={s.id}
                type="button"
                aria-current={s.id === site?.id ? 'page' : undefined}
                className={`min-h-[72px] shrink-0 px-4 text-left ${s.id === site?.id ? 'bg-ground text-ink' : 'text-rail-ink'}`}
                onClick={() => {
                  setPicked(s.id);
                }}
              >
                <b className="head block text-[18px] leading-6">{name}</b>
                <span
                  className={`text-[14px] leading-5 ${s.id === site?.id ? '' : 'text-rail-ink2'}`}
                >
                  {place}
                  {place ? ', ' : ''}
                  {pours?.filter((p) => p.siteId === s.id).length ?? 0} pours
                </span>
              </button>
            );
          })}
        </nav>
        <span className="big self-center px-5 text-[36px]">{time}</span>
      </header>
      <main className="flex flex-1 flex-col px-4 pb-4">
        {site && <Lanes key={site.id} site={site} pours={own} nowMs={clock.nowMs} />}
        {sites?.length === 0 && (
          <div className="max-w-[60ch] py-10">
            <h2 className="big text-[40px]">No site yet</h2>
            <p className="mt-2 text-[18px] leading-6">
              Bring in a site file (jactum.site/1): its runs, types, mixes and pours.
              docs/site-file.md says how one is written.
            </p>
          </div>
        )}
        {account.role === 'foreman' && <BringSite done={setPicked} />}
      </main>
      {site && (
        <NextOfSite pours={own} today={localDate(clock.nowMs, site.timeZone)} nowMs={clock.nowMs} />
      )}
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
  const next = pours
    .filter((p) => p.date !== null && p.date >= today)
    .sort((a, b) => (a.date ?? '').localeCompare(b.date ?? ''))[0];
  const { data } = useSWR<PourAnswer, Error>(next ? `/api/pours/${next.id}` : null, getJson);
  return data ? <LaneNext record={data} nowMs={nowMs} /> : null;
}

const GRID =
  'grid grid-cols-[84px_1fr] items-center gap-x-4 md:grid-cols-[84px_130px_minmax(0,1fr)_270px]';

function Lanes({ site, pours, nowMs }: { site: SiteSummary; pours: PourSummary[]; nowMs: number }) {
  const today = localDate(nowMs, site.timeZone);
  const todayMs = midnightMs(today, site.timeZone);
  const [boxRef, box] = useSize();
  const from = new Date(todayMs - 14 * 86_400_000).toISOString();
  const to = new Date(todayMs + 16 * 86_400_000).toISOString();
  const { data: weather } = useSWR<WeatherAnswer, Error>(
    `/api/sites/${site.id}/weather?from=${from}&to=${to}`,
    getJson,
  );
  const scale = stripScale(todayMs, box.width);
  return (
    <div className="flex flex-1 flex-col">
      <div className={GRID}>
        <p className="head col-span-2 self-start pt-3 text-[18px]">
          {new Intl.DateTimeFormat('en-GB', {
            timeZone: site.timeZone,
            weekday: 'long',
            day: 'numeric',
            month: 'long',
          }).format(nowMs)}
        </p>
        <div ref={boxRef} className="col-span-2 min-w-0 md:col-span-1">
          <StripAxis
            width={box.width}
            scale={scale}
            todayMs={todayMs}
            nowMs={nowMs}
            timeZone={site.timeZone}
            units={site.units}
            hours={weather?.hours ?? []}
          />
        </div>
      </div>
      {pours.map((p) => (
        <Lane
          key={p.id}
          summary={p}
          today={today}
          todayMs={todayMs}
          nowMs={nowMs}
          width={box.width}
        />
      ))}
      {pours.length === 0 && <p className="py-8 text-[18px]">This site has no pours yet.</p>}
    </div>
  );
}

function Lane({
  summary,
  today,
  todayMs,
  nowMs,
  width,
}: {
  summary: PourSummary;
  today: string;
  todayMs: number;
  nowMs: number;
  width: number;
}) {
  const { data } = useSWR<PourAnswer, Error>(`/api/pours/${summary.id}`, getJson);
  return (
    <Link
      to={`/pours/${summary.id}/${summary.date !== null && summary.date < today ? 'cure' : 'check'}`}
      data-pour={summary.code}
      className={`${GRID} border-t py-2 ${summary.date === today ? 'border-y-2 border-ink' : 'border-hair'}`}
    >
      <div>
        <b className="big text-[40px] leading-[44px]">{summary.code}</b>
      </div>
      <KeyPlan data={data} />
      <div className="col-span-2 min-w-0 md:col-span-1">
        <p className="font-semibold md:hidden">{summary.title}</p>
        {data && <LaneStrip record={data} nowMs={nowMs} todayMs={todayMs} width={width} />}
      </div>
      <div className="col-span-2 md:col-span-1">
        {data && <LaneStatus record={data} nowMs={nowMs} />}
      </div>
    </Link>
  );
}

/** Which part of the site this pour is. */
function KeyPlan({ data }: { data: PourAnswer | undefined }) {
  if (!data) return <span />;
  const mine = new Set(data.pour.elements);
  // Its own parts lie over the others.
  const all = outlinesOf(data.site).sort((a, b) => Number(mine.has(a.id)) - Number(mine.has(b.id)));
  const xs = all.flatMap((o) => o.ring.map((p) => p.x));
  const ys = all.flatMap((o) => o.ring.map((p) => p.y));
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const k = Math.min(116 / (x1 - x0 || 1), 72 / (y1 - y0 || 1));
  const points = (ring: { x: number; y: number }[]) =>
    ring.map((p) => `${2 + (p.x - x0) * k},${2 + (y1 - p.y) * k}`).join(' ');
  return (
    <svg
      width="120"
      height={Math.max(20, (y1 - y0) * k + 4)}
      aria-hidden="true"
      className="justify-self-end md:justify-self-start"
    >
      {all.map((o) => (
        <polygon
          key={o.id}
          points={points(o.ring)}
          fill={mine.has(o.id) ? 'var(--ink)' : 'none'}
          stroke={mine.has(o.id) ? 'var(--ink)' : 'var(--line)'}
          strokeWidth="1"
          strokeDasharray={mine.has(o.id) ? undefined : '2 3'}
        />
      ))}
    </svg>
  );
}
