import type { ScaleLinear } from 'd3';
import type { SitePlan } from '#core/model';
import type { Route } from '#core/pourplan';
import { openingsOf } from './leg-openings.ts';

/** Openings in the unrolled walls: what is not filled, and is filled past evenly. */
export function RouteHoles({
  site,
  route,
  x,
  top,
  foot,
}: {
  site: Pick<SitePlan, 'runs'>;
  route: Route;
  x: ScaleLinear<number, number>;
  top: number;
  foot: number;
}) {
  return (
    <g pointerEvents="none">
      {route.legs.flatMap((leg) => {
        const scale = (foot - top) / Math.max(leg.heightM, 0.01);
        return openingsOf(site, leg).map((o, i) => (
          <rect
            key={`${leg.elementId}${i}`}
            data-opening
            x={x(leg.fromM + o.fromM)}
            y={foot - Math.min(leg.heightM, o.headM) * scale}
            width={Math.max(2, x(o.widthM) - x(0))}
            height={Math.max(2, (Math.min(leg.heightM, o.headM) - o.sillM) * scale)}
            fill="var(--ground)"
            stroke="var(--ink)"
            strokeWidth="1.25"
          />
        ));
      })}
    </g>
  );
}
