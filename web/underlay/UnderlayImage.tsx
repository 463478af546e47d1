import type { Underlay } from '../../contract/index.ts';
import type { PlanScale } from '../drawing/plan-paper.ts';

/** The picture under the plan, where it lies and as large as it is, faint enough to draw over. */
export function UnderlayImage({
  siteId,
  of,
  scale,
}: {
  siteId: string;
  of: Underlay;
  scale: PlanScale;
}) {
  const k = scale.pxPerM * of.mPerPx;
  return (
    <image
      href={`/api/sites/${siteId}/underlay/${of.picture}`}
      width={of.width}
      height={of.height}
      opacity="0.55"
      pointerEvents="none"
      transform={`translate(${scale.x(of.xM)} ${scale.y(of.yM)}) rotate(${-of.turnDeg}) scale(${k})`}
    />
  );
}
