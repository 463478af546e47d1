import type { ReadingValue } from '../model/events.ts';
import { barText, lengthText } from '../units/format.ts';
import type { UnitSystem } from '../units/measure.ts';
import type { Judged } from './judge.ts';
import type { CheckPoint, Wanted } from './points.ts';

/** What is wanted at a check point, in the site's units. */
export function wantedText(w: Wanted, units: UnitSystem): string {
  switch (w.type) {
    case 'cover': return lengthText(w.specifiedMm, units);
    case 'size': return lengthText(w.wantedMm, units);
    case 'count': return `${w.wanted} bars`;
    case 'spacing': return lengthText(w.specifiedMm, units);
    case 'bar': return barText(w.wanted);
    case 'eye': return 'look';
  }
}

/** A reading as it was read. */
export function readingText(v: ReadingValue, units: UnitSystem): string {
  switch (v.type) {
    case 'length': return lengthText(v.mm, units);
    case 'count': return String(v.count);
    case 'spacing': return `${lengthText(v.overMm / v.spaces, units)} over ${v.spaces} spaces`;
    case 'bar': return barText(v.bar);
  }
}

/** The margin in words: "1/8 in short", "3/8 in over", "1/2 in to spare", "1 bar short". */
export function marginText(point: CheckPoint, value: ReadingValue, judged: Judged, units: UnitSystem): string {
  if (judged.margin === null) return judged.verdict === 'good' ? 'as wanted' : 'not as wanted';
  if (point.wanted.type === 'count') {
    if (judged.margin < 0) return `${-judged.margin} short`;
    return judged.margin === 0 ? 'all there' : `${judged.margin} more than wanted`;
  }
  const size = lengthText(Math.abs(judged.margin), units);
  if (judged.margin >= 0) return Math.abs(judged.margin) < 0.4 ? 'on the limit' : `${size} to spare`;
  const read = value.type === 'length' ? value.mm : value.type === 'spacing' ? value.overMm / value.spaces : 0;
  return judged.highMm !== null && read > judged.highMm ? `${size} over` : `${size} short`;
}
