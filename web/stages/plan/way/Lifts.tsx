import { highLifts, MOST_LIFTS, mostLifts, overRating, withinForms } from '#core/pourplan';
import { counted, distanceText, quantityText } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';
import { FigureWithWorking } from '../../../ui/Working.tsx';
import { usePlanned } from '../planned.tsx';
import { Stepper } from '../Stepper.tsx';

/** Minutes that the wait between lifts changes by. */
const WAIT_STEP = 5;
const within = (lifts: number) => Math.min(MOST_LIFTS, Math.max(1, lifts));

/** Lifts of the walls, and the wait between them. A pour without walls has no such keys. */
export function LiftSteppers() {
  const { settings: s, plan, change } = usePlanned();
  const walls = plan.route.legs.filter((l) => l.wall);
  const most = s.lifts ?? Math.max(1, ...walls.map((l) => l.lifts));
  const lifts = most === 1 ? 'lift' : 'lifts';
  return (
    <>
      {walls.length > 0 && (
        <Stepper
          label={s.lifts === null ? 'lifts, as the forms allow' : lifts}
          value={String(most)}
          less={() => {
            void change({ lifts: within(most - 1) });
          }}
          more={() => {
            void change({ lifts: within(most + 1) });
          }}
        />
      )}
      {mostLifts(plan.route) > 1 && (
        <Stepper
          label="min wait between lifts"
          value={String(s.liftWaitMin)}
          less={() => {
            void change({ liftWaitMin: Math.max(0, s.liftWaitMin - WAIT_STEP) });
          }}
          more={() => {
            void change({ liftWaitMin: Math.min(240, s.liftWaitMin + WAIT_STEP) });
          }}
        />
      )}
    </>
  );
}

/** Forms that would take more than they are rated for, and one press that keeps lifts and waits within it. */
export function OverRating() {
  const v = usePour();
  const { plan, settings, record, change } = usePlanned();
  const over = plan.pressure.filter((p) => overRating(p.maxKPa, settings.ratingKPa));
  const [worst] = [...over].sort((a, b) => b.maxKPa - a.maxKPa);
  if (!worst) return null;
  const kPa = (x: number) => quantityText(x, 'KPa', v.units);
  const within = withinForms(record.site, record.pour, v.mix, v.plant, record.duskMin);
  return (
    <div className="flex flex-col gap-2" data-over-rating={worst.elementId}>
      <p className="flex gap-2 font-semibold text-chalk-t">
        <Mark verdict="out" />
        <FigureWithWorking name="the pressure" id="form-pressure" input={worst.working}>
          {worst.elementId}: {kPa(worst.maxKPa)} on forms rated {kPa(settings.ratingKPa)}.
        </FigureWithWorking>
      </p>
      {within ? (
        <button
          type="button"
          className="btn soft"
          onClick={() => {
            void change(within);
          }}
        >
          Within the forms: {counted(within.lifts ?? 1, 'lift')}, {within.liftWaitMin} min between
        </button>
      ) : (
        <p>No lifts or waits hold it at this rate: slower, or forms that hold more.</p>
      )}
    </div>
  );
}

/** Lifts that are higher than the maker of the forms allows. */
export function HighLifts() {
  const v = usePour();
  return highLifts(v.record.site, v.record.pour, v.plan.route).map((h) => (
    <p key={h.elementId} className="flex gap-2 font-semibold text-chalk-t" data-high-lift>
      <Mark verdict="out" />
      <span>
        <T>
          {`${h.elementId}: lifts of ${distanceText(h.liftM, v.units)}; its forms take ${distanceText(h.greatestM, v.units)} at a time. Place it in ${h.wanted}.`}
        </T>
      </span>
    </p>
  ));
}
