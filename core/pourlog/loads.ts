import type { Mix, RuleProfile } from '#core/model';
import { entries, latest, type LogEvent, type PourState } from '#core/log';
import { evaluate } from '#core/kit';
import { firstThatStays, verdictOn } from './first-load.ts';
import { type JudgedSlump, judgeSlump } from './slump.ts';
import type { OrderedLoad, PlannedLoad } from './order.ts';
import { type Fault, loadVerdict } from '#core/concrete';

/** What a truck goes through on the day, in its order; `back` is sent away before it is empty. */
export type LoadStage = 'due' | 'gate' | 'chute' | 'empty' | 'washed' | 'back';

/** One load as it stands: on the road, at the chute, discharging, done, or sent back. */
export interface LoadState {
  id: string;
  ticket: string | null;
  volumeM3: number | null;
  /** What was ordered for it; null for a load nobody ordered. */
  plannedM3: number | null;
  /** When it is to be batched, as it was ordered; null for what is mixed on the site, or came unordered. */
  batchAt: string | null;
  batchedAt: string | null;
  arrivedAt: string | null;
  firstPlacedAt: string | null;
  endedAt: string | null;
  returnedM3: number | null;
  concreteTempC: number | null;
  slump: {
    measuredMm: number;
    where: 'truck' | 'hose';
    at: string;
    verdict: 'accept' | 'low' | 'high';
    lowMm: number;
    highMm: number;
    marginMm: number;
    input: unknown;
    /** Readings since water went in last: one that is out is tried once more, on a new sample. */
    tries: number;
  } | null;
  /** Where it is: as it was said last, or as what was logged of it implies. */
  stage: LoadStage;
  /** The mix on its ticket, where that was looked at. */
  mix: string | null;
  airRatio: number | null;
  /** How often its air was read. */
  airTries: number;
  /** Water that went in on the site, L; a slump that was read before it no longer counts. */
  addedL: number;
  decision: 'accept' | 'reject' | null;
  /** What was said for it. */
  reason: string | null;
  /** What spoke against it, at its end or now; empty for a good load. */
  faults: Fault[];
  /** Minutes from batching to its end, or to `nowMs` while it is here. */
  ageMin: number | null;
  overAge: boolean;
  /** What the core advises now. */
  advice:
    | 'await'
    | 'slump'
    | 'air'
    | 'accept'
    | 'tooStiff'
    | 'tooWet'
    | 'wrongMix'
    | 'airOff'
    | 'tooOld'
    | 'tooHot'
    | 'tooCold'
    | 'done'
    | 'sentBack';
  /** What load-verdict was given; null while it is on the road. */
  working: unknown;
}

/** What a fault of load-verdict asks of the foreman, most pressing first. */
const ADVICE: [Fault, LoadState['advice']][] = [
  ['mix', 'wrongMix'],
  ['age', 'tooOld'],
  ['hot', 'tooHot'],
  ['cold', 'tooCold'],
  ['air', 'airOff'],
  ['wet', 'tooWet'],
  ['stiff', 'tooStiff'],
];
/** A fault of a load in words. */
export const FAULT_WORDS: Record<Fault, string> = {
  age: 'too old',
  hot: 'too hot',
  cold: 'too cold',
  air: 'its air is not what was ordered',
  wet: 'too wet',
  stiff: 'too stiff',
  mix: 'not the mix that was ordered',
};
/** Advice that speaks against placing a load. */
export const speaksAgainst = (advice: LoadState['advice']): boolean =>
  ADVICE.some(([, a]) => a === advice);

/**
 * @param slumpKnown the slump of an earlier batch was read: every truck has its own, batches are alike
 * @param airAsked its air is to be read: it was ordered, and this is the first load
 */
function adviceOf(
  l: Omit<LoadState, 'advice' | 'working' | 'stage'>,
  faults: Fault[],
  slumpKnown: boolean,
  airAsked: boolean,
): LoadState['advice'] {
  if (l.decision === 'reject') return 'sentBack';
  if (l.endedAt) return 'done';
  if (!l.arrivedAt) return 'await';
  const read = l.slump !== null || (l.ticket === null && slumpKnown);
  const against = ADVICE.find(([fault]) => faults.includes(fault));
  if (against) return against[1];
  if (!read) return 'slump';
  return airAsked && l.airRatio === null && l.decision === null ? 'air' : 'accept';
}

/** Water that went into a load, and its slump since. */
function wetnessOf(state: PourState, id: string) {
  const added = entries(state, 'water').filter((e) => e.body.loadId === id);
  const wateredMs = Math.max(-Infinity, ...added.map((e) => Date.parse(e.at)));
  return {
    addedL: added.reduce((sum, e) => sum + e.body.addedL, 0),
    slumps: entries(state, 'slump').filter(
      (e) => e.body.loadId === id && Date.parse(e.at) >= wateredMs,
    ),
  };
}

/** Air and temperature as they were read last, and what the truck was last said to do. */
function readOf(state: PourState, id: string, arrived: LogEvent<'load-arrived'> | undefined) {
  const airs = entries(state, 'fresh-test').filter(
    (e) => e.body.loadId === id && e.body.airRatio !== undefined,
  );
  const air = airs.at(-1);
  const warm = latest(
    state,
    'fresh-test',
    (e) => e.body.loadId === id && e.body.concreteTempC !== undefined,
  );
  return {
    airRatio: air?.body.airRatio ?? null,
    airTries: airs.length,
    concreteTempC: warm?.body.concreteTempC ?? arrived?.body.concreteTempC ?? null,
    step: latest(state, 'load-step', (e) => e.body.loadId === id)?.body.step ?? null,
  };
}

function stageOf(
  l: Pick<LoadState, 'arrivedAt' | 'firstPlacedAt' | 'endedAt' | 'decision'>,
  step: 'chute' | 'washed' | null,
): LoadStage {
  if (step === 'washed') return 'washed';
  if (l.decision === 'reject') return 'back';
  if (l.endedAt !== null) return 'empty';
  if (step === 'chute' || l.firstPlacedAt !== null) return 'chute';
  return l.arrivedAt === null ? 'due' : 'gate';
}

const slumpOf = (
  read: LogEvent<'slump'> | undefined,
  judged: JudgedSlump | null,
  tries: number,
): LoadState['slump'] =>
  read && judged
    ? {
        measuredMm: read.body.measuredMm,
        where: read.body.where,
        at: read.at,
        ...judged.result,
        input: judged.input,
        tries,
      }
    : null;

/**
 * Every load the log or the order knows, ordered ones first in their order.
 * @param planned what is on order; what is planned where it is mixed on the site
 */
export function loadsOf(
  state: PourState,
  planned: readonly (PlannedLoad & Partial<Pick<OrderedLoad, 'batchAt'>>)[],
  mix: Mix,
  profile: RuleProfile,
  nowMs: number,
): LoadState[] {
  const ids = planned.map((p) => p.id);
  for (const e of entries(state, 'load-arrived'))
    if (!ids.includes(e.body.loadId)) ids.push(e.body.loadId);
  const slumpKnown = entries(state, 'slump').length > 0;
  const first = firstThatStays(state);
  return ids.map((id) => {
    const arrived = latest(state, 'load-arrived', (e) => e.body.loadId === id);
    const { addedL, slumps } = wetnessOf(state, id);
    const slump = slumps.at(-1);
    const verdict = verdictOn(state, id);
    const ended = latest(state, 'load-end', (e) => e.body.loadId === id);
    const placed = entries(state, 'place-start').find((e) => e.body.loadId === id);
    const judged = slump ? judgeSlump(mix, profile, slump.body.measuredMm, slump.body.where) : null;
    const sentBack = verdict?.body.decision === 'reject' ? verdict : null;
    const untilMs = ageUntil(state, id, ended ?? sentBack) ?? nowMs;
    const ageMin = arrived ? (untilMs - Date.parse(arrived.body.batchedAt)) / 60000 : null;
    // A batch time after now is a clock that runs ahead: the load counts as fresh.
    const read = readOf(state, id, arrived);
    const judgedLoad = judgeLoad(ageMin, mix, judged, read, arrived?.body.mix);
    const told = judgedLoad?.result.faults ?? [];
    // The most pressing first, as it is advised.
    const faults = ADVICE.flatMap(([fault]) => (told.includes(fault) ? [fault] : []));
    const base = {
      id,
      ticket: arrived?.body.ticket ?? null,
      volumeM3: arrived?.body.volumeM3 ?? null,
      plannedM3: planned.find((p) => p.id === id)?.volumeM3 ?? null,
      batchAt: planned.find((p) => p.id === id)?.batchAt ?? null,
      batchedAt: arrived?.body.batchedAt ?? null,
      arrivedAt: arrived?.at ?? null,
      firstPlacedAt: placed?.at ?? null,
      endedAt: ended?.at ?? null,
      returnedM3: ended?.body.returnedM3 ?? null,
      concreteTempC: read.concreteTempC,
      airRatio: read.airRatio,
      mix: arrived?.body.mix ?? null,
      airTries: read.airTries,
      slump: slumpOf(slump, judged, slumps.length),
      addedL,
      decision: verdict?.body.decision ?? null,
      reason: verdict?.body.reason ?? null,
      faults,
      ageMin,
      overAge: faults.includes('age'),
    };
    return {
      ...base,
      stage: stageOf(base, read.step),
      advice: adviceOf(base, faults, slumpKnown, mix.airRatio !== undefined && id === first),
      working: judgedLoad?.input ?? null,
    };
  });
}

/**
 * When a load ceases to age: when its placing ends, or it is sent back; ms. A truck that was never
 * said to be empty has been, once another was placed from and it was not any more.
 */
function ageUntil(
  state: PourState,
  id: string,
  over: LogEvent<'load-end' | 'load-verdict'> | null | undefined,
): number | null {
  if (over) return Date.parse(over.at);
  const starts = entries(state, 'place-start');
  const own = starts.findLastIndex((e) => e.body.loadId === id);
  if (own < 0) return null;
  const start = starts[own] as LogEvent<'place-start'>;
  const stop = entries(state, 'place-stop').find(
    (e) =>
      e.body.elementId === start.body.elementId &&
      e.body.lift === start.body.lift &&
      Date.parse(e.at) >= Date.parse(start.at),
  );
  const later = starts.slice(own + 1).some((e) => e.body.loadId !== undefined);
  return later && stop ? Date.parse(stop.at) : null;
}

/** What the core says of a load of that age; null before it is here. */
function judgeLoad(
  ageMin: number | null,
  mix: Mix,
  judged: JudgedSlump | null,
  { airRatio, concreteTempC }: Pick<LoadState, 'airRatio' | 'concreteTempC'>,
  ticketMix: string | undefined,
) {
  return ageMin === null
    ? null
    : evaluate(loadVerdict, {
        batchMin: 0,
        nowMin: Math.max(0, ageMin),
        limitMin: mix.maxAgeMin,
        hottestC: mix.hottestC,
        coldestC: mix.coldestC,
        slump: judged?.result.verdict ?? null,
        mixMatches: ticketMix === undefined || ticketMix === mix.mark,
        ...(mix.airRatio === undefined
          ? {}
          : {
              orderedAirRatio: mix.airRatio,
              airTolerance: mix.airLess,
              airMore: mix.airMore,
            }),
        ...(airRatio === null ? {} : { airRatio }),
        ...(concreteTempC === null ? {} : { concreteTempC }),
      });
}
