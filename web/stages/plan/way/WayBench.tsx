import { sequenceOf } from '#core/pourplan';
import { coldSentence, coldStretchText, routeWhy } from '#core/words';
import { planningOf } from '#core/view';
import { M3_PER_YD3, volume } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';
import { lazily } from '../../../ui/lazily.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';
import { usePlanned } from '../planned.tsx';
import { Stepper } from '../Stepper.tsx';
import { Legs } from './Legs.tsx';
import { HighLifts, LiftSteppers, OverRating } from './Lifts.tsx';
import { ConcreteStepper } from './ConcreteStepper.tsx';
import { SearchPanel } from './SearchPanel.tsx';

const Layings = lazily(() => import('./Layings.tsx'));
const Bulkheads = lazily(() => import('./Bulkheads.tsx'));
const WayNotes = lazily(() => import('./WayNotes.tsx'));

/** Seams that leave their window, with what saves them; or that all are met. */
function Seams() {
  const v = usePour();
  const p = usePlanned();
  const planning = planningOf(v.record);
  const [worst] = p.cold;
  if (!worst)
    return (
      <ul className="flex flex-col gap-1">
        {routeWhy(p.plan.route, p.cold, p.plan.timetable.seams.length).map((why) => (
          <li key={why} className="flex gap-2">
            <Mark verdict="good" />
            <T>{why}</T>
          </li>
        ))}
      </ul>
    );
  const saver = p.trying ? null : (planning?.saver ?? null);
  return (
    <section aria-label="Cold seams" className="flex flex-col gap-2">
      <p className="flex gap-2 text-[18px] leading-6">
        <Mark verdict="out" />
        <span>
          <T>{coldSentence(worst, saver, v.units)}</T>
        </span>
      </p>
      {p.cold.slice(1, 4).map((c, i) => (
        <p key={i} className="flex gap-2">
          <Mark verdict="out" />
          <T>{coldStretchText(c, v.units)}</T>
        </p>
      ))}
      {saver && Object.keys(saver.change).length > 0 && (
        <button
          type="button"
          className="btn soft"
          onClick={() => {
            void p.change(saver.change);
          }}
        >
          Save the seam
        </button>
      )}
      <ul className="flex flex-col gap-1 text-ink2">
        {routeWhy(p.plan.route, p.cold, p.plan.timetable.seams.length).map((why) => (
          <li key={why}>
            <T>{why}</T>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The way round: why it goes as it does, its legs, its lifts, and the search for a better one. */
export default function WayBench() {
  const v = usePour();
  const set = useSetFocus();
  const { plan, settings: s, record, change } = usePlanned();
  const n = record.pour.elements.length;
  const rateStep = v.units === 'us' ? 2 * M3_PER_YD3 : 1;
  return (
    <div className="flex flex-col gap-4">
      <Seams />
      <OverRating />
      <HighLifts />
      <div className="grid grid-cols-1 gap-2 sm:grid-cols-2">
        <LiftSteppers />
        <Stepper
          label={v.units === 'us' ? 'yd³ an hour' : 'm³ an hour'}
          value={volume(s.placingRateM3PerH, v.units, 0).value}
          less={() => {
            void change({ placingRateM3PerH: Math.max(rateStep, s.placingRateM3PerH - rateStep) });
          }}
          more={() => {
            void change({ placingRateM3PerH: Math.min(400, s.placingRateM3PerH + rateStep) });
          }}
        />
        <ConcreteStepper />
        <Stepper
          label="start at"
          value={plan.route.legs[0]?.startNode ?? sequenceOf(record.pour)[s.startAt] ?? ''}
          less={() => {
            void change({ startAt: (s.startAt + n - 1) % n });
          }}
          more={() => {
            void change({ startAt: (s.startAt + 1) % n });
          }}
        />
      </div>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="chip"
          aria-pressed={s.reverse}
          onClick={() => {
            void change({ reverse: !s.reverse });
          }}
        >
          Other way round
        </button>
        <button
          type="button"
          className="chip"
          onClick={() => {
            set({ sheet: 'lifts' });
          }}
        >
          Lifts, run by run
        </button>
        {s.lifts !== null && (
          <button
            type="button"
            className="chip"
            onClick={() => {
              void change({ lifts: null });
            }}
          >
            Lifts as the forms allow
          </button>
        )}
      </div>
      <Layings />
      <SearchPanel />
      <Bulkheads />
      <WayNotes />
      <Legs />
    </div>
  );
}
