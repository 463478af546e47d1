import type { Pier } from '#core/model';
import type { Ring } from './ring.ts';

/** Corners of the polygon that stands for a round pier; its area is made equal to the circle's. */
const ROUND_CORNERS = 180;

/** A rectangle about its middle, metres, sides west to east and south to north. */
export function rectangleRing(xM: number, yM: number, widthM: number, lengthM: number): Ring {
  const w = widthM / 2;
  const l = lengthM / 2;
  return [
    { x: xM - w, y: yM - l },
    { x: xM + w, y: yM - l },
    { x: xM + w, y: yM + l },
    { x: xM - w, y: yM + l },
  ];
}

function roundRing(xM: number, yM: number, diameterM: number): Ring {
  const step = (2 * Math.PI) / ROUND_CORNERS;
  const r = (diameterM / 2) * Math.sqrt(step / Math.sin(step));
  return Array.from({ length: ROUND_CORNERS }, (_, i) => ({
    x: xM + r * Math.cos(i * step),
    y: yM + r * Math.sin(i * step),
  }));
}

/** A pier in plan; a round one as a ring of as much area. */
export const pierRing = (p: Pier): Ring =>
  p.diameterM === undefined
    ? rectangleRing(p.xM, p.yM, p.widthM ?? 0, p.lengthM ?? 0)
    : roundRing(p.xM, p.yM, p.diameterM);
