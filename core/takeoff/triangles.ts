import { type Point, type Ring, ringArea } from './ring.ts';

/** Twice the area of a corner, positive where it turns to the left, m². */
const turn = (p: Point, q: Point, r: Point): number =>
  (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x);
/** A corner that turns by less is none, m². */
const FLAT_M2 = 1e-12;

const same = (p: Point, q: Point): boolean => p.x === q.x && p.y === q.y;

/** Whether a corner of a ring can be cut off: it turns to the left, and no other corner lies in it. */
function isEar(ring: Ring, [p, q, r]: [Point, Point, Point]): boolean {
  return (
    turn(p, q, r) > 0 &&
    !ring.some(
      (x) =>
        ![p, q, r].some((c) => same(c, x)) &&
        turn(p, q, x) >= 0 &&
        turn(q, r, x) >= 0 &&
        turn(r, p, x) >= 0,
    )
  );
}

/**
 * A ring that does not cross itself as triangles that lie beside each other: an ear cut off after
 * the other, of which every such ring has two (Meisters 1975). For rings of a few dozen corners.
 */
export function trianglesOf(ring: Ring): Ring[] {
  const rest = ringArea(ring) < 0 ? [...ring].reverse() : [...ring];
  const out: Ring[] = [];
  while (rest.length >= 3) {
    const corners = rest.map((q, i): [Point, Point, Point] => [
      rest.at(i - 1) as Point,
      q,
      rest[(i + 1) % rest.length] as Point,
    ]);
    const flat = corners.findIndex((c) => Math.abs(turn(...c)) <= FLAT_M2);
    const at = flat < 0 ? corners.findIndex((c) => isEar(rest, c)) : flat;
    const ear = corners[at];
    if (!ear) break;
    if (flat < 0) out.push(ear);
    rest.splice(at, 1);
  }
  return out;
}
