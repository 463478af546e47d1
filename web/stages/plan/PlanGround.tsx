import { usePour } from '../../app/pour-context.tsx';
import { MarchChart } from '../../drawing/march/MarchChart.tsx';
import { useSize } from '../../drawing/useSize.ts';

/** The pour as it is planned: time down, the route across. */
export function PlanGround() {
  const v = usePour();
  const [boxRef, box] = useSize();
  const sameDay = v.minuteOf(v.nowMs) > -60 && v.minuteOf(v.nowMs) < 1500;
  return (
    <div ref={boxRef} className="h-full">
      <MarchChart
        width={box.width}
        height={box.height}
        plan={v.plan}
        units={v.units}
        maxAgeMin={v.mix.maxAgeMin}
        nowMin={sameDay ? v.minuteOf(v.nowMs) : null}
        weather={v.weather.map((hour) => ({ min: v.minuteOf(Date.parse(hour.at)), hour }))}
      />
    </div>
  );
}
