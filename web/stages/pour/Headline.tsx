import { seamUrgent } from '#core/pourlog';
import { clockText, counted, textOf, volume } from '#core/units';
import { seamOrigin, stateOrigin, trucksOrigin } from '../../app/origins.ts';
import { usePour } from '../../app/pour-context.tsx';
import { momentText } from '#core/view';
import { Big } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';
import { seamMoveText } from '#core/words';
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
            ` ${textOf(volume(progress.dischargedM3, v.units))} came off the trucks, ${((progress.usedPerNeat - 1) * 100).toFixed(1)} in 100 over neat.`}
        </p>
      </div>
    );
  if (seam && (seam.cold || seam.minutesLeft < 120)) {
    const left = Math.max(0, seam.minutesLeft);
    const share = Math.min(1, left / progress.knitMin);
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
  const first = v.plan.trucks.result.loads[0];
  const until = (first?.arriveMin ?? 0) - v.minuteOf(v.nowMs);
  const soon = until > -240 && until < 600;
  return (
    <div className="flex items-end gap-4">
      <FigureWithWorking name="the first load" {...trucksOrigin(v)}>
        {soon ? (
          <Big figure={{ value: String(Math.max(0, Math.round(until))), unit: 'min' }} size={64} />
        ) : (
          <Big figure={{ value: clockText(first?.arriveMin ?? 0), unit: '' }} size={64} />
        )}
      </FigureWithWorking>
      <p className="pb-1 text-[18px] leading-6">
        <b className="font-semibold">
          {soon
            ? `until load 1, ${clockText(first?.arriveMin ?? 0)}.`
            : `First load, ${v.record.pour.date ?? 'no date yet'}.`}
        </b>
        <br />
        {v.gate.ready
          ? 'The gate is open.'
          : `${counted(v.gate.rows.length, 'thing holds the pour', 'things hold the pour')}.`}
      </p>
    </div>
  );
}
