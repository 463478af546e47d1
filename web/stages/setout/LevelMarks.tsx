import { level, lengthText } from '../../../core/units/index.ts';
import { usePour } from '../../app/pour-context.tsx';
import type { PlanScale } from '../../drawing/PlanDrawing.tsx';
import { MarkAt } from '../../ui/Mark.tsx';
import { TSpans } from '../../ui/Text.tsx';
import { useLevels } from './useLevels.ts';

/** Levels at their nodes: read ones with how far off they are, the others open. */
export function LevelMarks({ scale }: { scale: PlanScale }) {
  const v = usePour();
  const levels = useLevels();
  const tops = levels.targets.filter((t) => t.what === 'top');
  // Where there are too many to read, only what has been read is said in figures.
  const crowded = tops.length > 40;
  return (
    <g>
      {tops.map((t) => {
        const read = levels.latest.get(t.id);
        const [x, y] = [scale.x(t.xM), scale.y(t.yM)];
        const verdict = read?.ok === true ? 'good' : read?.ok === false ? 'out' : 'unread';
        if (crowded && !read) return null;
        return (
          <g key={t.id} pointerEvents="none"><MarkAt verdict={verdict} x={x} y={y} size={15} />
            {read?.deviationMm != null && <text x={x + 11} y={y - 9} fontSize="14" className="halo b" style={{ fill: read.ok ? 'var(--good-t)' : 'var(--chalk-t)' }}><TSpans>{Math.abs(read.deviationMm) < 0.5 ? level(read.elevationM, v.units).value : `${level(read.elevationM, v.units).value}, ${lengthText(Math.abs(read.deviationMm), v.units)} ${read.deviationMm > 0 ? 'high' : 'low'}`}</TSpans></text>}
          </g>
        );
      })}
    </g>
  );
}
