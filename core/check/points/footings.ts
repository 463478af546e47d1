import { type FootingType, isPlain, type Run } from '#core/model';
import { plainDraft } from './plain.ts';
import { wallsOn } from '#core/siteplan';
import { lapDraft } from './laps.ts';
import {
  barDrafts,
  both,
  coverReadings,
  coverWhy,
  hookDraft,
  lineDraft,
  look,
  once,
  sizeReadings,
  sizeWhy,
  spacesOn,
  spread,
  typical,
} from './places.ts';
import { depthAndTop } from './depth-and-top.ts';
import type { Draft, ListContext, Place } from './types.ts';

export const tied: Draft = {
  ...look(
    'tied',
    'Steel tied and supported',
    'steel',
    'Tied, on chairs, clean, clear of soil, of the form and of its ties. Caps on upright bars.',
  ),
  danger: 'bars',
};
export const GROUND: Draft = {
  ...look(
    'ground',
    'Ground',
    'ground',
    'Clean of loose dirt, roots, water and frost; firm; damped.',
  ),
  rainUndoes: true,
};
export const braced: Draft = {
  ...look(
    'braced',
    'Forms braced and closed',
    'forms',
    'Stakes, braces and wedges in, gaps closed, spreaders marked, oil off the steel.',
  ),
  danger: 'forms',
};
/**
 * A trench of this depth or more is sloped or shored and has a way out, m (4 ft: 29 CFR 1926.651;
 * 1.25 m in most of Europe, the lower of both here).
 */
const TRENCH_M = 1.2192;

/** Trench sides, where the bottom lies deep enough below grade to bury somebody. */
export function trenchDraft(bottomM: number, { site }: ListContext): Draft[] {
  if (!site.ground || site.ground.gradeM - bottomM < TRENCH_M) return [];
  return [
    {
      ...look(
        'trench',
        'Trench sides and way out',
        'ground',
        'Sloped or shored, spoil set back, ladder or ramp in reach. Look again after rain.',
        once,
        'deeper than 4 ft',
      ),
      danger: 'trench',
      rainUndoes: true,
    },
  ];
}

/** Uprights for the walls that will stand on this footing. */
function vertDrafts(run: Run, lengthM: number, { site, rules: r }: ListContext): Draft[] {
  const walls = wallsOn(site, run).flatMap(({ wall, fromM, toM }) => {
    const type = site.wallTypes.find((t) => t.mark === wall.type);
    // A wall without uprights wants none out of its footing.
    return type?.vertical
      ? [{ wall, type, vertical: type.vertical, atM: (fromM + toM) / 2, onM: toM - fromM }]
      : [];
  });
  if (!walls.length) return [];
  return [
    ...walls
      .filter(({ vertical, onM }) => spacesOn(onM, vertical.spacingM) > 0)
      .map(({ wall, type, vertical, atM, onM }): Draft => ({
        kind: walls.length > 1 ? `verts-${wall.id}` : 'verts',
        danger: 'bars',
        title: `Spacing of uprights for ${wall.id}`,
        trade: 'steel',
        wanted: {
          type: 'spacing',
          specifiedMm: vertical.spacingM * 1000,
          toleranceMm: r.spacingToleranceMm,
          spaces: spacesOn(Math.min(lengthM, onM), vertical.spacingM),
        },
        places: [{ atM, across: 'middle' }],
        source: `${type.drawing ?? 'schedule'}, ${type.mark}`,
        toleranceSource: r.spacingSource,
        advice: 'Shift the uprights before the pour; they cannot be moved after.',
      })),
    {
      ...look(
        'verts-capped',
        'Uprights plumb, tied and capped',
        'steel',
        'Upright, tied so that they stay, hooks the right way, every one capped.',
      ),
      danger: 'bars',
    },
  ];
}

const oiled: Draft = {
  ...look(
    'oiled',
    'Release agent',
    'forms',
    'On the boards only, both sides: none on bars or ground. Overspray on steel is a fail; wipe it off.',
  ),
  danger: 'oil',
};

/** How much wider than forms a trench may be cut, mm (3 in, trade practice): it only takes concrete. */
const TRENCH_PLUS_MM = 76.2;

/** A footing cast against the ground: the trench is its form, and is as wide as that has to be. */
const cutWidth = (
  t: FootingType,
  sizes: { places: Place[]; why: string },
  { footingWidth }: ListContext['rules'],
): Draft => ({
  kind: 'width',
  title: 'Trench width',
  trade: 'forms',
  wanted: {
    type: 'size',
    what: 'width',
    wantedMm: t.widthM * 1000,
    minusMm: footingWidth.minusMm,
    plusMm: Math.max(footingWidth.plusMm ?? 0, TRENCH_PLUS_MM),
  },
  ...sizes,
  toleranceSource: `${footingWidth.source}; wider: trade practice`,
  advice: 'Trim the side, clear it out, and read again.',
});

/** A footing in forms: how wide they stand, on the string, braced and oiled. */
const formed = (
  t: FootingType,
  sizes: { places: Place[]; why: string },
  r: ListContext['rules'],
): Draft[] => [
  {
    kind: 'width',
    title: 'Form width',
    trade: 'forms',
    wanted: {
      type: 'size',
      what: 'width',
      wantedMm: t.widthM * 1000,
      minusMm: r.footingWidth.minusMm,
      plusMm: r.footingWidth.plusMm,
    },
    ...sizes,
    toleranceSource: r.footingWidth.source,
    advice: 'Move the form, brace it, and read again.',
  },
  lineDraft(sizes.places, sizes.why, r, 'Drive the stakes over to the string, and read again.'),
  braced,
  oiled,
];

/** @param readM as many readings are wanted as on a run of this length, m: that of its stretch */
export function footingDrafts(
  run: Run,
  lengthM: number,
  readM: number,
  t: FootingType,
  c: ListContext,
): Draft[] {
  const {
    rules: r,
    site: { units },
  } = c;
  const depthMm = t.depthM * 1000;
  const out: Draft[] = [GROUND, ...trenchDraft(run.bottomM, c)];
  const sizes = { places: spread(lengthM, sizeReadings(readM, r)), why: sizeWhy(r, units) };
  out.push(...(t.unformed ? [cutWidth(t, sizes, r)] : formed(t, sizes, r)));
  out.push(...depthAndTop(r, depthMm, sizes));
  if (isPlain(t)) out.push(plainDraft(c.site.ruleProfile, 'footing'));
  else out.push(...alongDrafts(t), ...steelDrafts(lengthM, readM, t, c));
  const special = vertDrafts(run, lengthM, c);
  if (run.step)
    special.push(
      look(
        'step',
        'Step',
        'forms',
        'Riser form plumb and braced, bars carried down through the step, lap and cover kept in the corner.',
        [{ atM: 0, across: 'middle', label: 'step' }],
        'at the step',
      ),
    );
  return [...typical(out), ...special];
}

/** Bars along the run: how many, and which. */
function alongDrafts({ continuous: { bar, count, topCount } }: FootingType): Draft[] {
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
  const lowBar = t.transverse?.bar ?? t.continuous.bar;
  return [
    {
      kind: 'cover-bottom',
      title: 'Bottom cover',
      trade: 'steel',
      wanted: {
        type: 'cover',
        face: 'bottom',
        specifiedMm: t.coverBottomMm,
        memberDepthMm: depthMm,
        bar: lowBar,
      },
      places: spread(lengthM, coverReadings(readM, r)),
      why: coverWhy(r, site.units),
      advice: 'Lift on chairs and read again.',
    },
    {
      kind: 'cover-side',
      title: 'Side cover',
      trade: 'steel',
      wanted: {
        type: 'cover',
        face: 'side',
        specifiedMm: t.coverSideMm,
        memberDepthMm: depthMm,
        bar: t.continuous.bar,
      },
      places: both(spread(lengthM, 2)),
      why: 'one each side',
      advice: 'Move the bar in, block it, and read again.',
    },
  ];
}

/** Spacing, cover, laps and hooks of the bottom steel. */
function steelDrafts(lengthM: number, readM: number, t: FootingType, c: ListContext): Draft[] {
  const r = c.rules;
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
    ...lapDraft(t.continuous.bar, lengthM, t, c),
    ...hookDraft('along', 'along', t.continuous),
    ...hookDraft('across', 'across', t.transverse),
    tied,
  );
  return out;
}
