import { type CSSProperties, useState } from 'react';
import useSWR from 'swr';
import type { PourSummary, SiteSummary, WeatherAnswer } from '../../../contract/index.ts';
import { counted } from '#core/units';
import { localDate, midnightMs } from '#core/weather';
import { useSession } from '../../app/session.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { getJson } from '../../sync/api.ts';
import { lazily } from '../../ui/lazily.tsx';
import { StampGround, useStamp } from './KeyPlan.tsx';
import { GRID } from './Lane.tsx';
import { LaneList } from './LaneList.tsx';
import { NOW_X, StripAxis, stripScale } from './strip.tsx';
import type { LaneRow } from './useLanes.ts';

const PourSheet = lazily(() => import('../../pour/PourSheet.tsx'));

/** The time strip, and a lane for each pour that is not out of the way. */
export function Lanes({
  site,
  pours,
  rows,
  unsent,
  nowMs,
}: {
  site: SiteSummary;
  pours: PourSummary[];
  rows: ReadonlyMap<string, LaneRow>;
  /** Pours of which this device has something that the server has not. */
  unsent: ReadonlySet<string>;
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
  const stamp = useStamp(site.id, site.version);
  const scale = stripScale(todayMs, box.width);
  const foreman = useSession().account.role === 'foreman';
  const [changing, setChanging] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const away = pours.filter((p) => p.cancelled || p.archived);
  return (
    <div className="flex flex-1 flex-col" style={{ [NOW_X]: `${scale(nowMs)}px` } as CSSProperties}>
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
      <StampGround stamp={stamp} />
      <LaneList
        {...{ site, stamp, today, todayMs, rows, unsent, pours, all }}
        width={box.width}
        onChange={foreman && !site.archived ? setChanging : undefined}
      />
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
