import type { RuleProfile } from '../model/site.ts';

/** A tolerance with where it comes from. `plusMm` null: more does no harm. */
export interface Tolerance { minusMm: number; plusMm: number | null; source: string }

/** Default tolerances of the rule profiles. Each value carries its source; a site's drawings and engineer rule over them. */
export interface CheckRules {
  coverProfile: 'aci117' | 'en13670';
  footingWidth: Tolerance;
  /** Depth may fall short by a share of the depth. */
  footingDepth: { minusRatio: number; plusMm: number | null; source: string };
  wallThickness: (thicknessMm: number) => Tolerance;
  topLevel: Tolerance;
  plumb: Tolerance;
  spacingToleranceMm: number;
  spacingSource: string;
  lapMinus: Tolerance;
  boltEmbedment: Tolerance;
  boltProjection: Tolerance;
  /** Readings of cover: one every so many metres, and never fewer than the least. */
  coverEveryM: number;
  leastCoverReadings: number;
  /** Widths, depths and levels: one every so many metres. */
  sizeEveryM: number;
  barGradeMPa: number;
  stockLengthM: number;
}

export const RULES: Record<RuleProfile, CheckRules> = {
  'us-aci': {
    coverProfile: 'aci117',
    footingWidth: { minusMm: 12.7, plusMm: 50.8, source: 'ACI 117 §3.5, formed' },
    footingDepth: { minusRatio: 0.05, plusMm: null, source: 'ACI 117 §3.5, −5 %' },
    wallThickness: (t) => (t <= 304.8 + 1e-6 ? { minusMm: 6.35, plusMm: 9.525, source: 'ACI 117 §4.5' } : { minusMm: 9.525, plusMm: 12.7, source: 'ACI 117 §4.5' }),
    topLevel: { minusMm: 12.7, plusMm: 12.7, source: 'ACI 117 §3.3' },
    plumb: { minusMm: 6.35, plusMm: 6.35, source: 'ACI 117 §4.1, in 10 ft' },
    spacingToleranceMm: 76.2, spacingSource: 'ACI 117 §2.2.5',
    lapMinus: { minusMm: 25.4, plusMm: null, source: 'ACI 117 §2.2.6' },
    boltEmbedment: { minusMm: 0, plusMm: null, source: 'IRC R403.1.6' },
    boltProjection: { minusMm: 12.7, plusMm: 12.7, source: 'ACI 117 §2.3.2' },
    coverEveryM: 6.096, leastCoverReadings: 2, sizeEveryM: 9.144, barGradeMPa: 413.685, stockLengthM: 6.096,
  },
  'metric-en': {
    coverProfile: 'en13670',
    footingWidth: { minusMm: 10, plusMm: 50, source: 'EN 13670 §10.4' },
    footingDepth: { minusRatio: 0.05, plusMm: null, source: 'EN 13670 §10.4' },
    wallThickness: (t) => ({ minusMm: t <= 150 ? 10 : 15, plusMm: t <= 150 ? 10 : 15, source: 'EN 13670 §10.4' }),
    topLevel: { minusMm: 20, plusMm: 20, source: 'EN 13670 §10.2' },
    plumb: { minusMm: 10, plusMm: 10, source: 'EN 13670 §10.3' },
    spacingToleranceMm: 50, spacingSource: 'site practice beside EN 13670 §10.6',
    lapMinus: { minusMm: 20, plusMm: null, source: 'EN 13670 §10.6' },
    boltEmbedment: { minusMm: 0, plusMm: null, source: 'drawing' },
    boltProjection: { minusMm: 5, plusMm: 25, source: 'EN 13670 §10.7' },
    coverEveryM: 6, leastCoverReadings: 2, sizeEveryM: 9, barGradeMPa: 500, stockLengthM: 12,
  },
};
