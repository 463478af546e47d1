import { Pencil } from 'lucide-react';
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
import { counted } from '#core/units';
import { localDate, midnightMs } from '#core/weather';
import { useSession } from '../../app/session.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { getJson } from '../../sync/api.ts';
import { lazily } from '../../ui/lazily.tsx';
import { LaneStatus } from './LaneStatus.tsx';
import { LaneStrip } from './LaneStrip.tsx';
import { StripAxis, stripScale } from './strip.tsx';

const PourSheet = lazily(() => import('../../pour/PourSheet.tsx'));

const GRID =
  'grid grid-cols-[84px_1fr] items-center gap-x-4 md:grid-cols-[84px_130px_minmax(0,1fr)_270px]';

/** The time strip, and a lane for each pour that is not out of the way. */
export function Lanes({
  site,
  pours,
  nowMs,
}: {
  site: SiteSummary;
  pours: PourSummary[];
  nowMs: number;
}) {
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
  const foreman = useSession().account.role === 'foreman';
  const [changing, setChanging] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const away = pours.filter((p) => p.cancelled || p.archived);
  const shown = all ? pours : pours.filter((p) => !p.cancelled && !p.archived);
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
      {shown.map((p) => (
        <Lane
          key={p.id}
          summary={p}
          onChange={
            foreman && !site.archived
              ? () => {
                  setChanging(p.id);
                }
              : undefined
          }
          today={today}
          todayMs={todayMs}
          nowMs={nowMs}
          width={box.width}
        />
      ))}
      {pours.length === 0 && (
        <p className="py-8 text-[18px]">
          This site has no pours yet. Make one: its runs are pressed on the plan.
        </p>
      )}
      {away.length > 0 && (
        <button
          type="button"
          className="min-h-12 self-start font-semibold text-press"
          aria-expanded={all}
          onClick={() => {
            setAll(!all);
          }}
        >
          {all ? 'Hide' : 'Show'} {counted(away.length, 'pour')} called off or archived
        </button>
      )}
      {changing && (
        <PourSheet
          pourId={changing}
          siteId={site.id}
          onClose={() => {
            setChanging(null);
          }}
        />
      )}
    </div>
  );
}

function Lane({
  summary,
  today,
  todayMs,
  nowMs,
  width,
  onChange,
}: {
  summary: PourSummary;
  today: string;
  todayMs: number;
  nowMs: number;
  width: number;
  onChange: (() => void) | undefined;
}) {
  const { data } = useSWR<PourAnswer, Error>(`/api/pours/${summary.id}`, getJson);
  const past = summary.date !== null && summary.date < today;
  return (
    <div className="relative">
      <Link
        to={`/pours/${summary.id}/${past ? 'cure' : 'check'}`}
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
        <div className="col-span-2 pr-12 md:col-span-1">
          {data && <LaneStatus record={data} nowMs={nowMs} />}
        </div>
      </Link>
      {onChange && (
        <button
          type="button"
          className="absolute bottom-2 right-0 flex h-12 w-12 items-center justify-center text-press"
          aria-label={`Change ${summary.code}`}
          title={`Change ${summary.code}: day, mix, runs, standing`}
          onClick={onChange}
        >
          <Pencil size={20} aria-hidden="true" />
        </button>
      )}
    </div>
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
