import { type RuledSite, type RuleId, rulesOf, sourceText } from '#core/rules';
import { between, coverPlusMm } from '#core/steel';
import { atMost, type UnitSystem } from '#core/units';

/** A tolerance with where it comes from. `plusMm` null: more does no harm. */
interface Tolerance {
  minusMm: number;
  plusMm: number | null;
  source: string;
}

/** The rules of a site as the check list uses them; every one carries its source, and who changed it. */
export interface CheckRules {
  coverProfile: 'aci117' | 'en13670';
  /** The most the cover of a bar that bends the member may be, mm. */
  coverMostMm: (specifiedMm: number, depthMm: number, foundation: boolean) => number;
  footingWidth: (widthMm: number) => Tolerance;
  footingDepth: (depthMm: number) => Tolerance;
  wallThickness: (thicknessMm: number) => Tolerance;
  topLevel: Tolerance;
  plumb: (heightMm: number) => Tolerance;
  /** Off its place on the plan. */
  place: (widthMm: number) => Tolerance;
  wallPlace: Tolerance;
  /** Off the string line, and how far two diagonals of a rectangle may differ. */
  straight: Tolerance;
  square: Tolerance;
  /** Least room beside the forms, height of a wall's top above the ground, and height of a crawl space, m. */
  workingRoom: { leastM: number; source: string };
  aboveGrade: { leastM: number; source: string };
  aboveGradeBare: { leastM: number; source: string };
  /** Least depth of a bolt of a plate, mm. */
  boltDeepMm: number;
  crawl: { leastM: number; source: string };
  spacingToleranceMm: number;
  spacingSource: string;
  /** First and last bar of a run from its ends. */
  barEndMm: number;
  lapMinus: (lapMm: number) => { minusMm: number; source: string };
  boltEmbedment: Tolerance;
  boltProjection: Tolerance;
  boltSpacingM: number;
  boltEndMostMm: number;
  boltSpacingSource: string;
  /** Openings take the tolerance of a thin wall. */
  thinWall: Tolerance;
  /** How far a wall on push-only braces leans in before the pour, and how much more it may. */
  leanIn: { wantedMm: number; moreMm: number; source: string };
  /** Readings of cover: one every so many metres, and never fewer than the least. */
  coverEveryM: number;
  leastCoverReadings: number;
  /** Widths, depths and levels: one every so many metres. */
  sizeEveryM: number;
  /** Runs of one type share their checks up to this length together, m. */
  stretchM: number;
  barGradeMPa: number;
  stockLengthM: number;
}

/** Off the size of a section, mm, by that size, straight between (EN 13670 §10.4, fig. 2). */
const EN_SECTION: readonly (readonly [number, number])[] = [
  [150, 10],
  [400, 15],
  [2500, 30],
];
const enSectionMm = (mm: number): number => between(EN_SECTION, mm);

/** A wall off its line, mm (1 in). */
const WALL_PLACE_MM = 25.4;

/** Up to this a wall is thin, mm (ACI 117-10 §4.5; EN 13670 §10.4). */
const THIN_WALL_MM = { 'us-aci': 304.8, 'metric-en': 150 };

/** The rules of a site with their sources in words. */
interface Sourced {
  profile: 'us-aci' | 'metric-en';
  value: (id: RuleId) => number;
  isOwn: (id: RuleId) => boolean;
  sources: (...ids: RuleId[]) => string;
  tolerance: (minus: RuleId, plus: RuleId | null) => Tolerance;
}

function sourced(site: RuledSite & { units: UnitSystem }): Sourced {
  const rules = rulesOf(site);
  /** Sources of one or two rules, said once when they are the same. */
  const sources = (...ids: RuleId[]): string =>
    [...new Set(ids.map((id) => sourceText(rules.ruled(id), site.units)))].join('; ');
  return {
    profile: site.ruleProfile,
    value: (id) => rules.value(id),
    isOwn: (id) => rules.ruled(id).change !== null,
    sources,
    tolerance: (minus, plus) => ({
      minusMm: rules.value(minus),
      plusMm: plus === null ? null : rules.value(plus),
      source: sources(minus, ...(plus === null ? [] : [plus])),
    }),
  };
}

const evenly = (mm: number, source: string): Tolerance => ({ minusMm: mm, plusMm: mm, source });

/** Sizes, places and plumb: by EN a section is off by its size; what the site has set for itself rules. */
function sizeRules({ profile, value, isOwn, sources, tolerance }: Sourced) {
  const en = profile === 'metric-en';
  const section = (minus: RuleId, plus: RuleId, mm: number): Tolerance => {
    const byRule = tolerance(minus, plus);
    return en
      ? {
          ...byRule,
          minusMm: isOwn(minus) ? byRule.minusMm : enSectionMm(mm),
          plusMm: isOwn(plus) ? byRule.plusMm : enSectionMm(mm),
        }
      : byRule;
  };
  /** A share of the height, up to a most by ACI, from a least by EN; the site's own is all there is. */
  const plumbMm = (heightMm: number): number => {
    const limit = value('plumb');
    const share = value('plumbShare') * heightMm;
    if (isOwn('plumb')) return limit;
    return en ? Math.max(limit, share) : Math.min(limit, share);
  };
  return {
    footingWidth: (mm: number) => section('footingNarrow', 'footingWide', mm),
    footingDepth: (mm: number): Tolerance => ({
      minusMm: en && !isOwn('footingShallow') ? enSectionMm(mm) : value('footingShallow') * mm,
      plusMm: null,
      source: sources('footingShallow'),
    }),
    wallThickness: (mm: number) =>
      atMost(mm, THIN_WALL_MM[profile])
        ? section('thinWallMinus', 'thinWallPlus', mm)
        : section('thickWallMinus', 'thickWallPlus', mm),
    plumb: (heightMm: number) => evenly(plumbMm(heightMm), sources('plumb', 'plumbShare')),
    place: (widthMm: number) =>
      evenly(Math.min(value('place'), value('placeShare') * widthMm), sources('place')),
    wallPlace: evenly(
      Math.min(value('place'), WALL_PLACE_MM),
      en ? 'EN 13670 §10.4' : 'ACI 117-10 §4.2, to be confirmed',
    ),
  };
}

/** Room beside, above and under, and anchors. */
function needRules({ value, sources, tolerance }: Sourced) {
  const need = (id: RuleId) => ({ leastM: value(id), source: sources(id) });
  return {
    workingRoom: need('workingRoom'),
    aboveGrade: need('aboveGrade'),
    aboveGradeBare: need('aboveGradeBare'),
    crawl: need('crawl'),
    boltDeepMm: value('boltDeep'),
    boltEmbedment: tolerance('boltEmbedment', null),
    boltProjection: tolerance('boltLow', 'boltHigh'),
    boltSpacingM: value('boltSpacing'),
    boltEndMostMm: value('boltEndMost'),
    boltSpacingSource: sources('boltSpacing', 'boltEndMost'),
  };
}

export function checkRules(site: RuledSite & { units: UnitSystem }): CheckRules {
  const by = sourced(site);
  const { value, sources, tolerance } = by;
  return {
    ...sizeRules(by),
    ...needRules(by),
    coverProfile: site.ruleProfile === 'us-aci' ? 'aci117' : 'en13670',
    coverMostMm: (specifiedMm, depthMm, foundation) =>
      specifiedMm + coverPlusMm(site.ruleProfile, depthMm, foundation),
    topLevel: tolerance('topLevel', 'topLevel'),
    straight: tolerance('straight', 'straight'),
    square: tolerance('square', 'square'),
    spacingToleranceMm: value('barSpacing'),
    spacingSource: sources('barSpacing'),
    barEndMm: value('barEnd'),
    lapMinus: (lapMm) => ({
      minusMm: Math.min(value('lapShort'), value('lapShortShare') * lapMm),
      source: sources('lapShort', 'lapShortShare'),
    }),
    thinWall: tolerance('thinWallMinus', 'thinWallPlus'),
    leanIn: {
      wantedMm: value('leanIn'),
      moreMm: value('leanMore'),
      source: sources('leanIn', 'leanMore'),
    },
    coverEveryM: value('coverEvery'),
    leastCoverReadings: value('coverLeast'),
    sizeEveryM: value('sizeEvery'),
    stretchM: value('stretch'),
    barGradeMPa: value('barGrade'),
    stockLengthM: value('barStock'),
  };
}
