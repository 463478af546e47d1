/** A point in plan, metres: x east, y north. */
export interface Point {
  x: number;
  y: number;
}
/** A closed ring, anticlockwise, last point not repeated. */
export type Ring = Point[];

/** Area of a ring, m²; positive when it runs anticlockwise. */
export function ringArea(ring: Ring): number {
  let twice = 0;
  for (let i = 0; i < ring.length; i += 1) {
    const p = ring[i] as Point;
    const q = ring[(i + 1) % ring.length] as Point;
    twice += p.x * q.y - q.x * p.y;
  }
  return twice / 2;
}
