import type { PourDoc } from '#core/model';
import { entries, latest, type LogEvent, openQuestions, type PourState, replay } from '#core/log';
import { rulesOf } from '#core/rules';
import { levelsOf } from './levels.ts';
import { levelsAgainMs } from './levels-again.ts';
import { judgeAll, type PointState, type Verdict } from './judge.ts';
import { holdsOf, signOf, type GatedSite, type SignState } from './signs.ts';
import { usualSizes } from './usual.ts';
import { typeChanges, withAdded, type CheckPoint } from './points/index.ts';

/** Minutes a thing that holds the pour usually needs (site practice). */
const MINUTES = {
  unread: 1,
  out: 10,
  fixed: 2,
  change: 1,
  usual: 2,
  loop: 15,
  own: 2,
  dowels: 20,
  inspection: 20,
};

/** One thing that holds the pour. */
export interface HoldRow {
  kind:
    | 'out'
    | 'unread'
    | 'question'
    | 'change'
    | 'usual'
    | 'loop'
    | 'sign'
    | 'reject'
    | 'pressure'
    | 'reach'
    | 'apart';
  verdict: Verdict;
  /** The check, question or hold point it is about. */
  ref: string;
  elementId: string | null;
  place: number | null;
  count: number;
  minutes: number | null;
  /** The figure that says why, where the plan holds it: kPa on the forms, m out of reach, m apart. */
  amount?: number;
}

/** Open: nothing holds it. Held: something does. Against: something does, and it is poured all the same. */
type GateState = 'open' | 'held' | 'against';

export interface Gate {
  state: GateState;
  /** Nothing stands in the way of placing: it is open, or somebody said why it is poured all the same. */
  ready: boolean;
  overridden: { reason: string; actor: string; at: string } | null;
  rows: HoldRow[];
  /** Minutes until ready if everything is done one after the other; null when somebody else decides. */
  minutes: number | null;
  read: number;
  wanted: number;
  counts: Record<Verdict, number>;
  signs: SignState[];
}

const COUNTED: Verdict[] = ['unread', 'good', 'tight', 'out', 'held', 'waived'];

/** The level loop of the pour as it was read last, held to the site's own limit of closing. */
function levelLoop(site: GatedSite, pour: PourDoc, state: PourState) {
  const closeMm = rulesOf(site).value('levelClose');
  return levelsOf(site, pour, state, { topMm: 0, bottomMm: 0, closeMm });
}

/** How much is unread, and the first check of it. */
interface Unread {
  count: number;
  first: PointState | null;
}

/**
 * Whether the pour may go on, and everything that holds it.
 * @param planned what the plan itself holds it by: forms over their rating, what the pump does not reach
 */
export function gateOf(
  site: GatedSite,
  pour: PourDoc,
  points: PointState[],
  state: PourState,
  planned: readonly HoldRow[] = [],
): Gate {
  const rows: HoldRow[] = [...planned];
  const unread: Unread = { count: 0, first: null };
  const counts: Record<Verdict, number> = {
    unread: 0,
    good: 0,
    tight: 0,
    out: 0,
    held: 0,
    waived: 0,
  };
  countPlaces(points, counts, rows, unread);
  pushQuestions(state, counts, rows);
  if (unread.count > 0)
    rows.push({
      kind: 'unread',
      verdict: 'unread',
      ref: unread.first?.point.id ?? '',
      elementId: unread.first?.point.elementId ?? null,
      place: unread.first?.places.findIndex((p) => p.verdict === 'unread') ?? null,
      count: unread.count,
      minutes: unread.count * MINUTES.unread,
    });
  pushChanges(state, site, pour, rows, counts);
  pushUsual(site, pour, rows, counts);
  const signs = pushLoopAndSigns(site, pour, state, rows);
  const override = latest(state, 'override');
  const minutes = rows.some((r) => r.minutes === null)
    ? null
    : rows.reduce((s, r) => s + (r.minutes ?? 0), 0);
  const read = COUNTED.filter((v) => v !== 'unread' && v !== 'held').reduce(
    (s, v) => s + counts[v],
    0,
  );
  const passed = override ? 'against' : 'held';
  return {
    state: rows.length === 0 ? 'open' : passed,
    ready: rows.length === 0 || override !== undefined,
    overridden: override
      ? { reason: override.body.reason, actor: override.actor, at: override.at }
      : null,
    rows,
    minutes,
    read,
    wanted: read + counts.unread,
    counts,
    signs,
  };
}

/** A level loop that does not close, and the signatures that are missing; answers how each hold is signed. */
function pushLoopAndSigns(site: GatedSite, pour: PourDoc, state: PourState, rows: HoldRow[]) {
  const levels = levelLoop(site, pour, state);
  if (levels.closes === false)
    rows.push({
      kind: 'loop',
      verdict: 'out',
      ref: 'levels',
      elementId: null,
      place: null,
      count: 1,
      minutes: MINUTES.loop,
    });
  const signs = holdsOf(site, pour).map((h) => signOf(site, pour, state, h));
  for (const s of signs)
    if (s.state !== 'passed')
      rows.push({
        kind: s.state === 'rejected' ? 'reject' : 'sign',
        verdict: 'held',
        ref: s.hold,
        elementId: null,
        place: null,
        count: 1,
        minutes: MINUTES[s.hold],
      });
  return signs;
}

/** Questions that nobody has answered. */
function pushQuestions(state: PourState, counts: Record<Verdict, number>, rows: HoldRow[]) {
  for (const q of openQuestions(state)) {
    counts.held += 1;
    rows.push({
      kind: 'question',
      verdict: 'held',
      ref: q.id,
      elementId: q.entry.body.elementIds[0] ?? null,
      place: null,
      count: 1,
      minutes: null,
    });
  }
}

/** Changes of type that nobody has looked at. */
function pushChanges(
  state: PourState,
  site: GatedSite,
  pour: PourDoc,
  rows: HoldRow[],
  counts: Record<Verdict, number>,
) {
  const seen = new Set(entries(state, 'seen').map((e) => e.body.change));
  const unseen = typeChanges(site, pour.elements).filter((c) => !seen.has(c.id));
  for (const c of unseen)
    rows.push({
      kind: 'change',
      verdict: 'held',
      ref: c.id,
      elementId: c.toRun,
      place: null,
      count: 1,
      minutes: MINUTES.change,
    });
  counts.held += unseen.length;
}

/** Sizes that are only usual: what would be read against them is read against nothing. */
function pushUsual(
  site: GatedSite,
  pour: PourDoc,
  rows: HoldRow[],
  counts: Record<Verdict, number>,
) {
  const sizes = usualSizes(site, pour);
  for (const { mark, elementId } of sizes)
    rows.push({
      kind: 'usual',
      verdict: 'held',
      ref: mark,
      elementId,
      place: null,
      count: 1,
      minutes: MINUTES.usual,
    });
  counts.held += sizes.length;
}

/** Counts every place by its verdict, and puts down what is out. */
function countPlaces(
  points: PointState[],
  counts: Record<Verdict, number>,
  rows: HoldRow[],
  unread: Unread,
) {
  for (const p of points) {
    if (p.read === 0) counts.unread += p.wanted;
    else
      for (const place of p.places) {
        counts[place.verdict] += 1;
        if (place.verdict === 'out')
          rows.push({
            kind: 'out',
            verdict: 'out',
            ref: p.point.id,
            elementId: p.point.elementId,
            place: place.index,
            count: 1,
            minutes: place.fix ? MINUTES.fixed : MINUTES.out,
          });
      }
    const left = p.wanted - p.read;
    if (left > 0) {
      unread.count += left;
      unread.first ??= p;
    }
  }
}

/**
 * The gate as it stood at a moment: by the entries made until then, and without the changes of plan
 * and rules made since.
 * @param log every entry that counts, in any order
 */
export function gateWhen(
  site: GatedSite,
  pour: PourDoc,
  points: CheckPoint[],
  log: readonly LogEvent[],
  ms: number,
  planned: readonly HoldRow[] = [],
): Gate {
  const until = <T extends { at: string }>(list: readonly T[] | undefined): T[] =>
    (list ?? []).filter((x) => Date.parse(x.at) <= ms);
  const then = {
    ...site,
    planChanges: until(site.planChanges),
    ruleChanges: until(site.ruleChanges),
  };
  const state = replay(until(log));
  const judged = judgeAll(
    then,
    withAdded(points, state),
    state,
    levelsAgainMs(then, pour, state, ms),
  );
  return gateOf(then, pour, judged, state, planned);
}
