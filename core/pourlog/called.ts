import { latest, type PourState } from '#core/log';

/** A load of the plan: its name and what was ordered for it. */
export interface PlannedLoad {
  id: string;
  volumeM3: number;
}

/** A load that was called for on the day, beside the plan: when it is batched. */
export interface CalledLoad extends PlannedLoad {
  batchAt: string;
}

/** Loads that were called for beside the plan and are not taken back, in their order. */
export function calledLoads(state: PourState, planned: readonly PlannedLoad[]): CalledLoad[] {
  const order = latest(state, 'order')?.body;
  if (order?.act !== 'more') return [];
  return order.loads.filter((l) => !planned.some((p) => p.id === l.id));
}
