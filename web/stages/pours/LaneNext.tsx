import { ArrowRight } from 'lucide-react';
import { Link } from 'react-router';
import type { PourAnswer } from '../../../contract/index.ts';
import { clockText, counted, textOf, volume } from '#core/units';
import { localDate, midnightMs } from '#core/weather';
import { alarmWords, pressing } from '#core/words';
import { momentDay } from './strip.tsx';
import { type LaneKnown, useLane } from './useLane.ts';

/** Nothing holds it: whether anything is coming. */
const ready = (lane: LaneKnown): string =>
  lane.order.state === 'none' && !lane.plant.mixer ? 'checked, and not ordered.' : 'ready.';

/** The next act over all pours of the site: the one poured today or soonest that something holds. */
export function LaneNext({ record, nowMs }: { record: PourAnswer; nowMs: number }) {
  const lane = useLane(record, nowMs);
  if (!lane || lane === 'reading') return null;
  const { code, date } = record.pour;
  const when =
    date === null
      ? 'has no day yet'
      : `pours ${date === localDate(nowMs, record.site.timeZone) ? 'today' : momentDay(midnightMs(date, record.site.timeZone), record.site.timeZone)} at ${clockText(record.pour.settings.firstLoadMin)}`;
  const { startedMs, finishedMs, placedM3 } = lane.progress;
  const started = finishedMs === null ? 'pour' : 'cure';
  const stage = startedMs === null ? 'check' : started;
  const alarm = lane.alarms.find(pressing);
  const placed = textOf(volume(placedM3, record.site.units, 1));
  const words = {
    check: (
      <>
        {code} {when} and is{' '}
        {lane.gate.state === 'open' ? (
          ready(lane)
        ) : (
          <>
            <b>{lane.gate.state === 'against' ? 'against the gate' : 'not ready'}</b>.{' '}
            {counted(lane.gate.rows.length, 'thing')} to fix first.
          </>
        )}
      </>
    ),
    pour: alarm
      ? `${code}: ${alarmWords(alarm, lane, record.site.units).sentence}`
      : `${code} is being poured, ${placed} placed.`,
    cure: `${code} is placed, ${placed}.`,
  };
  return (
    <footer className="next sticky bottom-0 h-16 max-sm:h-24">
      <span className="head hidden text-[14px] text-ink2 sm:inline">Next</span>
      <p>{words[stage]}</p>
      <Link className="btn" to={`/pours/${record.id}/${stage}`}>
        Open {code}
        <ArrowRight size={22} aria-hidden="true" />
      </Link>
    </footer>
  );
}
