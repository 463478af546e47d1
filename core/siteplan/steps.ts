import type { SitePlan } from '#core/model';

/** Steps of a footing that follow each other: at which nodes, how many, and how high each rises, m. */
export interface StepFlight {
  nodes: string[];
  riseM: number;
}

/** Steps nearer to each other than this along the footing are one flight, m. */
const FLIGHT_M = 3;
const SAME_M = 0.002;
/** Less than this is a deeper footing on the same top, not a step, m. */
const LEAST_M = 0.1;

/** Where footings of a pour change their level: flights of steps of one height, in the order of the runs. */
export function stepFlights(
  site: Pick<SitePlan, 'nodes' | 'runs'>,
  elements: string[],
): StepFlight[] {
  const mine = new Set(elements);
  const nodes = new Map(site.nodes.map((n) => [n.id, n]));
  const at = new Map<string, number[]>();
  for (const r of site.runs)
    if (mine.has(r.id) && r.kind !== 'wall')
      for (const n of [r.from, r.to]) at.set(n, [...(at.get(n) ?? []), r.bottomM]);
  const steps = [...at].flatMap(([id, levels]) => {
    const riseM = Math.max(...levels) - Math.min(...levels);
    return riseM > LEAST_M ? [{ id, riseM }] : [];
  });
  const flights: StepFlight[] = [];
  for (const s of steps) {
    const n = nodes.get(s.id);
    const near = flights.find(
      (f) =>
        Math.abs(f.riseM - s.riseM) < SAME_M &&
        f.nodes.some((id) => {
          const m = nodes.get(id);
          return m && n && Math.hypot(m.xM - n.xM, m.yM - n.yM) <= FLIGHT_M;
        }),
    );
    if (near) near.nodes.push(s.id);
    else flights.push({ nodes: [s.id], riseM: s.riseM });
  }
  return flights;
}
