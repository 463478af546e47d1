import { clockText } from '#core/units';
import { momentText } from '#core/view';
import { usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';
import { StrengthCurve } from '../../drawing/StrengthCurve.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { lazily } from '../../ui/lazily.tsx';

/** Only while there is nothing to draw a curve of. */
const LiveRoute = lazily(() => import('../../drawing/LiveRoute.tsx'));

const UNFINISHED = {
  placing: 'Placing is not finished yet.',
  reading: 'Reading the air it cures in…',
};

export function CureGround() {
  const v = usePour();
  const [boxRef, box] = useSize();
  const set = useSetFocus();
  return (
    <div ref={boxRef} className="h-full">
      {v.curing ? (
        <StrengthCurve
          width={box.width}
          height={box.height}
          curing={v.curing}
          fcMPa={v.mix.cylinderMPa}
          units={v.units}
          stripLabel={
            v.curing.stripMs === null ? 'not by this curve' : momentText(v, v.curing.stripMs)
          }
        />
      ) : (
        <div className="flex h-full flex-col justify-center gap-4 p-6">
          <p className="max-w-[40ch] text-[20px] leading-7">
            Curing is reckoned from the end of placing.{' '}
            {v.progress.startedMs === null
              ? `The pour is planned to end at ${clockText(v.plan.timetable.finishMin)}.`
              : UNFINISHED[v.progress.finishedMs === null ? 'placing' : 'reading']}
          </p>
          <LiveRoute
            width={box.width - 48}
            height={90}
            site={v.record.site}
            route={v.plan.route}
            progress={v.progress}
            nowMs={v.nowMs}
            onPick={() => {
              set({ sheet: null });
            }}
          />
        </div>
      )}
    </div>
  );
}
