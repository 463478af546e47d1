import type { SitePlan } from '#core/model';

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
  // Two names on one line: the first of them stands. Names that do not follow each other along the plan are no grid.
  const once = (list: Line[]) => {
    const lines = list
      .sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }))
      .filter((l, i, all) => all.findIndex((x) => Math.abs(x.m - l.m) < 0.01) === i);
    const ways = new Set(lines.slice(1).map((l, i) => Math.sign(l.m - (lines[i]?.m ?? 0))));
    return ways.size > 1 ? [] : lines;
  };
  return { across: once(lines('digit', 'xM')), up: once(lines('letter', 'yM')) };
}
