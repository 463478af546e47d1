import { readingText, type ReadingValue } from '#core/log';
import { barText, lengthText, type UnitSystem } from '#core/units';
import type { PlaceState, PointState } from './judge.ts';
import type { Judged } from './judge-reading.ts';
import type { CheckPoint, Wanted } from './points/index.ts';

/** Why a place that was read is asked for again. */
export const AGAIN_WORDS: Record<NonNullable<PlaceState['again']>, string> = {
  rain: 'It has rained since this was looked at: look again.',
  morning: 'Read before the morning of the pour. Forms move: read the top again.',
};

/** What is wanted at a check point, in the site's units. */
export function wantedText(w: Wanted, units: UnitSystem): string {
  switch (w.type) {
    case 'cover':
      return lengthText(w.specifiedMm, units);
    case 'size':
      return lengthText(w.wantedMm, units);
    case 'count':
      return `${w.wanted} ${w.wanted === 1 ? (w.unit ?? 'bars').replace(/s$/, '') : (w.unit ?? 'bars')}`;
    case 'bolts':
      return 'there';
    case 'spacing':
      return lengthText(w.specifiedMm, units);
    case 'bar':
      return barText(w.wanted);
    case 'eye':
      return 'look';
  }
}

/** A round walked with nothing to tell: how many, and what was measured of them. */
export function roundText(state: PointState, units: UnitSystem): string {
  const measured = state.places.flatMap((p, i) => {
    const v = p.reading?.body.value;
    return v?.type === 'bolt' && v.embedmentMm !== undefined
      ? [
          `${state.point.places[i]?.label ?? i + 1} ${readingText(v, units).replace(/^there, /, '')}`,
        ]
      : [];
  });
  return [`${state.places.length} of ${state.places.length}`, ...measured].join('; ');
}

const BOLT_RULE: Record<string, string> = {
  missing: 'missing',
  end: 'end distance',
  gap: 'too far from the next',
  count: 'too few',
  position: 'off its mark',
  embedment: 'not deep enough',
  projection: 'height',
  centre: 'off the plate',
  plumb: 'leans',
};

/** The length that was read, mm; 0 where none was. */
function readMm(value: ReadingValue): number {
  if (value.type === 'length') return value.mm;
  return value.type === 'spacing' ? value.overMm / value.spaces : 0;
}

/** The margin in words: "1/8 in short", "3/8 in over", "1/2 in to spare", "1 bar short". */
export function marginText(
  point: CheckPoint,
  value: ReadingValue,
  judged: Judged,
  units: UnitSystem,
): string {
  if (judged.texts?.length)
    return `${judged.texts.map((t) => BOLT_RULE[t] ?? t).join(', ')}${judged.margin === null ? '' : ` by ${lengthText(-judged.margin, units)}`}`;
  if (judged.margin === null) return judged.verdict === 'good' ? 'as wanted' : 'not as wanted';
  if (point.wanted.type === 'count') {
    if (judged.margin < 0) return `${-judged.margin} short`;
    return judged.margin === 0 ? 'all there' : `${judged.margin} more than wanted`;
  }
  const size = lengthText(Math.abs(judged.margin), units);
  if (judged.margin >= 0)
    return Math.abs(judged.margin) < 0.4 ? 'on the limit' : `${size} to spare`;
  const read = readMm(value);
  return judged.highMm !== null && read > judged.highMm ? `${size} over` : `${size} short`;
}
