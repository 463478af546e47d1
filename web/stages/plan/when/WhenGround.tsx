import { usePour } from '../../../app/pour-context.tsx';
import { windNoOf } from '#core/pourplan';
import { conveyanceOf } from '#core/view';
import { useSize } from '../../../drawing/useSize.ts';
import { usePlanned } from '../planned.tsx';
import { Backwards } from './Backwards.tsx';
import { DaysChart } from './DaysChart.tsx';
import { whenScale } from './scale.ts';
import { dayOf, useStarts } from './useStarts.ts';

/**
 * Five days of weather with every quarter hour as a start: pressed, it is taken; and backwards from
 * what ends the day.
 */
export default function WhenGround() {
  const v = usePour();
  const { record, change, settings, plan } = usePlanned();
  const [boxRef, box] = useSize();
  const when = useStarts();
  const { days } = when;
  const own = days.findIndex((d) => d.date === record.pour.date);
  const startMin = own >= 0 ? (days[own]?.fromMin ?? 0) + settings.firstLoadMin : null;
  const scale = whenScale(box.width, days, Math.max(0, own));
  const pick = (min: number) => {
    const to = dayOf(days, min);
    if (to) void change({ firstLoadMin: to.min }, to.date);
  };
  return (
    <div ref={boxRef} className="min-h-0 flex-1 overflow-y-auto">
      {when.source === 'none' || when.hours.length === 0 ? (
        <p className="p-6 text-[18px] leading-6">
          {when.source === null
            ? 'Fetching the forecast.'
            : 'There is no forecast for this site. The chart of the pour goes by its hours alone.'}
        </p>
      ) : (
        box.width > 0 && (
          <>
            <DaysChart
              scale={scale}
              width={box.width}
              height={Math.max(250, Math.min(460, box.height * 0.68))}
              when={when}
              units={v.units}
              startMin={startMin}
              placingMin={plan.timetable.finishMin - settings.firstLoadMin}
              windNo={windNoOf(conveyanceOf(record), v.rules)}
              onPick={pick}
            />
            <Backwards scale={scale} width={box.width} last={when.last} startMin={startMin} />
          </>
        )
      )}
    </div>
  );
}
