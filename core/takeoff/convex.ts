import { type Point, type Ring, ringArea } from './ring.ts';
import { trianglesOf } from './triangles.ts';

/** The part of a ring on the left of the directed line through `at` along `dir`. Exact in doubles. */
export function leftOf(ring: Ring, at: Point, dir: Point): Ring {
  const side = (p: Point) => dir.x * (p.y - at.y) - dir.y * (p.x - at.x);
  const out: Ring = [];
  for (let i = 0; i < ring.length; i += 1) {
    const p = ring[i] as Point;
    const q = ring[(i + 1) % ring.length] as Point;
    const sp = side(p);
    const sq = side(q);
    if (sp >= 0) out.push(p);
    if ((sp > 0 && sq < 0) || (sp < 0 && sq > 0)) {
      const t = sp / (sp - sq);
      out.push({ x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y) });
    }
  }
  return out.length >= 3 && Math.abs(ringArea(out)) > 1e-12 ? out : [];
}

/** A turn to the right by less than this is rounding along a straight side, m². */
const TURN_M2 = 1e-9;

function isConvex(ring: Ring): boolean {
  return ring.every((p, i) => {
    const q = ring[(i + 1) % ring.length] as Point;
    const r = ring[(i + 2) % ring.length] as Point;
    return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x) >= -TURN_M2;
  });
}

/** A ring as convex rings that lie beside each other: itself, or the triangles it is made of. */
const convexParts = (ring: Ring): Ring[] => (isConvex(ring) ? [ring] : trianglesOf(ring));

/** Parts convex `a` along the sides of convex `b`: what lies outside, and what is left of it inside. */
function partedBy(a: Ring, b: Ring): { apart: Ring[]; shared: Ring } {
  const apart: Ring[] = [];
  let shared = a;
  for (let i = 0; i < b.length && shared.length; i += 1) {
    const p = b[i] as Point;
    const q = b[(i + 1) % b.length] as Point;
    const dir = { x: q.x - p.x, y: q.y - p.y };
    const beyond = leftOf(shared, p, { x: -dir.x, y: -dir.y });
    if (beyond.length) apart.push(beyond);
    shared = leftOf(shared, p, dir);
  }
  return { apart, shared };
}

/** Area that two rings share, m². */
export function sharedArea(a: Ring, b: Ring): number {
  const cutters = convexParts(b);
  let area = 0;
  for (const part of convexParts(a))
    for (const cutter of cutters) area += ringArea(partedBy(part, cutter).shared);
  return area;
}

/** What is left of `a` outside `b`, as convex rings that lie beside each other and hold no hole. */
export function differenceOf(a: Ring, b: Ring): Ring[] {
  let left = convexParts(a);
  for (const cutter of convexParts(b))
    left = left.flatMap((ring) => {
      const { apart, shared } = partedBy(ring, cutter);
      return shared.length ? apart : [ring];
    });
  return left;
}
