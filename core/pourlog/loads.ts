import type { Mix } from '../model/pour.ts';
import type { RuleProfile } from '../model/site.ts';
import { evaluate } from '../register/calculation.ts';
import { slumpVerdict } from '../concrete/slump-verdict.ts';
import { entries, latest, type PourState } from './state.ts';

/** One load as it stands: on the road, at the chute, discharging, done, or sent back. */
export interface LoadState {
  id: string;
  ticket: string | null;
  volumeM3: number | null;
  /** What was ordered for it; null for a load beyond the plan. */
  plannedM3: number | null;
  batchedAt: string | null;
  arrivedAt: string | null;
  firstPlacedAt: string | null;
  endedAt: string | null;
  returnedM3: number | null;
  concreteTempC: number | null;
  slump: { measuredMm: number; where: 'truck' | 'hose'; at: string; verdict: 'accept' | 'low' | 'high'; lowMm: number; highMm: number; marginMm: number; input: unknown } | null;
  decision: 'accept' | 'reject' | null;
  /** Minutes from batching to its end, or to `nowMs` while it is here. */
  ageMin: number | null;
  overAge: boolean;
  /** What the core advises now. */
  advice: 'await' | 'slump' | 'accept' | 'tooStiff' | 'tooWet' | 'tooOld' | 'done' | 'sentBack';
}


/** Judges a slump of this mix under the site's rule profile. */
export function judgeSlump(mix: Mix, profile: RuleProfile, measuredMm: number, where: 'truck' | 'hose') {
  return evaluate(slumpVerdict, { targetMm: mix.slumpMm, kind: profile === 'us-aci' ? mix.slumpKind : 'nominal', measuredMm, standard: profile === 'us-aci' ? 'astm' : 'en', at: where, pumpLossMm: mix.pumpLossMm });
}

function adviceOf(l: Omit<LoadState, 'advice'>): LoadState['advice'] {
  if (l.decision === 'reject') return 'sentBack';
  if (l.endedAt) return 'done';
  if (!l.arrivedAt) return 'await';
  if (l.overAge) return 'tooOld';
  if (!l.slump) return 'slump';
  return l.slump.verdict === 'accept' ? 'accept' : l.slump.verdict === 'low' ? 'tooStiff' : 'tooWet';
}

/** A load of the plan: its name and what was ordered for it. */
export interface PlannedLoad { id: string; volumeM3: number }

/** Every load the log or the plan knows, planned ones first in their order. */
export function loadsOf(state: PourState, planned: PlannedLoad[], mix: Mix, profile: RuleProfile, nowMs: number): LoadState[] {
  const ids = planned.map((p) => p.id);
  for (const e of entries(state, 'load-arrived')) if (!ids.includes(e.body.loadId)) ids.push(e.body.loadId);
  return ids.map((id) => {
    const arrived = latest(state, 'load-arrived', (e) => e.body.loadId === id);
    const slump = latest(state, 'slump', (e) => e.body.loadId === id);
    const verdict = latest(state, 'load-verdict', (e) => e.body.loadId === id);
    const ended = latest(state, 'load-end', (e) => e.body.loadId === id);
    const placed = entries(state, 'place-start').find((e) => e.body.loadId === id);
    const judged = slump ? judgeSlump(mix, profile, slump.body.measuredMm, slump.body.where) : null;
    const batchedMs = arrived ? Date.parse(arrived.body.batchedAt) : null;
    const untilMs = ended ? Date.parse(ended.at) : verdict?.body.decision === 'reject' ? Date.parse(verdict.at) : nowMs;
    const ageMin = batchedMs === null ? null : (untilMs - batchedMs) / 60000;
    const base = {
      id, ticket: arrived?.body.ticket ?? null, volumeM3: arrived?.body.volumeM3 ?? null, plannedM3: planned.find((p) => p.id === id)?.volumeM3 ?? null, batchedAt: arrived?.body.batchedAt ?? null, arrivedAt: arrived?.at ?? null,
      firstPlacedAt: placed?.at ?? null, endedAt: ended?.at ?? null, returnedM3: ended?.body.returnedM3 ?? null, concreteTempC: arrived?.body.concreteTempC ?? null,
      slump: slump && judged ? { measuredMm: slump.body.measuredMm, where: slump.body.where, at: slump.at, ...judged.result, input: judged.input } : null,
      decision: verdict?.body.decision ?? null, ageMin, overAge: ageMin !== null && ageMin > mix.maxAgeMin * (1 + 1e-9),
    };
    return { ...base, advice: adviceOf(base) };
  });
}
