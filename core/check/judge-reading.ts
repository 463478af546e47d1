import { anchorVerdict } from '#core/anchors';
import { evaluate, type Step } from '#core/kit';
import type { ReadingValue } from '#core/log';
import { barNamed, type SitePlan } from '#core/model';
import { coverVerdict, spacingVerdict } from '#core/steel';
import { dimensionVerdict, TIGHT } from './dimension-verdict.ts';
import { atMost } from '#core/units';
import type { CheckPoint, Wanted } from './points/index.ts';
import { coverMostMm } from './reading-range.ts';

/** A single reading judged: its verdict, how far inside its limit it is (negative: outside), and the working. */
export interface Judged {
  verdict: 'good' | 'tight' | 'out';
  /** mm inside the nearer limit, or bars over the count; negative outside; null where nothing is measured. */
  margin: number | null;
  lowMm: number | null;
  highMm: number | null;
  calculation: string | null;
  steps: Step[];
  /** What the calculation was given. */
  input: unknown;
  /** Which rules a bolt breaks, where several are judged together. */
  texts?: string[];
}

const plain = (ok: boolean, margin: number | null): Judged => ({
  verdict: ok ? 'good' : 'out',
  margin,
  lowMm: null,
  highMm: null,
  calculation: null,
  steps: [],
  input: null,
});

/** Bars of two standards that differ by no more than this share of steel are one size. */
const SAME_BAR = 0.05;

const OF_SIZE = { ok: 'good', tight: 'tight', low: 'out', high: 'out' } as const;

type WantedOf<T extends Wanted['type']> = Extract<Wanted, { type: T }>;

function judgeCover(site: SitePlan, w: WantedOf<'cover'>, mm: number): Judged {
  const { result, steps, input } = evaluate(coverVerdict, {
    specifiedMm: w.specifiedMm,
    memberDepthMm: w.memberDepthMm,
    readingsMm: [Math.max(0, mm)],
    profile: site.ruleProfile === 'us-aci' ? 'aci117' : 'en13670',
  });
  const mostMm = coverMostMm(w);
  const over = !atMost(mm, mostMm);
  const near = w.mostMm !== undefined && mm > w.mostMm - TIGHT * (w.mostMm - w.specifiedMm);
  const inside = { ok: near ? 'tight' : 'good', tight: 'tight', short: 'out' } as const;
  return {
    verdict: over ? 'out' : inside[result.verdict],
    margin: over || near ? mostMm - mm : mm - result.allowedLeastMm,
    lowMm: result.allowedLeastMm,
    highMm: over || near ? mostMm : null,
    calculation: 'cover-verdict',
    steps,
    input,
  };
}

function judgeSize(w: WantedOf<'size'>, mm: number): Judged {
  const { result, steps, input } = evaluate(dimensionVerdict, {
    wantedMm: w.wantedMm,
    minusMm: w.minusMm,
    plusMm: w.plusMm,
    readingsMm: [mm],
  });
  return {
    verdict: OF_SIZE[result.verdict],
    margin: result.marginMm,
    lowMm: result.lowMm,
    highMm: result.highMm,
    calculation: 'dimension-verdict',
    steps,
    input,
  };
}

function judgeSpacing(
  w: WantedOf<'spacing'>,
  value: Extract<ReadingValue, { type: 'spacing' }>,
): Judged {
  // Bars may stand off by the tolerance, and be no fewer: a stretch is no longer than that for it.
  const wide = value.overMm > value.spaces * w.specifiedMm;
  const toleranceMm = wide ? w.toleranceMm / value.spaces : w.toleranceMm;
  const { result, steps, input } = evaluate(spacingVerdict, {
    specifiedMm: w.specifiedMm,
    overMm: value.overMm,
    spaces: value.spaces,
    toleranceMm,
  });
  const spare = toleranceMm - Math.abs(result.worstMm - w.specifiedMm);
  const margin = result.verdict === 'ok' ? Math.max(0, spare) : spare;
  return {
    verdict: result.verdict === 'ok' ? 'good' : 'out',
    margin,
    lowMm: w.specifiedMm - w.toleranceMm,
    highMm: w.specifiedMm + w.toleranceMm / value.spaces,
    calculation: 'spacing-verdict',
    steps,
    input,
  };
}

/**
 * A bar of what was drawn, by whichever name: a smaller one is too little steel, a larger one wants
 * longer laps and more room, and is asked about.
 */
function isBar(read: string, wanted: string): boolean {
  const share = barNamed(read).areaMm2 / barNamed(wanted).areaMm2;
  return share >= 1 - 1e-9 && share <= 1 + SAME_BAR;
}

/** What the core says of one reading at a check point, before or after it is taken. */
export function judgeReading(site: SitePlan, point: CheckPoint, value: ReadingValue): Judged {
  const w = point.wanted;
  if (w.type === 'cover' && value.type === 'length') return judgeCover(site, w, value.mm);
  if (w.type === 'size' && value.type === 'length') return judgeSize(w, value.mm);
  if (w.type === 'spacing' && value.type === 'spacing') return judgeSpacing(w, value);
  if (w.type === 'count' && value.type === 'count')
    return plain(value.count >= w.wanted, value.count - w.wanted);
  if (w.type === 'bolts' && value.type === 'bolt') return plain(value.there, null);
  if (w.type === 'bar' && value.type === 'bar') return plain(isBar(value.bar, w.wanted), null);
  return plain(false, null);
}

/**
 * Bolts of one plate are judged together: an end distance or a gap is nobody's fault alone. A bolt
 * not read yet is taken to stand where it is wanted; one that is missing leaves its gap. Null for
 * what is not read.
 */
export function judgeBolts(
  w: Extract<CheckPoint['wanted'], { type: 'bolts' }>,
  values: (ReadingValue | null)[],
): (Judged | null)[] {
  const standing = values.flatMap((value, place) => {
    const read = value?.type === 'bolt' ? value : null;
    const wanted = w.bolts[place];
    if (read && !read.there) return [];
    return [
      {
        place,
        bolt: {
          atM: read?.atMm != null ? read.atMm / 1000 : (wanted?.atM ?? 0),
          ...(wanted?.diameterMm === undefined ? {} : { diameterMm: wanted.diameterMm }),
          ...(wanted?.depth
            ? {
                leastEmbedmentMm: wanted.depth.leastMm,
                planProjectionMm: wanted.depth.projectionMm,
              }
            : {}),
          ...(read?.embedmentMm === undefined ? {} : { embedmentMm: read.embedmentMm }),
          ...(read?.projectionMm === undefined ? {} : { projectionMm: read.projectionMm }),
        },
      },
    ];
  });
  const { result, steps, input } = evaluate(anchorVerdict, {
    startM: w.fromM,
    endM: w.toM,
    single: w.single,
    maxSpacingM: w.maxSpacingM,
    endMaxMm: w.endMaxMm,
    projectionLessMm: w.projectionLessMm,
    projectionToleranceMm: w.projectionMoreMm,
    // Those that are set on pour day are taken to come where they are drawn.
    bolts: [...standing.map((b) => b.bolt), ...w.wetM.map((atM) => ({ atM }))],
  });
  return values.map((value, place): Judged | null => {
    if (value === null) return null;
    const k = standing.findIndex((b) => b.place === place);
    const failures = k < 0 ? [] : result.failures.filter((f) => f.bolt === k);
    const worst = failures.reduce<number | null>(
      (m, f) => (m === null || f.byMm > m ? f.byMm : m),
      null,
    );
    return {
      verdict: k < 0 || failures.length ? 'out' : 'good',
      margin: worst === null ? null : -worst,
      lowMm: null,
      highMm: null,
      calculation: 'anchor-verdict',
      steps,
      input,
      texts: k < 0 ? ['missing'] : failures.map((f) => f.rule),
    };
  });
}
