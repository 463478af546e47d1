import type { PourView } from './pour-view.ts';

/** What of a load is placed already, m³ of concrete as it is planned with its waste. */
export function placedFrom(
  { progress, plan }: Pick<PourView, 'progress' | 'plan'>,
  loadId: string,
): number {
  const grown = plan.route.volumeM3 > 0 ? plan.order.result.meanM3 / plan.route.volumeM3 : 1;
  return progress.reached
    .filter((p) => p.loadId === loadId)
    .reduce((sum, p) => {
      const leg = plan.route.legs.find((l) => l.elementId === p.elementId);
      return sum + ((p.toRatio - p.fromRatio) * (leg?.volumeM3 ?? 0) * grown) / (leg?.lifts ?? 1);
    }, 0);
}
