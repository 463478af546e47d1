import { type FootingType, isPlain, type Run } from '#core/model';
import { distanceText } from '#core/units';
import { countDraft } from './bar-count.ts';
import { plainDraft } from './plain.ts';
import { vertDrafts } from './starters.ts';
import { alongDrafts, steelDrafts } from './footing-steel.ts';
import {
  lineDraft,
  look,
  once,
  sizeReadings,
  sizeWhy,
  spread,
  typical,
  off,
  placeDraft,
} from './places.ts';
import { depthAndTop } from './depth-and-top.ts';
import type { Draft, ListContext, Place } from './types.ts';

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

const TRENCH_WORDS = {
  us: 'From 4 ft a ladder or ramp within 25 ft of everybody, spoil 2 ft back; from 5 ft sloped, shored or shielded. The competent person looks each day and after rain.',
  metric:
    'From 1.25 m a ladder or ramp within 7 m of everybody, spoil 0.6 m back, sides sloped, shored or shielded. The competent person looks each day and after rain.',
} as const;

/** Trench sides, where the bottom lies deep enough below grade to bury somebody. */
export function trenchDraft(bottomM: number, { site }: ListContext): Draft[] {
  // Nobody has said how high the ground is: then it is looked at, not left out.
  if (site.ground && site.ground.gradeM - bottomM < TRENCH_M) return [];
  return [
    {
      ...look(
        'trench',
        'Trench sides and way out',
        'ground',
        TRENCH_WORDS[site.units],
        once,
        site.ground ? `deeper than ${distanceText(TRENCH_M, site.units)}` : 'no grade is given',
      ),
      danger: 'trench',
      rainUndoes: true,
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
  r: ListContext['rules'],
): Draft => {
  const { minusMm, plusMm, source } = r.footingWidth(t.widthM * 1000);
  return {
    kind: 'width',
    title: 'Trench width',
    trade: 'forms',
    wanted: {
      type: 'size',
      what: 'width',
      wantedMm: t.widthM * 1000,
      minusMm,
      plusMm: Math.max(plusMm ?? 0, TRENCH_PLUS_MM),
    },
    ...sizes,
    toleranceSource: `${source}; wider: trade practice`,
    advice: 'Trim the side, clear it out, and read again.',
  };
};

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
      ...off(r.footingWidth(t.widthM * 1000)),
    },
    ...sizes,
    toleranceSource: r.footingWidth(t.widthM * 1000).source,
    advice: 'Move the form, brace it, and read again.',
  },
  lineDraft(sizes.places, sizes.why, r, 'Drive the stakes over to the string, and read again.'),
  braced,
  oiled,
];

/** The bars across, counted over the run. */
const acrossCount = (lengthM: number, { transverse }: FootingType, c: ListContext): Draft[] =>
  transverse
    ? countDraft(
        { kind: 'count-across', title: 'Bars across, end to end' },
        { lengthM, spacingM: transverse.spacingM, mats: 1 },
        [],
        c,
      )
    : [];

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
  out.push(placeDraft('Off its place on the plan', sizes, r.place(t.widthM * 1000)));
  out.push(...depthAndTop(r, depthMm, sizes));
  if (isPlain(t)) out.push(plainDraft(c.site.ruleProfile, 'footing'));
  else out.push(...alongDrafts(t), ...steelDrafts(lengthM, readM, t, c));
  const special = [...vertDrafts(run, lengthM, c), ...acrossCount(lengthM, t, c)];
  if (run.step)
    special.push(
      look(
        'step',
        'Step',
        'forms',
        'Riser form plumb, braced and held down against lifting, bars carried down through the step, lap and cover kept in the corner.',
        [{ atM: 0, across: 'middle', label: 'step' }],
        'at the step',
      ),
    );
  return [...typical(out), ...special];
}
