import type { Hold, PourDoc } from '../model/pour.ts';
import { entries, latest, type PourState } from '../pourlog/state.ts';
import { RULE_CATALOG } from '../rules/catalog.ts';
import { ruleText, type RuledSite } from '../rules/rules.ts';
import type { UnitSystem } from '../units/measure.ts';
import type { PointState, Verdict } from './judge.ts';

/** Minutes a thing that holds the pour usually needs (site practice). */
const MINUTES = { unread: 1, out: 10, fixed: 2, own: 2, inspection: 20 };

/** One thing that holds the pour. */
export interface HoldRow {
  kind: 'out' | 'unread' | 'question' | 'sign' | 'reject';
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
  signs: { hold: Hold; state: 'missing' | 'passed' | 'rejected' | 'reopened'; actor: string | null; at: string | null; reason: string | null }[];
}

const COUNTED: Verdict[] = ['unread', 'good', 'tight', 'out', 'held', 'waived'];

/** What the gate has to know of the site: its rules, and the units to say them in. */
type GatedSite = RuledSite & { units: UnitSystem };

/** Rules changed after a sign-off, as they are said. */
const changesSince = (site: GatedSite, at: string): string[] => (site.ruleChanges ?? []).filter((c) => Date.parse(c.at) >= Date.parse(at)).map((c) => `${RULE_CATALOG[c.rule].title.toLowerCase()} ${c.value === null ? 'back to the profile' : `now ${ruleText(c.rule, c.value, site.units)}`}, by ${c.by}`);

/** A sign-off counts for the plan it was given on; a later plan opens it again. */
function signOf(site: GatedSite, state: PourState, hold: Hold, planVersion: number): Gate['signs'][number] {
  const sign = latest(state, 'sign', (e) => e.body.hold === hold);
  if (!sign) return { hold, state: 'missing', actor: null, at: null, reason: null };
  const base = { hold, actor: sign.actor, at: sign.at, reason: sign.body.reason ?? null };
  if (sign.body.result === 'reject') return { ...base, state: 'rejected' };
  if (sign.body.planVersion < planVersion) return { ...base, state: 'reopened', reason: [`signed on plan ${sign.body.planVersion}, the plan is now ${planVersion}`, ...changesSince(site, sign.at)].join('; ') };
  return { ...base, state: 'passed' };
}

/** Whether the pour may go on, and everything that holds it. */
export function gateOf(site: GatedSite, pour: PourDoc, points: PointState[], state: PourState, planVersion: number): Gate {
  const rows: HoldRow[] = [];
  const unread = { count: 0, first: null as PointState | null };
  const counts: Record<Verdict, number> = { unread: 0, good: 0, tight: 0, out: 0, held: 0, waived: 0 };
  for (const p of points) {
    for (const place of p.places) {
      counts[place.verdict] += 1;
      if (place.verdict === 'out') rows.push({ kind: 'out', verdict: 'out', ref: p.point.id, elementId: p.point.elementId, place: place.index, count: 1, minutes: place.fix ? MINUTES.fixed : MINUTES.out });
    }
    const left = p.wanted - p.read;
    if (left > 0) { unread.count += left; unread.first ??= p; }
  }
  const answered = new Set(entries(state, 'answer').map((e) => e.body.questionId));
  for (const q of entries(state, 'question')) {
    if (answered.has(q.id)) continue;
    counts.held += 1;
    rows.push({ kind: 'question', verdict: 'held', ref: q.id, elementId: q.body.elementIds[0] ?? null, place: null, count: 1, minutes: null });
  }
  if (unread.count > 0) rows.push({ kind: 'unread', verdict: 'unread', ref: unread.first?.point.id ?? '', elementId: unread.first?.point.elementId ?? null, place: unread.first?.places.findIndex((p) => p.verdict === 'unread') ?? null, count: unread.count, minutes: unread.count * MINUTES.unread });
  const signs = pour.holds.map((h) => signOf(site, state, h, planVersion));
  for (const s of signs) if (s.state !== 'passed') rows.push({ kind: s.state === 'rejected' ? 'reject' : 'sign', verdict: 'held', ref: s.hold, elementId: null, place: null, count: 1, minutes: MINUTES[s.hold] });
  const override = latest(state, 'override');
  const minutes = rows.some((r) => r.minutes === null) ? null : rows.reduce((s, r) => s + (r.minutes ?? 0), 0);
  const read = COUNTED.filter((v) => v !== 'unread' && v !== 'held').reduce((s, v) => s + counts[v], 0);
  return {
    ready: rows.length === 0 || override !== undefined,
    overridden: override ? { reason: override.body.reason, actor: override.actor, at: override.at } : null,
    rows, minutes, read, wanted: read + counts.unread, counts, signs,
  };
}
