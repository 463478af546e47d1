import type { SitePlan } from '../../core/model/site.ts';
import type { PlanScale } from './plan-paper.ts';

interface Line {
  name: string;
  m: number;
}
export interface GridLines {
  across: Line[];
  up: Line[];
}

/** Lines that nodes are named by: A1 and C1 stand on line 1 when they stand over each other. */
export function gridLines(site: SitePlan, elements: string[]): GridLines {
  const used = new Set(
    site.runs.filter((r) => elements.includes(r.id)).flatMap((r) => [r.from, r.to]),
  );
  const named = site.nodes.flatMap((n) => {
    const m = /^([A-Z])(\d{1,2})$/.exec(n.id);
    return m && used.has(n.id)
      ? [{ letter: m[1] ?? '', digit: m[2] ?? '', xM: n.xM, yM: n.yM }]
      : [];
  });
  const lines = (key: 'letter' | 'digit', of: 'xM' | 'yM'): Line[] =>
    [...new Set(named.map((n) => n[key]))].flatMap((name) => {
      const at = named.filter((n) => n[key] === name).map((n) => n[of]);
      return Math.max(...at) - Math.min(...at) < 0.01 ? [{ name, m: at[0] ?? 0 }] : [];
    });
  // Two names on one line: the first of them stands.
  const once = (list: Line[]) =>
    list
      .sort((a, b) => a.name.localeCompare(b.name))
      .filter((l, i, all) => all.findIndex((x) => Math.abs(x.m - l.m) < 0.01) === i);
  return { across: once(lines('digit', 'xM')), up: once(lines('letter', 'yM')) };
}

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
