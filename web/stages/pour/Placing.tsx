import { riseAt } from '#core/pourlog';
import { liftName, wayNotes } from '#core/pourplan';
import { remindersAt, riseText } from '#core/words';
import { useSetFocus } from '../../app/useFocus.ts';
import { usePour } from '../../app/pour-context.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';

/** Where the hose is, or goes next: how fast the wall comes up there, and what bears at that place. */
export default function Placing() {
  const v = usePour();
  const set = useSetFocus();
  const { progress, plan, record } = v;
  const here = progress.current
    ? { ...progress.current, ratio: progress.reached.findLast((p) => p.open)?.toRatio ?? 0 }
    : progress.startable[0];
  const leg = plan.route.legs.find((l) => l.elementId === here?.elementId);
  if (!here || !leg || progress.startedMs === null) return null;
  const rise = riseAt(record.pour, v.mix, plan.route, progress, here, v.nowMs);
  const fronts = progress.placements.filter((p) => p.open).length;
  const reminders = remindersAt(leg, wayNotes(record.site, plan), v.units);
  return (
    <section aria-label="At the hose" className="flex flex-col gap-1">
      <h2 className="head">
        {progress.current ? 'Placing' : 'Next'} {liftName(plan.route, here.elementId, here.lift)}
      </h2>
      {rise && (
        <p
          className={`flex gap-2 ${rise.waitMin > 0 ? 'font-semibold text-chalk-t' : ''}`}
          data-rise={Number.isFinite(rise.waitMin) ? Math.ceil(rise.waitMin) : 'over'}
        >
          <Mark verdict={rise.waitMin > 0 ? 'out' : 'good'} />
          <FigureWithWorking name="the rate of rise" id="max-rate-of-rise" input={rise.working}>
            <T>{riseText(rise, v.units)}</T>
          </FigureWithWorking>
        </p>
      )}
      {progress.current && fronts === 1 && (
        <button
          type="button"
          className="chip self-start"
          onClick={() => {
            set({ sheet: 'start' });
          }}
        >
          Start a second front
        </button>
      )}
      {reminders.map((r) => (
        <p key={r} className="flex gap-2 leading-5" data-reminder>
          <Mark verdict="held" />
          <T>{r}</T>
        </p>
      ))}
    </section>
  );
}
