import { liftNames, type Bar } from './bars.ts';
import type { March } from './scales.ts';

/** Behind each pass the window in which the next one knits: it opens when the concrete stiffens, and shuts in chalk. */
function Windows({
  m,
  bars,
  knitMin,
  hatch,
}: {
  m: March;
  bars: Bar[];
  knitMin: number;
  hatch: string;
}) {
  const { x, straight: t, plan } = m;
  const line = (b: Bar, after: number) =>
    `M${x(b.x0)} ${t(b.t0 + after)}L${x(b.x1)} ${t(b.t1 + after)}`;
  return bars.map((b, i) => {
    const points = `${x(b.x0)},${t(b.t0 + plan.stiffenMin)} ${x(b.x1)},${t(b.t1 + plan.stiffenMin)} ${x(b.x1)},${t(b.t1 + knitMin)} ${x(b.x0)},${t(b.t0 + knitMin)}`;
    return (
      <g key={i}>
        <polygon points={points} fill="var(--fresh-2)" opacity={0.42} />
        <polygon points={points} fill={`url(#${hatch})`} opacity={0.57} />
        <path d={line(b, plan.stiffenMin)} stroke="var(--fresh)" strokeWidth="1.25" />
        <path d={line(b, knitMin)} stroke="var(--chalk)" strokeWidth="2" />
      </g>
    );
  });
}

function Planned({ m }: { m: March }) {
  const { x, straight: t, planned, actual } = m;
  return (
    <g>
      {planned.map((b, i) => (
        <path
          key={i}
          d={`M${x(b.x0)} ${t(b.t0)}L${x(b.x1)} ${t(b.t1)}`}
          stroke={actual ? 'var(--ink2)' : 'var(--fresh)'}
          strokeWidth={actual ? 1.5 : 11}
          strokeDasharray={actual ? '6 4' : undefined}
          fill="none"
        />
      ))}
      {planned.slice(1).map((b, i) => {
        const a = planned[i] as Bar;
        // A stand within a lift: the crew waits for a load.
        return a.lift === b.lift && b.t0 - a.t1 > 1 ? (
          <path
            key={i}
            d={`M${x(b.x0)} ${t(a.t1)}V${t(b.t0)}`}
            stroke="var(--ink)"
            strokeWidth={actual ? 1 : 2.5}
            strokeDasharray="2 4"
          />
        ) : null;
      })}
    </g>
  );
}

/** What is still to come as it goes now: hollow, for nothing of it is there yet. */
function Rest({ m }: { m: March }) {
  const { x, straight: t, rest } = m;
  const line = (b: Bar) => `M${x(b.x0)} ${t(b.t0)}L${x(b.x1)} ${t(b.t1)}`;
  return (
    <g fill="none" data-rest>
      {rest.map((b, i) => (
        <path key={i} d={line(b)} stroke="var(--ink)" strokeWidth="10" />
      ))}
      {rest.map((b, i) => (
        <path key={i} d={line(b)} stroke="var(--sheet)" strokeWidth="7" />
      ))}
    </g>
  );
}

function PassNames({ m }: { m: March }) {
  const { x, straight: t, planned, plan } = m;
  const lifts = plan.cells.some((c) => c.lift > 0);
  const first = planned[0];
  if (!m.actual)
    return liftNames(planned, t).map(({ bar, names }) => (
      <text key={bar.lift} x={x(bar.x0) + 6} y={t(bar.t0) - 10} className="b halo" fontSize="15">
        {lifts ? `lift ${names.join(', ')}` : 'placing'}
      </text>
    ));
  if (!first || m.done.length > 0) return null;
  return (
    <text
      x={x((first.x0 + first.x1) / 2) + 10}
      y={t((first.t0 + first.t1) / 2) - 8}
      className="halo q"
      fontSize="14"
    >
      as planned
    </text>
  );
}

/** The passes along the route: as planned, and over them what was placed. */
export function Passes({ m, hatch }: { m: March; hatch: string }) {
  const { x, straight: t, done, actual } = m;
  const logged = actual !== undefined && done.length > 0;
  return (
    <g>
      <Windows
        m={m}
        hatch={hatch}
        bars={m.open(logged ? done.filter((b) => b.t1 > b.t0) : m.planned)}
        knitMin={logged ? actual.knitMin : m.plan.knitMin}
      />
      <Planned m={m} />
      <Rest m={m} />
      {done.map((b, i) => (
        <path
          key={i}
          d={`M${x(b.x0)} ${t(b.t0)}L${b.x1 === b.x0 ? x(b.x0) + 0.01 : x(b.x1)} ${t(b.t1)}`}
          stroke="var(--fresh)"
          strokeWidth="11"
          strokeLinecap="butt"
          fill="none"
          data-actual
        />
      ))}
      <PassNames m={m} />
    </g>
  );
}

/** When the windows open and shut, in words beside them, where there is room. */
export function WindowWords({ m }: { m: March }) {
  const { straight: t, x, x0, plan, planned, done, actual, edge } = m;
  const logged = actual !== undefined && done.length > 0;
  const first = planned[0];
  const opened = m.open(planned);
  const last = opened.at(-1);
  const opens = first && t((logged ? (done[0] as Bar).t0 : first.t0) + plan.stiffenMin) + 34;
  return (
    <g>
      {first && opened.length > 0 && !m.anyCovered && t(first.t0 + plan.stiffenMin) + 34 < edge && (
        <text x={x0 + 8} y={opens} className="halo q" fontSize="14">
          open for the next from +{Math.round(plan.stiffenMin)} min
        </text>
      )}
      {last && !logged && t(last.t1 + plan.knitMin) + 20 < edge && (
        <text
          x={x(last.x1) - 6}
          y={t(last.t1 + plan.knitMin) + 18}
          textAnchor="end"
          className="halo"
          fontSize="15"
          style={{ fill: 'var(--chalk-t)', fontWeight: 600 }}
        >
          shuts +{Math.round(plan.knitMin)} min
        </text>
      )}
    </g>
  );
}
