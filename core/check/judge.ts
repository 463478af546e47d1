import { entries, type LogEvent, type PourState, type ReadingValue } from '#core/log';
import type { SitePlan } from '#core/model';
import { judgeBolts, judgeReading, type Judged } from './judge-reading.ts';
import type { CheckPoint } from './points/index.ts';
import { setOutReadings } from './set-out-readings.ts';

export type Verdict = 'unread' | 'good' | 'tight' | 'out' | 'held' | 'waived';

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
  /**
   * Why what was read or looked at no longer counts: it has rained on ground and banks, or a form
   * top is from before the morning.
   */
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

/**
 * From when on something counts: ground that was looked at before the last rain, a form top that
 * was read before the morning of the pour, do not.
 */
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

/**
 * Checks of which nothing has been noted, as they stand: thousands of them on a large pour, the
 * same at every entry.
 */
const untouched = new WeakMap<CheckPoint, PointState>();

/**
 * Every check point with its places, verdicts and readings. A check that nobody has touched is the
 * same object each time.
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
