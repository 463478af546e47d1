import type { LogEvent, ReadingValue } from '../model/events.ts';
import type { SitePlan } from '../model/site.ts';
import { anchorVerdict } from '../anchors/anchor-verdict.ts';
import { entries, type PourState } from '../pourlog/state.ts';
import { evaluate, type Step } from '../register/calculation.ts';
import { barNamed } from '../steel/bars.ts';
import { coverVerdict } from '../steel/cover-verdict.ts';
import { spacingVerdict } from '../steel/spacing-verdict.ts';
import { dimensionVerdict } from './dimension-verdict.ts';
import type { CheckPoint } from './points/index.ts';


export type Verdict = 'unread' | 'good' | 'tight' | 'out' | 'held' | 'waived';

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

const plain = (ok: boolean, margin: number | null): Judged => ({ verdict: ok ? 'good' : 'out', margin, lowMm: null, highMm: null, calculation: null, steps: [], input: null });

/** What the core says of one reading at a check point, before or after it is taken. */
export function judgeReading(site: SitePlan, point: CheckPoint, value: ReadingValue): Judged {
  const w = point.wanted;
  if (w.type === 'cover' && value.type === 'length') {
    const { result, steps, input } = evaluate(coverVerdict, { specifiedMm: w.specifiedMm, memberDepthMm: w.memberDepthMm, readingsMm: [Math.max(0, value.mm)], profile: site.ruleProfile === 'us-aci' ? 'aci117' : 'en13670' });
    return { verdict: result.verdict === 'ok' ? 'good' : result.verdict === 'tight' ? 'tight' : 'out', margin: value.mm - result.allowedLeastMm, lowMm: result.allowedLeastMm, highMm: null, calculation: 'cover-verdict', steps, input };
  }
  if (w.type === 'size' && value.type === 'length') {
    const { result, steps, input } = evaluate(dimensionVerdict, { wantedMm: w.wantedMm, minusMm: w.minusMm, plusMm: w.plusMm, readingsMm: [value.mm] });
    return { verdict: result.verdict === 'ok' ? 'good' : result.verdict === 'tight' ? 'tight' : 'out', margin: result.marginMm, lowMm: result.lowMm, highMm: result.highMm, calculation: 'dimension-verdict', steps, input };
  }
  if (w.type === 'spacing' && value.type === 'spacing') {
    const { result, steps, input } = evaluate(spacingVerdict, { specifiedMm: w.specifiedMm, overMm: value.overMm, spaces: value.spaces, toleranceMm: w.toleranceMm });
    const margin = w.toleranceMm - Math.abs(result.worstMm - w.specifiedMm);
    return { verdict: result.verdict === 'ok' ? 'good' : 'out', margin, lowMm: w.specifiedMm - w.toleranceMm, highMm: w.specifiedMm + w.toleranceMm, calculation: 'spacing-verdict', steps, input };
  }
  if (w.type === 'count' && value.type === 'count') return plain(value.count >= w.wanted, value.count - w.wanted);
  if (w.type === 'bolts' && value.type === 'bolt') return plain(value.there, null);
  if (w.type === 'bar' && value.type === 'bar') return plain(barNamed(value.bar).areaMm2 >= barNamed(w.wanted).areaMm2 - 1e-9, null);
  return plain(false, null);
}

/** One place of a check point as it stands. */
export interface PlaceState {
  index: number;
  verdict: Verdict;
  reading: LogEvent<'reading'> | null;
  mark: LogEvent<'mark'> | null;
  judged: Judged | null;
  /** What was done since the failed reading, when something was: a new reading is due. */
  fix: LogEvent<'fix'> | null;
  /** Earlier readings of this place that counted, oldest first. */
  earlier: LogEvent<'reading'>[];
}

export interface PointState { point: CheckPoint; verdict: Verdict; places: PlaceState[]; read: number; wanted: number }

const WORST: Verdict[] = ['out', 'held', 'unread', 'tight', 'good', 'waived'];
const worstOf = (list: Verdict[]): Verdict => WORST.find((v) => list.includes(v)) ?? 'unread';

/** Entries of the check kinds, grouped by check and place once, so that judging hundreds of points stays linear. */
function grouped<K extends 'reading' | 'mark' | 'fix'>(state: PourState, kind: K): Map<string, LogEvent<K>[]> {
  const map = new Map<string, LogEvent<K>[]>();
  for (const e of entries(state, kind)) {
    const body = e.body as { checkId: string; place: number };
    const key = `${body.checkId}#${body.place}`;
    const list = map.get(key);
    if (list) list.push(e); else map.set(key, [e]);
  }
  return map;
}

/** What was said of a reading at a point, kept: thousands of readings are judged once and not at every entry. */
const said = new WeakMap<LogEvent<'reading'>, { point: CheckPoint; judged: Judged }>();
function judgedOnce(site: SitePlan, point: CheckPoint, reading: LogEvent<'reading'>): Judged {
  const kept = said.get(reading);
  if (kept?.point === point) return kept.judged;
  const judged = judgeReading(site, point, reading.body.value);
  said.set(reading, { point, judged });
  return judged;
}

/**
 * Bolts of one plate are judged together: an end distance or a gap is nobody's fault alone. A bolt not read yet is taken to
 * stand where it is wanted; one that is missing leaves its gap. One that is to be measured is not read before it is.
 */
function judgeBolts(point: CheckPoint, places: PlaceState[]): PlaceState[] {
  const w = point.wanted;
  if (w.type !== 'bolts' || !places.some((p) => p.reading)) return places;
  const standing = places.flatMap((p, i) => {
    const value = p.reading?.body.value;
    if (value?.type === 'bolt' && !value.there) return [];
    const depth = value?.type === 'bolt' ? { ...(value.embedmentMm === undefined ? {} : { embedmentMm: value.embedmentMm }), ...(value.projectionMm === undefined ? {} : { projectionMm: value.projectionMm }) } : {};
    return [{ place: i, bolt: { atM: value?.type === 'bolt' && value.atMm !== null ? value.atMm / 1000 : (w.bolts[i]?.atM ?? 0), ...depth } }];
  });
  const { result, steps, input } = evaluate(anchorVerdict, { startM: w.fromM, endM: w.toM, single: w.single, boltDiameterMm: w.diameterMm, maxSpacingM: w.maxSpacingM, endMaxMm: w.endMaxMm, bolts: standing.map((b) => b.bolt),
    ...(w.depth ? { leastEmbedmentMm: w.depth.embedmentMm - w.depth.shallowerMm, projectionMm: w.depth.projectionMm, projectionLessMm: w.depth.lessMm, projectionToleranceMm: w.depth.moreMm } : {}) });
  return places.map((p, i): PlaceState => {
    if (!p.reading || p.mark) return p;
    const k = standing.findIndex((b) => b.place === i);
    const failures = k < 0 ? [] : result.failures.filter((f) => f.bolt === k);
    const worst = failures.reduce<number | null>((m, f) => (m === null || f.byMm > m ? f.byMm : m), null);
    const verdict = k < 0 || failures.length ? ('out' as const) : ('good' as const);
    if (verdict === 'good' && boltDue(point, i, p.reading.body.value)) return { ...p, verdict: 'unread', judged: null };
    return { ...p, verdict, judged: { verdict, margin: worst === null ? null : -worst, lowMm: null, highMm: null, calculation: 'anchor-verdict', steps, input, texts: k < 0 ? ['missing'] : failures.map((f) => f.rule) } };
  });
}

/** Whether the depth and height of a bolt that stands are still wanted. */
export function boltDue({ wanted: w }: CheckPoint, place: number, value: ReadingValue | null): boolean {
  return w.type === 'bolts' && w.measured.includes(place) && (value?.type !== 'bolt' || (value.there && (value.embedmentMm === undefined || value.projectionMm === undefined)));
}

/** Every check point with its places, verdicts and readings. */
export function judgeAll(site: SitePlan, points: CheckPoint[], state: PourState): PointState[] {
  const readings = grouped(state, 'reading');
  const marks = grouped(state, 'mark');
  const fixes = grouped(state, 'fix');
  return points.map((point) => {
    const drafts = point.places.map((_, index): PlaceState => {
      const key = `${point.id}#${index}`;
      const list = readings.get(key) ?? [];
      const reading = list.at(-1) ?? null;
      const mark = marks.get(key)?.at(-1) ?? null;
      const judged = reading ? judgedOnce(site, point, reading) : null;
      const markLater = mark !== null && (reading === null || Date.parse(mark.at) >= Date.parse(reading.at));
      const verdict: Verdict = markLater && mark ? ({ pass: 'good', fail: 'out', na: 'waived' } as const)[mark.body.result] : (judged?.verdict ?? 'unread');
      return { index, verdict, reading, mark: markLater ? mark : null, judged, fix: null, earlier: list.slice(0, -1) };
    });
    const places = judgeBolts(point, drafts).map((p): PlaceState => {
      const fix = fixes.get(`${point.id}#${p.index}`)?.at(-1) ?? null;
      const last = p.mark ?? p.reading;
      return fix !== null && p.verdict === 'out' && last !== null && Date.parse(fix.at) >= Date.parse(last.at) ? { ...p, fix } : p;
    });
    const read = places.filter((p) => p.verdict !== 'unread').length;
    return { point, verdict: worstOf(places.map((p) => p.verdict)), places, read, wanted: places.length };
  });
}
