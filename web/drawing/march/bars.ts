import { type ActualPlacement, faceKey } from '#core/pourlog';
import type { PourPlan } from '#core/pourplan';

/** Stretches of one pass without a stand, joined for drawing: straight bars along the route. */
export interface Bar {
  lift: number;
  /** Something of this pour is placed on it: it has a window of its own. */
  covered: boolean;
  x0: number;
  x1: number;
  t0: number;
  t1: number;
}

/** Runs and lifts on which something of the same pour is placed. */
function coveredFaces({ cells }: PourPlan): ReadonlySet<string> {
  const byId = new Map(cells.map((c) => [c.id, faceKey(c.elementId, c.lift)]));
  return new Set(
    cells.flatMap((c) => (c.below === undefined || c.goesOn ? [] : [byId.get(c.below) ?? ''])),
  );
}

/** The passes of the plan. */
export function plannedBars(plan: PourPlan): Bar[] {
  const out: Bar[] = [];
  const faces = coveredFaces(plan);
  for (const p of plan.placements) {
    const covered = faces.has(faceKey(p.elementId, p.lift));
    const last = out.at(-1);
    if (
      last &&
      last.lift === p.lift &&
      last.covered === covered &&
      Math.abs(last.x1 - p.fromM) < 1e-6 &&
      Math.abs(last.t1 - p.fromMin) < 0.02
    ) {
      last.x1 = p.toM;
      last.t1 = p.toMin;
    } else out.push({ lift: p.lift, covered, x0: p.fromM, x1: p.toM, t0: p.fromMin, t1: p.toMin });
  }
  return out;
}

/** What was placed, over the same axis. */
export function actualBars(
  plan: PourPlan,
  placements: ActualPlacement[],
  minuteOf: (ms: number) => number,
): Bar[] {
  const faces = coveredFaces(plan);
  return placements.flatMap((p) => {
    const leg = plan.route.legs.find((l) => l.elementId === p.elementId);
    if (!leg) return [];
    // While a run is being filled its end is not known yet: the bar stands at its start.
    return [
      {
        lift: p.lift,
        covered: faces.has(faceKey(p.elementId, p.lift)),
        x0: leg.fromM + leg.lengthM * p.fromRatio,
        x1: leg.fromM + leg.lengthM * p.toRatio,
        t0: minuteOf(p.fromMs),
        t1: minuteOf(p.toMs),
      },
    ];
  });
}

/** A stretch still to come, metres along the route and minutes after midnight. */
export interface Stretch {
  lift: number;
  fromM: number;
  toM: number;
  fromMin: number;
  toMin: number;
}

/** What is still to come: neighbouring stretches of a lift that follow each other at once are one. */
export function restBars(rest: readonly Stretch[]): Bar[] {
  const out: Bar[] = [];
  for (const r of rest) {
    const last = out.at(-1);
    if (last?.lift === r.lift && near(last.x1, r.fromM) && near(last.t1, r.fromMin)) {
      last.x1 = r.toM;
      last.t1 = r.toMin;
    } else
      out.push({ lift: r.lift, covered: true, x0: r.fromM, x1: r.toM, t0: r.fromMin, t1: r.toMin });
  }
  return out;
}
const near = (a: number, b: number): boolean => Math.abs(a - b) < 0.02;

/** Lifts by where each begins; those that begin within a line of each other share their words. */
export function liftNames(
  planned: Bar[],
  t: (min: number) => number,
): { bar: Bar; names: number[] }[] {
  const out: { bar: Bar; names: number[] }[] = [];
  for (const [i, bar] of planned.entries()) {
    if (planned[i - 1]?.lift === bar.lift) continue;
    const before = out.at(-1);
    if (before && Math.abs(t(bar.t0) - t(before.bar.t0)) < 18) before.names.push(bar.lift + 1);
    else out.push({ bar, names: [bar.lift + 1] });
  }
  return out;
}
