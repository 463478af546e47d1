import { clockText } from '#core/units';
import type { March } from './scales.ts';

/**
 * The present, to the minute that is running as on every clock, struck in chalk across the chart,
 * with how long the first open seam has.
 */
export function NowLine({ m, nowMin, rough }: { m: March; nowMin: number; rough: string }) {
  const shuts = m.actual?.seamShutsMin ?? null;
  const y = m.t(nowMin);
  return (
    <g>
      <rect
        x="0"
        y={y - 2}
        width={m.width}
        height="4"
        fill="var(--chalk)"
        filter={`url(#${rough})`}
      />
      <text
        x={m.x0 - 8}
        y={y - 7}
        textAnchor="end"
        className="m halo"
        fontSize={m.narrow ? 15 : 18}
        style={{ fontWeight: 700, fill: 'var(--chalk-t)' }}
      >
        {clockText(Math.floor(nowMin))}
      </text>
      {shuts !== null && shuts > nowMin && shuts < m.tTo && (
        <g stroke="var(--chalk)" strokeWidth="2.5" fill="none">
          <path d={`M${m.x0 + 14} ${y + 4}V${m.t(shuts)}`} />
          <path d={`M${m.x0 + 6} ${m.t(shuts)}H${m.x1}`} strokeWidth="1.5" strokeDasharray="5 4" />
        </g>
      )}
    </g>
  );
}
