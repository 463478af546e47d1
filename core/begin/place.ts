/** A place on the earth, degrees; north and east are positive. */
export interface Place {
  latitude: number;
  longitude: number;
}

const ONE = String.raw`([-−+]?\d{1,3}(?:\.\d+)?)\s*°?\s*([NSEW])?`;
const BOTH = new RegExp(`^${ONE}[\\s,;]+${ONE}$`, 'i');

/**
 * Reads coordinates as they are copied off a map or a phone: "45.2, -92.6", "45.2 N 92.6 W", "45.2° N, 92.6° W".
 * @returns null when they cannot be read, or lie off the earth
 */
export function parsePlace(text: string): Place | null {
  const m = BOTH.exec(text.trim().replaceAll('−', '-'));
  if (!m) return null;
  const [first, second] = [m[2]?.toUpperCase(), m[4]?.toUpperCase()];
  const value = (number: string | undefined, side: string | undefined) =>
    Number(number) * (side === 'S' || side === 'W' ? -1 : 1);
  const [a, b] = [value(m[1], first), value(m[3], second)];
  // East or west first: told the other way round.
  const turned = first === 'E' || first === 'W';
  const [latitude, longitude] = turned ? [b, a] : [a, b];
  return Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180 ? { latitude, longitude } : null;
}

/** A place as it is said: "45.2 N 92.6 W". */
export const placeText = ({ latitude, longitude }: Place): string => {
  const one = (v: number, plus: string, minus: string) =>
    `${Number(Math.abs(v).toFixed(4))} ${v < 0 ? minus : plus}`;
  return `${one(latitude, 'N', 'S')} ${one(longitude, 'E', 'W')}`;
};
