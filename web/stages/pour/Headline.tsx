import { seamUrgent } from '#core/pourlog';
import { clockText, counted, textOf, volume } from '#core/units';
import { seamOrigin, stateOrigin, trucksOrigin } from '../../app/origins.ts';
import { usePour } from '../../app/pour-context.tsx';
import { dayText, dueOf, lateMin, momentText } from '#core/view';
import { Big } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';
import { seamMoveText, supplyWords } from '#core/words';
import { seamName } from './seam-name.ts';

/** The one figure that decides the next ten minutes. */
export function Headline() {
  const v = usePour();
  const { progress } = v;
  const seam = progress.seams[0];
  if (progress.finishedMs !== null)
    return (
      <div>
        <FigureWithWorking name="what is placed" {...stateOrigin(v)}>
          <Big figure={volume(progress.placedM3, v.units)} size={64} className="text-good-t" />
        </FigureWithWorking>
        <p className="text-[18px] font-semibold leading-6">
          All placed at {momentText(v, progress.finishedMs)}.
          {progress.usedPerNeat !== null &&
            ` ${textOf(volume(progress.dischargedM3, v.units))} ${supplyWords(v.plant).used}, ${((progress.usedPerNeat - 1) * 100).toFixed(1)} in 100 over neat.`}
        </p>
      </div>
    );
  if (seam && (seam.cold || seam.minutesLeft < 120)) {
    const left = Math.max(0, seam.minutesLeft);
    const share = Math.min(1, left / seam.knitMin);
    return (
      <div>
        <div className="flex items-end gap-4">
          <FigureWithWorking name="the seam’s clock" {...seamOrigin(v)}>
            <Big
              figure={{
                value: seam.cold ? 'cold' : String(Math.floor(left)),
                unit: seam.cold ? '' : 'min',
              }}
              size={68}
              className={seamUrgent(seam) ? 'text-chalk-t' : ''}
            />
          </FigureWithWorking>
          <p className="pb-1 text-[18px] leading-6">
            <b className="font-semibold">Seam at {seamName(v, seam)}.</b>
            <br />
            {seam.cold
              ? 'Past its window: bulkhead, clean and ask.'
              : `Shuts ${momentText(v, seam.shutsMs)}, then it no longer knits. ${seamMoveText(v.plan.route, seam)}`}
          </p>
        </div>
        <svg
          className="mt-2 w-full"
          height="8"
          viewBox="0 0 100 8"
          preserveAspectRatio="none"
          aria-hidden="true"
        >
          <rect width={100 - share * 100} height="8" fill="var(--ink)" />
          <rect x={100 - share * 100} width={share * 100} height="8" fill="var(--chalk)" />
        </svg>
      </div>
    );
  }
  return <BeforeFirst />;
}

/** Before the first load: what comes and when, or that nothing does. */
function BeforeFirst() {
  const v = usePour();
  const gate = (
    <>
      <br />
      {GATE_WORDS[v.gate.state]}
      {v.gate.state === 'held' && ` ${counted(v.gate.rows.length, 'thing')} to fix first.`}
    </>
  );
  const wait = v.loads.find((l) => l.stage === 'due');
  const due = wait ? dueOf(v, wait) : null;
  if (!wait || !due)
    return (
      <p className="text-[18px] leading-6" data-nothing-due>
        <b className="head block text-[28px] leading-9">
          {v.progress.startedMs === null ? 'Not ordered' : 'Nothing on order'}
        </b>
        Nothing is coming.
        {v.progress.startedMs === null && gate}
      </p>
    );
  const until = due.arriveMin - v.minuteOf(v.nowMs);
  const late = lateMin(v, wait, v.nowMs);
  const soon = until > -240 && until < 600;
  const { one } = supplyWords(v.plant);
  const load = `${one} ${wait.id.replace('L', '')}`;
  return (
    <div className="flex items-end gap-4">
      <FigureWithWorking name="the first load" {...trucksOrigin(v)}>
        {soon ? (
          <Big
            figure={{ value: String(Math.abs(Math.round(late > 0 ? late : until))), unit: 'min' }}
            size={64}
            className={late > 0 ? 'text-chalk-t' : ''}
          />
        ) : (
          <Big figure={{ value: clockText(due.arriveMin), unit: '' }} size={64} />
        )}
      </FigureWithWorking>
      <p className="pb-1 text-[18px] leading-6">
        <b className="font-semibold">
          {soon
            ? `${late > 0 ? `${load} is late` : `until ${load}`}, due ${clockText(due.arriveMin)}.`
            : `First ${one}, ${v.record.pour.date === null ? 'no date yet' : dayText(v.record.pour.date)}.`}
        </b>
        {v.progress.startedMs === null && gate}
      </p>
    </div>
  );
}

const GATE_WORDS = {
  open: 'The gate is open.',
  held: 'The gate is shut:',
  against: 'Against the gate.',
} as const;
