import { walkedM } from '#core/pourplan';
import { clockText, distanceText } from '#core/units';
import { WallStrip } from './WallStrip.tsx';
import type { March } from './scales.ts';

/** What stands over the chart: heads of its columns, and the pour along the axis. */
function Heads({ m }: { m: March }) {
  const start = m.plan.route.legs[0]?.startNode;
  const lengthM = walkedM(m.plan.route);
  return (
    <g>
      {!m.narrow && (
        <text x="12" y="22" className="a" fontSize="16">
          Weather
        </text>
      )}
      <text x={m.x0} y="22" className="a" fontSize="16">
        Along the pour{start ? ` from ${start}` : ''}
        {lengthM > 0 ? `, ${distanceText(lengthM, m.units)}` : ''}
      </text>
      <text x={m.x1 + 14} y="22" className="a" fontSize="16">
        Loads
      </text>
      <WallStrip m={m} />
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
      {m.plan.route.legs.flatMap((l) =>
        l.cuts.map((c) => (
          <path
            key={`${l.elementId}${c}`}
            d={`M${m.x(l.fromM + c * l.lengthM)} ${m.top - 8}V${m.foot}`}
            stroke="var(--ink)"
            strokeWidth="2"
            strokeDasharray="10 4"
          />
        )),
      )}
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
