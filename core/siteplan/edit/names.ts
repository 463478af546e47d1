import type { Drawn } from '../drawn.ts';

/** The first free name of a kind: N1, N2… for nodes, R1… for runs. */
export function freeName(stem: string, taken: Iterable<string>): string {
  const used = new Set(taken);
  for (let i = 1; ; i += 1) if (!used.has(`${stem}${i}`)) return `${stem}${i}`;
}

/** What the names of new runs begin with, by kind. */
export const RUN_STEM = { wall: 'W', footing: 'F', gradeBeam: 'G' } as const;

/** Marks of types: no run is named like one, or nobody knows which is meant. */
export const typeMarks = (plan: Pick<Drawn, 'footingTypes' | 'wallTypes'>): string[] =>
  [...plan.footingTypes, ...plan.wallTypes].map((t) => t.mark);
