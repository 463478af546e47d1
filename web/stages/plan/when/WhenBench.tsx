import { localDate } from '#core/weather';
import { clockText, counted, durationText, moneyText } from '#core/units';
import { startReasonText } from '#core/words';
import { crewOf } from '#core/view';
import { putOffOf } from '#core/check';
import { useSetFocus } from '../../../app/useFocus.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';
import { FigureWithWorking } from '../../../ui/Working.tsx';
import { usePlanned } from '../planned.tsx';
import { Stepper } from '../Stepper.tsx';
import { dateName } from './dates.ts';
import { dayOf, saidAt, useStarts } from './useStarts.ts';

const MARK = { good: 'good', watch: 'tight', no: 'out' } as const;
const TONE = { good: 'text-good-t', watch: 'text-ochre-t', no: 'text-chalk-t' } as const;
const WORD = { good: 'good', watch: 'with care', no: 'ruled out' } as const;

const SOURCE = {
  simulated: 'The forecast is a stand-in’s.',
  given: 'Hours that were brought in rule; between them they are reckoned.',
  none: 'There is no forecast for this site.',
} as const;

/** The start that is planned, large, with what speaks for and against it. */
function Chosen({ when }: { when: ReturnType<typeof useStarts> }) {
  const v = usePour();
  const { settings, plan, record, change } = usePlanned();
  const { chosen, days, origin } = when;
  const soonestMin = v.order.state === 'none' ? v.soonestMin : null;
  const at = (min: number) => saidAt(days, min, record.pour.date);
  const spare = when.last
    .map((l) => ({ ...l, spare: l.lastStartMin - (chosen?.startMin ?? 0) }))
    .sort((a, b) => a.spare - b.spare)[0];
  const late = soonestMin !== null;
  const word = chosen ? `, ${late ? 'too late to order' : WORD[chosen.verdict]}` : '';
  const tone = late ? 'text-chalk-t' : chosen && TONE[chosen.verdict];
  return (
    <section aria-label="The start" className="flex flex-col gap-2">
      <div className="flex items-end gap-4">
        {origin ? (
          <FigureWithWorking name="the start" {...origin}>
            <span className={`big text-[56px] leading-[56px] ${tone ?? ''}`}>
              {clockText(settings.firstLoadMin)}
            </span>
          </FigureWithWorking>
        ) : (
          <span className="big text-[56px] leading-[56px]">{clockText(settings.firstLoadMin)}</span>
        )}
        <p className="pb-1 leading-6">
          <b className="font-semibold">
            {record.pour.date ? dateName(record.pour.date) : 'No day yet'}
            {word}.
          </b>
          <br />
          Placed {clockText(plan.timetable.finishMin)}
          {spare && spare.spare > 0 ? `, ${durationText(spare.spare)} to spare` : ''}.
        </p>
      </div>
      {soonestMin !== null && soonestMin < 1440 && (
        <button
          type="button"
          className="btn"
          onClick={() => {
            void change({ firstLoadMin: soonestMin });
          }}
        >
          {clockText(soonestMin)}, the first that can be had
        </button>
      )}
      <ul className="flex flex-col gap-1">
        {chosen?.reasons.map((r) => (
          <li key={r.rule} className="flex gap-2" data-reason={r.rule}>
            <Mark verdict={MARK[r.verdict]} />
            <T>{startReasonText(r, v.units, at)}</T>
          </li>
        ))}
        {chosen?.reasons.length === 0 && (
          <li className="flex gap-2">
            <Mark verdict="good" />
            Dry, light, no frost while it is protected, and the plant is open.
          </li>
        )}
      </ul>
    </section>
  );
}

/** The best starts there are, one press each. */
function Best({ when }: { when: ReturnType<typeof useStarts> }) {
  const v = usePour();
  const { change } = usePlanned();
  if (when.best.length === 0)
    return when.hours.length > 0 ? (
      <p className="flex gap-2 font-semibold text-chalk-t">
        <Mark verdict="out" />
        In five days no start is left that nothing forbids: split the pour, or wait for the next
        forecast.
      </p>
    ) : null;
  return (
    <section aria-label="Best starts" className="flex flex-col gap-2">
      <h2 className="head">Best starts</h2>
      {when.best.map((s, i) => {
        const at = dayOf(when.days, s.startMin);
        const own = s.startMin === when.chosen?.startMin;
        return at ? (
          <button
            key={s.startMin}
            type="button"
            aria-pressed={own}
            data-best={i}
            className={`flex min-h-12 items-center gap-3 px-3 text-left ${own ? 'inked bg-ink text-ground' : 'bg-press-2 text-press'}`}
            onClick={() => {
              void change({ firstLoadMin: at.min }, at.date);
            }}
          >
            <b className="head">{i + 1}</b>
            <Mark verdict={MARK[s.verdict]} />
            <b className="font-semibold">
              {dateName(at.date)} {clockText(at.min)}
            </b>
            <span className="min-w-0 flex-1 truncate text-right">
              {s.reasons[0]
                ? startReasonText(s.reasons[0], v.units, (m) => saidAt(when.days, m, at.date))
                : 'nothing against it'}
            </span>
          </button>
        ) : null;
      })}
    </section>
  );
}

/** What still stands before the pour, with when it has to be done. */
function Waits() {
  const v = usePour();
  const { plan } = usePlanned();
  const { pour } = v.record;
  const nowMin = v.minuteOf(v.nowMs);
  const rows = putOffOf(pour, nowMin).rows;
  const first = plan.simulation.loads[0]?.batchMin ?? pour.settings.firstLoadMin;
  const at = (min: number) => {
    const date = localDate(v.dayMs + min * 60_000, v.record.site.timeZone);
    const time = clockText(((min % 1440) + 1440) % 1440);
    return date === localDate(v.nowMs, v.record.site.timeZone) ? time : `${dateName(date)} ${time}`;
  };
  const held = v.gate.rows.length;
  const orderBy = first - (v.plant.noticeMin ?? 0);
  const late = nowMin > orderBy ? 'out' : 'held';
  const orderMark = v.order.state === 'none' ? late : 'good';
  const nobody = crewOf(v.record)?.jobs.filter((j) => j.name === null).length ?? 0;
  return (
    <section aria-label="What waits">
      <h2 className="head border-b-2 border-ink pb-0.5">What waits</h2>
      <ul className="rows tnum">
        <li className="flex gap-3 py-2">
          <Mark verdict={held ? 'held' : 'good'} />
          <span className="flex-1">
            {held ? `${held} hold the gate on Check` : 'The gate is open'}
          </span>
          <b className="font-semibold">by {at(first)}</b>
        </li>
        <li className="flex gap-3 py-2">
          <Mark verdict={orderMark} />
          <span className="flex-1">{v.plant.label} wants the order</span>
          <b className="font-semibold">by {at(orderBy)}</b>
        </li>
        {nobody > 0 && (
          <li className="flex gap-3 py-2">
            <Mark verdict="held" />
            <span className="flex-1">{counted(nobody, 'job')} without a hand, on Who</span>
            <b className="font-semibold">by {at(pour.settings.firstLoadMin)}</b>
          </li>
        )}
        {rows.map((r) => (
          <li key={r.what} className="flex gap-3 py-2">
            <Mark verdict={r.free ? 'held' : 'tight'} />
            <span className="flex-1">{r.what} is put off free</span>
            <b className="font-semibold">
              {r.free
                ? `till ${at(r.freeUntilMin)}`
                : `no more, ${moneyText(r.cost, v.record.site.currency)}`}
            </b>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** When: the start, the best others, and what waits for it. */
export default function WhenBench() {
  const v = usePour();
  const { settings, change, record } = usePlanned();
  const when = useStarts();
  const set = useSetFocus();
  return (
    <div className="flex flex-col gap-4">
      <Chosen when={when} />
      <div className="grid gap-2 sm:grid-cols-2">
        <Stepper
          label="first load"
          value={clockText(settings.firstLoadMin)}
          less={() => {
            void change({ firstLoadMin: Math.max(0, settings.firstLoadMin - 15) });
          }}
          more={() => {
            void change({ firstLoadMin: Math.min(1425, settings.firstLoadMin + 15) });
          }}
        />
        <label className="flex items-center gap-2">
          <span className="text-[14px] text-ink2">Day</span>
          <input
            type="date"
            className="field"
            value={record.pour.date ?? ''}
            onChange={(e) => {
              if (/^20\d\d-\d\d-\d\d$/.test(e.target.value)) void change({}, e.target.value);
            }}
          />
        </label>
      </div>
      <Best when={when} />
      <Waits key={v.record.id} />
      <p className="flex items-center justify-between gap-3 text-ink2">
        {SOURCE[when.source ?? 'none']}
        <button
          type="button"
          className="min-h-12 font-semibold text-press"
          onClick={() => {
            set({ sheet: 'forecast' });
          }}
        >
          A forecast of your own
        </button>
      </p>
    </div>
  );
}
