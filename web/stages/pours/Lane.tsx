import { Pencil } from 'lucide-react';
import { useInView } from 'react-intersection-observer';
import { Link } from 'react-router';
import type { PourSummary, SiteSummary } from '../../../contract/index.ts';
import { KeyPlan, type Stamp } from './KeyPlan.tsx';
import { LaneStatus } from './LaneStatus.tsx';
import { LaneStrip } from './LaneStrip.tsx';
import { OwnLane } from './OwnLane.tsx';
import type { LaneRow } from './useLanes.ts';

/** Lanes are drawn from so far beyond the edge of the screen. */
const BEYOND = '400px 0px';

export const GRID =
  'grid grid-cols-[84px_1fr] items-center gap-x-4 md:grid-cols-[84px_130px_minmax(0,1fr)_270px]';

/** What all lanes of a list are drawn by. */
export interface LaneGround {
  site: SiteSummary;
  stamp: Stamp | null;
  today: string;
  todayMs: number;
  /** Width of the strip, px. */
  width: number;
  /** All of it is drawn, seen or not. */
  printing: boolean;
  /** Hears of a pour that is to be changed; undefined where nothing may be. */
  onChange: ((pourId: string) => void) | undefined;
}

/** A pour in the list: its name, where it is, its stretch of the strip and how it stands. */
export function Lane({
  pour,
  row,
  unsent,
  on,
}: {
  pour: PourSummary;
  row: LaneRow | undefined;
  unsent: boolean;
  on: LaneGround;
}) {
  const { today, onChange } = on;
  const { ref, inView } = useInView({
    rootMargin: BEYOND,
    triggerOnce: true,
    fallbackInView: true,
  });
  const past = pour.date !== null && pour.date < today;
  return (
    <div className="relative min-h-[104px] max-md:min-h-[220px]" ref={ref}>
      <Link
        to={`/pours/${pour.id}/${past ? 'cure' : 'check'}`}
        data-pour={pour.code}
        className={`${GRID} border-t py-2 ${pour.date === today ? 'border-y-2 border-ink' : 'border-hair'}`}
      >
        <div>
          <b className="big text-[40px] leading-[44px]">{pour.code}</b>
        </div>
        {inView || on.printing ? (
          <Told pour={pour} row={row} unsent={unsent} on={on} />
        ) : (
          <p className="font-semibold">{pour.title}</p>
        )}
      </Link>
      {onChange && (
        <button
          type="button"
          className="absolute bottom-2 right-0 flex h-12 w-12 items-center justify-center text-press"
          aria-label={`Change ${pour.code}`}
          title={`Change ${pour.code}: day, mix, runs, standing`}
          onClick={() => {
            onChange(pour.id);
          }}
        >
          <Pencil size={20} aria-hidden="true" />
        </button>
      )}
    </div>
  );
}

function Told({
  unsent,
  ...told
}: {
  pour: PourSummary;
  row: LaneRow | undefined;
  unsent: boolean;
  on: LaneGround;
}) {
  if (!unsent) return <Drawn {...told} />;
  return <OwnLane pourId={told.pour.id}>{(own) => <Drawn {...told} row={own} />}</OwnLane>;
}

function Drawn({ pour, row, on }: { pour: PourSummary; row: LaneRow | undefined; on: LaneGround }) {
  const { site, stamp, todayMs, width } = on;
  return (
    <>
      <KeyPlan stamp={stamp} elements={row?.elements ?? []} />
      <div className="col-span-2 min-w-0 md:col-span-1">
        <p className="font-semibold md:hidden">{pour.title}</p>
        <LaneStrip {...{ site, pour, row, todayMs, width }} />
      </div>
      <div className="col-span-2 pr-12 md:col-span-1">
        <LaneStatus site={site} pour={pour} row={row} />
      </div>
    </>
  );
}
