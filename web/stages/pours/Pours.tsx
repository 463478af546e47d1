import { useState, type ChangeEvent } from 'react';
import { Link } from 'react-router';
import useSWR, { mutate as mutateAll } from 'swr';
import type { PourAnswer, PourSummary, SiteSummary } from '../../../contract/index.ts';
import { outlinesOf } from '../../../core/takeoff/outline.ts';
import { localDate, midnightMs } from '../../../core/weather/daylight.ts';
import { useSession } from '../../app/session.tsx';
import { getJson, sendJson } from '../../sync/api.ts';
import { useSiteClock } from '../../sync/clock.ts';
import { LaneStatus, LaneStrip } from './Lane.tsx';

/** The opening screen: every pour of the site on one time strip, a lane each. */
export function Pours() {
  const { account, signOut } = useSession();
  const clock = useSiteClock();
  const { data: sites } = useSWR<SiteSummary[], Error>('/api/sites', getJson);
  const { data: pours } = useSWR<PourSummary[], Error>('/api/pours', getJson);
  const [picked, setPicked] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const site = sites?.find((s) => s.id === picked) ?? sites?.[0];
  const own = pours?.filter((p) => p.siteId === site?.id) ?? [];
  const bring = async (e: ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    e.target.value = '';
    if (!file) return;
    setProblem(null);
    try {
      const { id } = await sendJson<{ id: string }>('POST', '/api/sites/import', parsed(await file.text(), file.name));
      await Promise.all([mutateAll('/api/sites'), mutateAll('/api/pours')]);
      setPicked(id);
    } catch (x) {
      setProblem(x instanceof Error ? x.message : 'That file could not be read.');
    }
  };
  const time = site ? new Intl.DateTimeFormat('en-GB', { timeZone: site.timeZone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(clock.nowMs) : '';
  return (
    <div className="flex min-h-dvh flex-col">
      <header className="rail flex flex-wrap items-stretch bg-rail text-rail-ink">
        <div className="w-[200px] px-5 py-3.5"><h1 className="head text-[20px] leading-6">Pours</h1><button type="button" className="text-[14px] leading-5 text-rail-ink2 underline" onClick={() => void signOut()}>{account.name}, sign out</button></div>
        <nav className="flex min-w-0 flex-1 overflow-x-auto" aria-label="Sites">{sites?.map((s) => { const [name = s.name, place = ''] = s.name.split(/, (.*)/); return <button key={s.id} type="button" aria-current={s.id === site?.id ? 'page' : undefined} className={`min-h-[72px] shrink-0 px-4 text-left ${s.id === site?.id ? 'bg-ground text-ink' : 'text-rail-ink'}`} onClick={() => { setPicked(s.id); }}><b className="head block text-[18px] leading-6">{name}</b><span className={`text-[14px] leading-5 ${s.id === site?.id ? '' : 'text-rail-ink2'}`}>{place}{place ? ', ' : ''}{pours?.filter((p) => p.siteId === s.id).length ?? 0} pours</span></button>; })}</nav>
        <span className="big self-center px-5 text-[36px]">{time}</span>
      </header>
      <main className="flex-1 px-4 pb-6">
        {site && <Lanes key={site.id} site={site} pours={own} nowMs={clock.nowMs} />}
        {sites?.length === 0 && <div className="max-w-[60ch] py-10"><h2 className="big text-[40px]">No site yet</h2><p className="mt-2 text-[18px] leading-6">Bring in a site file (jactum.site/1): its runs, types, mixes and pours. docs/site-file.md says how one is written.</p></div>}
        {account.role === 'foreman' && <div className="mt-6 flex flex-wrap items-center gap-4"><label className="btn line cursor-pointer">Bring in a site file<input type="file" accept=".json,application/json" className="sr-only" onChange={(e) => void bring(e)} /></label>{problem && <p role="alert" className="max-w-[70ch] font-semibold text-chalk-t">{problem}</p>}</div>}
      </main>
    </div>
  );
}

function parsed(text: string, name: string): unknown {
  try {
    return JSON.parse(text);
  } catch (e) {
    const at = /position (\d+)/.exec(e instanceof Error ? e.message : '');
    const line = at ? text.slice(0, Number(at[1])).split('\n').length : null;
    throw new Error(`${name} is not JSON${line ? `: something is wrong on line ${line}` : ''}. Nothing was stored.`, { cause: e });
  }
}

function Lanes({ site, pours, nowMs }: { site: SiteSummary; pours: PourSummary[]; nowMs: number }) {
  const today = localDate(nowMs, site.timeZone);
  return (
    <div>
      <p className="head pb-1 pt-3 text-[18px]">{new Intl.DateTimeFormat('en-GB', { timeZone: site.timeZone, weekday: 'long', day: 'numeric', month: 'long' }).format(nowMs)}</p>
      {pours.map((p) => <Lane key={p.id} summary={p} today={today} nowMs={nowMs} />)}
      {pours.length === 0 && <p className="py-8 text-[18px]">This site has no pours yet.</p>}
    </div>
  );
}

function Lane({ summary, today, nowMs }: { summary: PourSummary; today: string; nowMs: number }) {
  const { data } = useSWR<PourAnswer, Error>(`/api/pours/${summary.id}`, getJson);
  return (
    <Link to={`/pours/${summary.id}/${summary.date !== null && summary.date < today ? 'cure' : 'check'}`} className={`grid grid-cols-[84px_1fr] items-center gap-x-4 border-t py-3 md:grid-cols-[84px_130px_minmax(0,1fr)_280px] ${summary.date === today ? 'border-ink border-y-2' : 'border-hair'}`}>
      <b className="big text-[40px] leading-[44px]">{summary.code}</b>
      <KeyPlan data={data} />
      <div className="col-span-2 min-w-0 md:col-span-1"><p className="font-semibold">{summary.title}</p>{data && <LaneStrip record={data} nowMs={nowMs} dayMs={summary.date ? midnightMs(summary.date, data.site.timeZone) : null} />}</div>
      <div className="col-span-2 md:col-span-1">{data && <LaneStatus record={data} nowMs={nowMs} />}</div>
    </Link>
  );
}

/** Which part of the site this pour is. */
function KeyPlan({ data }: { data: PourAnswer | undefined }) {
  if (!data) return <span />;
  const all = outlinesOf(data.site);
  const xs = all.flatMap((o) => o.ring.map((p) => p.x));
  const ys = all.flatMap((o) => o.ring.map((p) => p.y));
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const k = Math.min(116 / (x1 - x0 || 1), 72 / (y1 - y0 || 1));
  const points = (ring: { x: number; y: number }[]) => ring.map((p) => `${2 + (p.x - x0) * k},${2 + (y1 - p.y) * k}`).join(' ');
  return <svg width="120" height={Math.max(20, (y1 - y0) * k + 4)} aria-hidden="true" className="justify-self-end md:justify-self-start">{all.map((o) => <polygon key={o.id} points={points(o.ring)} fill={data.pour.elements.includes(o.id) ? 'var(--ink)' : 'none'} stroke={data.pour.elements.includes(o.id) ? 'var(--ink)' : 'var(--line)'} strokeWidth="1" strokeDasharray={data.pour.elements.includes(o.id) ? undefined : '2 3'} />)}</svg>;
}
