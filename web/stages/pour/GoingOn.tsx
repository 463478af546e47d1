import { isShort } from '#core/pourlog';
import { outlookOf } from '#core/view';
import { aheadText, lostText } from '#core/words';
import { usePour } from '../../app/pour-context.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';

/** How the rest goes from now: when it is done, and the first seam that is lost on the way. */
export default function GoingOn() {
  const v = usePour();
  const ahead = outlookOf(v);
  if (!ahead) return null;
  const lost = lostText(ahead, v.units);
  return (
    <section aria-label="As it goes" className="flex flex-col gap-1">
      {lost && (
        <p className="flex gap-2 font-semibold text-chalk-t" data-lost>
          <Mark verdict="out" />
          <span>
            <T>{lost}</T>
          </span>
        </p>
      )}
      <p className="flex gap-2">
        <Mark verdict={isShort(ahead.shortM3) ? 'out' : 'good'} />
        <FigureWithWorking name="how it goes on" id="pour-forecast" input={ahead.input}>
          <T>{aheadText(ahead, v.plan.timetable.finishMin, v.units)}</T>
        </FigureWithWorking>
      </p>
    </section>
  );
}
