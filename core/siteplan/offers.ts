import type { Drawn } from './drawn.ts';
import type { PlanEdit } from './edit/acts.ts';
import { standsOn } from './standing.ts';

/** Something the plan seems to lack, and the act that would put it in. */
export interface Offer {
  id: string;
  elementId: string;
  text: string;
  edit: PlanEdit;
}

/** Walls without a footing under them: one of the type most used is offered. */
export function offersOf(plan: Drawn, elements: string[], pour: string | null): Offer[] {
  const footings = plan.runs.filter((r) => r.kind !== 'wall');
  const uses = new Map<string, number>();
  for (const f of footings) uses.set(f.type, (uses.get(f.type) ?? 0) + 1);
  const type = plan.footingTypes.reduce<(typeof plan.footingTypes)[number] | null>(
    (best, t) => (best === null || (uses.get(t.mark) ?? 0) > (uses.get(best.mark) ?? 0) ? t : best),
    null,
  );
  if (!type) return [];
  return plan.runs
    .filter((w) => w.kind === 'wall' && elements.includes(w.id))
    .flatMap((w): Offer[] => {
      if (footings.some((f) => standsOn(plan, w, f))) return [];
      return [
        {
          id: `footing:${w.id}`,
          elementId: w.id,
          text: `${w.id} has no footing under it.`,
          edit: {
            do: 'addRun',
            kind: 'footing',
            type: type.mark,
            from: w.from,
            to: w.to,
            bottomM: w.bottomM - type.depthM,
            pour,
          },
        },
      ];
    });
}
