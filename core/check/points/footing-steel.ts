import type { FootingType } from '#core/model';
import { lapCodeOf, TOP_BAR_M } from '#core/steel';
import { coverDraft } from './covers.ts';
import { lapDraft } from './laps.ts';
import {
  barDrafts,
  both,
  coverReadings,
  coverWhy,
  hookDraft,
  look,
  once,
  spacesOn,
  spread,
} from './places.ts';
import { clearDraft, coverAsks, type DrawnCover } from './steel-looks.ts';
import type { Draft, ListContext } from './types.ts';

export const tied: Draft = {
  ...look(
    'tied',
    'Steel tied and supported',
    'steel',
    'Tied, on chairs, clean, clear of soil, of the form and of its ties. Caps on upright bars.',
  ),
  danger: 'bars',
};
/** Bars along the run: how many, and which. */
export function alongDrafts({ continuous: { bar, count, topCount } }: FootingType): Draft[] {
  if (count + topCount === 0) return [];
  return [
    {
      kind: 'count-along',
      title: 'Bars along',
      trade: 'steel',
      wanted: { type: 'count', wanted: count + topCount },
      places: once,
      advice: 'Put the missing bar in.',
    },
    ...barDrafts('along', 'along', bar),
  ];
}

/** Cover below and at both sides. */
function covers(lengthM: number, readM: number, t: FootingType, c: ListContext): Draft[] {
  const { rules: r, site } = c;
  const depthMm = t.depthM * 1000;
  return [
    coverDraft(
      {
        kind: 'cover-bottom',
        title: 'Bottom cover',
        advice: 'Lift on chairs and read again.',
      },
      {
        face: 'bottom',
        specifiedMm: t.coverBottomMm,
        bar: t.transverse?.bar ?? t.continuous.bar,
      },
      depthMm,
      { places: spread(lengthM, coverReadings(readM, r)), why: coverWhy(r, site.units) },
      c,
    ),
    coverDraft(
      {
        kind: 'cover-side',
        title: 'Side cover',
        advice: 'Move the bar in, block it, and read again.',
      },
      { face: 'side', specifiedMm: t.coverSideMm, bar: t.continuous.bar },
      depthMm,
      { places: both(spread(lengthM, 2)), why: 'one each side' },
      c,
    ),
  ];
}

/** Bars on top: their laps, longer where much concrete lies below them, and their cover. */
function topBarDrafts(lengthM: number, t: FootingType, c: ListContext): Draft[] {
  if (t.continuous.topCount === 0) return [];
  const topBar = t.depthM - t.coverTopMm / 1000 > TOP_BAR_M[lapCodeOf(c.site.ruleProfile)];
  return [
    ...lapDraft(
      t.continuous.bar,
      lengthM,
      t,
      c,
      { topBar },
      { kind: 'lap-top', title: 'Lap on top' },
    ),
    coverDraft(
      {
        kind: 'cover-top',
        title: 'Top cover',
        advice: 'Lower the bars, or raise the top line, and read again.',
      },
      { face: 'top', specifiedMm: t.coverTopMm, bar: t.continuous.bar },
      t.depthM * 1000,
      { places: spread(lengthM, 2), why: 'two a run' },
      c,
    ),
  ];
}

/** Cover as the drawing gives it, face by face. */
const drawnCovers = (t: FootingType): DrawnCover[] => [
  {
    name: 'Below',
    against: 'ground',
    bar: t.transverse?.bar ?? t.continuous.bar,
    coverMm: t.coverBottomMm,
  },
  {
    name: 'at the sides',
    against: t.unformed ? 'ground' : 'weather',
    bar: t.continuous.bar,
    coverMm: t.coverSideMm,
  },
  ...(t.continuous.topCount > 0
    ? [
        {
          name: 'on top',
          against: 'weather' as const,
          bar: t.continuous.bar,
          coverMm: t.coverTopMm,
        },
      ]
    : []),
];

/** Spacing, cover, laps and hooks of the steel. */
export function steelDrafts(
  lengthM: number,
  readM: number,
  t: FootingType,
  c: ListContext,
): Draft[] {
  const r = c.rules;
  const code = lapCodeOf(c.site.ruleProfile);
  const out: Draft[] = [];
  if (t.transverse && spacesOn(lengthM, t.transverse.spacingM) > 0)
    out.push({
      kind: 'spacing-across',
      title: 'Spacing across',
      trade: 'steel',
      wanted: {
        type: 'spacing',
        specifiedMm: t.transverse.spacingM * 1000,
        toleranceMm: r.spacingToleranceMm,
        spaces: spacesOn(lengthM, t.transverse.spacingM),
      },
      places: spread(lengthM, 1),
      toleranceSource: r.spacingSource,
      advice: 'Shift the bars; keep the count.',
    });
  if (t.transverse) out.push(...barDrafts('across', 'across', t.transverse.bar));
  out.push(
    ...covers(lengthM, readM, t, c),
    ...(t.continuous.count > 0 ? lapDraft(t.continuous.bar, lengthM, t, c) : []),
    ...topBarDrafts(lengthM, t, c),
    ...hookDraft('along', 'along', t.continuous, code),
    ...hookDraft('across', 'across', t.transverse, code),
    clearDraft(t.continuous.bar, c),
    ...(t.coverUsual ? [] : coverAsks(drawnCovers(t), c)),
    tied,
  );
  return out;
}
