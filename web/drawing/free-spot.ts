/** A piece of paper that something is written on. */
export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

const meet = (a: Box, b: Box): boolean =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/**
 * About as wide as a text is set, px: figures and letters of the faces in use are a little over
 * half as wide as high.
 */
export const textWidth = (text: string, size: number): number => text.length * size * 0.52 + 4;

/**
 * The first of some places that nothing stands on yet and that lies on the sheet; it is taken from
 * then on. Null where all are taken.
 */
export function freeSpot<T extends Box>(candidates: T[], taken: Box[], sheet: Box): T | null {
  const spot = candidates.find(
    (c) =>
      c.x >= sheet.x &&
      c.y >= sheet.y &&
      c.x + c.w <= sheet.x + sheet.w &&
      c.y + c.h <= sheet.y + sheet.h &&
      !taken.some((t) => meet(c, t)),
  );
  if (spot) taken.push(spot);
  return spot ?? null;
}
