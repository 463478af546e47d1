import type { PourAnswer } from '../../../contract/index.ts';
import { clockText, counted, strength, textOf, volume } from '#core/units';
import { midnightMs } from '#core/weather';
import { alarmWords, pressing } from '#core/words';
import { Mark } from '../../ui/Mark.tsx';
import { momentDay } from './strip.tsx';
import { type LaneKnown, useLane } from './useLane.ts';

type Lane = LaneKnown;
interface P {
  record: PourAnswer;
  lane: Lane;
}

/** In words, what holds each pour, or how it stands. */
export function LaneStatus({ record, nowMs }: { record: PourAnswer; nowMs: number }) {
  const lane = useLane(record, nowMs);
  if (!lane) return null;
  if (lane === 'reading') return <p className="text-ink2">Reading…</p>;
  const { archived, cancelled } = record.pour;
  if (cancelled || archived)
    return (
      <p className="leading-5">
        <b className="hidden font-semibold md:block">{record.pour.title}</b>
        <b className="head mt-1 block text-[20px] leading-6 text-ink2">
          {cancelled ? 'Called off' : 'Archived'}
        </b>
        {cancelled?.reason}
      </p>
    );
  if (lane.curing) return <Curing record={record} lane={lane} curing={lane.curing} />;
  if (lane.progress.startedMs !== null) return <Pouring record={record} lane={lane} />;
  return <BeforePour record={record} lane={lane} />;
}

function Curing({ record, lane, curing }: P & { curing: NonNullable<Lane['curing']> }) {
  const open = curing.strip === 'may' ? 'Forms may come off' : 'Curing';
  return (
    <p className="leading-5">
      <b className="hidden font-semibold md:block">{record.pour.title}</b>
      <b className="head mt-1 flex items-center gap-2 text-[20px] leading-6 text-good-t">
        <Mark verdict="good" />
        {lane.closed ? 'Closed' : open}
      </b>
      {textOf(strength(curing.strengthMPa, record.site.units))} by temperature
    </p>
  );
}

function Pouring({ record, lane }: P) {
  const { units } = record.site;
  const alarm = lane.alarms.find(pressing);
  const words = alarm && alarmWords(alarm, lane, units);
  return (
    <p className="leading-5">
      <b className="hidden font-semibold md:block">{record.pour.title}</b>
      <b className="head mt-1 flex items-center gap-2 text-[20px] leading-6">
        <Mark verdict={words?.tone ?? 'tight'} />
        Pouring
      </b>
      {textOf(volume(lane.progress.placedM3, units, 1))} placed
      {words && (
        <b className="block font-semibold text-chalk-t" data-alarm={alarm.kind}>
          {words.name}
        </b>
      )}
    </p>
  );
}

/** How it stands before the pour, in the mark, the words and the colour of it. */
function standing(gate: Lane['gate'], untouched: boolean, ordered: boolean) {
  if (gate.state === 'open')
    return ordered
      ? ({ verdict: 'good', label: 'Ready', tone: 'text-good-t' } as const)
      : ({ verdict: 'held', label: 'Checked, not ordered', tone: 'text-ochre-t' } as const);
  if (gate.state === 'against')
    return { verdict: 'held', label: 'Against the gate', tone: 'text-ochre-t' } as const;
  if (untouched) return { verdict: 'unread', label: 'Nothing read yet', tone: '' } as const;
  const label = `${counted(gate.rows.length, 'thing')} to fix first`;
  if (gate.counts.out) return { verdict: 'out', label, tone: 'text-chalk-t' } as const;
  return { verdict: 'held', label, tone: 'text-ochre-t' } as const;
}

function BeforePour({ record, lane }: P) {
  const { gate, plan, order, plant } = lane;
  const { date } = record.pour;
  const when = date
    ? `${momentDay(midnightMs(date, record.site.timeZone), record.site.timeZone)}, ${clockText(record.pour.settings.firstLoadMin)}`
    : 'no date yet';
  const units = record.site.units;
  const off = order.ended === 'put-off' ? 'put off' : 'called off';
  const none = order.ended === null ? 'not ordered' : off;
  const amount =
    order.state === 'none'
      ? `${textOf(volume(plan.orderedM3, units, 1))}, ${plant.mixer ? counted(plan.loadIds.length, 'batch', 'batches') : none}`
      : `${textOf(volume(order.orderedM3 ?? 0, units, 1))} in ${counted(order.loads.length, 'load')}`;
  const asked = gate.rows.filter((r) => r.kind === 'question').length;
  const untouched = gate.read === 0 && asked === 0;
  const several = (count: number, word: string) => (count ? [counted(count, word)] : []);
  const parts = [
    ...(gate.counts.out ? [`${gate.counts.out} out`] : []),
    ...several(asked, 'question'),
    ...several(gate.rows.filter((r) => r.kind === 'change').length, 'change'),
    ...(gate.counts.unread ? [`${gate.counts.unread} to read`] : []),
  ];
  const ordered = order.state !== 'none' || plant.mixer !== undefined;
  const { verdict, label, tone } = standing(gate, untouched, ordered);
  return (
    <p className="leading-5">
      <b className="hidden font-semibold md:block">{record.pour.title}</b>
      <b className={`head mt-1 flex items-center gap-2 text-[20px] leading-6 ${tone}`}>
        <Mark verdict={verdict} />
        {label}
      </b>
      {!untouched && gate.state !== 'open' && `${parts.join(', ')}. `}
      {when}, {amount}
    </p>
  );
}
