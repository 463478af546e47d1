import { ArrowRight } from 'lucide-react';
import { Link } from 'react-router';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import type { PourAnswer } from '../../../contract/index.ts';
import { curingIn, viewOf } from '../../../core/view/pour-view.ts';
import { alarmWords, pressing } from '../../../core/words/alarms.ts';
import { clockText, counted, strength, textOf, volume } from '../../../core/units/index.ts';
import { useCuringAir } from '../../app/useCuringAir.ts';
import { logStore } from '../../sync/log-store.ts';
import { Mark } from '../../ui/Mark.tsx';
import { localDate, midnightMs } from '../../../core/weather/daylight.ts';
import { momentDay, StripDays, stripScale } from './strip.tsx';

/** What a lane needs of a pour, from the same core as its stages. */
function useLane(record: PourAnswer, nowMs: number) {
  const store = useMemo(() => logStore(record.id), [record.id]);
  const log = useSyncExternalStore(store.watch, store.snapshot);
  useEffect(() => {
    void store.pull().catch(() => undefined);
  }, [store]);
  const view = viewOf(record, log.state, nowMs);
  const air = useCuringAir(record, view?.progress.finishedMs ?? null, nowMs);
  return useMemo(
    () => view && { ...view, curing: curingIn(record, view, log.state, nowMs, air) },
    [record, view, log.state, nowMs, air],
  );
}

const HOUR = 3_600_000;
const H = 100;

/** The lane's own stretch of the strip: when it is checked and poured, and how its strength grows. */
export function LaneStrip({
  record,
  nowMs,
  todayMs,
  width,
}: {
  record: PourAnswer;
  nowMs: number;
  todayMs: number;
  width: number;
}) {
  const lane = useLane(record, nowMs);
  if (!lane || width < 60) return null;
  const x = stripScale(todayMs, width);
  const dayMs =
    record.pour.date === null ? null : midnightMs(record.pour.date, record.site.timeZone);
  const start =
    dayMs === null
      ? null
      : (lane.progress.startedMs ?? dayMs + record.pour.settings.firstLoadMin * 60_000);
  const end =
    dayMs === null
      ? null
      : (lane.progress.finishedMs ?? dayMs + lane.plan.timetable.finishMin * 60_000);
  const c = lane.curing;
  const foot = H - 12;
  const narrow = start !== null && Math.abs(start - todayMs - 12 * HOUR) > 12 * HOUR;
  const label =
    start === null || end === null
      ? ''
      : narrow
        ? momentDay(start, record.site.timeZone)
        : `${clockText(record.pour.settings.firstLoadMin)}, ${lane.plan.loadIds.length} loads, done ${clockText((end - (dayMs ?? 0)) / 60_000)}`;
  const right = start !== null && x(start) > width * 0.72;
  return (
    <svg width={width} height={H} aria-hidden="true" className="block">
      <StripDays todayMs={todayMs} scale={x} height={H} />
      <path d={`M0 ${foot}H${width}`} stroke="var(--hair)" />
      {c && (
        <>
          <path
            d={`M${c.curve.map((p) => `${x(c.startMs + p.timeH * HOUR)} ${foot - (p.strengthMPa / lane.mix.fcMPa) * (H - 40)}`).join('L')}`}
            fill="none"
            stroke="var(--fresh)"
            strokeWidth="2.5"
            strokeDasharray="6 4"
          />
          <path d={`M0 ${foot - (H - 40)}H${width}`} stroke="var(--chalk)" />
          <text
            x={width - 4}
            y={foot - (H - 40) - 5}
            textAnchor="end"
            fontSize="14"
            className="halo"
            style={{ fill: 'var(--chalk-t)' }}
          >
            f′c {strength(lane.mix.fcMPa, record.site.units).value}
          </text>
        </>
      )}
      {start !== null && end !== null && (
        <>
          <rect
            x={x(start)}
            y="26"
            width={Math.max(6, x(end) - x(start))}
            height={foot - 26}
            fill={lane.progress.startedMs === null ? 'var(--fresh-2)' : 'var(--fresh)'}
            stroke="var(--fresh)"
            strokeWidth="2"
          />
          <text
            x={right ? x(end) : x(start)}
            y="19"
            textAnchor={right ? 'end' : 'start'}
            fontSize="15"
            className="b halo"
          >
            {label}
          </text>
        </>
      )}
      {dayMs === null && (
        <text x={x(todayMs + 7 * HOUR)} y={foot - 22} fontSize="15" className="q">
          no date yet
        </text>
      )}
      <path d={`M${x(nowMs)} 0V${H}`} stroke="var(--chalk)" strokeWidth="3" />
    </svg>
  );
}

/** The next act over all pours of the site: the one poured today or soonest that something holds. */
export function LaneNext({ record, nowMs }: { record: PourAnswer; nowMs: number }) {
  const lane = useLane(record, nowMs);
  if (!lane) return null;
  const { code, date } = record.pour;
  const when =
    date === null
      ? 'has no date yet'
      : `pours ${date === localDate(nowMs, record.site.timeZone) ? 'today' : momentDay(midnightMs(date, record.site.timeZone), record.site.timeZone)} at ${clockText(record.pour.settings.firstLoadMin)}`;
  const { startedMs, finishedMs, placedM3 } = lane.progress;
  const stage = startedMs === null ? 'check' : finishedMs === null ? 'pour' : 'cure';
  const alarm = lane.alarms.find(pressing);
  const placed = textOf(volume(placedM3, record.site.units, 1));
  return (
    <footer className="next sticky bottom-0 h-16 max-sm:h-24">
      <span className="head hidden text-[14px] text-ink2 sm:inline">Next</span>
      {stage === 'check' ? (
        <p>
          {code} {when} and is{' '}
          {lane.gate.ready ? (
            'ready.'
          ) : (
            <>
              <b>not ready</b>. {counted(lane.gate.rows.length, 'thing holds it', 'things hold it')}
              .
            </>
          )}
        </p>
      ) : stage === 'pour' ? (
        <p>
          {alarm
            ? `${code}: ${alarmWords(alarm, lane.plan.route, record.site.units).sentence}`
            : `${code} is being poured, ${placed} placed.`}
        </p>
      ) : (
        <p>
          {code} is placed, {placed}.
        </p>
      )}
      <Link className="btn" to={`/pours/${record.id}/${stage}`}>
        Open {code}
        <ArrowRight size={22} aria-hidden="true" />
      </Link>
    </footer>
  );
}

/** In words, what holds each pour, or how it stands. */
export function LaneStatus({ record, nowMs }: { record: PourAnswer; nowMs: number }) {
  const lane = useLane(record, nowMs);
  if (!lane) return null;
  const units = record.site.units;
  const { gate, curing, progress, plan, closed } = lane;
  const date = record.pour.date;
  const when = date
    ? `${momentDay(midnightMs(date, record.site.timeZone), record.site.timeZone)}, ${clockText(record.pour.settings.firstLoadMin)}`
    : 'no date yet';
  const amount = `${textOf(volume(plan.orderedM3, units, 1))} in ${counted(plan.loadIds.length, 'load')}`;
  if (curing)
    return (
      <p className="leading-5">
        <b className="hidden font-semibold md:block">{record.pour.title}</b>
        <b className="head mt-1 flex items-center gap-2 text-[20px] leading-6 text-good-t">
          <Mark verdict="good" />
          {closed ? 'Closed' : curing.strip === 'may' ? 'Forms may come off' : 'Curing'}
        </b>
        {textOf(strength(curing.strengthMPa, units))} by temperature
      </p>
    );
  if (progress.startedMs !== null) {
    const alarm = lane.alarms.find(pressing);
    const words = alarm && alarmWords(alarm, plan.route, units);
    return (
      <p className="leading-5">
        <b className="hidden font-semibold md:block">{record.pour.title}</b>
        <b className="head mt-1 flex items-center gap-2 text-[20px] leading-6">
          <Mark verdict={words?.tone ?? 'tight'} />
          Pouring
        </b>
        {textOf(volume(progress.placedM3, units, 1))} placed
        {words && (
          <b className="block font-semibold text-chalk-t" data-alarm={alarm.kind}>
            {words.name}
          </b>
        )}
      </p>
    );
  }
  const n = gate.rows.length;
  const asked = gate.rows.filter((r) => r.kind === 'question').length;
  const untouched = gate.read === 0 && asked === 0;
  const several = (count: number, word: string) => (count ? [counted(count, word)] : []);
  const parts = [
    ...(gate.counts.out ? [`${gate.counts.out} out`] : []),
    ...several(asked, 'question'),
    ...several(gate.rows.filter((r) => r.kind === 'change').length, 'change'),
    ...(gate.counts.unread ? [`${gate.counts.unread} to read`] : []),
  ];
  const label = gate.ready
    ? 'Nothing holds it'
    : untouched
      ? 'Nothing read yet'
      : `${counted(n, 'thing holds it', 'things hold it')}`;
  const tone = gate.ready
    ? 'text-good-t'
    : untouched
      ? ''
      : gate.counts.out
        ? 'text-chalk-t'
        : 'text-ochre-t';
  return (
    <p className="leading-5">
      <b className="hidden font-semibold md:block">{record.pour.title}</b>
      <b className={`head mt-1 flex items-center gap-2 text-[20px] leading-6 ${tone}`}>
        <Mark
          verdict={gate.ready ? 'good' : untouched ? 'unread' : gate.counts.out ? 'out' : 'held'}
        />
        {label}
      </b>
      {!untouched && !gate.ready && `${parts.join(', ')}. `}
      {when}, {amount}
    </p>
  );
}
