import { isCurrency } from '#core/units';
import type { Drawn } from '../drawn.ts';
import { refuse, type PlanEdit } from './acts.ts';
import { removeElement } from './runs.ts';

type Of<K extends PlanEdit['do']> = Extract<PlanEdit, { do: K }>;

/** A list with one item of that mark put in, in the place of the one that was there. */
export const putMarked = <Item extends { mark: string }>(
  list: readonly Item[],
  item: Item,
): Item[] =>
  list.some((x) => x.mark === item.mark)
    ? list.map((x) => (x.mark === item.mark ? item : x))
    : [...list, item];

function withItem<T extends { id: string }>(list: T[], item: T): T[] {
  return list.some((x) => x.id === item.id)
    ? list.map((x) => (x.id === item.id ? item : x))
    : [...list, item];
}

/** Puts something in a list of the plan; a pad or pier that is new goes into its pour. */
export function putItem(plan: Drawn, e: Of<'put'>): Drawn {
  const stands = e.list === 'pads' || e.list === 'piers';
  const fresh = stands && !plan[e.list].some((x) => x.id === e.item.id);
  const next = { ...plan, [e.list]: withItem(plan[e.list] as { id: string }[], e.item) };
  if (!fresh || !e.pour) return next;
  return {
    ...next,
    pours: next.pours.map((p) =>
      p.code === e.pour ? { ...p, elements: [...p.elements, e.item.id] } : p,
    ),
  };
}

/** Changes some of what a thing is, and leaves the rest as it stands. */
export function changeItem(plan: Drawn, e: Of<'change'>): Drawn {
  const list: { id: string }[] = plan[e.list];
  if (!list.some((x) => x.id === e.id)) refuse(`There is no ${e.id} any more.`);
  return { ...plan, [e.list]: list.map((x) => (x.id === e.id ? { ...x, ...e.change } : x)) };
}

export function removeItem(plan: Drawn, e: Of<'remove'>): Drawn {
  if (e.list === 'pads' || e.list === 'piers') return removeElement(plan, e.id);
  const list: { id: string }[] = plan[e.list];
  return { ...plan, [e.list]: list.filter((x) => x.id !== e.id) };
}

export function removeType(plan: Drawn, { mark }: Of<'removeType'>): Drawn {
  const user = plan.runs.find((r) => r.type === mark);
  if (user) refuse(`${user.id} is ${mark}: give it another type first.`);
  return {
    ...plan,
    footingTypes: plan.footingTypes.filter((t) => t.mark !== mark),
    wallTypes: plan.wallTypes.filter((t) => t.mark !== mark),
  };
}

export function removeForms(plan: Drawn, { mark }: Of<'removeForms'>): Drawn {
  const user = plan.pours.find((p) => p.forms === mark);
  if (user) refuse(`${user.code} stands in ${mark}: give it other forms first.`);
  return { ...plan, formSystems: plan.formSystems.filter((f) => f.mark !== mark) };
}

export function setForms(plan: Drawn, { pour, forms }: Of<'setForms'>): Drawn {
  if (forms !== null && !plan.formSystems.some((f) => f.mark === forms))
    refuse(`There are no forms ${forms}.`);
  return { ...plan, pours: plan.pours.map((p) => (p.code === pour ? { ...p, forms } : p)) };
}

/** Takes the mark of a usual size off what has been compared with the drawing. */
export function confirm(plan: Drawn, { marks }: Of<'confirm'>): Drawn {
  const meant = new Set(marks);
  const compared = <T extends { usual?: boolean | undefined }>(list: T[], of: (x: T) => string) =>
    list.map((x): T => {
      if (!x.usual || !meant.has(of(x))) return x;
      const { usual: _usual, ...rest } = x;
      return rest as T;
    });
  return {
    ...plan,
    footingTypes: compared(plan.footingTypes, (t) => t.mark),
    wallTypes: compared(plan.wallTypes, (t) => t.mark),
    formSystems: compared(plan.formSystems, (f) => f.mark),
    pads: compared(plan.pads, (p) => p.id),
  };
}

/** Gives elements to a pour; a pour has to keep something. */
export function moveToPour(plan: Drawn, { ids, pour }: Of<'moveToPour'>): Drawn {
  if (!plan.pours.some((p) => p.code === pour)) refuse(`There is no pour ${pour}.`);
  const moved = new Set(ids);
  const left = plan.pours.find((p) => p.code !== pour && p.elements.every((id) => moved.has(id)));
  if (left) refuse(`That is all there is of ${left.code}: call it off or remove it instead.`);
  return {
    ...plan,
    pours: plan.pours.map((p) => {
      const kept = p.elements.filter((id) => !moved.has(id));
      return { ...p, elements: p.code === pour ? [...kept, ...ids] : kept };
    }),
  };
}

export const setCurrency = (plan: Drawn, { currency }: Of<'setCurrency'>): Drawn =>
  isCurrency(currency) ? { ...plan, currency } : refuse(`There is no currency ${currency}.`);
