import { angleOf, lengthOf, nodeOf, roundM, type Run, type Spot } from '#core/model';
import type { Drawn } from '../drawn.ts';
import { refuse } from './acts.ts';
import { freeName } from './names.ts';

/** The run of that name. */
export const runNamed = (plan: Drawn, id: string): Run =>
  plan.runs.find((r) => r.id === id) ?? refuse(`There is no run ${id}.`);

/** The plan with one of its nodes moved. */
export const moved = (plan: Drawn, id: string, to: Spot): Drawn => ({
  ...plan,
  nodes: plan.nodes.map((n) => (n.id === id ? { ...n, xM: roundM(to.xM), yM: roundM(to.yM) } : n)),
});

/** A node of that name, or a new one at that spot. */
export function nodeAt(plan: Drawn, at: string | Spot): { plan: Drawn; id: string } {
  if (typeof at === 'string')
    return nodeOf(plan, at) ? { plan, id: at } : refuse(`There is no node ${at}.`);
  // Not one letter and a number: those are names of grid lines.
  const id = freeName(
    'PT',
    plan.nodes.map((n) => n.id),
  );
  return {
    id,
    plan: { ...plan, nodes: [...plan.nodes, { id, xM: roundM(at.xM), yM: roundM(at.yM) }] },
  };
}

/** Makes two nodes one. */
export function joinNodes(plan: Drawn, id: string, into: string): Drawn {
  if (id === into) return plan;
  if (!nodeOf(plan, id) || !nodeOf(plan, into))
    refuse('One of the two nodes is not there any more.');
  const short = plan.runs.find(
    (r) => (r.from === id && r.to === into) || (r.from === into && r.to === id),
  );
  if (short) refuse(`That would leave ${short.id} without length. Remove it instead.`);
  return {
    ...plan,
    runs: plan.runs.map((r) => ({
      ...r,
      from: r.from === id ? into : r.from,
      to: r.to === id ? into : r.to,
    })),
    nodes: plan.nodes.filter((n) => n.id !== id),
  };
}

/** A run given another length, its direction kept. */
export function setLength(plan: Drawn, id: string, lengthM: number): Drawn {
  const run = runNamed(plan, id);
  if (!(lengthM > 0)) refuse('A run needs a length.');
  return along(plan, run, lengthM, angleOf(plan, run));
}

/** A run turned about its first node, its length kept. */
export function setAngle(plan: Drawn, id: string, angleDeg: number): Drawn {
  const run = runNamed(plan, id);
  return along(plan, run, lengthOf(plan, run), angleDeg);
}

function along(plan: Drawn, run: Run, lengthM: number, angleDeg: number): Drawn {
  const a = nodeOf(plan, run.from) as Spot;
  const rad = (angleDeg * Math.PI) / 180;
  return moved(plan, run.to, {
    xM: a.xM + lengthM * Math.cos(rad),
    yM: a.yM + lengthM * Math.sin(rad),
  });
}
