import type { DrainFall } from '../../../core/setout/drains.ts';
import { distanceText, lengthText } from '../../../core/units/index.ts';
import { usePour } from '../../app/pour-context.tsx';
import { T } from '../../ui/Text.tsx';
import { Opens } from '../../ui/Working.tsx';

const percent = (ratio: number): string => `${(ratio * 100).toFixed(1)} %`;

/** How a drain falls as it was read, and where it is too flat or runs back. */
export function DrainLine({ fall }: { fall: DrainFall }) {
  const v = usePour();
  const { drain, result, input } = fall;
  if (!result || !input) return <p className="text-ink2">Drain {drain.id} on {drain.elementId}: {fall.read} of {fall.wanted} inverts read.</p>;
  const bad = result.spans.filter((s) => s.verdict !== 'ok');
  return (
    <p className={`text-[18px] leading-6 ${result.ok ? 'text-good-t' : 'font-semibold text-chalk-t'}`} data-drain={result.ok ? 'good' : 'out'}>
      Drain {drain.id} falls <Opens name="the fall of the drain" id="drain-pitch" input={input}>{percent(result.meanPitchRatio)}</Opens> {fall.backward ? 'against' : 'along'} {drain.elementId}.{' '}
      {bad.map((s) => <T key={s.fromM}>{`${distanceText(s.fromM, v.units)} to ${distanceText(s.toM, v.units)} from its high end it ${s.verdict === 'back' ? 'runs back' : `falls ${percent(s.pitchRatio)} only`}: lower the far end ${lengthText(s.raiseMm, v.units)}. `}</T>)}
      {result.ok && fall.read === fall.wanted ? `${percent(input.leastPitchRatio)} is the least.` : ''}
    </p>
  );
}
