import type { GridLines } from './grid-lines.ts';
import type { PlanScale } from './plan-paper.ts';

/** Grid bubbles at the edge of the plan, each with its axis. */
export function GridBubbles({
  lines: { across, up },
  scale,
  left,
  top,
  right,
  bottom,
}: {
  lines: GridLines;
  scale: PlanScale;
  left: number;
  top: number;
  right: number;
  bottom: number;
}) {
  const bubble = (x: number, y: number, name: string) => (
    <>
      <circle cx={x} cy={y} r="12.5" fill="var(--ground)" stroke="var(--ink)" strokeWidth="1.25" />
      <text x={x} y={y + 5} textAnchor="middle" fontSize="15" className="a">
        {name}
      </text>
    </>
  );
  return (
    <g aria-hidden="true">
      {across.map((l) => (
        <g key={l.name}>
          <path
            d={`M${scale.x(l.m)} ${top + 13}V${bottom}`}
            stroke="var(--hair)"
            strokeDasharray="8 3 2 3"
          />
          {bubble(scale.x(l.m), top, l.name)}
        </g>
      ))}
      {up.map((l) => (
        <g key={l.name}>
          <path
            d={`M${left + 13} ${scale.y(l.m)}H${right}`}
            stroke="var(--hair)"
            strokeDasharray="8 3 2 3"
          />
          {bubble(left, scale.y(l.m), l.name)}
        </g>
      ))}
    </g>
  );
}
