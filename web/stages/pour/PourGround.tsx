import { mostLifts } from '#core/pourplan';
import { outlookOf } from '#core/view';
import { usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import LiveRoute from '../../drawing/LiveRoute.tsx';
import { MarchChart } from '../../drawing/march/MarchChart.tsx';
import { marchAxis } from '../../drawing/march/scales.ts';
import { useSize } from '../../drawing/useSize.ts';

/** From this height on both walls and chart stand on the ground, px. */
const TALL_PX = 360;

/** The pour as it is placed, over what was planned. */
export function PourGround() {
  const v = usePour();
  const set = useSetFocus();
  const wide = useWide();
  const [boxRef, box] = useSize();
  // A tall tablet has room for the chart under the walls too.
  const chart = wide || box.height > TALL_PX;
  const live = chart ? Math.min(150, 62 + mostLifts(v.plan.route) * 26) : box.height;
  const now = v.minuteOf(v.nowMs);
  const seam = v.progress.seams[0];
  const ahead = outlookOf(v);
  return (
    <div ref={boxRef} className="h-full">
      <LiveRoute
        width={box.width}
        height={live}
        site={v.record.site}
        route={v.plan.route}
        progress={v.progress}
        nowMs={v.nowMs}
        onPick={() => {
          set({ sheet: v.progress.current ? 'stop' : 'start' });
        }}
        {...(chart ? { axis: marchAxis(box.width, v.plan.loadIds.length) } : {})}
      />
      {chart && (
        <MarchChart
          strip={false}
          width={box.width}
          height={box.height - live}
          plan={v.plan}
          units={v.units}
          maxAgeMin={v.mix.maxAgeMin}
          {...(ahead ? { rest: ahead.rest, cold: ahead.lost } : {})}
          nowMin={now > -60 && now < 1500 ? now : null}
          weather={v.weather.map((hour) => ({ min: v.minuteOf(Date.parse(hour.at)), hour }))}
          actual={{
            placements: v.progress.placements,
            loads: v.loads,
            minuteOf: v.minuteOf,
            seamShutsMin: seam ? v.minuteOf(seam.shutsMs) : null,
            knitMin: v.progress.knitMin,
          }}
        />
      )}
    </div>
  );
}
