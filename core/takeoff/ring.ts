/** A point in plan, metres: x east, y north. */
export interface Point {
  x: number;
  y: number;
}
/** A closed ring, anticlockwise, last point not repeated. */
export type Ring = Point[];
