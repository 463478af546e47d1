import { type RuledSite, type RuleId, rulesOf, sourceText } from '#core/rules';
import type { UnitSystem } from '#core/units';

/** A tolerance with where it comes from. `plusMm` null: more does no harm. */
interface Tolerance {
  minusMm: number;
  plusMm: number | null;
  source: string;
}

/** The rules of a site as the check list uses them; every one carries its source, and who changed it. */
export interface CheckRules {
  coverProfile: 'aci117' | 'en13670';
  footingWidth: Tolerance;
  /** Depth may fall short by a share of the depth. */
  footingDepth: { minusRatio: number; plusMm: number | null; source: string };
  wallThickness: (thicknessMm: number) => Tolerance;
  topLevel: Tolerance;
  plumb: Tolerance;
  /** Off the string line, and how far two diagonals of a rectangle may differ. */
  straight: Tolerance;
  square: Tolerance;
  /** Least room beside the forms, height of a wall's top above the ground, and height of a crawl space, m. */
  workingRoom: { leastM: number; source: string };
  aboveGrade: { leastM: number; source: string };
  crawl: { leastM: number; source: string };
  spacingToleranceMm: number;
  spacingSource: string;
  lapMinus: Tolerance;
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

/** Up to this a wall is thin, mm (ACI 117-10 §4.5; EN 13670 §10.4). */
const THIN_WALL_MM = { 'us-aci': 304.8, 'metric-en': 150 };

export function checkRules(site: RuledSite & { units: UnitSystem }): CheckRules {
  const rules = rulesOf(site);
  /** Sources of one or two rules, said once when they are the same. */
  const sources = (...ids: RuleId[]): string =>
    [...new Set(ids.map((id) => sourceText(rules.ruled(id), site.units)))].join('; ');
  const tolerance = (minus: RuleId, plus: RuleId | null): Tolerance => ({
    minusMm: rules.value(minus),
    plusMm: plus === null ? null : rules.value(plus),
    source: sources(minus, ...(plus === null ? [] : [plus])),
  });
  const thin = THIN_WALL_MM[site.ruleProfile];
  return {
    coverProfile: site.ruleProfile === 'us-aci' ? 'aci117' : 'en13670',
    footingWidth: tolerance('footingNarrow', 'footingWide'),
    footingDepth: {
      minusRatio: rules.value('footingShallow'),
      plusMm: null,
      source: sources('footingShallow'),
    },
    wallThickness: (t) =>
      t <= thin + 1e-6
        ? tolerance('thinWallMinus', 'thinWallPlus')
        : tolerance('thickWallMinus', 'thickWallPlus'),
    topLevel: tolerance('topLevel', 'topLevel'),
    plumb: tolerance('plumb', 'plumb'),
    straight: tolerance('straight', 'straight'),
    square: tolerance('square', 'square'),
    workingRoom: { leastM: rules.value('workingRoom'), source: sources('workingRoom') },
    aboveGrade: { leastM: rules.value('aboveGrade'), source: sources('aboveGrade') },
    crawl: { leastM: rules.value('crawl'), source: sources('crawl') },
    spacingToleranceMm: rules.value('barSpacing'),
    spacingSource: sources('barSpacing'),
    lapMinus: tolerance('lapShort', null),
    boltEmbedment: tolerance('boltEmbedment', null),
    boltProjection: tolerance('boltLow', 'boltHigh'),
    boltSpacingM: rules.value('boltSpacing'),
    boltEndMostMm: rules.value('boltEndMost'),
    boltSpacingSource: sources('boltSpacing', 'boltEndMost'),
    thinWall: tolerance('thinWallMinus', 'thinWallPlus'),
    leanIn: {
      wantedMm: rules.value('leanIn'),
      moreMm: rules.value('leanMore'),
      source: sources('leanIn', 'leanMore'),
    },
    coverEveryM: rules.value('coverEvery'),
    leastCoverReadings: rules.value('coverLeast'),
    sizeEveryM: rules.value('sizeEvery'),
    stretchM: rules.value('stretch'),
    barGradeMPa: rules.value('barGrade'),
    stockLengthM: rules.value('barStock'),
  };
}
