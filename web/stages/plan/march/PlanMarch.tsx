import { usePour } from '../../../app/pour-context.tsx';
import { MarchChart } from '../../../drawing/march/MarchChart.tsx';
import { useSize } from '../../../drawing/useSize.ts';
import { usePlanned } from '../planned.tsx';
import { MarchHandles } from './MarchHandles.tsx';

/** The pour as it is planned: time down, the route across; its loads, lifts and start are dragged on it. */
export function PlanMarch() {
  const v = usePour();
  const p = usePlanned();
  const [boxRef, box] = useSize();
  const now = v.minuteOf(v.nowMs);
  const props = {
    width: box.width,
    height: box.height,
    plan: p.plan,
    units: v.units,
    maxAgeMin: v.mix.maxAgeMin,
    nowMin: now > -60 && now < 1500 ? now : null,
    weather: v.weather.map((hour) => ({ min: v.minuteOf(Date.parse(hour.at)), hour })),
    site: v.record.site,
    noGo: p.noGo,
    light: p.light,
    cold: p.cold,
  };
  return (
    <div ref={boxRef} className="relative min-h-0 flex-1" data-trying={p.trying}>
      <MarchChart {...props} />
      {!v.closed && <MarchHandles chart={props} />}
    </div>
  );
}
