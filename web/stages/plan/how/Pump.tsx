import type { Conveyance } from '#core/model';
import type { PlanScale } from '../../../drawing/plan-paper.ts';

interface Props {
  s: PlanScale;
  at: { xM: number; yM: number };
  conveyance: Conveyance;
  name: string;
  /** One of those that are offered, not where it stands. */
  ghost?: boolean;
  stopM?: number | null;
  words?: string;
  bad?: boolean;
}

/** What conveys, where it stands: its legs, how far it reaches, and where it must stop short. */
export function Pump({ s, at, conveyance, name, ghost = false, stopM = null, words, bad }: Props) {
  const [x, y] = [s.x(at.xM), s.y(at.yM)];
  const half = ((conveyance.outriggers?.spreadM ?? 2.5) / 2) * s.pxPerM;
  const pad = Math.max(4, 0.5 * s.pxPerM);
  const line = ghost ? 'var(--press)' : 'var(--ink)';
  return (
    <g style={ghost ? { pointerEvents: 'none' } : undefined}>
      {!ghost && (
        <>
          <circle
            cx={x}
            cy={y}
            r={conveyance.reachM * s.pxPerM}
            fill="var(--fresh-2)"
            fillOpacity="0.18"
            stroke="var(--ink)"
            strokeWidth="2"
          />
          {stopM !== null && (
            <circle
              cx={x}
              cy={y}
              r={stopM * s.pxPerM}
              fill="none"
              stroke="var(--chalk)"
              strokeWidth="2"
              strokeDasharray="8 5"
            />
          )}
          {conveyance.leastReachM > 0 && (
            <circle
              cx={x}
              cy={y}
              r={conveyance.leastReachM * s.pxPerM}
              fill="none"
              stroke="var(--press)"
              strokeWidth="1.25"
              strokeDasharray="5 5"
            />
          )}
        </>
      )}
      {conveyance.outriggers &&
        [-1, 1].flatMap((dx) =>
          [-1, 1].map((dy) => (
            <g key={`${dx}${dy}`}>
              <path
                d={`M${x} ${y}L${x + dx * half} ${y + dy * half}`}
                stroke={line}
                strokeWidth="2"
                strokeDasharray={ghost ? '4 3' : undefined}
              />
              <rect
                x={x + dx * half - pad / 2}
                y={y + dy * half - pad / 2}
                width={pad}
                height={pad}
                fill={ghost ? 'var(--ground)' : 'var(--ink)'}
                stroke={line}
                strokeWidth="1.5"
              />
            </g>
          )),
        )}
      <rect
        x={x - 1.25 * s.pxPerM}
        y={y - Math.min(half, 3.5 * s.pxPerM)}
        width={2.5 * s.pxPerM}
        height={2 * Math.min(half, 3.5 * s.pxPerM)}
        fill="var(--sheet)"
        stroke={line}
        strokeWidth="1.5"
        strokeDasharray={ghost ? '5 4' : undefined}
      />
      <circle cx={x} cy={y} r="6" fill="none" stroke={line} strokeWidth="2" />
      {name && (
        <text
          x={x}
          y={y + Math.max(26, half + 22)}
          textAnchor="middle"
          className="a halo"
          fontSize="18"
          style={{ fill: line }}
        >
          {name}
        </text>
      )}
      {words && (
        <text
          x={x}
          y={y + Math.max(30, half + 24)}
          textAnchor="middle"
          fontSize="15"
          className="b halo"
          style={{ fill: bad ? 'var(--chalk-t)' : 'var(--ink)' }}
        >
          {words}
        </text>
      )}
    </g>
  );
}
