import { clockText, distanceText } from '#core/units';
import { namedNodes } from '../route-nodes.ts';
import type { March } from './scales.ts';

/** What stands over the chart: heads of its columns, and the pour along the axis. */
function Heads({ m }: { m: March }) {
  const start = m.plan.route.legs[0]?.startNode;
  return (
    <g>
      {!m.narrow && (
        <text x="12" y="22" className="a" fontSize="16">
          Weather
        </text>
      )}
      <text x={m.x0} y="22" className="a" fontSize="16">
        Along the pour{start ? ` from ${start}` : ''}, {distanceText(m.plan.route.lengthM, m.units)}
      </text>
      <text x={m.x1 + 14} y="22" className="a" fontSize="16">
        Loads
      </text>
      {m.plan.route.legs.map((l, i) => {
        const w = m.x(l.fromM + l.lengthM) - m.x(l.fromM);
        return (
          <g key={l.elementId}>
            <rect
              x={m.x(l.fromM)}
              y={48}
              width={w}
              height="18"
              fill={i % 2 ? 'var(--stiff-2)' : 'var(--sheet)'}
              stroke="var(--ink)"
              strokeWidth="1.5"
            />
            {w > l.elementId.length * 9 + 6 && (
              <text x={m.x(l.fromM) + w / 2} y="62" textAnchor="middle" fontSize="14" className="b">
                {l.elementId}
              </text>
            )}
          </g>
        );
      })}
      {namedNodes(m.plan.route, m.x).map((n) => (
        <text key={n.x} x={n.x} y="42" textAnchor={n.anchor} fontSize="14" className="b">
          {n.name}
        </text>
      ))}
    </g>
  );
}

/** Lines of the runs down, and of the hours across. */
export function RouteAxis({ m }: { m: March }) {
  const ends = [...m.plan.route.legs.map((l) => m.x(l.fromM)), m.x1];
  const clear = (min: number) =>
    !m.near || m.nowMin === null || Math.abs(m.t(min) - m.t(m.nowMin) + 6) > 15;
  return (
    <g>
      {m.strip && <Heads m={m} />}
      {ends.map((x) => (
        <path key={x} d={`M${x} ${m.top - 8}V${m.foot}`} stroke="var(--line)" strokeWidth="1" />
      ))}
      {m.ticks.filter(clear).map((min) => {
        const hour = min % 60 === 0;
        return (
          <g key={min}>
            <path d={`M${m.x0 - 4} ${m.t(min)}H${m.width}`} stroke="var(--hair)" strokeWidth="1" />
            <text
              x={m.x0 - 8}
              y={m.t(min) + 5}
              textAnchor="end"
              className="m"
              fontSize={hour ? 16 : 14}
              style={{ fontWeight: hour ? 700 : 400, fill: hour ? undefined : 'var(--ink2)' }}
            >
              {clockText(min)}
            </text>
          </g>
        );
      })}
    </g>
  );
}
