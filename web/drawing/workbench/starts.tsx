import { scaleLinear } from 'd3';
import { clockText } from '#core/units';
import { type DrawProps, list } from './parts.tsx';

const FILL: Record<string, string> = {
  good: 'var(--good-2)',
  watch: 'var(--ochre-2)',
  no: 'var(--chalk-2)',
};

/** Every start that was looked at as a cell over the hours, by its verdict: good tall, watch half, no low. */
export function StartsDrawing({ result, width, height }: DrawProps) {
  const starts = list<{ startMin: number; verdict: string }>(result, 'starts');
  const ranges = list<{ fromMin: number; toMin: number; verdict: string }>(result, 'ranges');
  const from = starts[0]?.startMin ?? 0;
  const step = (starts[1]?.startMin ?? from + 15) - from;
  const to = (starts.at(-1)?.startMin ?? from) + step;
  const x = scaleLinear([from, to], [30, width - 30]);
  const foot = height - 60;
  const tall: Record<string, number> = { good: 1, watch: 0.6, no: 0.25 };
  const most = Math.max(40, foot - 50);
  return (
    <svg width={width} height={height} role="img" aria-label="Starts by their verdict">
      {starts.map((s) => (
        <rect
          key={s.startMin}
          x={x(s.startMin)}
          y={foot - most * (tall[s.verdict] ?? 0.25)}
          width={Math.max(1, x(s.startMin + step) - x(s.startMin) - 1)}
          height={most * (tall[s.verdict] ?? 0.25)}
          fill={FILL[s.verdict]}
        />
      ))}
      {ranges
        .filter((r) => x(r.toMin + step) - x(r.fromMin) > 44)
        .map((r) => (
          <g key={r.fromMin}>
            <text x={x(r.fromMin)} y={foot + 20} fontSize="14" className="m">
              {clockText(r.fromMin)}
            </text>
            <text x={x(r.fromMin)} y={foot + 40} fontSize="14" className="b">
              {r.verdict}
            </text>
          </g>
        ))}
      <path d={`M30 ${foot}H${width - 30}`} stroke="var(--ink)" strokeWidth="1.5" />
    </svg>
  );
}
