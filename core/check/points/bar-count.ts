import { atMost } from '#core/units';
import { barsRequired } from '#core/steel';
import type { Opening } from '#core/model';
import { spacesOn } from './places.ts';
import type { Draft, ListContext, Place } from './types.ts';

/** Bars that go from end to end of one mat of a run: those that an opening cuts are not counted. */
function wholeBars(
  lengthM: number,
  spacingM: number,
  endM: number,
  openings: readonly Opening[],
): number {
  const spaces = barsRequired(lengthM * 1000, endM * 1000, spacingM * 1000) - 1;
  const cut = (x: number) =>
    openings.some((o) => o.kind !== 'sleeve' && !atMost(x, o.atM) && !atMost(o.atM + o.widthM, x));
  return Array.from(
    { length: spaces + 1 },
    (_, i) => endM + (i * (lengthM - 2 * endM)) / Math.max(1, spaces),
  ).filter((x) => !cut(x)).length;
}

/**
 * How many bars there are over the whole run, in each mat: the spacing is read on one stretch, and
 * says nothing of a bar left out elsewhere (ACI 117-10 §2.2.5: the total count is kept).
 */
export function countDraft(
  { kind, title }: Pick<Draft, 'kind' | 'title'>,
  { lengthM, spacingM, mats }: { lengthM: number; spacingM: number; mats: number },
  openings: readonly Opening[],
  { rules: r }: ListContext,
): Draft[] {
  const endM = r.barEndMm / 1000;
  if (spacesOn(lengthM, spacingM) < 1 || lengthM <= 2 * endM) return [];
  const faces: Place['across'][] = mats === 2 ? ['left', 'right'] : ['middle'];
  return [
    {
      kind,
      title,
      trade: 'steel',
      wanted: { type: 'count', wanted: wholeBars(lengthM, spacingM, endM, openings) },
      places: faces.map((across) => ({ atM: null, across })),
      why: mats === 2 ? 'each mat, end to end' : 'end to end',
      toleranceSource: r.spacingSource,
      advice: 'Put the missing bars in where the gap is, and count again.',
    },
  ];
}
