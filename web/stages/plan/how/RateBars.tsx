import { scaleLinear } from 'd3';
import { type UnitSystem, volume } from '#core/units';

const WORD = { plant: 'plant', forms: 'forms', crew: 'crew', pump: 'conveyed' } as const;
const ROW = 32;

/** What each can do in an hour, side by side; the least is struck across all, what is planned is pointed at. */
export function RateBars({
  limits,
  least,
  planned,
  width,
  units,
}: {
  limits: { by: keyof typeof WORD; rateM3PerH: number }[];
  least: number;
  planned: number;
  width: number;
  units: UnitSystem;
}) {
  if (width < 200) return null;
  const rows = [...limits].sort((a, b) => a.rateM3PerH - b.rateM3PerH);
  // One that could do ten times as much does not press the others to nothing.
  const most = Math.max(Math.min(Math.max(...rows.map((r) => r.rateM3PerH)), least * 4), planned);
  const x = scaleLinear([0, most], [84, width - 56]).clamp(true);
  const foot = rows.length * ROW + 6;
  return (
    <svg
      width={width}
      height={foot + 20}
      role="img"
      aria-label={rows
        .map((r) => `${WORD[r.by]} ${volume(r.rateM3PerH, units, r.rateM3PerH < 8 ? 1 : 0).value}`)
        .join(', ')}
    >
      {rows.map((r, i) => (
        <g key={r.by} transform={`translate(0 ${i * ROW + 4})`}>
          <text x="0" y="18" fontSize="16">
            {WORD[r.by]}
          </text>
          <rect
            x="84"
            y="2"
            width={x(r.rateM3PerH) - 84}
            height="22"
            fill={i === 0 ? 'var(--ink)' : 'var(--stiff-2)'}
            stroke="var(--ink)"
            strokeWidth="1"
          />
          <text x={width} y="19" textAnchor="end" className="a" fontSize="18">
            {volume(r.rateM3PerH, units, r.rateM3PerH < 8 ? 1 : 0).value}
          </text>
        </g>
      ))}
      <path d={`M${x(least)} 0V${foot}`} stroke="var(--chalk)" strokeWidth="2.5" />
      <path d={`M${x(planned)} ${foot}l-6 8h12z`} fill="var(--press)" />
      <text x={Math.min(x(planned) + 10, width - 60)} y={foot + 14} fontSize="14" className="q">
        planned
      </text>
    </svg>
  );
}
