import type { PointState } from '#core/check';
import { standsOf } from '#core/model';
import { usePour } from '../../app/pour-context.tsx';
import type { PlanScale } from '../../drawing/plan-paper.ts';
import { MarkAt, VERDICT_WORD } from '../../ui/Mark.tsx';
import { WORST } from './RunBeads.tsx';

/** Pads and piers on the plan: each with its name and the worst of its checks. */
export default function StandMarks({
  scale,
  byElement,
  selected,
  onRun,
}: {
  scale: PlanScale;
  byElement: Map<string, PointState[]>;
  selected: string | null;
  onRun: (id: string) => void;
}) {
  const v = usePour();
  const { site, pour } = v.record;
  const stands = standsOf(site).filter((s) => pour.elements.includes(s.id));
  return stands.map((s) => {
    const own = byElement.get(s.id) ?? [];
    const worst = WORST.find((w) => own.some((p) => p.verdict === w)) ?? 'unread';
    const half = (s.widthM * scale.pxPerM) / 2;
    return (
      <g
        key={s.id}
        role="button"
        tabIndex={-1}
        aria-label={`${s.id}: ${VERDICT_WORD[worst]}`}
        onClick={() => {
          onRun(s.id);
        }}
      >
        <circle cx={scale.x(s.xM)} cy={scale.y(s.yM)} r={Math.max(20, half)} fill="transparent" />
        {own.length > 0 && (
          <>
            <circle cx={scale.x(s.xM)} cy={scale.y(s.yM)} r="10" fill="var(--sheet)" />
            <MarkAt verdict={worst} x={scale.x(s.xM)} y={scale.y(s.yM)} size={14} />
            {s.id === selected && (
              <circle
                cx={scale.x(s.xM)}
                cy={scale.y(s.yM)}
                r="13.5"
                fill="none"
                stroke="var(--ink)"
                strokeWidth="2.5"
              />
            )}
          </>
        )}
        <text
          x={scale.x(s.xM)}
          y={scale.y(s.yM) + Math.max(half, 10) + 20}
          fontSize="16"
          textAnchor="middle"
          className={`a halo ${s.id === selected ? 'b' : ''}`}
        >
          {s.id}
        </text>
      </g>
    );
  });
}
