import { isPlain, type Run, wallHeightM, type WallType } from '#core/model';
import { formSystemOf } from '#core/formwork';
import { footingUnder } from '#core/siteplan';
import { formDrafts } from './forms.ts';
import { groundDrafts } from './wall-ground.ts';
import { countDraft } from './bar-count.ts';
import { embedDrafts, openingDrafts } from './openings.ts';
import { trenchDraft } from './footings.ts';
import { tied } from './footing-steel.ts';
import { lapDraft } from './laps.ts';
import { plainDraft } from './plain.ts';
import { clearDraft, coverAsks, type DrawnCover } from './steel-looks.ts';
import { lapCodeOf } from '#core/steel';
import {
  barDrafts,
  coverReadings,
  coverWhy,
  hookDraft,
  lineDraft,
  placeDraft,
  look,
  sizeReadings,
  sizeWhy,
  spacesOn,
  spread,
  typical,
} from './places.ts';
import { CLOSING, foamBraced, KICKER, wallBraced, wallOiled } from './wall-looks.ts';
import type { Draft, ListContext } from './types.ts';

/** A wall as its drafts are made of: how long and high it is, and as long a stretch as its readings are wanted for. */
interface Measured {
  lengthM: number;
  heightM: number;
  readM: number;
  type: WallType;
  /** A footing is drawn under it. */
  onFooting: boolean;
}

/** What is measured on the forms: how far apart, upright, on height, on the string. */
function formSizes(
  { lengthM, heightM, readM, type, onFooting }: Measured,
  c: ListContext,
): Draft[] {
  const r = c.rules;
  const n = sizeReadings(readM, r);
  const why = sizeWhy(r, c.site.units);
  const thick = type.thicknessM * 1000;
  const across = r.wallThickness(thick);
  const places = (part: number) => spread(lengthM, n, 'middle', [heightM * part]);
  const size = (
    what: 'thickness' | 'level' | 'plumb',
    wantedMm: number,
    t: { minusMm: number; plusMm: number | null; source: string },
  ) => ({
    trade: 'forms' as const,
    wanted: { type: 'size' as const, what, wantedMm, minusMm: t.minusMm, plusMm: t.plusMm },
    why,
    toleranceSource: t.source,
  });
  return [
    {
      kind: 'thickness',
      title: 'Between the forms',
      ...size('thickness', thick, across),
      places: places(0.3),
      advice: 'Check ties and wedges, then read again.',
    },
    {
      kind: 'plumb',
      title: 'Plumb, off in the height',
      ...size('plumb', 0, r.plumb(heightM * 1000)),
      places: places(0.7),
      advice: 'Turn the brace and read again.',
    },
    {
      kind: 'level',
      title: 'Top line off the mark',
      ...size('level', 0, r.topLevel),
      places: places(0.97),
      advice: 'Snap the line again.',
    },
    ...(onFooting
      ? [
          placeDraft(
            'Foot of the forms off the wall’s line',
            { places: places(0.02), why },
            r.wallPlace,
          ),
        ]
      : []),
    lineDraft(
      places(0.97),
      why,
      r,
      'Push or pull the top to the string by its braces, and read again.',
    ),
  ];
}

/** Spacing of bars one way; none where fewer than two stand. */
function spacingDraft(
  what: Pick<Draft, 'kind' | 'title'>,
  spacingM: number,
  spaces: number,
  { lengthM, heightM, type }: Measured,
  { rules: r }: ListContext,
): Draft[] {
  if (spaces < 1) return [];
  return [
    {
      ...what,
      trade: 'steel',
      wanted: {
        type: 'spacing',
        specifiedMm: spacingM * 1000,
        toleranceMm: r.spacingToleranceMm,
        spaces,
      },
      places: spread(lengthM, type.mats, 'middle', [heightM * 0.5]),
      why: type.mats === 2 ? 'one a mat' : 'one a stretch',
      toleranceSource: r.spacingSource,
      advice: 'Shift the bars; keep the count.',
    },
  ];
}

function coverDraft(
  face: 'inside' | 'outside',
  { lengthM, heightM, readM, type }: Measured,
  { rules: r, site }: ListContext,
): Draft {
  const specifiedMm = face === 'inside' ? type.coverInsideMm : type.coverOutsideMm;
  const memberDepthMm = type.thicknessM * 1000;
  return {
    kind: `cover-${face}`,
    title: face === 'inside' ? 'Inside cover' : 'Outside cover',
    trade: 'steel',
    wanted: {
      type: 'cover',
      face,
      specifiedMm,
      memberDepthMm,
      mostMm: r.coverMostMm(specifiedMm, memberDepthMm, false),
      bar: (type.vertical ?? type.horizontal)?.bar ?? '',
    },
    places: spread(lengthM, coverReadings(readM, r), 'middle', [heightM * 0.12, heightM * 0.88]),
    why: `${coverWhy(r, site.units)}, low and high by turns`,
    advice: 'Put a wheel spacer on the bar and read again.',
  };
}

/** Bars upright and across, mats, cover, laps and hooks; of a wall without bars that it has none. */
function steelDrafts(w: Measured, c: ListContext): Draft[] {
  const { lengthM, heightM, type } = w;
  const code = lapCodeOf(c.site.ruleProfile);
  if (isPlain(type)) return [plainDraft(c.site.ruleProfile, 'wall')];
  return [
    ...layerDrafts(w, c),
    {
      kind: 'mats',
      title: type.mats === 2 ? 'Both mats' : 'One mat, which face',
      trade: 'steel',
      wanted: { type: 'count', wanted: type.mats, unit: 'mats' },
      places: [{ atM: lengthM / 2, across: 'middle', upM: heightM * 0.6 }],
      advice: 'The schedule says how many mats. Ask before you go on with another.',
    },
    coverDraft('inside', w, c),
    ...(type.mats === 2 ? [coverDraft('outside', w, c)] : []),
    ...(type.horizontal
      ? lapDraft(type.horizontal.bar, lengthM, type, c, { upM: heightM * 0.5, levelInWall: true })
      : []),
    ...hookDraft('up', 'upright', type.vertical, code),
    ...hookDraft('across', 'across', type.horizontal, code),
    ...wallLooks(type, c),
    tied,
  ];
}

/** Room between the bars, and cover of the drawing against the code's. */
function wallLooks(type: WallType, c: ListContext): Draft[] {
  const bar = (type.vertical ?? type.horizontal)?.bar;
  if (bar === undefined) return [];
  const covers: DrawnCover[] = [
    { name: 'Inside', against: 'indoors', bar, coverMm: type.coverInsideMm },
    ...(type.mats === 2
      ? [{ name: 'outside', against: 'weather' as const, bar, coverMm: type.coverOutsideMm }]
      : []),
  ];
  return [clearDraft(bar, c), ...(type.coverUsual ? [] : coverAsks(covers, c))];
}

/** The bars that stand and those that lie: how far apart, and which. */
function layerDrafts(w: Measured, c: ListContext): Draft[] {
  const { vertical, horizontal } = w.type;
  const up = { kind: 'spacing-up', title: 'Spacing of uprights' };
  const across = { kind: 'spacing-across', title: 'Spacing of bars across' };
  const apart = (of: typeof up, layer: typeof vertical, overM: number, most?: number) =>
    layer ? spacingDraft(of, layer.spacingM, spacesOn(overM, layer.spacingM, most), w, c) : [];
  return [
    ...apart(up, vertical, w.lengthM),
    ...apart(across, horizontal, w.heightM, 4),
    ...(vertical ? barDrafts('up', 'upright', vertical.bar) : []),
    ...(horizontal ? barDrafts('across', 'across', horizontal.bar) : []),
  ];
}

/** @param readM as many readings are wanted as on a run of this length, m: that of its stretch */
export function wallDrafts(
  run: Run,
  lengthM: number,
  readM: number,
  type: WallType,
  c: ListContext,
): Draft[] {
  const heightM = wallHeightM(run);
  const foam = formSystemOf(c)?.kind === 'foam';
  const onFooting = footingUnder(c.site, run) !== null;
  const wall = { lengthM, heightM, readM, type, onFooting };
  const byType: Draft[] = [
    ...trenchDraft(run.bottomM, c),
    ...groundDrafts(run, lengthM, c),
    ...formSizes(wall, c),
    ...(foam ? [foamBraced] : [wallBraced, wallOiled]),
    ...steelDrafts(wall, c),
    CLOSING,
    ...(foam ? [] : [KICKER]),
  ];
  const out: Draft[] = [
    ...typical(byType),
    ...formDrafts(run, lengthM, c),
    ...(type.vertical
      ? countDraft(
          { kind: 'count-up', title: 'Uprights, end to end' },
          { lengthM, spacingM: type.vertical.spacingM, mats: type.mats },
          run.openings,
          c,
        )
      : []),
    ...openingDrafts(run, lengthM, !isPlain(type), c),
    ...embedDrafts(run.id, c),
  ];
  if (type.ledge)
    out.push(
      look('ledge', 'Ledge form', 'forms', 'Level, to depth, braced against lifting.', [
        { atM: lengthM / 2, across: 'right', upM: heightM },
      ]),
    );
  return out;
}
