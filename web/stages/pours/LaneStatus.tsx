import type { PourSummary, SiteSummary } from '../../../contract/index.ts';
import { clockText, counted, strength, textOf, volume } from '#core/units';
import type { Lane } from '#core/view';
import { midnightMs } from '#core/weather';
import { Mark } from '../../ui/Mark.tsx';
import type { LaneRow } from './useLanes.ts';
import { momentDay } from './strip.tsx';

/** A pour of a site, with how it stands. */
interface P {
  site: SiteSummary;
  pour: PourSummary;
  lane: Lane;
}

/** In words, what holds each pour, or how it stands. */
export function LaneStatus({ site, pour, row }: Omit<P, 'lane'> & { row: LaneRow | undefined }) {
  if (pour.cancelled || pour.archived)
    return (
      <p className="leading-5">
        <b className="hidden font-semibold md:block">{pour.title}</b>
        <b className="head mt-1 block text-[20px] leading-6 text-ink2">
          {pour.cancelled ? 'Called off' : 'Archived'}
        </b>
        {row?.reason}
      </p>
    );
  if (!row || row.lane === 'wait')
    return (
      <p className="leading-5 text-ink2">
        <b className="hidden font-semibold text-ink md:block">{pour.title}</b>
        Reading…
      </p>
    );
  const { lane } = row;
  if (!lane) return null;
  if (lane.curing) return <Curing site={site} pour={pour} lane={lane} curing={lane.curing} />;
  if (lane.progress.startedMs !== null) return <Pouring site={site} pour={pour} lane={lane} />;
  return <BeforePour site={site} pour={pour} lane={lane} />;
}

function Curing({ site, pour, lane, curing }: P & { curing: NonNullable<Lane['curing']> }) {
  const open = curing.strip === 'may' ? 'Forms may come off' : 'Curing';
  return (
    <p className="leading-5">
      <b className="hidden font-semibold md:block">{pour.title}</b>
      <b className="head mt-1 flex items-center gap-2 text-[20px] leading-6 text-good-t">
        <Mark verdict="good" />
        {lane.closed ? 'Closed' : open}
      </b>
      {textOf(strength(curing.strengthMPa, site.units))} by temperature
    </p>
  );
}

function Pouring({ site, pour, lane: { alarm, progress } }: P) {
  return (
    <p className="leading-5">
      <b className="hidden font-semibold md:block">{pour.title}</b>
      <b className="head mt-1 flex items-center gap-2 text-[20px] leading-6">
        <Mark verdict={alarm?.tone ?? 'tight'} />
        Pouring
      </b>
      {textOf(volume(progress.placedM3, site.units, 1))} placed
      {alarm && (
        <b className="block font-semibold text-chalk-t" data-alarm={alarm.kind}>
          {alarm.name}
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
  const label = `${counted(gate.toFix, 'thing')} to fix first`;
  if (gate.out) return { verdict: 'out', label, tone: 'text-chalk-t' } as const;
  return { verdict: 'held', label, tone: 'text-ochre-t' } as const;
}

/** What is ordered of a pour, or would have to be. */
function amountText({ plan, order, mixed }: Lane, units: SiteSummary['units']): string {
  const off = order.ended === 'put-off' ? 'put off' : 'called off';
  const none = order.ended === null ? 'not ordered' : off;
  return order.state === 'none'
    ? `${textOf(volume(plan.orderedM3, units, 1))}, ${mixed ? counted(plan.loads, 'batch', 'batches') : none}`
    : `${textOf(volume(order.orderedM3 ?? 0, units, 1))} in ${counted(order.loads, 'load')}`;
}

function BeforePour({ site, pour, lane }: P) {
  const { gate, plan } = lane;
  const when = pour.date
    ? `${momentDay(midnightMs(pour.date, site.timeZone), site.timeZone)}, ${clockText(plan.firstLoadMin)}`
    : 'no date yet';
  const untouched = gate.read === 0 && gate.questions === 0;
  const several = (count: number, word: string) => (count ? [counted(count, word)] : []);
  const parts = [
    ...(gate.out ? [`${gate.out} out`] : []),
    ...several(gate.questions, 'question'),
    ...several(gate.changes, 'change'),
    ...(gate.unread ? [`${gate.unread} to read`] : []),
  ];
  const ordered = lane.order.state !== 'none' || lane.mixed;
  const { verdict, label, tone } = standing(gate, untouched, ordered);
  return (
    <p className="leading-5">
      <b className="hidden font-semibold md:block">{pour.title}</b>
      <b className={`head mt-1 flex items-center gap-2 text-[20px] leading-6 ${tone}`}>
        <Mark verdict={verdict} />
        {label}
      </b>
      {!untouched && gate.state !== 'open' && `${parts.join(', ')}. `}
      {when}, {amountText(lane, site.units)}
    </p>
  );
}
