import { elementIds, type Run } from '#core/model';
import type { Drawn } from '../drawn.ts';
import { refuse, type PlanEdit } from './acts.ts';
import { freeName, RUN_STEM, typeMarks } from './names.ts';
import { nodeAt } from './nodes.ts';

/** Nodes no run ends at any more go with their last run. */
function withoutLooseNodes(plan: Drawn): Drawn {
  const used = new Set(plan.runs.flatMap((r) => [r.from, r.to]));
  return { ...plan, nodes: plan.nodes.filter((n) => used.has(n.id)) };
}

/** A new run, in a pour when one is named. */
export function addRun(plan: Drawn, e: Extract<PlanEdit, { do: 'addRun' }>): Drawn {
  const a = nodeAt(plan, e.from);
  const b = nodeAt(a.plan, e.to);
  if (a.id === b.id) refuse('A run needs two different ends.');
  const id = freeName(RUN_STEM[e.kind], [...elementIds(plan), ...typeMarks(plan)]);
  const run: Run = {
    id,
    kind: e.kind,
    type: e.type,
    from: a.id,
    to: b.id,
    offsetM: 0,
    bottomM: e.bottomM,
    ...(e.topM === undefined ? {} : { topM: e.topM }),
    step: null,
    openings: [],
  };
  return {
    ...b.plan,
    runs: [...b.plan.runs, run],
    pours: b.plan.pours.map((p) =>
      p.code === e.pour ? { ...p, elements: [...p.elements, id] } : p,
    ),
  };
}

/** A run, pad or pier taken away, with all that stands on it. */
export function removeElement(plan: Drawn, id: string): Drawn {
  const last = plan.pours.find((p) => p.elements.length === 1 && p.elements[0] === id);
  if (last) refuse(`${id} is all there is of ${last.code}: give that pour another run first.`);
  const keep = <T extends { elementId: string }>(list: T[]): T[] =>
    list.filter((x) => x.elementId !== id);
  return withoutLooseNodes({
    ...plan,
    runs: plan.runs.filter((r) => r.id !== id),
    pads: plan.pads.filter((p) => p.id !== id),
    piers: plan.piers.filter((p) => p.id !== id),
    anchors: keep(plan.anchors),
    embeds: keep(plan.embeds),
    plates: keep(plan.plates),
    pours: plan.pours.map((p) => ({ ...p, elements: p.elements.filter((x) => x !== id) })),
  });
}
