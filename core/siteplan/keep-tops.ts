import type { Run, SitePlan } from '#core/model';
import { footingTopM, wallsOn } from './standing.ts';

type Plan = Pick<SitePlan, 'nodes' | 'runs' | 'footingTypes'>;
/** Less than this is no other level, m. */
const SAME_M = 1e-6;

/**
 * A footing of another depth keeps the top that carries its wall: its bottom goes down, or up. One
 * whose own levels were changed, or on which nothing stands, stays as it was drawn.
 */
export function withTopsKept<P extends Plan>(before: Plan, after: P): P {
  const was = new Map(before.runs.map((r) => [r.id, r]));
  const kept = (run: Run): Run => {
    const old = was.get(run.id);
    if (!old || run.kind === 'wall' || run.topM !== undefined) return run;
    const topM = footingTopM(before, old);
    const movedM = footingTopM(after, run) - topM;
    const own = Math.abs(run.bottomM - old.bottomM) > SAME_M;
    if (own || Math.abs(movedM) < SAME_M || wallsOn(before, old).length === 0) return run;
    return { ...run, bottomM: run.bottomM - movedM };
  };
  const runs = after.runs.map(kept);
  return runs.some((r, i) => r !== after.runs[i]) ? { ...after, runs } : after;
}
