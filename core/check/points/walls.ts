import { isPlain, type Run, wallHeightM, type WallType } from '#core/model';
import { formSystemOf } from '#core/formwork';
import { formDrafts } from './forms.ts';
import { embedDrafts, openingDrafts } from './openings.ts';
import { tied, trenchDraft } from './footings.ts';
import { lapDraft } from './laps.ts';
import { plainDraft } from './plain.ts';
import {
  barDrafts,
  coverReadings,
  coverWhy,
  hookDraft,
  lineDraft,
  look,
  sizeReadings,
  sizeWhy,
  spacesOn,
  spread,
  typical,
} from './places.ts';
import type { Draft, ListContext, Place } from './types.ts';

const braced: Draft = {
  ...look(
    'braced',
    'Forms braced and closed',
    'forms',
    'Braces and wedges in, gaps closed with ply, line of the top snapped all round, spreaders marked for removal.',
  ),
  danger: 'forms',
};
/** Foam stays on the wall: no ply closes it, and nothing is sprayed on it. */
const foamBraced: Draft = {
  ...look(
    'braced',
    'Foam forms braced and closed',
    'forms',
    'Alignment braces on the inside, every one fixed to the slab or staked; holes and gaps filled with foam, cut webs bridged; line of the top snapped all round.',
  ),
  danger: 'forms',
};
/** Which faces are done is kept: some places forbid spraying once the steel is in. */
const oiled: Draft = {
  ...look(
    'oiled',
    'Release agent',
    'forms',
    'On the form faces only: none on bars or footing. Overspray on steel is a fail; wipe it off.',
    [
      { atM: null, across: 'left', label: 'inside face' },
      { atM: null, across: 'right', label: 'outside face' },
    ],
    'each face',
  ),
  danger: 'oil',
};

/** A wall that stands out of the ground by more than this is no foundation wall any more, m. */
const FOUNDATION_M = 1.5;

/** Room that there has to be at least, measured half way along. */
const roomDraft = (
  d: Pick<Draft, 'kind' | 'title' | 'trade' | 'advice'>,
  need: { leastM: number; source: string },
  place: Place,
): Draft => ({
  ...d,
  wanted: { type: 'size', what: 'room', wantedMm: need.leastM * 1000, minusMm: 0, plusMm: null },
  places: [place],
  source: need.source,
  toleranceSource: need.source,
});

/**
 * Room to set walers and wedges in the hole, the top of the wall above the ground, and the height
 * of a crawl space inside it.
 */
function groundDrafts(run: Run, lengthM: number, { site, rules: r }: ListContext): Draft[] {
  if (run.topM === undefined) return [];
  const grade = site.ground?.gradeM;
  const heightM = wallHeightM(run);
  const [deep, out] = grade === undefined ? [0, 0] : [grade - run.bottomM, run.topM - grade];
  const at = (across: Place['across'], upM: number): Place => ({ atM: lengthM / 2, across, upM });
  const drafts: Draft[] = [];
  if (deep > 0.3) {
    const advice = 'Dig the side back: walers and wedges cannot be set in a tight hole.';
    const what = { kind: 'room', title: 'Room beside the forms', trade: 'ground', advice } as const;
    drafts.push({ ...roomDraft(what, r.workingRoom, at('right', 0)), danger: 'trench' });
  }
  if (out > 0 && out < FOUNDATION_M) {
    const advice = 'Raise the line, or have the grade lowered: ask before either.';
    const title = 'Top line above the ground';
    const what = { kind: 'above-grade', title, trade: 'forms', advice } as const;
    drafts.push(roomDraft(what, r.aboveGrade, at('right', heightM)));
  }
  if (run.crawl) {
    const { groundM, joistsM } = run.crawl;
    const advice =
      joistsM - groundM < r.crawl.leastM - 1e-9
        ? 'The drawing itself leaves too little: ask before the line is snapped.'
        : 'From the ground inside to the joists: dig down, or ask to raise the line.';
    const what = { kind: 'crawl', title: 'Crawl height', trade: 'ground', advice } as const;
    const upM = Math.min(heightM, Math.max(0, groundM - run.bottomM));
    drafts.push(roomDraft(what, r.crawl, at('left', upM)));
  }
  return drafts;
}

/** A wall as its drafts are made of: how long and high it is, and as long a stretch as its readings are wanted for. */
interface Measured {
  lengthM: number;
  heightM: number;
  readM: number;
  type: WallType;
}

/** What is measured on the forms: how far apart, upright, on height, on the string. */
function formSizes({ lengthM, heightM, readM, type }: Measured, c: ListContext): Draft[] {
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
      ...size('plumb', 0, r.plumb),
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
  return {
    kind: `cover-${face}`,
    title: face === 'inside' ? 'Inside cover' : 'Outside cover',
    trade: 'steel',
    wanted: {
      type: 'cover',
      face,
      specifiedMm: face === 'inside' ? type.coverInsideMm : type.coverOutsideMm,
      memberDepthMm: type.thicknessM * 1000,
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
      ? lapDraft(type.horizontal.bar, lengthM, type, c, heightM * 0.5, { levelInWall: true })
      : []),
    ...hookDraft('up', 'upright', type.vertical),
    ...hookDraft('across', 'across', type.horizontal),
    tied,
  ];
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
  const wall = { lengthM, heightM, readM, type };
  const byType: Draft[] = [
    ...trenchDraft(run.bottomM, c),
    ...groundDrafts(run, lengthM, c),
    ...formSizes(wall, c),
    ...(foam ? [foamBraced] : [braced, oiled]),
    ...steelDrafts(wall, c),
  ];
  const out: Draft[] = [
    ...typical(byType),
    ...formDrafts(run, lengthM, c),
    ...openingDrafts(run, lengthM, c),
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
