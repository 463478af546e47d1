import { madeOncePer } from '#core/kit';
import type { Run, SitePlan } from './site.ts';

export interface Spot {
  xM: number;
  yM: number;
}
type Nodes = Pick<SitePlan, 'nodes'>;

const byId = <T extends { id: string }>(list: T[]): Map<string, T> =>
  new Map(list.map((x) => [x.id, x]));

const nodesById = madeOncePer<Nodes['nodes'], Map<string, Nodes['nodes'][number]>>(byId);
export const nodeOf = ({ nodes }: Nodes, id: string): (Spot & { id: string }) | undefined =>
  nodesById(nodes).get(id);

const runsById = madeOncePer<Run[], Map<string, Run>>(byId);
export const runOf = ({ runs }: { runs: Run[] }, id: string): Run | undefined =>
  runsById(runs).get(id);

/** The walls of a plan. */
export const wallRuns = madeOncePer<Run[], Run[]>((runs) => runs.filter((r) => r.kind === 'wall'));

const runsByNode = madeOncePer<Run[], Map<string, Run[]>>((runs) => {
  const map = new Map<string, Run[]>();
  for (const r of runs)
    for (const n of r.from === r.to ? [r.from] : [r.from, r.to]) {
      const list = map.get(n);
      if (list) list.push(r);
      else map.set(n, [r]);
    }
  return map;
});
/** Runs that end at a node, in the order of the plan. */
export const runsAt = ({ runs }: { runs: Run[] }, nodeId: string): Run[] =>
  runsByNode(runs).get(nodeId) ?? [];

/** Both ends of a run; null when a node is missing. */
export function endsOf(plan: Nodes, run: Pick<Run, 'from' | 'to'>): [Spot, Spot] | null {
  const [a, b] = [nodeOf(plan, run.from), nodeOf(plan, run.to)];
  return a && b ? [a, b] : null;
}
export function lengthOf(plan: Nodes, run: Pick<Run, 'from' | 'to'>): number {
  const ends = endsOf(plan, run);
  return ends ? Math.hypot(ends[1].xM - ends[0].xM, ends[1].yM - ends[0].yM) : 0;
}
/** Direction from first node to second, degrees from east, counter-clockwise, 0 up to 360. */
export function angleOf(plan: Nodes, run: Pick<Run, 'from' | 'to'>): number {
  const ends = endsOf(plan, run);
  if (!ends) return 0;
  const deg = (Math.atan2(ends[1].yM - ends[0].yM, ends[1].xM - ends[0].xM) * 180) / Math.PI;
  return (deg + 360) % 360;
}
/** Plans are kept to a tenth of a millimetre: finer than any tape, coarser than rounding errors. */
export const roundM = (m: number): number => Math.round(m * 10_000) / 10_000;
