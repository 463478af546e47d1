import { elementIds, lengthOf } from '#core/model';
import { distanceText, level, textOf, type UnitSystem } from '#core/units';
import type { Drawn } from './drawn.ts';

/** What one plan changes of another: in words, and which runs, pads and piers it bears on. */
export interface PlanDiff {
  words: string[];
  elements: string[];
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
const byId = <T extends { id: string }>(list: T[]): Map<string, T> =>
  new Map(list.map((x) => [x.id, x]));

function runWords(before: Drawn, after: Drawn, id: string, units: UnitSystem): string[] {
  const [a, b] = [before.runs.find((r) => r.id === id), after.runs.find((r) => r.id === id)];
  if (!a || !b) return [];
  const [la, lb] = [lengthOf(before, a), lengthOf(after, b)];
  const ends = (plan: Drawn, r: typeof a) =>
    [r.from, r.to].map((n) => plan.nodes.find((x) => x.id === n));
  const out: string[] = [];
  if (a.type !== b.type) out.push(`${id} is now ${b.type}`);
  if (Math.abs(la - lb) > 5e-5) out.push(`${id} is now ${distanceText(lb, units)} long`);
  else if (
    !same(
      ends(before, a).map((n) => n && [n.xM, n.yM]),
      ends(after, b).map((n) => n && [n.xM, n.yM]),
    ) ||
    a.offsetM !== b.offsetM
  )
    out.push(`${id} moved`);
  if (a.bottomM !== b.bottomM) out.push(`${id} bottom at ${textOf(level(b.bottomM, units))}`);
  if (a.topM !== b.topM)
    out.push(`${id} top at ${b.topM === undefined ? 'its depth' : textOf(level(b.topM, units))}`);
  if (!same(a.openings, b.openings)) out.push(`openings of ${id}`);
  if (!same(a.step, b.step)) out.push(`step of ${id}`);
  if (!same(a.crawl, b.crawl)) out.push(`crawl space at ${id}`);
  return out;
}

/** What `after` changes of `before`. A changed type bears on every run that has it. */
export function planDiff(before: Drawn, after: Drawn, units: UnitSystem): PlanDiff {
  const words: string[] = [];
  const elements = new Set<string>();
  const touch = (id: string, said: string[]) => {
    if (said.length) {
      elements.add(id);
      words.push(...said);
    }
  };
  for (const list of ['runs', 'pads', 'piers'] as const) {
    const [a, b] = [byId(before[list] as { id: string }[]), byId(after[list] as { id: string }[])];
    for (const id of b.keys()) if (!a.has(id)) touch(id, [`${id} added`]);
    for (const id of a.keys()) if (!b.has(id)) touch(id, [`${id} removed`]);
    for (const [id, x] of a)
      if (b.has(id)) {
        if (list === 'runs') touch(id, runWords(before, after, id, units));
        else if (!same(x, b.get(id))) touch(id, [`${id} changed`]);
      }
    // What people call a run bears on nothing.
    for (const [id, x] of a) {
      const y = b.get(id);
      if (y && !same((x as { label?: string }).label, (y as { label?: string }).label))
        words.push(`${id} is called ${(y as { label?: string }).label ?? 'by its name'}`);
    }
  }
  changedTypes(after, before, words, elements);
  touchObjects(after, before, touch);
  const walls = new Set(after.runs.flatMap((r) => (r.kind === 'wall' ? [r.id] : [])));
  const wallsIn = (forms: string) => {
    for (const p of after.pours)
      if (p.forms === forms) for (const id of p.elements) if (walls.has(id)) elements.add(id);
  };
  for (const mark of new Set([...before.formSystems, ...after.formSystems].map((f) => f.mark))) {
    const [a, b] = [before, after].map((plan) => plan.formSystems.find((f) => f.mark === mark));
    if (same(a, b)) continue;
    const kept = b ? 'changed' : 'removed';
    words.push(`forms ${mark} ${a ? kept : 'added'}`);
    wallsIn(mark);
  }
  if (!same(before.ground, after.ground)) words.push('ground levels');
  if (!same(before.benchmark, after.benchmark)) words.push('benchmark');
  if (!same(before.points, after.points)) words.push('set-out points');
  if (before.currency !== after.currency)
    words.push(after.currency ? `costs are in ${after.currency}` : 'costs are in no currency');
  for (const p of after.pours) {
    const was = before.pours.find((x) => x.code === p.code);
    if (!was || p.forms === undefined || was.forms === p.forms) continue;
    words.push(
      p.forms === null
        ? `${p.code} stands in no forms that are named`
        : `${p.code} stands in ${p.forms}`,
    );
    for (const id of p.elements) if (walls.has(id)) elements.add(id);
  }
  const belongs = (plan: Drawn) => plan.pours.map((p) => [p.code, p.elements]);
  if (!same(belongs(before), belongs(after))) words.push('what belongs to which pour');
  if (words.length === 0 && !same(before, after)) words.push('the drawing');
  return { words, elements: [...elements] };
}

/** The words of a change, short enough to stand in a line. */
export const diffText = ({ words }: PlanDiff): string =>
  words.length <= 4
    ? words.join(', ')
    : `${words.slice(0, 3).join(', ')} and ${words.length - 3} more`;

/** A type that changed bears on every run that has it. */
function changedTypes(after: Drawn, before: Drawn, words: string[], elements: Set<string>) {
  for (const list of ['footingTypes', 'wallTypes'] as const) {
    for (const t of after[list]) {
      const old = before[list].find((x) => x.mark === t.mark);
      if (!old) {
        words.push(`type ${t.mark} added`);
        continue;
      }
      if (same(old, t)) continue;
      words.push(`type ${t.mark} changed`);
      for (const r of after.runs) if (r.type === t.mark) elements.add(r.id);
    }
    for (const t of before[list])
      if (!after[list].some((x) => x.mark === t.mark)) words.push(`type ${t.mark} removed`);
  }
}

/** Anchors, embeds and plates that are others than before. */
function touchObjects(after: Drawn, before: Drawn, touch: (id: string, said: string[]) => void) {
  const there = new Set(elementIds(after));
  for (const [list, name] of [
    ['anchors', 'anchors'],
    ['embeds', 'embeds'],
    ['plates', 'plates'],
  ] as const) {
    const of = (plan: Drawn) => {
      const map = new Map<string, unknown[]>();
      for (const o of plan[list]) map.set(o.elementId, [...(map.get(o.elementId) ?? []), o]);
      return map;
    };
    const [a, b] = [of(before), of(after)];
    for (const id of new Set([...a.keys(), ...b.keys()]))
      if (!same(a.get(id), b.get(id)) && there.has(id)) touch(id, [`${name} of ${id}`]);
  }
}
