import type { z } from 'zod';
import { issuesOf, labelOf } from '#core/kit';
import {
  anchorSchema,
  benchmarkSchema,
  checkSitePlan,
  embedSchema,
  footingTypeSchema,
  formSystemSchema,
  groundSchema,
  nodeOf,
  nodeSchema,
  padSchema,
  pierSchema,
  plateSchema,
  pointSchema,
  runSchema,
  type SitePlan,
  wallTypeSchema,
} from '#core/model';
import { withDrawn, type Drawn } from '../drawn.ts';
import { withTopsKept } from '../keep-tops.ts';
import { refuse, type PlanEdit } from './acts.ts';
import {
  changeItem,
  confirm,
  moveToPour,
  putItem,
  putMarked,
  removeForms,
  removeItem,
  removeType,
  setCurrency,
  setForms,
} from './lists.ts';
import { joinNodes, moved, runNamed, setAngle, setLength } from './nodes.ts';
import {
  changeOpening,
  putOpening,
  removeOpening,
  setRunIn,
  withOpeningsAtTop,
} from './openings.ts';
import { addRun, removeElement } from './runs.ts';
import { splitRun } from './split-run.ts';

/** What each act does to the plan. */
const ACTS: { [K in PlanEdit['do']]: (plan: Drawn, e: Extract<PlanEdit, { do: K }>) => Drawn } = {
  moveNode: (plan, e) =>
    nodeOf(plan, e.id) ? moved(plan, e.id, e.to) : refuse(`There is no node ${e.id}.`),
  joinNodes: (plan, e) => joinNodes(plan, e.id, e.into),
  addRun,
  setLength: (plan, e) => setLength(plan, e.id, e.lengthM),
  setAngle: (plan, e) => setAngle(plan, e.id, e.angleDeg),
  splitRun,
  removeElement: (plan, e) => removeElement(plan, e.id),
  setRun: (plan, e) => {
    runNamed(plan, e.id);
    return setRunIn(plan, e.id, (r) => withOpeningsAtTop(r, { ...r, ...e.change }));
  },
  putOpening,
  changeOpening,
  removeOpening,
  put: putItem,
  change: changeItem,
  remove: removeItem,
  putType: (plan, e) => ({
    ...plan,
    [e.list]: putMarked<{ mark: string }>(plan[e.list], e.type),
  }),
  confirm,
  removeType,
  putForms: (plan, e) => ({ ...plan, formSystems: putMarked(plan.formSystems, e.system) }),
  removeForms,
  moveToPour,
  setForms,
  setGround: (plan, e) => ({ ...plan, ground: e.ground }),
  setCurrency,
  setBenchmark: (plan, e) => ({ ...plan, benchmark: e.benchmark }),
};

const edited = <K extends PlanEdit['do']>(plan: Drawn, e: Extract<PlanEdit, { do: K }>): Drawn =>
  ACTS[e.do](plan, e);

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
 * The plan after an act, with what the act touched checked by itself and the plan as a whole; the
 * plan that came in, which was checked before, is left as it was.
 * @throws EditRefused when the act breaks a rule of the plan: an opening outside its wall, a run
 * without length, a type that does not exist.
 */
export function applyEdit(site: SitePlan, plan: Drawn, edit: PlanEdit): Drawn {
  const { plan: next, issue } = parsedChanges(plan, withTopsKept(plan, edited(plan, edit)));
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
