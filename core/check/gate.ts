import type { PlanChange } from '../model/objects.ts';
import { HOLDS, type Hold, type PourDoc } from '../model/pour.ts';
import type { SitePlan } from '../model/site.ts';
import type { LogEvent } from '../log/events.ts';
import { entries, latest, replay, type PourState } from '../log/state.ts';
import { RULE_CATALOG } from '../rules/catalog.ts';
import { rulesOf, ruleText, type RuledSite } from '../rules/rules.ts';
import { levelsOf } from './levels.ts';
import { levelsAgainMs } from './levels-again.ts';
import { judgeAll, type PointState, type Verdict } from './judge.ts';
import { typeChanges, withAdded, type CheckPoint } from './points/index.ts';

/** Minutes a thing that holds the pour usually needs (site practice). */
const MINUTES = {
  unread: 1,
  out: 10,
  fixed: 2,
  change: 1,
  loop: 15,
  own: 2,
  dowels: 20,
  inspection: 20,
};

/** One thing that holds the pour. */
export interface HoldRow {
  kind: 'out' | 'unread' | 'question' | 'change' | 'loop' | 'sign' | 'reject';
  verdict: Verdict;
  /** The check, question or hold point it is about. */
  ref: string;
  elementId: string | null;
  place: number | null;
  count: number;
  minutes: number | null;
}

export interface Gate {
  ready: boolean;
  overridden: { reason: string; actor: string; at: string } | null;
  rows: HoldRow[];
  /** Minutes until ready if everything is done one after the other; null when somebody else decides. */
  minutes: number | null;
  read: number;
  wanted: number;
  counts: Record<Verdict, number>;
  signs: {
    hold: Hold;
    state: 'missing' | 'passed' | 'rejected' | 'reopened';
    actor: string | null;
    at: string | null;
    reason: string | null;
    /** The sign-off itself, to be taken back. */
    entryId: string | null;
  }[];
}

const COUNTED: Verdict[] = ['unread', 'good', 'tight', 'out', 'held', 'waived'];

/** What the gate has to know of the site. */
type GatedSite = SitePlan & RuledSite;

/** Rules changed after a sign-off, as they are said. */
const rulesSince = (site: GatedSite, at: string): string[] =>
  (site.ruleChanges ?? [])
    .filter((c) => Date.parse(c.at) >= Date.parse(at))
    .map(
      (c) =>
        `${RULE_CATALOG[c.rule].title.toLowerCase()} ${c.value === null ? 'back to the profile' : `now ${ruleText(c.rule, c.value, site.units)}`}, by ${c.by}`,
    );
/** What a hold point is signed for: the dowel inspection for the elements that dowels are drilled into, the others for the whole pour. */
export function coveredBy(site: SitePlan, pour: PourDoc, hold: Hold): string[] {
  if (hold !== 'dowels') return pour.elements;
  const drilled = new Set(site.anchors.filter((a) => a.drilled === true).map((a) => a.elementId));
  return pour.elements.filter((e) => drilled.has(e));
}

/** Whether an element stands otherwise now than on a version of the plan. A change that kept no states counts as one. */
function standsOtherwise(changes: PlanChange[], element: string): boolean {
  const own = changes.filter((c) => c.elements.includes(element));
  const first = own[0]?.states?.[element];
  const last = own.at(-1)?.states?.[element];
  return own.length > 0 && (!first || !last || first[0] !== last[1]);
}

/** Changes of the plan after a version that bear on elements which do not stand again as they stood on it. */
function planSince(site: GatedSite, covered: string[], version: number): PlanChange[] {
  const later = site.planChanges.filter((c) => c.version > version);
  const changed = new Set(covered.filter((e) => standsOtherwise(later, e)));
  return later.filter((c) => c.elements.some((e) => changed.has(e)));
}

/** A sign-off counts for the plan it was given on; a later change of what it covers opens it again, and says why. */
function signOf(
  site: GatedSite,
  pour: PourDoc,
  state: PourState,
  hold: Hold,
): Gate['signs'][number] {
  const sign = latest(state, 'sign', (e) => e.body.hold === hold);
  if (!sign) return { hold, state: 'missing', actor: null, at: null, reason: null, entryId: null };
  const base = {
    hold,
    actor: sign.actor,
    at: sign.at,
    reason: sign.body.reason ?? null,
    entryId: sign.id,
  };
  if (sign.body.result === 'reject') return { ...base, state: 'rejected' };
  const why = [
    ...planSince(site, coveredBy(site, pour, hold), sign.body.planVersion).map(
      (c) => `${c.what}, by ${c.by}`,
    ),
    ...rulesSince(site, sign.at),
  ];
  return why.length
    ? {
        ...base,
        state: 'reopened',
        reason: `signed on plan ${sign.body.planVersion}; since then ${why.join('; ')}`,
      }
    : { ...base, state: 'passed' };
}

/** The hold points of a pour: those it names, and the special inspection wherever dowels are drilled and glued. */
export function holdsOf(site: SitePlan, pour: PourDoc): Hold[] {
  const drilled = site.anchors.some(
    (a) => a.drilled === true && pour.elements.includes(a.elementId),
  );
  return HOLDS.filter((h) => pour.holds.includes(h) || (h === 'dowels' && drilled));
}

/** The level loop of the pour as it was read last, held to the site's own limit of closing. */
function levelLoop(site: GatedSite, pour: PourDoc, state: PourState) {
  const closeMm = rulesOf(site).value('levelClose');
  return levelsOf(site, pour, state, { topMm: 0, bottomMm: 0, closeMm });
}

/** Whether the pour may go on, and everything that holds it. */
export function gateOf(
  site: GatedSite,
  pour: PourDoc,
  points: PointState[],
  state: PourState,
): Gate {
  const rows: HoldRow[] = [];
  const unread = { count: 0, first: null as PointState | null };
  const counts: Record<Verdict, number> = {
    unread: 0,
    good: 0,
    tight: 0,
    out: 0,
    held: 0,
    waived: 0,
  };
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
  const answered = new Set(entries(state, 'answer').map((e) => e.body.questionId));
  for (const q of entries(state, 'question')) {
    if (answered.has(q.id)) continue;
    counts.held += 1;
    rows.push({
      kind: 'question',
      verdict: 'held',
      ref: q.id,
      elementId: q.body.elementIds[0] ?? null,
      place: null,
      count: 1,
      minutes: null,
    });
  }
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
  const override = latest(state, 'override');
  const minutes = rows.some((r) => r.minutes === null)
    ? null
    : rows.reduce((s, r) => s + (r.minutes ?? 0), 0);
  const read = COUNTED.filter((v) => v !== 'unread' && v !== 'held').reduce(
    (s, v) => s + counts[v],
    0,
  );
  return {
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

/**
 * The gate as it stood at a moment: by the entries made until then, and without the changes of plan and rules made since.
 * @param log every entry that counts, in any order
 */
export function gateWhen(
  site: GatedSite,
  pour: PourDoc,
  points: CheckPoint[],
  log: readonly LogEvent[],
  ms: number,
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
  return gateOf(then, pour, judged, state);
}
