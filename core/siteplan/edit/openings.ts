import { lengthOf, type Opening, roundM, type Run } from '#core/model';
import type { Drawn } from '../drawn.ts';
import { refuse, type PlanEdit } from './acts.ts';
import { runNamed } from './nodes.ts';

type Of<K extends PlanEdit['do']> = Extract<PlanEdit, { do: K }>;
type Seen = Of<'removeOpening'>['seen'];

/** The plan with one of its runs changed. */
export const setRunIn = (plan: Drawn, id: string, change: (r: Run) => Run): Drawn => ({
  ...plan,
  runs: plan.runs.map((r) => (r.id === id ? change(r) : r)),
});

/** An opening by its kind and mark. */
export const openingName = (o: { kind: string; mark?: string }): string =>
  `${o.kind}${o.mark ? ` ${o.mark}` : ''}`;

/** Puts an opening in a run, or another in the place of one. An opening cannot leave its wall: it stops at the end. */
export function putOpening(plan: Drawn, e: Of<'putOpening'>): Drawn {
  const run = runNamed(plan, e.id);
  const room = lengthOf(plan, run) - e.opening.widthM;
  if (room < 0) refuse(`The opening is wider than ${e.id}.`);
  const opening = { ...e.opening, atM: roundM(Math.min(Math.max(0, e.opening.atM), room)) };
  const others = run.openings.filter((_, i) => i !== e.index);
  const clash = others.find(
    (o) =>
      o.atM < opening.atM + opening.widthM - 1e-9 &&
      o.atM + o.widthM > opening.atM + 1e-9 &&
      o.sillM < opening.headM - 1e-9 &&
      o.headM > opening.sillM + 1e-9,
  );
  if (clash) refuse(`It would lie over the ${openingName(clash)}: move it, or make it narrower.`);
  return setRunIn(plan, e.id, (r) => ({
    ...r,
    openings:
      e.index === null
        ? [...r.openings, opening]
        : r.openings.map((o, i) => (i === e.index ? opening : o)),
  }));
}

const same = (a: Opening, b: Opening): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Where the opening that was seen is by now; -1 when it is gone or no longer as it was seen. */
const placeOf = (run: Run, seen: Seen): number =>
  [seen.index, ...run.openings.keys()].find((i) => {
    const o = run.openings[i];
    return o !== undefined && same(o, seen.opening);
  }) ?? -1;

/** Changes some of what an opening is, and leaves the rest as it stands. */
export function changeOpening(plan: Drawn, e: Of<'changeOpening'>): Drawn {
  const { openings } = runNamed(plan, e.id);
  const place = placeOf(runNamed(plan, e.id), e.seen);
  // Another figure of it may have been given a moment ago: it is still the one at that place.
  const index = place < 0 ? e.seen.index : place;
  const is = openings[index];
  if (!is || openingName(is) !== openingName(e.seen.opening))
    return refuse(`The ${openingName(e.seen.opening)} of ${e.id} is not there any more.`);
  return putOpening(plan, { do: 'putOpening', id: e.id, index, opening: { ...is, ...e.change } });
}

/** Takes away the opening that was seen, and no other that came to its place. */
export function removeOpening(plan: Drawn, e: Of<'removeOpening'>): Drawn {
  const place = placeOf(runNamed(plan, e.id), e.seen);
  if (place < 0)
    refuse(`The ${openingName(e.seen.opening)} of ${e.id} is gone, or was changed just now.`);
  return setRunIn(plan, e.id, (r) => ({
    ...r,
    openings: r.openings.filter((_, i) => i !== place),
  }));
}

/** Openings that reached the top of the wall go with it: a pocket for a beam stays at the top when that is moved. */
export function withOpeningsAtTop(before: Run, after: Run): Run {
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
