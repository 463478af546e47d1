import { openingsOf } from '../leg-openings.ts';
import { runOf, type SitePlan } from '#core/model';
import { distanceText } from '#core/units';
import { namedNodes } from '../route-nodes.ts';
import type { March } from './scales.ts';

type Leg = March['plan']['route']['legs'][number];

/** Thickness of a run's wall, m; null for what is no wall. */
const thicknessOf = (site: SitePlan, leg: Leg): number | null => {
  const run = runOf(site, leg.elementId);
  return run?.kind === 'wall'
    ? (site.wallTypes.find((t) => t.mark === run.type)?.thicknessM ?? null)
    : null;
};

function LegOfStrip({ m, leg, top, high, usualM }: StripLeg) {
  const x0 = m.x(leg.fromM);
  const w = m.x(leg.fromM + leg.lengthM) - x0;
  const thick = m.site ? thicknessOf(m.site, leg) : null;
  const odd = thick !== null && usualM !== null && Math.abs(thick - usualM) > 1e-4;
  // Steps of the footing show: each leg stands on its own bottom.
  const { low, tall } = high;
  const scale = 34 / Math.max(0.1, tall);
  const h = Math.max(5, leg.heightM * scale);
  const y = top + 34 - (leg.bottomM - low) * scale - h;
  return (
    <g>
      <rect
        x={x0}
        y={y}
        width={Math.max(1, w)}
        height={h}
        fill={odd ? 'var(--stiff-2)' : 'var(--sheet)'}
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      {Array.from({ length: leg.lifts - 1 }, (_, i) => (
        <path
          key={i}
          d={`M${x0} ${y + (h * (i + 1)) / leg.lifts}h${w}`}
          stroke="var(--line)"
          strokeWidth="1"
          strokeDasharray="3 3"
        />
      ))}
      {m.site &&
        openingsOf(m.site, leg).map((o, i) => (
          <rect
            key={i}
            x={m.x(leg.fromM + o.fromM)}
            y={y + h - Math.min(h, o.headM * scale)}
            width={Math.max(2, m.x(leg.fromM + o.fromM + o.widthM) - m.x(leg.fromM + o.fromM))}
            height={Math.max(2, (o.headM - o.sillM) * scale)}
            fill={o.kind === 'pocket' ? 'var(--stiff-2)' : 'var(--ground)'}
            stroke="var(--ink)"
            strokeWidth="1"
          />
        ))}
      {leg.cuts.map((c, i) => (
        <path
          key={`b${i}`}
          data-bulkhead
          d={`M${m.x(leg.fromM + c * leg.lengthM)} ${y - 5}v${h + 10}`}
          stroke="var(--ink)"
          strokeWidth="4"
        />
      ))}
      {odd && w > 40 && (
        <text x={x0 + w / 2} y={top + 50} textAnchor="middle" fontSize="14" className="q">
          {distanceText(thick, m.units)}
        </text>
      )}
    </g>
  );
}
interface StripLeg {
  m: March;
  leg: Leg;
  top: number;
  high: { low: number; tall: number };
  usualM: number | null;
}

/** The real walls unrolled over the chart: heights, steps, lifts, openings, and where the thickness changes. */
export function WallStrip({ m }: { m: March }) {
  const { legs } = m.plan.route;
  const low = Math.min(...legs.map((l) => l.bottomM));
  const tall = Math.max(...legs.map((l) => l.bottomM + l.heightM)) - low;
  const thicknesses = m.site
    ? legs.map((l) => [thicknessOf(m.site as SitePlan, l), l.lengthM] as const)
    : [];
  // What most of the length is built in goes without saying.
  const lengths = new Map<number, number>();
  for (const [t, l] of thicknesses) if (t !== null) lengths.set(t, (lengths.get(t) ?? 0) + l);
  const usualM = [...lengths].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
  const top = 48;
  return (
    <g data-strip>
      {legs.map((leg) => (
        <LegOfStrip
          key={leg.elementId}
          m={m}
          leg={leg}
          top={top}
          high={{ low, tall }}
          usualM={usualM}
        />
      ))}
      {namedNodes(m.plan.route, m.x).map((n) => (
        <text key={n.x} x={n.x} y="42" textAnchor={n.anchor} fontSize="14" className="b">
          {n.name}
        </text>
      ))}
      {legs
        .filter((l) => l.kind === 'stand' || !l.startNode)
        .map((l) => (
          <text
            key={l.elementId}
            x={m.x(l.fromM + l.lengthM / 2)}
            y="42"
            textAnchor="middle"
            fontSize="14"
            className="b"
          >
            {l.elementId}
          </text>
        ))}
    </g>
  );
}
