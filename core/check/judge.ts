import type { LogEvent } from '../log/events.ts';
import type { ReadingValue } from '../log/kinds/reading-value.ts';
import type { SitePlan } from '../model/site.ts';
import { anchorVerdict } from '../anchors/anchor-verdict.ts';
import { entries, type PourState } from '../log/state.ts';
import { evaluate, type Step } from '../kit/calculation.ts';
import { barNamed } from '../model/bars.ts';
import { coverVerdict } from '../steel/cover-verdict.ts';
import { spacingVerdict } from '../steel/spacing-verdict.ts';
import { dimensionVerdict } from './dimension-verdict.ts';
import type { CheckPoint } from './points/index.ts';
import { coverMostMm } from './reading-range.ts';
import { setOutReadings } from './set-out-readings.ts';

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

const plain = (ok: boolean, margin: number | null): Judged => ({
  verdict: ok ? 'good' : 'out',
  margin,
  lowMm: null,
  highMm: null,
  calculation: null,
  steps: [],
  input: null,
});

const OF_SIZE = { ok: 'good', tight: 'tight', low: 'out', high: 'out' } as const;

/** What the core says of one reading at a check point, before or after it is taken. */
export function judgeReading(site: SitePlan, point: CheckPoint, value: ReadingValue): Judged {
  const w = point.wanted;
  if (w.type === 'cover' && value.type === 'length') {
    const { result, steps, input } = evaluate(coverVerdict, {
      specifiedMm: w.specifiedMm,
      memberDepthMm: w.memberDepthMm,
      readingsMm: [Math.max(0, value.mm)],
      profile: site.ruleProfile === 'us-aci' ? 'aci117' : 'en13670',
    });
    const mostMm = coverMostMm(w);
    const over = value.mm > mostMm + 1e-6;
    const inside = { ok: 'good', tight: 'tight', short: 'out' } as const;
    return {
      verdict: over ? 'out' : inside[result.verdict],
      margin: over ? mostMm - value.mm : value.mm - result.allowedLeastMm,
      lowMm: result.allowedLeastMm,
      highMm: over ? mostMm : null,
      calculation: 'cover-verdict',
      steps,
      input,
    };
  }
  if (w.type === 'size' && value.type === 'length') {
    const { result, steps, input } = evaluate(dimensionVerdict, {
      wantedMm: w.wantedMm,
      minusMm: w.minusMm,
      plusMm: w.plusMm,
      readingsMm: [value.mm],
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
  if (w.type === 'spacing' && value.type === 'spacing') {
    const { result, steps, input } = evaluate(spacingVerdict, {
      specifiedMm: w.specifiedMm,
      overMm: value.overMm,
      spaces: value.spaces,
      toleranceMm: w.toleranceMm,
    });
    const margin = w.toleranceMm - Math.abs(result.worstMm - w.specifiedMm);
    return {
      verdict: result.verdict === 'ok' ? 'good' : 'out',
      margin,
      lowMm: w.specifiedMm - w.toleranceMm,
      highMm: w.specifiedMm + w.toleranceMm,
      calculation: 'spacing-verdict',
      steps,
      input,
    };
  }
  if (w.type === 'count' && value.type === 'count')
    return plain(value.count >= w.wanted, value.count - w.wanted);
  if (w.type === 'bolts' && value.type === 'bolt') return plain(value.there, null);
  if (w.type === 'bar' && value.type === 'bar')
    return plain(barNamed(value.bar).areaMm2 >= barNamed(w.wanted).areaMm2 - 1e-9, null);
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
  /** Why what was read or looked at no longer counts: it has rained on ground and banks, or a form top is from before the morning. */
  again: 'rain' | 'morning' | null;
  /** The reading was taken while setting out, and counts here as well. */
  settingOut: boolean;
}

export interface PointState {
  point: CheckPoint;
  verdict: Verdict;
  places: PlaceState[];
  read: number;
  wanted: number;
}

const WORST: Verdict[] = ['out', 'held', 'unread', 'tight', 'good', 'waived'];
const worstOf = (list: Verdict[]): Verdict => WORST.find((v) => list.includes(v)) ?? 'unread';

/** Entries about one check. */
interface Noted {
  readings: LogEvent<'reading'>[];
  marks: LogEvent<'mark'>[];
  fixes: LogEvent<'fix'>[];
}

/** Entries of the check kinds by the check they are about, oldest first: most checks of a large pour have none. */
function notedByCheck(state: PourState): Map<string, Noted> {
  const map = new Map<string, Noted>();
  const of = (checkId: string): Noted => {
    let noted = map.get(checkId);
    if (!noted) {
      noted = { readings: [], marks: [], fixes: [] };
      map.set(checkId, noted);
    }
    return noted;
  };
  for (const e of entries(state, 'reading')) of(e.body.checkId).readings.push(e);
  for (const e of entries(state, 'mark')) of(e.body.checkId).marks.push(e);
  for (const e of entries(state, 'fix')) of(e.body.checkId).fixes.push(e);
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
 * stand where it is wanted; one that is missing leaves its gap. Null for what is not read.
 */
function judgeBolts(
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

const valueOf = (p: PlaceState): ReadingValue | null => p.reading?.body.value ?? null;

/** The places of a bolt round judged together. One that is to be measured is not read before it is. */
function withBoltsJudged(point: CheckPoint, places: PlaceState[]): PlaceState[] {
  const w = point.wanted;
  if (w.type !== 'bolts' || !places.some((p) => p.reading)) return places;
  const judged = judgeBolts(w, places.map(valueOf));
  return places.map((p, i): PlaceState => {
    const own = judged[i];
    if (!p.reading || p.mark || !own) return p;
    return own.verdict === 'good' && boltDue(point, i, p.reading.body.value)
      ? { ...p, verdict: 'unread', judged: null }
      : { ...p, verdict: own.verdict, judged: own };
  });
}

/** What the core would say of a reading at one place of a point, with what is known of its other places. */
export function judgeAt(
  site: SitePlan,
  { point, places }: PointState,
  place: number,
  value: ReadingValue,
): Judged {
  const alone = judgeReading(site, point, value);
  if (point.wanted.type !== 'bolts' || value.type !== 'bolt') return alone;
  return (
    judgeBolts(
      point.wanted,
      places.map((p, i) => (i === place ? value : valueOf(p))),
    )[place] ?? alone
  );
}

/** Whether a bolt that stands is still to be measured. */
function boltDue({ wanted: w }: CheckPoint, place: number, value: ReadingValue): boolean {
  return (
    w.type === 'bolts' &&
    w.measured.includes(place) &&
    value.type === 'bolt' &&
    value.there &&
    (value.embedmentMm === undefined || value.projectionMm === undefined)
  );
}

/** When it was last seen to rain or snow, ms; null when never. */
function lastRainMs(state: PourState): number | null {
  return entries(state, 'weather').reduce<number | null>(
    (last, e) =>
      e.body.sky === 'rain' || e.body.sky === 'snow' || (e.body.rainMmH ?? 0) > 0
        ? Math.max(last ?? -Infinity, Date.parse(e.at))
        : last,
    null,
  );
}

/** From when on something counts: ground that was looked at before the last rain, a form top that was read before the morning of the pour, do not. */
interface Undone {
  rainMs: number | null;
  levelsAgainMs: number | null;
}

/** Why the last that was noted at a place does not count any more; what failed or was waived stays as it is. */
function againOf(
  point: CheckPoint,
  noted: Verdict,
  last: LogEvent<'reading'> | LogEvent<'mark'> | null,
  { rainMs, levelsAgainMs }: Undone,
): PlaceState['again'] {
  if (!last || (noted !== 'good' && noted !== 'tight')) return null;
  const before = (ms: number | null): boolean => ms !== null && Date.parse(last.at) < ms;
  if (point.rainUndoes && last.kind === 'mark' && before(rainMs)) return 'rain';
  return point.kind === 'level' && before(levelsAgainMs) ? 'morning' : null;
}

const NOTHING: Noted = { readings: [], marks: [], fixes: [] };

/** One check with what was noted of it. `settingOut`: readings of setting out that count here, by place. */
function judgePoint(
  site: SitePlan,
  point: CheckPoint,
  { readings, marks, fixes }: Noted,
  settingOut: ReadonlyMap<number, LogEvent<'reading'>[]> | undefined,
  undone: Undone,
): PointState {
  const drafts = point.places.map((_, index): PlaceState => {
    const own = readings.filter((e) => e.body.place === index);
    const early = settingOut?.get(index) ?? [];
    const list = early.length
      ? [...own, ...early].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
      : own;
    const reading = list.at(-1) ?? null;
    const mark = marks.findLast((e) => e.body.place === index) ?? null;
    const judged = reading ? judgedOnce(site, point, reading) : null;
    const markLater =
      mark !== null && (reading === null || Date.parse(mark.at) >= Date.parse(reading.at));
    const noted: Verdict = markLater
      ? ({ pass: 'good', fail: 'out', na: 'waived' } as const)[mark.body.result]
      : (judged?.verdict ?? 'unread');
    const again = againOf(point, noted, markLater ? mark : reading, undone);
    const verdict = again ? 'unread' : noted;
    return {
      index,
      verdict,
      reading,
      mark: markLater ? mark : null,
      judged,
      fix: null,
      earlier: list.slice(0, -1),
      again,
      settingOut: reading !== null && early.includes(reading),
    };
  });
  const places = withBoltsJudged(point, drafts).map((p): PlaceState => {
    const fix = fixes.findLast((e) => e.body.place === p.index) ?? null;
    const last = p.mark ?? p.reading;
    return fix !== null &&
      p.verdict === 'out' &&
      last !== null &&
      Date.parse(fix.at) >= Date.parse(last.at)
      ? { ...p, fix }
      : p;
  });
  const read = places.filter((p) => p.verdict !== 'unread').length;
  return {
    point,
    verdict: worstOf(places.map((p) => p.verdict)),
    places,
    read,
    wanted: places.length,
  };
}

const UNTOUCHED: Undone = { rainMs: null, levelsAgainMs: null };

/** Checks of which nothing has been noted, as they stand: thousands of them on a large pour, the same at every entry. */
const untouched = new WeakMap<CheckPoint, PointState>();

/**
 * Every check point with its places, verdicts and readings. A check that nobody has touched is the same object each time.
 * @param levelsFromMs from when on a form top must have been read to count (`levelsAgainMs`); null: whenever
 */
export function judgeAll(
  site: SitePlan,
  points: CheckPoint[],
  state: PourState,
  levelsFromMs: number | null,
): PointState[] {
  const noted = notedByCheck(state);
  const settingOut = setOutReadings(site, points, state);
  const undone: Undone = { rainMs: lastRainMs(state), levelsAgainMs: levelsFromMs };
  return points.map((point) => {
    const own = noted.get(point.id);
    const early = settingOut.get(point.id);
    if (own || early) return judgePoint(site, point, own ?? NOTHING, early, undone);
    let as = untouched.get(point);
    if (!as) {
      as = judgePoint(site, point, NOTHING, undefined, UNTOUCHED);
      untouched.set(point, as);
    }
    return as;
  });
}
