import type { PourSettings } from '#core/model';
import { textOf, volume } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import type { PlanScale } from '../../../drawing/plan-paper.ts';

/** The form that stands ready for what is left over, to scale on the plan. */
export function LeftOverForm({
  s,
  of,
}: {
  s: PlanScale;
  of: NonNullable<PourSettings['leftOver']>;
}) {
  const { units } = usePour();
  if (!of.at || !of.form) return null;
  const w = Math.max(6, of.form.lengthM * s.pxPerM);
  const h = Math.max(6, of.form.widthM * s.pxPerM);
  const [x, y] = [s.x(of.at.xM), s.y(of.at.yM)];
  return (
    <g data-left-over>
      <rect
        x={x - w / 2}
        y={y - h / 2}
        width={w}
        height={h}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <path
        d={`M${x - w / 2} ${y - h / 2}l${w} ${h}M${x + w / 2} ${y - h / 2}l${-w} ${h}`}
        stroke="var(--line)"
        strokeWidth="1"
      />
      <text x={x} y={y + h / 2 + 18} textAnchor="middle" fontSize="14" className="b halo">
        {of.what}, takes {textOf(volume(of.volumeM3, units, 1))}
      </text>
    </g>
  );
}
