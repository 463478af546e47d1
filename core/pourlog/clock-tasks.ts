import { baseBolts } from '#core/anchors';
import { latest, type PourState } from '#core/log';
import type { FormSystem, PourDoc, SitePlan } from '#core/model';
import type { Route } from '#core/pourplan';
import { consolidationText } from './consolidation.ts';
import type { Progress } from './progress.ts';
import { type PourTask, pourTasks } from './tasks.ts';

/** A task with its time: from when it can be done, and until when; null before there is anything to do it on. */
export interface ClockTask extends PourTask {
  fromMs: number | null;
  dueMs: number | null;
  /** Done after its time, or not done and past it. */
  late: boolean;
}

type Now = Pick<Progress, 'reached' | 'windowAt'>;
const MIN = 60_000;
const FULL = 1 - 1e-9;

/**
 * When a lift of a run was begun and, where it is full, when it was filled; and how long its own
 * concrete stays fresh, ms.
 */
function liftTimes({ reached, windowAt }: Now, elementId: string, lift: number) {
  const own = reached.filter((p) => p.elementId === elementId && p.lift === lift);
  const last = own.at(-1);
  if (!last) return null;
  return {
    fromMs: Math.min(...own.map((p) => p.fromMs)),
    fullMs: last.toRatio >= FULL ? last.toMs : null,
    windowMs: windowAt(Math.max(...own.map((p) => p.tempC))).stiffenMin * MIN,
  };
}

interface Wanted {
  id: string;
  elementId: string;
  title: string;
  fromMs: number;
  dueMs: number;
}

/** What is not in forms of a system is vibrated. */
const VIBRATED = { consolidation: 'vibrator' } as const;

/** What each run asks for as it is filled: the line after every lift, spreaders, strike-off and bolts with the last. */
function wantedOf(site: SitePlan, forms: FormSystem | undefined, route: Route, now: Now): Wanted[] {
  const inForms = forms ?? VIBRATED;
  return route.legs.flatMap((leg): Wanted[] => {
    const { elementId, lifts, wall } = leg;
    const out: Wanted[] = [];
    const want = (what: string, title: string, fromMs: number, dueMs: number) => {
      out.push({ id: `${elementId}/${what}`, elementId, title, fromMs, dueMs });
    };
    for (let lift = 0; lift < lifts; lift += 1) {
      const times = liftTimes(now, elementId, lift);
      if (!times) continue;
      const { windowMs } = times;
      const stiffMs = times.fromMs + windowMs;
      const worked = consolidationText(wall ? inForms : VIBRATED, lift > 0, site.units);
      want(
        `consolidate-${lift}`,
        `${lifts > 1 ? `lift ${lift + 1} ` : ''}${worked}`,
        times.fromMs,
        stiffMs,
      );
      const name = lifts > 1 ? ` after lift ${lift + 1}` : '';
      if (wall && times.fullMs !== null)
        want(`line-${lift}`, `string line and plumb${name}`, times.fullMs, times.fullMs + windowMs);
      if (lift < lifts - 1) continue;
      if (wall) want('spreaders', 'spreaders out', times.fromMs, stiffMs);
      if (times.fullMs !== null)
        want('strike-off', 'struck off to the line', times.fullMs, stiffMs);
      if (times.fullMs !== null && site.anchors.some((a) => a.elementId === elementId))
        want('plumb', 'bolts plumb while it is fresh', times.fullMs, stiffMs);
      if (baseBolts(site, elementId).length > 1)
        want('template', 'bolts of the base read again', times.fromMs, stiffMs);
    }
    return out;
  });
}

const formsOf = (site: SitePlan, pour: Pick<PourDoc, 'forms'>): FormSystem | undefined =>
  site.formSystems.find((f) => f.mark === pour.forms);

/**
 * Every task of pour day with its clock: what is pushed in by its layout, then what the placing
 * itself asks for, as it comes due.
 */
export function clockTasks(
  site: SitePlan,
  pour: Pick<PourDoc, 'elements' | 'forms'>,
  route: Route,
  progress: Now,
  state: PourState,
  nowMs: number,
): ClockTask[] {
  const late = (t: PourTask, dueMs: number | null): boolean =>
    dueMs !== null && (t.entry ? Date.parse(t.entry.at) > dueMs : nowMs > dueMs);
  const set = pourTasks(site, pour, state).map((t): ClockTask => {
    const leg = route.legs.find((l) => l.elementId === t.elementId);
    const times = leg && liftTimes(progress, t.elementId, leg.lifts - 1);
    const dueMs = times ? times.fromMs + times.windowMs : null;
    return { ...t, fromMs: times?.fromMs ?? null, dueMs, late: late(t, dueMs) };
  });
  const asked = wantedOf(site, formsOf(site, pour), route, progress).map((w): ClockTask => {
    const entry = latest(state, 'task', (e) => e.body.taskId === w.id) ?? null;
    const task = { ...w, anchors: [], entry, state: entry?.body.result ?? ('open' as const) };
    return { ...task, late: late(task, w.dueMs) };
  });
  return [...set, ...asked].sort((a, b) => (a.dueMs ?? Infinity) - (b.dueMs ?? Infinity));
}
