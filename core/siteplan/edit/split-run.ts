import { lengthOf, nodeOf, roundM, type Run, type Spot } from '#core/model';
import type { Drawn } from '../drawn.ts';
import { refuse, type PlanEdit } from './acts.ts';
import { freeName } from './names.ts';
import { nodeAt, runNamed } from './nodes.ts';
import { openingName } from './openings.ts';

interface Cut {
  id: string;
  /** The run beyond the cut. */
  next: string;
  atM: number;
}

/** What stands at a place of the run, in the measure of the run it now stands on. */
const beyond = <T extends { elementId: string; atM: number }>(x: T, { id, next, atM }: Cut): T =>
  x.elementId === id && x.atM >= atM ? { ...x, elementId: next, atM: roundM(x.atM - atM) } : x;

/** Embeds by the two runs: one that lies across the cut becomes two. */
function cutEmbeds(embeds: Drawn['embeds'], cut: Cut): Drawn['embeds'] {
  const { id, next, atM } = cut;
  const names = embeds.map((x) => x.id);
  return embeds.flatMap((x) => {
    if (x.elementId !== id) return [x];
    const endM = x.toM === undefined ? {} : { toM: roundM(x.toM - atM) };
    if (x.atM >= atM) return [{ ...beyond(x, cut), ...endM }];
    if (x.toM === undefined || x.toM <= atM) return [x];
    const rest = { ...x, id: freeName(`${x.id}.`, names), elementId: next, atM: 0, ...endM };
    return [{ ...x, toM: atM }, rest];
  });
}

/** Plates by the two runs: one that lies across the cut becomes two. */
function cutPlates(plates: Drawn['plates'], { id, next, atM }: Cut): Drawn['plates'] {
  const names = plates.map((p) => p.id);
  return plates.flatMap((p) => {
    if (p.elementId !== id || p.toM <= atM) return [p];
    const rest = {
      ...p,
      elementId: next,
      fromM: roundM(Math.max(0, p.fromM - atM)),
      toM: roundM(p.toM - atM),
    };
    return p.fromM >= atM
      ? [rest]
      : [
          { ...p, toM: atM },
          { ...rest, id: freeName(`${p.id}.`, names) },
        ];
  });
}

/** Cuts a run in two at a distance; what stands beyond goes with the new run, in its own measure. */
export function splitRun(
  plan: Drawn,
  { id, atM, type }: Extract<PlanEdit, { do: 'splitRun' }>,
): Drawn {
  const run = runNamed(plan, id);
  const lengthM = lengthOf(plan, run);
  if (!(atM > 0.01) || !(atM < lengthM - 0.01)) refuse(`${id} can only be cut between its ends.`);
  const inTheWay = run.openings.find((o) => o.atM < atM - 1e-9 && o.atM + o.widthM > atM + 1e-9);
  if (inTheWay) refuse(`The ${openingName(inTheWay)} lies across the cut: cut beside it.`);
  const a = nodeOf(plan, run.from) as Spot;
  const b = nodeOf(plan, run.to) as Spot;
  const share = atM / lengthM;
  const cutNode = nodeAt(plan, {
    xM: a.xM + (b.xM - a.xM) * share,
    yM: a.yM + (b.yM - a.yM) * share,
  });
  const next = freeName(
    `${id}.`,
    plan.runs.map((r) => r.id),
  );
  const cut = { id, next, atM };
  const first: Run = { ...run, to: cutNode.id, openings: run.openings.filter((o) => o.atM < atM) };
  const second: Run = {
    ...run,
    id: next,
    type: type ?? run.type,
    from: cutNode.id,
    step: null,
    openings: run.openings
      .filter((o) => o.atM >= atM)
      .map((o) => ({ ...o, atM: roundM(o.atM - atM) })),
  };
  return {
    ...cutNode.plan,
    runs: cutNode.plan.runs.flatMap((r) => (r.id === id ? [first, second] : [r])),
    anchors: plan.anchors.map((x) => beyond(x, cut)),
    embeds: cutEmbeds(plan.embeds, cut),
    plates: cutPlates(plan.plates, cut),
    pours: plan.pours.map((p) => ({
      ...p,
      elements: p.elements.flatMap((x) => (x === id ? [id, next] : [x])),
    })),
  };
}
