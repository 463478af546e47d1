import { clockText } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';
import LiveRoute from '../../drawing/LiveRoute.tsx';

const UNFINISHED = {
  placing: 'Placing is not finished yet.',
  reading: 'Reading the air it cures in…',
};

/** There is nothing to draw a curve of yet: why, and the way that is placed. */
export default function NotPlaced({ width }: { width: number }) {
  const v = usePour();
  const set = useSetFocus();
  return (
    <div className="flex h-full flex-col justify-center gap-4 p-6">
      <p className="max-w-[40ch] text-[20px] leading-7">
        Curing is reckoned from the end of placing.{' '}
        {v.progress.startedMs === null
          ? `The pour is planned to end at ${clockText(v.plan.timetable.finishMin)}.`
          : UNFINISHED[v.progress.finishedMs === null ? 'placing' : 'reading']}
      </p>
      <LiveRoute
        width={width - 48}
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
  );
}
