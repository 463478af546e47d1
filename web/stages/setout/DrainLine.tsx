import type { DrainFall } from '#core/check';
import { distanceText, lengthText, quantityText } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { T } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';

/** How a drain falls as it was read, and where it is too flat or runs back. */
export function DrainLine({ fall }: { fall: DrainFall }) {
  const v = usePour();
  const { drain, result, input, inverts } = fall;
  const read = inverts.filter((i) => i.levelM !== null).length;
  if (!result || !input)
    return (
      <p className="text-ink2">
        Drain {drain.id} on {drain.elementId}: {read} of {inverts.length} inverts read.
      </p>
    );
  const pitch = (ratio: number): string => quantityText(ratio, 'Ratio', v.units);
  const bad = result.spans.filter((s) => s.verdict !== 'ok');
  return (
    <p
      className={`text-[18px] leading-6 ${result.ok ? 'text-good-t' : 'font-semibold text-chalk-t'}`}
      data-drain={result.ok ? 'good' : 'out'}
    >
      Drain {drain.id} falls{' '}
      <FigureWithWorking name="the fall of the drain" id="drain-pitch" input={input}>
        {pitch(result.meanPitchRatio)}
      </FigureWithWorking>{' '}
      {fall.backward ? 'against' : 'along'} {drain.elementId}.{' '}
      {bad.map((s) => (
        <T
          key={s.fromM}
        >{`${distanceText(s.fromM, v.units)} to ${distanceText(s.toM, v.units)} from its high end it ${s.verdict === 'back' ? 'runs back' : `falls ${pitch(s.pitchRatio)} only`}: raise its near end or lower its far end by ${lengthText(s.raiseMm, v.units)}. `}</T>
      ))}
      {result.ok && read === inverts.length ? `${pitch(input.leastPitchRatio)} is the least.` : ''}
    </p>
  );
}
