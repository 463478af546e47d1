import { z } from 'zod';
import { anyNumber, freshTemperature, nonNegative, positive, share, temperature, wholeOrNone } from '../register/fields.ts';
import { BAR_NAMES } from '../steel/bars.ts';
import { HOLDS } from './pour.ts';

/**
 * What can be written to the log of a pour, by kind. Bodies hold what was seen, never a verdict the core can
 * compute. To add a kind: add its body here, take it up in pourlog/state.ts, and write its test there.
 */
const text = (most = 500) => z.string().trim().min(1, 'is empty').max(most, `is longer than ${most} characters`);
const id = () => z.string().min(1, 'is empty').max(120, 'is too long');
const placeIndex = () => wholeOrNone().lte(500);

export const EVENT_BODIES = {
  /** A tape, count or bar-size reading at one place of a check point. */
  reading: z.object({
    checkId: id(), place: placeIndex(),
    value: z.discriminatedUnion('type', [
      z.object({ type: z.literal('length'), mm: anyNumber().gte(-100_000).lte(1_000_000) }),
      z.object({ type: z.literal('count'), count: wholeOrNone().lte(10_000) }),
      z.object({ type: z.literal('spacing'), overMm: positive().lte(1_000_000), spaces: wholeOrNone().gt(0, 'must be above 0').lte(500) }),
      z.object({ type: z.literal('bar'), bar: z.enum(BAR_NAMES, { error: 'is not a bar the table knows' }) }),
    ], { error: 'must have a type: length, count, spacing or bar' }),
  }),
  /** What only an eye can judge: passed, failed, or does not apply (with a reason). */
  mark: z.object({ checkId: id(), place: placeIndex().default(0), result: z.enum(['pass', 'fail', 'na'], { error: 'must be pass, fail or na' }), reason: text().optional() })
    .refine((m) => m.result === 'pass' || m.reason !== undefined, { path: ['reason'], message: 'is missing: say why it fails or does not apply' }),
  /** What was done about a failed point; a new reading has to follow. */
  fix: z.object({ checkId: id(), place: placeIndex(), what: text() }),
  sign: z.object({ hold: z.enum(HOLDS, { error: 'must be own or inspection' }), result: z.enum(['pass', 'reject'], { error: 'must be pass or reject' }), planVersion: wholeOrNone(), reason: text().optional() })
    .refine((s) => s.result === 'pass' || s.reason !== undefined, { path: ['reason'], message: 'is missing: say why it is rejected' }),
  override: z.object({ reason: text() }),
  question: z.object({ number: wholeOrNone(), elementIds: z.array(id()).min(1, 'must name at least one run'), text: text(2000), to: text(80) }),
  answer: z.object({ questionId: id(), text: text(2000), role: text(80) }),
  note: z.object({ text: text(2000) }),
  weather: z.object({ airTempC: temperature(), humidity: share().optional(), windKmH: nonNegative().lte(300).optional(), sky: z.enum(['clear', 'cloud', 'rain', 'snow', 'fog'], { error: 'must be clear, cloud, rain, snow or fog' }), rainMmH: nonNegative().lte(300).optional() }),
  'load-arrived': z.object({ loadId: id(), ticket: text(40), volumeM3: positive().lte(20), batchedAt: z.iso.datetime({ error: 'must be a time with its zone' }), concreteTempC: freshTemperature().optional() }),
  slump: z.object({ loadId: id(), measuredMm: nonNegative().lte(300), where: z.enum(['truck', 'hose'], { error: 'must be truck or hose' }) }),
  /** The foreman's own decision on a load; what the core says of it is computed. */
  'load-verdict': z.object({ loadId: id(), decision: z.enum(['accept', 'reject'], { error: 'must be accept or reject' }), reason: text().optional() }),
  'load-end': z.object({ loadId: id(), returnedM3: nonNegative().lte(20) }),
  'place-start': z.object({ elementId: id(), lift: wholeOrNone().lte(12), loadId: id().optional() }),
  /** Placing stops; how much of that run and lift now stands filled. */
  'place-stop': z.object({ elementId: id(), lift: wholeOrNone().lte(12), filledRatio: share() }),
  incident: z.object({ text: text(2000), elementId: id().optional() }),
  /** Temperature of the concrete where a probe or a gun was put. */
  probe: z.object({ tempC: temperature(), where: text(80).optional() }),
  strip: z.object({ elementIds: z.array(id()).min(1, 'must name at least one run') }),
  defect: z.object({ elementId: id(), what: text() }),
  'break-test': z.object({ ageDays: positive().lte(400), strengthMPa: positive().lte(200), loadId: id().optional() }),
  /** A calculation run by itself and kept with the pour: what was put in. What came out is worked out anew. */
  worked: z.object({ calculation: z.string().min(1, 'is empty').max(60), input: z.record(z.string().max(60), z.unknown()), note: text(300).optional() }),
  close: z.object({ reason: text().optional() }),
  reopen: z.object({ reason: text() }),
  /** Takes an earlier entry back; the entry stays in the log. */
  supersede: z.object({ reason: text().optional() }),
} as const;

export const EVENT_KINDS = Object.keys(EVENT_BODIES) as [EventKind, ...EventKind[]];
export type EventKind = keyof typeof EVENT_BODIES;
export type EventBody<K extends EventKind> = z.output<(typeof EVENT_BODIES)[K]>;
/** An entry as the reducer sees it: what, when by the device's clock, by whom, and what it corrects. */
export type LogEvent<K extends EventKind = EventKind> = { [P in K]: { id: string; at: string; actor: string; kind: P; body: EventBody<P>; supersedes?: string | null } }[K];
export type ReadingValue = EventBody<'reading'>['value'];
