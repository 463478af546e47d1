import { ArrowRight } from 'lucide-react';
import { Link } from 'react-router';
import type { PourSummary, SiteSummary } from '../../../contract/index.ts';
import { clockText, counted, textOf, volume } from '#core/units';
import type { Lane } from '#core/view';
import { localDate, midnightMs } from '#core/weather';
import { momentDay } from './strip.tsx';
import type { LaneRow } from './useLanes.ts';

/** Nothing holds it: whether anything is coming. */
const ready = (lane: Lane): string =>
  lane.order.state === 'none' && !lane.mixed ? 'checked, and not ordered.' : 'ready.';

/** Where a pour is in its work. */
function stageOf({ progress }: Lane): 'check' | 'pour' | 'cure' {
  if (progress.startedMs === null) return 'check';
  return progress.finishedMs === null ? 'pour' : 'cure';
}

/** The next act over all pours of the site: the one poured today or soonest that something holds. */
export function LaneNext({
  site,
  pour: { id, code, date },
  row,
  nowMs,
}: {
  site: SiteSummary;
  pour: PourSummary;
  row: LaneRow | undefined;
  nowMs: number;
}) {
  const lane = row?.lane;
  if (!lane || lane === 'wait') return null;
  const { units, timeZone } = site;
  const when =
    date === null
      ? 'has no day yet'
      : `pours ${date === localDate(nowMs, timeZone) ? 'today' : momentDay(midnightMs(date, timeZone), timeZone)} at ${clockText(lane.plan.firstLoadMin)}`;
  const stage = stageOf(lane);
  const placed = textOf(volume(lane.progress.placedM3, units, 1));
  const words = {
    check: (
      <>
        {code} {when} and is{' '}
        {lane.gate.state === 'open' ? (
          ready(lane)
        ) : (
          <>
            <b>{lane.gate.state === 'against' ? 'against the gate' : 'not ready'}</b>.{' '}
            {counted(lane.gate.toFix, 'thing')} to fix first.
          </>
        )}
      </>
    ),
    pour: lane.alarm
      ? `${code}: ${lane.alarm.sentence}`
      : `${code} is being poured, ${placed} placed.`,
    cure: `${code} is placed, ${placed}.`,
  };
  return (
    <footer className="next sticky bottom-0 h-16 max-sm:h-24">
      <span className="head hidden text-[14px] text-ink2 sm:inline">Next</span>
      <p>{words[stage]}</p>
      <Link className="btn" to={`/pours/${id}/${stage}`}>
        Open {code}
        <ArrowRight size={22} aria-hidden="true" />
      </Link>
    </footer>
  );
}
