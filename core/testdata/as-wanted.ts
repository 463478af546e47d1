import type { CheckPoint } from '../check/points/index.ts';
import type { ReadingValue } from '../log/kinds/reading-value.ts';

/** A reading of a check point exactly as wanted; null for what is looked at. */
export function asWanted({ wanted: w }: CheckPoint, place = 0): ReadingValue | null {
  switch (w.type) {
    case 'eye':
      return null;
    case 'cover':
      return { type: 'length', mm: w.specifiedMm };
    case 'size':
      return { type: 'length', mm: w.wantedMm };
    case 'count':
      return { type: 'count', count: w.wanted };
    case 'bar':
      return { type: 'bar', bar: w.wanted };
    case 'spacing':
      return { type: 'spacing', overMm: w.specifiedMm * w.spaces, spaces: w.spaces };
    case 'bolts':
      return { type: 'bolt', there: true, atMm: null, ...depthAsWanted(w, place) };
  }
}

function depthAsWanted(
  w: Extract<CheckPoint['wanted'], { type: 'bolts' }>,
  place: number,
): { embedmentMm?: number; projectionMm?: number } {
  const depth = w.measured.includes(place) ? w.bolts[place]?.depth : null;
  return depth ? { embedmentMm: depth.leastMm, projectionMm: depth.projectionMm } : {};
}
