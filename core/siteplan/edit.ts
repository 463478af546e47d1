import { isCurrency } from '../units/money.ts';
import { elementIds } from '../model/elements.ts';
import type { z } from 'zod';
import {
  anchorSchema,
  embedSchema,
  formSystemSchema,
  type FormSystem,
  groundSchema,
  plateSchema,
} from '../model/objects.ts';
import {
  benchmarkSchema,
  checkSitePlan,
  footingTypeSchema,
  nodeSchema,
  type Opening,
  padSchema,
  pierSchema,
  pointSchema,
  type Run,
  runSchema,
  type SitePlan,
  wallTypeSchema,
} from '../model/site.ts';
import { issuesOf } from '../kit/calculation.ts';
import { labelOf } from '../kit/words.ts';
import { withDrawn, type Drawn } from './drawn.ts';
import { angleOf, lengthOf, nodeOf, roundM, type Spot } from '../model/geometry.ts';

/** A list of the plan that is edited item by item, by id. */
type ObjectList = 'pads' | 'piers' | 'plates' | 'anchors' | 'embeds' | 'points';

/** One act on the plan. */
export type PlanEdit =
  | { do: 'moveNode'; id: string; to: Spot }
  /** A node dropped on another: the two become one. */
  | { do: 'joinNodes'; id: string; into: string }
  | {
      do: 'addRun';
      kind: Run['kind'];
      type: string;
      from: string | Spot;
      to: string | Spot;
      bottomM: number;
      topM?: number;
      pour: string | null;
    }
  | { do: 'setLength'; id: string; lengthM: number }
  | { do: 'setAngle'; id: string; angleDeg: number }
  | { do: 'splitRun'; id: string; atM: number; type?: string }
  | { do: 'removeElement'; id: string }
  | {
      do: 'setRun';
      id: string;
      change: Partial<
        Pick<Run, 'type' | 'label' | 'bottomM' | 'topM' | 'offsetM' | 'step' | 'crawl'>
      >;
    }
  | { do: 'putOpening'; id: string; index: number | null; opening: Opening }
  | { do: 'removeOpening'; id: string; index: number }
  | { do: 'put'; list: ObjectList; item: Drawn[ObjectList][number]; pour?: string | null }
  | { do: 'remove'; list: ObjectList; id: string }
  | {
      do: 'putType';
      list: 'footingTypes' | 'wallTypes';
      type: Drawn['footingTypes'][number] | Drawn['wallTypes'][number];
    }
  | { do: 'removeType'; mark: string }
  | { do: 'putForms'; system: FormSystem }
  | { do: 'removeForms'; mark: string }
  /** What a pour's walls stand in; null for none named. */
  | { do: 'setForms'; pour: string; forms: string | null }
  | { do: 'setGround'; ground: Drawn['ground'] }
  | { do: 'setCurrency'; currency: string }
  | { do: 'setBenchmark'; benchmark: Drawn['benchmark'] };

/** A plan cannot be changed so: why, in words for the foreman. */
export class EditRefused extends Error {}
const refuse = (why: string): never => {
  throw new EditRefused(why);
};

const runNamed = (plan: Drawn, id: string): Run =>
  plan.runs.find((r) => r.id === id) ?? refuse(`There is no run ${id}.`);
const setRunIn = (plan: Drawn, id: string, change: (r: Run) => Run): Drawn => ({
  ...plan,
  runs: plan.runs.map((r) => (r.id === id ? change(r) : r)),
});
const moved = (plan: Drawn, id: string, to: Spot): Drawn => ({
  ...plan,
  nodes: plan.nodes.map((n) => (n.id === id ? { ...n, xM: roundM(to.xM), yM: roundM(to.yM) } : n)),
});

/** The first free name of a kind: N1, N2… for nodes, R1… for runs. */
export function freeName(stem: string, taken: Iterable<string>): string {
  const used = new Set(taken);
  for (let i = 1; ; i += 1) if (!used.has(`${stem}${i}`)) return `${stem}${i}`;
}

function nodeAt(plan: Drawn, at: string | Spot): { plan: Drawn; id: string } {
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

/** A list with one item of that mark put in, in the place of the one that was there. */
const putMarked = <Item extends { mark: string }>(list: readonly Item[], item: Item): Item[] =>
  list.some((x) => x.mark === item.mark)
    ? list.map((x) => (x.mark === item.mark ? item : x))
    : [...list, item];

/** Nodes no run ends at any more go with their last run. */
function withoutLooseNodes(plan: Drawn): Drawn {
  const used = new Set(plan.runs.flatMap((r) => [r.from, r.to]));
  return { ...plan, nodes: plan.nodes.filter((n) => used.has(n.id)) };
}

/** What the names of new runs begin with, by kind. */
export const RUN_STEM = { wall: 'W', footing: 'F', gradeBeam: 'G' } as const;

/** Marks of types: no run is named like one, or nobody knows which is meant. */
export const typeMarks = (plan: Pick<Drawn, 'footingTypes' | 'wallTypes'>): string[] =>
  [...plan.footingTypes, ...plan.wallTypes].map((t) => t.mark);

function addRun(plan: Drawn, e: Extract<PlanEdit, { do: 'addRun' }>): Drawn {
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

/** An opening by its kind and mark. */
const openingName = (o: { kind: string; mark?: string }): string =>
  `${o.kind}${o.mark ? ` ${o.mark}` : ''}`;

/** Cuts a run in two at a distance; what stands beyond goes with the new run, in its own measure. */
function splitRun(plan: Drawn, { id, atM, type }: Extract<PlanEdit, { do: 'splitRun' }>): Drawn {
  const run = runNamed(plan, id);
  const lengthM = lengthOf(plan, run);
  if (!(atM > 0.01) || !(atM < lengthM - 0.01)) refuse(`${id} can only be cut between its ends.`);
  const cut = run.openings.find((o) => o.atM < atM - 1e-9 && o.atM + o.widthM > atM + 1e-9);
  if (cut) refuse(`The ${openingName(cut)} lies across the cut: cut beside it.`);
  const over = [
    ...plan.embeds.filter(
      (x) => x.elementId === id && x.toM !== undefined && x.atM < atM && x.toM > atM,
    ),
  ];
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
  const beyond = <T extends { elementId: string; atM: number }>(x: T): T =>
    x.elementId === id && x.atM >= atM ? { ...x, elementId: next, atM: roundM(x.atM - atM) } : x;
  return {
    ...cutNode.plan,
    runs: cutNode.plan.runs.flatMap((r) => (r.id === id ? [first, second] : [r])),
    anchors: plan.anchors.map(beyond),
    embeds: plan.embeds.flatMap((x) =>
      over.includes(x)
        ? [
            { ...x, toM: atM },
            {
              ...x,
              id: freeName(
                `${x.id}.`,
                plan.embeds.map((y) => y.id),
              ),
              elementId: next,
              atM: 0,
              toM: roundM((x.toM ?? atM) - atM),
            },
          ]
        : [
            x.elementId === id && x.atM >= atM
              ? { ...beyond(x), ...(x.toM === undefined ? {} : { toM: roundM(x.toM - atM) }) }
              : x,
          ],
    ),
    plates: plan.plates.flatMap((p) => {
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
            {
              ...rest,
              id: freeName(
                `${p.id}.`,
                plan.plates.map((y) => y.id),
              ),
            },
          ];
    }),
    pours: plan.pours.map((p) => ({
      ...p,
      elements: p.elements.flatMap((x) => (x === id ? [id, next] : [x])),
    })),
  };
}

function removeElement(plan: Drawn, id: string): Drawn {
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

function joinNodes(plan: Drawn, id: string, into: string): Drawn {
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

function along(plan: Drawn, run: Run, lengthM: number, angleDeg: number): Drawn {
  const a = nodeOf(plan, run.from) as Spot;
  const rad = (angleDeg * Math.PI) / 180;
  return moved(plan, run.to, {
    xM: a.xM + lengthM * Math.cos(rad),
    yM: a.yM + lengthM * Math.sin(rad),
  });
}

function put<T extends { id: string }>(list: T[], item: T): T[] {
  return list.some((x) => x.id === item.id)
    ? list.map((x) => (x.id === item.id ? item : x))
    : [...list, item];
}

function edited(plan: Drawn, e: PlanEdit): Drawn {
  switch (e.do) {
    case 'moveNode':
      return nodeOf(plan, e.id) ? moved(plan, e.id, e.to) : refuse(`There is no node ${e.id}.`);
    case 'joinNodes':
      return joinNodes(plan, e.id, e.into);
    case 'addRun':
      return addRun(plan, e);
    case 'setLength': {
      const run = runNamed(plan, e.id);
      if (!(e.lengthM > 0)) refuse('A run needs a length.');
      return along(plan, run, e.lengthM, angleOf(plan, run));
    }
    case 'setAngle': {
      const run = runNamed(plan, e.id);
      return along(plan, run, lengthOf(plan, run), e.angleDeg);
    }
    case 'splitRun':
      return splitRun(plan, e);
    case 'removeElement':
      return removeElement(plan, e.id);
    case 'setRun':
      runNamed(plan, e.id);
      return setRunIn(plan, e.id, (r) => withOpeningsAtTop(r, { ...r, ...e.change }));
    case 'putOpening': {
      const run = runNamed(plan, e.id);
      const room = lengthOf(plan, run) - e.opening.widthM;
      if (room < 0) refuse(`The opening is wider than ${e.id}.`);
      // An opening cannot leave its wall: it stops at the end.
      const opening = { ...e.opening, atM: roundM(Math.min(Math.max(0, e.opening.atM), room)) };
      const others = run.openings.filter((_, i) => i !== e.index);
      const clash = others.find(
        (o) =>
          o.atM < opening.atM + opening.widthM - 1e-9 &&
          o.atM + o.widthM > opening.atM + 1e-9 &&
          o.sillM < opening.headM - 1e-9 &&
          o.headM > opening.sillM + 1e-9,
      );
      if (clash)
        refuse(`It would lie over the ${openingName(clash)}: move it, or make it narrower.`);
      return setRunIn(plan, e.id, (r) => ({
        ...r,
        openings:
          e.index === null
            ? [...r.openings, opening]
            : r.openings.map((o, i) => (i === e.index ? opening : o)),
      }));
    }
    case 'removeOpening':
      return setRunIn(plan, e.id, (r) => ({
        ...r,
        openings: r.openings.filter((_, i) => i !== e.index),
      }));
    case 'put': {
      const fresh =
        (e.list === 'pads' || e.list === 'piers') && !plan[e.list].some((x) => x.id === e.item.id);
      const next = { ...plan, [e.list]: put(plan[e.list] as { id: string }[], e.item) };
      return fresh && e.pour
        ? {
            ...next,
            pours: next.pours.map((p) =>
              p.code === e.pour ? { ...p, elements: [...p.elements, e.item.id] } : p,
            ),
          }
        : next;
    }
    case 'remove':
      return e.list === 'pads' || e.list === 'piers'
        ? removeElement(plan, e.id)
        : { ...plan, [e.list]: (plan[e.list] as { id: string }[]).filter((x) => x.id !== e.id) };
    case 'putType': {
      return { ...plan, [e.list]: putMarked<{ mark: string }>(plan[e.list], e.type) };
    }
    case 'removeType': {
      const user = plan.runs.find((r) => r.type === e.mark);
      if (user) refuse(`${user.id} is ${e.mark}: give it another type first.`);
      return {
        ...plan,
        footingTypes: plan.footingTypes.filter((t) => t.mark !== e.mark),
        wallTypes: plan.wallTypes.filter((t) => t.mark !== e.mark),
      };
    }
    case 'putForms':
      return { ...plan, formSystems: putMarked(plan.formSystems, e.system) };
    case 'removeForms': {
      const user = plan.pours.find((p) => p.forms === e.mark);
      if (user) refuse(`${user.code} stands in ${e.mark}: give it other forms first.`);
      return { ...plan, formSystems: plan.formSystems.filter((f) => f.mark !== e.mark) };
    }
    case 'setForms': {
      if (e.forms !== null && !plan.formSystems.some((f) => f.mark === e.forms))
        refuse(`There are no forms ${e.forms}.`);
      return {
        ...plan,
        pours: plan.pours.map((p) => (p.code === e.pour ? { ...p, forms: e.forms } : p)),
      };
    }
    case 'setGround':
      return { ...plan, ground: e.ground };
    case 'setCurrency':
      return isCurrency(e.currency)
        ? { ...plan, currency: e.currency }
        : refuse(`There is no currency ${e.currency}.`);
    case 'setBenchmark':
      return { ...plan, benchmark: e.benchmark };
  }
}

const ITEM = {
  footingTypes: footingTypeSchema,
  wallTypes: wallTypeSchema,
  nodes: nodeSchema,
  runs: runSchema,
  pads: padSchema,
  piers: pierSchema,
  plates: plateSchema,
  anchors: anchorSchema,
  embeds: embedSchema,
  formSystems: formSystemSchema,
  points: pointSchema,
} as const;
type ListName = keyof typeof ITEM;

/** Openings that reached the top of the wall go with it: a pocket for a beam stays at the top when that is moved. */
function withOpeningsAtTop(before: Run, after: Run): Run {
  if (before.topM === undefined || after.topM === undefined) return after;
  const was = before.topM - before.bottomM;
  const is = after.topM - after.bottomM;
  if (Math.abs(was - is) < 1e-9) return after;
  const openings = after.openings.map((o) =>
    Math.abs(o.headM - was) < 1e-6
      ? { ...o, headM: roundM(is), sillM: roundM(Math.max(0, o.sillM + is - was)) }
      : o,
  );
  return { ...after, openings };
}

/** What an act made anew, parsed field by field; everything else was right before and is handed on as it is. */
function parsedChanges(
  before: Drawn,
  next: Drawn,
): { plan: Drawn; issue: { path: string; message: string } | null } {
  let issue: { path: string; message: string } | null = null;
  const plan: Drawn = { ...next };
  const note = (error: z.ZodError, path: string, given: unknown) => {
    const [first] = issuesOf(error, given);
    issue ??= first
      ? { path: [path, first.path].filter(Boolean).join('.'), message: first.message }
      : null;
  };
  for (const name of Object.keys(ITEM) as ListName[]) {
    if (next[name] === before[name]) continue;
    const known = new Set<unknown>(before[name]);
    (plan as unknown as Record<string, unknown>)[name] = (next[name] as unknown[]).map(
      (item, i) => {
        if (known.has(item)) return item;
        const got = ITEM[name].safeParse(item);
        if (!got.success) note(got.error, `${name}.${i}`, item);
        return got.success ? got.data : item;
      },
    );
  }
  if (next.ground && next.ground !== before.ground) {
    const got = groundSchema.safeParse(next.ground);
    if (!got.success) note(got.error, 'ground', next.ground);
  }
  if (next.benchmark && next.benchmark !== before.benchmark) {
    const got = benchmarkSchema.safeParse(next.benchmark);
    if (!got.success) note(got.error, 'benchmark', next.benchmark);
  }
  return { plan, issue };
}

/**
 * The plan after an act, with what the act touched checked by itself and the plan as a whole; the plan that came in, which
 * was checked before, is left as it was.
 * @throws EditRefused when the act breaks a rule of the plan: an opening outside its wall, a run without length, a type that does not exist.
 */
export function applyEdit(site: SitePlan, plan: Drawn, edit: PlanEdit): Drawn {
  const { plan: next, issue } = parsedChanges(plan, edited(plan, edit));
  if (issue) return refuse(sentenceOf(next, issue.path, issue.message));
  const whole = { ...withDrawn(site, next), timeZone: site.timeZone };
  let first: { path: string; message: string } | null = null;
  checkSitePlan(whole, {
    addIssue: (i) => {
      first ??= { path: i.path.join('.'), message: i.message };
    },
  });
  return first
    ? refuse(
        sentenceOf(next, (first as { path: string }).path, (first as { message: string }).message),
      )
    : next;
}

/** A field named in a message by the name it has in the file. */
const FIELD = /\b[a-z][A-Za-z]*(?:M|Mm|KPa)\b/g;

/** "runs.3.openings.0.atM with widthM runs past…" as a foreman would say it. */
function sentenceOf(plan: Drawn, path: string, message: string): string {
  const [list = '', index = '', ...rest] = path.split('.');
  const item = (plan as unknown as Record<string, { id?: string; mark?: string }[] | undefined>)[
    list
  ]?.[Number(index)];
  const opening =
    rest[0] === 'openings' ? plan.runs[Number(index)]?.openings[Number(rest[1])] : undefined;
  if (opening && message.includes('past the end'))
    return `The ${opening.kind} ${opening.mark ?? ''} would leave ${item?.id ?? 'its wall'}. Move it, or leave the wall longer.`.replace(
      '  ',
      ' ',
    );
  return `${item?.id ?? item?.mark ?? list} ${labelOf(rest.at(-1) ?? '')} ${message.replace(FIELD, (name) => labelOf(name))}.`;
}
