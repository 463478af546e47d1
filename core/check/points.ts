import type { Anchor, FootingType, Pad, Run, SitePlan, WallType } from '../model/site.ts';
import type { Mix } from '../model/pour.ts';
import { resultOf } from '../register/calculation.ts';
import { barNamed } from '../steel/bars.ts';
import { lapLength } from '../steel/lap-length.ts';
import { barsRequired } from '../steel/spacing-verdict.ts';
import { checkRules, type CheckRules } from './rules.ts';

/** What is read at a check point, which decides how it is entered and judged. */
export type Wanted =
  | { type: 'cover'; specifiedMm: number; memberDepthMm: number; face: 'bottom' | 'side' | 'inside' | 'outside'; bar: string }
  | { type: 'size'; wantedMm: number; minusMm: number; plusMm: number | null; what: 'width' | 'depth' | 'thickness' | 'level' | 'plumb' | 'lap' | 'embedment' | 'projection' }
  | { type: 'count'; wanted: number }
  | { type: 'spacing'; specifiedMm: number; toleranceMm: number; spaces: number }
  | { type: 'bar'; wanted: string }
  | { type: 'eye' };

/** Where a reading is wanted: metres along the run from its first node, and in words' raw parts. */
export interface Place { atM: number | null; across: 'left' | 'right' | 'middle' }

/** Something to be checked on one element before the pour, derived from its type and the rule profile. */
export interface CheckPoint {
  id: string;
  elementId: string;
  kind: string;
  title: string;
  trade: 'ground' | 'forms' | 'steel' | 'anchors';
  wanted: Wanted;
  places: Place[];
  /** Where the wanted value comes from, and where the tolerance does. */
  source: string;
  toleranceSource: string | null;
  /** What to look for or do when it fails. */
  advice: string;
}

interface Draft extends Omit<CheckPoint, 'id' | 'elementId' | 'source' | 'toleranceSource'> { toleranceSource?: string; source?: string }

/** Stations evenly spread along a run, away from its ends. */
function spread(lengthM: number, n: number, across: Place['across'] = 'middle'): Place[] {
  return Array.from({ length: n }, (_, i) => ({ atM: (lengthM * (i + 0.5)) / n, across }));
}
const once: Place[] = [{ atM: null, across: 'middle' }];

const coverReadings = (lengthM: number, r: CheckRules): number => Math.max(r.leastCoverReadings, Math.ceil(lengthM / r.coverEveryM - 1e-9));
/** Sizes and levels are read once every so many metres. */
const sizeReadings = (lengthM: number, r: CheckRules): number => Math.max(1, Math.ceil(lengthM / r.sizeEveryM - 1e-9));
const both = (places: Place[]): Place[] => places.map((p, i) => ({ ...p, across: i % 2 ? 'right' : 'left' }));

const GROUND: Draft = { kind: 'ground', title: 'Ground', trade: 'ground', wanted: { type: 'eye' }, places: once, advice: 'Clean of loose dirt, roots, water and frost; firm; damped.' };
const tied: Draft = { kind: 'tied', title: 'Steel tied and supported', trade: 'steel', wanted: { type: 'eye' }, places: once, advice: 'Tied, on chairs, clean, clear of soil and of the form. Caps on upright bars.' };
const braced: Draft = { kind: 'braced', title: 'Forms braced and closed', trade: 'forms', wanted: { type: 'eye' }, places: once, advice: 'Stakes, braces and wedges in, gaps closed, spreaders marked, oil off the steel.' };

function lapDraft(bar: string, lengthM: number, mix: Mix, r: CheckRules): Draft[] {
  if (lengthM <= r.stockLengthM && lengthM < 3) return [];
  const { lapMm } = resultOf(lapLength, { fcMPa: mix.fcMPa, fyMPa: r.barGradeMPa, bar, topBar: false, coating: 'none', spacingClass: 'good' });
  return [{
    kind: 'lap', title: 'Lap', trade: 'steel', wanted: { type: 'size', what: 'lap', wantedMm: lapMm, minusMm: r.lapMinus.minusMm, plusMm: null }, places: spread(lengthM, 1),
    source: 'computed, ACI 318 §25.5.2', toleranceSource: r.lapMinus.source, advice: 'Slide the bar on or splice a piece in, and read again.',
  }];
}

function barDrafts(role: string, words: string, bar: string): Draft[] {
  return [{ kind: `size-${role}`, title: `Bar size ${words}`, trade: 'steel', wanted: { type: 'bar', wanted: bar }, places: once, advice: 'Wrong bar: take it out or ask the engineer.' }];
}

function footingDrafts(lengthM: number, t: FootingType, mix: Mix, r: CheckRules): Draft[] {
  const depthMm = t.depthM * 1000;
  const covers = coverReadings(lengthM, r);
  const lowBar = t.transverse?.bar ?? t.continuous.bar;
  const out: Draft[] = [GROUND];
  if (!t.unformed) {
    out.push(
      { kind: 'width', title: 'Form width', trade: 'forms', wanted: { type: 'size', what: 'width', wantedMm: t.widthM * 1000, minusMm: r.footingWidth.minusMm, plusMm: r.footingWidth.plusMm }, places: spread(lengthM, sizeReadings(lengthM, r)), toleranceSource: r.footingWidth.source, advice: 'Move the form, brace it, and read again.' },
      braced,
    );
  }
  out.push(
    { kind: 'depth', title: 'Depth to ground', trade: 'forms', wanted: { type: 'size', what: 'depth', wantedMm: depthMm, minusMm: r.footingDepth.minusRatio * depthMm, plusMm: r.footingDepth.plusMm }, places: spread(lengthM, sizeReadings(lengthM, r)), toleranceSource: r.footingDepth.source, advice: 'Dig or trim the bottom, compact, and read again.' },
    { kind: 'level', title: 'Form top off the mark', trade: 'forms', wanted: { type: 'size', what: 'level', wantedMm: 0, minusMm: r.topLevel.minusMm, plusMm: r.topLevel.plusMm ?? 0 }, places: spread(lengthM, sizeReadings(lengthM, r)), toleranceSource: r.topLevel.source, advice: 'Drive or lift the form to the mark and read again.' },
    { kind: 'count-along', title: 'Bars along', trade: 'steel', wanted: { type: 'count', wanted: t.continuous.count + t.continuous.topCount }, places: once, advice: 'Put the missing bar in.' },
    ...barDrafts('along', 'along', t.continuous.bar),
  );
  if (t.transverse) {
    out.push(
      { kind: 'spacing-across', title: 'Spacing across', trade: 'steel', wanted: { type: 'spacing', specifiedMm: t.transverse.spacingM * 1000, toleranceMm: r.spacingToleranceMm, spaces: 6 }, places: spread(lengthM, 1), toleranceSource: r.spacingSource, advice: 'Shift the bars; keep the count.' },
      ...barDrafts('across', 'across', t.transverse.bar),
    );
  }
  out.push(
    { kind: 'cover-bottom', title: 'Bottom cover', trade: 'steel', wanted: { type: 'cover', face: 'bottom', specifiedMm: t.coverBottomMm, memberDepthMm: depthMm, bar: lowBar }, places: spread(lengthM, covers), advice: 'Lift on chairs and read again.' },
    { kind: 'cover-side', title: 'Side cover', trade: 'steel', wanted: { type: 'cover', face: 'side', specifiedMm: t.coverSideMm, memberDepthMm: depthMm, bar: t.continuous.bar }, places: both(spread(lengthM, 2)), advice: 'Move the bar in, block it, and read again.' },
    ...lapDraft(t.continuous.bar, lengthM, mix, r),
    tied,
  );
  return out;
}

function wallDrafts(run: Run, lengthM: number, t: WallType, mix: Mix, r: CheckRules): Draft[] {
  const thick = t.thicknessM * 1000;
  const tol = r.wallThickness(thick);
  const covers = coverReadings(lengthM, r);
  const size = (what: 'thickness' | 'level' | 'plumb', wantedMm: number, x: { minusMm: number; plusMm: number | null }) => ({ type: 'size' as const, what, wantedMm, minusMm: x.minusMm, plusMm: x.plusMm });
  const out: Draft[] = [
    { kind: 'thickness', title: 'Between the forms', trade: 'forms', wanted: size('thickness', thick, tol), places: spread(lengthM, sizeReadings(lengthM, r)), toleranceSource: tol.source, advice: 'Check ties and wedges, then read again.' },
    { kind: 'plumb', title: 'Plumb, off in the height', trade: 'forms', wanted: size('plumb', 0, r.plumb), places: spread(lengthM, sizeReadings(lengthM, r)), toleranceSource: r.plumb.source, advice: 'Turn the brace and read again.' },
    { kind: 'level', title: 'Top line off the mark', trade: 'forms', wanted: size('level', 0, r.topLevel), places: spread(lengthM, sizeReadings(lengthM, r)), toleranceSource: r.topLevel.source, advice: 'Snap the line again.' },
    braced,
    { kind: 'spacing-up', title: 'Spacing of uprights', trade: 'steel', wanted: { type: 'spacing', specifiedMm: t.vertical.spacingM * 1000, toleranceMm: r.spacingToleranceMm, spaces: 6 }, places: spread(lengthM, t.mats), toleranceSource: r.spacingSource, advice: 'Shift the bars; keep the count.' },
    { kind: 'spacing-across', title: 'Spacing of bars across', trade: 'steel', wanted: { type: 'spacing', specifiedMm: t.horizontal.spacingM * 1000, toleranceMm: r.spacingToleranceMm, spaces: 4 }, places: spread(lengthM, t.mats), toleranceSource: r.spacingSource, advice: 'Shift the bars; keep the count.' },
    ...barDrafts('up', 'upright', t.vertical.bar), ...barDrafts('across', 'across', t.horizontal.bar),
    { kind: 'cover-inside', title: 'Inside cover', trade: 'steel', wanted: { type: 'cover', face: 'inside', specifiedMm: t.coverInsideMm, memberDepthMm: thick, bar: t.vertical.bar }, places: spread(lengthM, covers), advice: 'Put a wheel spacer on the bar and read again.' },
  ];
  if (t.mats === 2) out.push({ kind: 'cover-outside', title: 'Outside cover', trade: 'steel', wanted: { type: 'cover', face: 'outside', specifiedMm: t.coverOutsideMm, memberDepthMm: thick, bar: t.vertical.bar }, places: spread(lengthM, covers), advice: 'Put a wheel spacer on the bar and read again.' });
  out.push(...lapDraft(t.horizontal.bar, lengthM, mix, r), tied);
  if (run.openings.length) out.push({ kind: 'bucks', title: 'Bucks and sleeves', trade: 'forms', wanted: { type: 'eye' }, places: run.openings.map((o) => ({ atM: o.atM + o.widthM / 2, across: 'middle' })), advice: 'Square, braced, foamed; ties across a window close to a corner.' });
  return out;
}

function padDrafts(p: Pad, r: CheckRules): Draft[] {
  const depthMm = p.depthM * 1000;
  const width: Draft = { kind: 'width', title: 'Form width', trade: 'forms', wanted: { type: 'size', what: 'width', wantedMm: p.widthM * 1000, minusMm: r.footingWidth.minusMm, plusMm: r.footingWidth.plusMm }, places: once, toleranceSource: r.footingWidth.source, advice: 'Move the form, brace it, and read again.' };
  const out: Draft[] = [GROUND, width, braced,
    { kind: 'depth', title: 'Depth to ground', trade: 'forms', wanted: { type: 'size', what: 'depth', wantedMm: depthMm, minusMm: r.footingDepth.minusRatio * depthMm, plusMm: r.footingDepth.plusMm }, places: once, toleranceSource: r.footingDepth.source, advice: 'Dig or trim the bottom, compact, and read again.' }];
  if (!p.steel) return out;
  const { eachWay, coverBottomMm, coverSideMm } = p.steel;
  const n = eachWay.count ?? barsRequired(p.widthM * 1000, coverSideMm, (eachWay.spacingM ?? 1) * 1000);
  out.push({ kind: 'count-each', title: 'Bars each way', trade: 'steel', wanted: { type: 'count', wanted: n }, places: once, advice: 'Put the missing bar in.' }, ...barDrafts('each', 'each way', eachWay.bar),
    { kind: 'cover-bottom', title: 'Bottom cover', trade: 'steel', wanted: { type: 'cover', face: 'bottom', specifiedMm: coverBottomMm, memberDepthMm: depthMm, bar: eachWay.bar }, places: [...once, ...once], advice: 'Lift on chairs and read again.' },
    { kind: 'cover-side', title: 'Side cover', trade: 'steel', wanted: { type: 'cover', face: 'side', specifiedMm: coverSideMm, memberDepthMm: depthMm, bar: eachWay.bar }, places: [...once, ...once], advice: 'Move the bar in, block it, and read again.' }, tied);
  return out;
}

function anchorDrafts(anchors: Anchor[], r: CheckRules): Draft[] {
  const set = anchors.filter((a) => !a.wetSet);
  const first = set[0];
  if (!first) return [];
  const places: Place[] = set.map((a) => ({ atM: a.atM, across: 'middle' }));
  return [
    { kind: 'bolts-count', title: 'Bolts in', trade: 'anchors', wanted: { type: 'count', wanted: set.length }, places: once, advice: 'Set the missing bolt.' },
    { kind: 'bolts-embedment', title: 'Bolt embedment', trade: 'anchors', wanted: { type: 'size', what: 'embedment', wantedMm: first.embedmentMm, minusMm: r.boltEmbedment.minusMm, plusMm: null }, places: places.slice(0, 3), toleranceSource: r.boltEmbedment.source, advice: 'Set the bolt deeper.' },
    { kind: 'bolts-projection', title: 'Bolt standing out', trade: 'anchors', wanted: { type: 'size', what: 'projection', wantedMm: first.projectionMm, minusMm: r.boltProjection.minusMm, plusMm: r.boltProjection.plusMm }, places: places.slice(0, 3), toleranceSource: r.boltProjection.source, advice: 'Set the template to height.' },
  ];
}

const runLength = (site: SitePlan, run: Run): number => {
  const a = site.nodes.find((n) => n.id === run.from);
  const b = site.nodes.find((n) => n.id === run.to);
  return a && b ? Math.hypot(b.xM - a.xM, b.yM - a.yM) : 0;
};

/** The check points of one run, pad or pier; empty when the site has no such element. */
export function pointsOf(site: SitePlan, elementId: string, mix: Mix): CheckPoint[] {
  const rules = checkRules(site);
  const run = site.runs.find((r) => r.id === elementId);
  const pad = site.pads.find((p) => p.id === elementId);
  let drafts: Draft[] = [];
  let drawing = 'drawing';
  if (run) {
    const lengthM = runLength(site, run);
    const wall = site.wallTypes.find((t) => t.mark === run.type);
    const footing = site.footingTypes.find((t) => t.mark === run.type);
    drawing = `${wall?.drawing ?? footing?.drawing ?? 'schedule'}, ${run.type}`;
    drafts = run.kind === 'wall' ? (wall ? wallDrafts(run, lengthM, wall, mix, rules) : []) : footing ? footingDrafts(lengthM, footing, mix, rules) : [];
  } else if (pad) {
    drawing = pad.type ? `schedule, ${pad.type}` : 'schedule';
    drafts = padDrafts(pad, rules);
  }
  drafts = [...drafts, ...anchorDrafts(site.anchors.filter((a) => a.elementId === elementId), rules)];
  return drafts.map((d) => ({
    ...d, id: `${elementId}/${d.kind}`, elementId, source: d.source ?? (d.wanted.type === 'eye' ? 'field guide' : drawing),
    toleranceSource: d.toleranceSource ?? (d.wanted.type === 'cover' ? (rules.coverProfile === 'aci117' ? 'ACI 117 §2.2.2' : 'EN 13670 §10.6') : null),
  }));
}

/** Nominal diameter of the bar whose cover is read, mm, for drawing it to scale. */
export const barDiameterMm = (name: string): number => barNamed(name).diameterMm;
