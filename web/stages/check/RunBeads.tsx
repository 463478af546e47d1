import { memo } from 'react';
import type { PointState, Verdict } from '#core/check';
import type { RunOnPaper } from '../../drawing/plan-paper.ts';
import { MarkAt, VERDICT_WORD } from '../../ui/Mark.tsx';

const BEAD = 21;
export const WORST: Verdict[] = ['out', 'held', 'unread', 'tight', 'good', 'waived'];

interface Props {
  r: RunOnPaper;
  own: PointState[];
  check: string | null;
  onPick: (p: PointState, place: number) => void;
}
const sameRun = (a: RunOnPaper, b: RunOnPaper): boolean =>
  a.a[0] === b.a[0] &&
  a.a[1] === b.a[1] &&
  a.b[0] === b.b[0] &&
  a.b[1] === b.b[1] &&
  a.halfWidthPx === b.halfWidthPx;
const sameStates = (a: PointState[], b: PointState[]): boolean =>
  a.length === b.length && a.every((p, i) => p.point === b[i]?.point && p.verdict === b[i].verdict);

/**
 * The checks of a run as beads along it; one for all where the run is too short. Drawn anew only
 * when one of them changes.
 */
export const RunBeads = memo(
  function RunBeads({ r, own, check, onPick }: Props) {
    const at = (share: number, out: number): [number, number] => [
      r.a[0] + r.along[0] * r.lengthPx * share + r.out[0] * out,
      r.a[1] + r.along[1] * r.lengthPx * share + r.out[1] * out,
    ];
    const worst = WORST.find((x) => own.some((p) => p.verdict === x)) ?? 'unread';
    if (own.length === 0) return null;
    if (own.length * BEAD > r.lengthPx * 0.96) {
      const [x, y] = at(0.5, 0);
      return <MarkAt verdict={worst} x={x} y={y} size={18} />;
    }
    const off = r.halfWidthPx + 18;
    const start = 0.5 - ((own.length - 1) * BEAD) / 2 / r.lengthPx;
    return (
      <g>
        <text
          x={at(0.03, off)[0]}
          y={at(0.03, off)[1] + 7}
          textAnchor="middle"
          className="a halo"
          fontSize="20"
        >
          {r.id}
        </text>
        {own.map((p, i) => {
          const [x, y] = at(start + (i * BEAD) / r.lengthPx, off);
          return (
            <g
              key={p.point.id}
              role="button"
              tabIndex={-1}
              aria-label={`${r.id} ${p.point.title}: ${VERDICT_WORD[p.verdict]}`}
              onClick={() => {
                onPick(p, 0);
              }}
            >
              <circle cx={x} cy={y} r={BEAD / 2} fill="transparent" />
              {p.point.id === check && (
                <circle cx={x} cy={y} r="12.5" fill="none" stroke="var(--ink)" strokeWidth="2.5" />
              )}
              <MarkAt verdict={p.verdict} x={x} y={y} size={16} />
            </g>
          );
        })}
      </g>
    );
  },
  (a, b) => a.check === b.check && sameRun(a.r, b.r) && sameStates(a.own, b.own),
);
