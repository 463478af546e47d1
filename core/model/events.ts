import { z } from 'zod';
import {
  anyNumber,
  freshTemperature,
  nonNegative,
  positive,
  share,
  temperature,
  wholeOrNone,
} from '../kit/fields.ts';
import { BAR_NAMES } from './bars.ts';
import { HOLDS } from './pour.ts';

/**
 * What can be written to the log of a pour, by kind. Bodies hold what was seen, never a verdict the core can
 * compute. To add a kind: add its body here, take it up in pourlog/state.ts, and write its test there.
 */
const text = (most = 500) =>
  z.string().trim().min(1, 'is empty').max(most, `is longer than ${most} characters`);
const id = () => z.string().min(1, 'is empty').max(120, 'is too long');
const placeIndex = () => wholeOrNone().lte(500);

/** The height of the slump cone, mm: nothing slumps further. */
export const MOST_SLUMP_MM = 300;

export const EVENT_BODIES = {
  /** A tape, count or bar-size reading at one place of a check point. */
  reading: z.object({
    checkId: id(),
    place: placeIndex(),
    value: z.discriminatedUnion(
      'type',
      [
        z.object({ type: z.literal('length'), mm: anyNumber().gte(-100_000).lte(1_000_000) }),
        z.object({ type: z.literal('count'), count: wholeOrNone().lte(10_000) }),
        z.object({
          type: z.literal('spacing'),
          overMm: positive().lte(1_000_000),
          spaces: wholeOrNone().gt(0, 'must be above 0').lte(500),
        }),
        /** A bolt in its round: there or not, where it stands along the run when that is not at its mark, and how deep it goes and how far it stands out where that was measured. */
        z.object({
          type: z.literal('bolt'),
          there: z.boolean({ error: 'must be true or false' }),
          atMm: nonNegative().lte(1_000_000).nullable().default(null),
          embedmentMm: nonNegative().lte(5000).optional(),
          projectionMm: nonNegative().lte(5000).optional(),
        }),
        z.object({
          type: z.literal('bar'),
          bar: z.enum(BAR_NAMES, { error: 'is not a bar the table knows' }),
        }),
      ],
      { error: 'must have a type: length, count, spacing, bolt or bar' },
    ),
  }),
  /** What only an eye can judge: passed, failed, or does not apply (with a reason). */
  mark: z
    .object({
      checkId: id(),
      place: placeIndex().default(0),
      result: z.enum(['pass', 'fail', 'na'], { error: 'must be pass, fail or na' }),
      reason: text().optional(),
    })
    .refine((m) => m.result === 'pass' || m.reason !== undefined, {
      path: ['reason'],
      message: 'is missing: say why it fails or does not apply',
    }),
  /** What was done about a failed point; a new reading has to follow. */
  fix: z.object({ checkId: id(), place: placeIndex(), what: text() }),
  /** Something to check that the plan does not ask for, added by hand. */
  item: z.object({
    elementId: id(),
    title: text(80),
    trade: z.enum(['ground', 'forms', 'steel', 'anchors', 'access'], {
      error: 'must be ground, forms, steel, anchors or access',
    }),
    places: wholeOrNone().gt(0, 'must be above 0').lte(50).default(1),
    atM: nonNegative().lte(10_000).optional(),
    advice: text().optional(),
    wanted: z.discriminatedUnion(
      'type',
      [
        z.object({ type: z.literal('eye') }),
        z.object({ type: z.literal('count'), wanted: wholeOrNone().lte(10_000) }),
        z.object({
          type: z.literal('size'),
          wantedMm: anyNumber().gte(-100_000).lte(1_000_000),
          minusMm: nonNegative().lte(100_000),
          plusMm: nonNegative().lte(100_000).nullable(),
        }),
      ],
      { error: 'must have a type: eye, count or size' },
    ),
  }),
  /** A photo, tied to what it shows. The picture itself is sent beside the log, under its own id. */
  photo: z.object({
    photoId: z.uuid({ error: 'must be a UUID' }),
    caption: text(300).optional(),
    about: z.discriminatedUnion(
      'type',
      [
        z.object({
          type: z.literal('place'),
          checkId: id(),
          place: placeIndex(),
          moment: z.enum(['before', 'after'], { error: 'must be before or after' }).optional(),
        }),
        z.object({ type: z.literal('question'), questionId: id() }),
        z.object({ type: z.literal('element'), elementId: id() }),
      ],
      { error: 'must have a type: place, question or element' },
    ),
  }),
  /** A change of type along the way was seen: somebody stood there and read what takes over. */
  seen: z.object({ change: id() }),
  /** The level is set up: rod on a known point, read from the instrument. */
  setup: z.object({ onId: id(), backSightM: nonNegative().lte(10) }),
  /** A level read from the set-up: of a point to be set out, of a turning point, or back on the benchmark. */
  level: z.object({ setupId: id(), pointId: id(), rodM: nonNegative().lte(10) }),
  /** Four corners measured round and across. */
  square: z.object({
    corners: z.array(id()).length(4, 'must name four corners'),
    sidesM: z.array(positive().lte(10_000)).length(4, 'must hold four sides'),
    diagonalsM: z.array(positive().lte(10_000)).length(2, 'must hold two diagonals'),
  }),
  /** Offsets of a form from its string line. */
  line: z.object({
    elementId: id(),
    offsets: z
      .array(
        z.object({
          atM: nonNegative().lte(10_000),
          offsetMm: anyNumber().gte(-10_000).lte(10_000),
        }),
      )
      .min(2, 'must hold at least two')
      .max(200),
  }),
  sign: z
    .object({
      hold: z.enum(HOLDS, { error: `must be one of ${HOLDS.join(', ')}` }),
      result: z.enum(['pass', 'reject'], { error: 'must be pass or reject' }),
      planVersion: wholeOrNone(),
      reason: text().optional(),
    })
    .refine((s) => s.result === 'pass' || s.reason !== undefined, {
      path: ['reason'],
      message: 'is missing: say why it is rejected',
    }),
  override: z.object({ reason: text() }),
  question: z.object({
    number: wholeOrNone(),
    elementIds: z.array(id()).min(1, 'must name at least one run'),
    text: text(2000),
    to: text(80),
  }),
  answer: z.object({ questionId: id(), text: text(2000), role: text(80) }),
  note: z.object({ text: text(2000) }),
  weather: z.object({
    airTempC: temperature(),
    humidity: share().optional(),
    windKmH: nonNegative().lte(300).optional(),
    sky: z.enum(['clear', 'cloud', 'rain', 'snow', 'fog'], {
      error: 'must be clear, cloud, rain, snow or fog',
    }),
    rainMmH: nonNegative().lte(300).optional(),
  }),
  'load-arrived': z.object({
    loadId: id(),
    ticket: text(40),
    volumeM3: positive().lte(20),
    batchedAt: z.iso.datetime({ error: 'must be a time with its zone' }),
    concreteTempC: freshTemperature().optional(),
  }),
  slump: z.object({
    loadId: id(),
    measuredMm: nonNegative().lte(MOST_SLUMP_MM),
    where: z.enum(['truck', 'hose'], { error: 'must be truck or hose' }),
  }),
  /** The foreman's own decision on a load; what the core says of it is computed. */
  'load-verdict': z.object({
    loadId: id(),
    decision: z.enum(['accept', 'reject'], { error: 'must be accept or reject' }),
    reason: text().optional(),
  }),
  'load-end': z.object({ loadId: id(), returnedM3: nonNegative().lte(20) }),
  'place-start': z.object({
    elementId: id(),
    lift: wholeOrNone().lte(12),
    loadId: id().optional(),
  }),
  /** Placing stops; how much of that run and lift now stands filled. */
  'place-stop': z.object({ elementId: id(), lift: wholeOrNone().lte(12), filledRatio: share() }),
  /** A task of the pour day, such as bolts pushed into the fresh top: done, or not and why. */
  task: z
    .object({
      taskId: id(),
      result: z.enum(['done', 'notDone'], { error: 'must be done or notDone' }),
      reason: text().optional(),
    })
    .refine((t) => t.result === 'done' || t.reason !== undefined, {
      path: ['reason'],
      message: 'is missing: say why it was not done',
    }),
  incident: z.object({ text: text(2000), elementId: id().optional() }),
  /** Temperature of the concrete where a probe or a gun was put. */
  probe: z.object({ tempC: temperature(), where: text(80).optional() }),
  /** Forms taken off; the reason when the strength, the clock or the readings spoke against it. */
  strip: z.object({
    elementIds: z.array(id()).min(1, 'must name at least one run'),
    reason: text().optional(),
  }),
  defect: z.object({ elementId: id(), what: text() }),
  'break-test': z.object({
    ageDays: positive().lte(400),
    strengthMPa: positive().lte(200),
    loadId: id().optional(),
  }),
  /** A calculation run by itself and kept with the pour: what was put in. What came out is worked out anew. */
  worked: z.object({
    calculation: z.string().min(1, 'is empty').max(60),
    input: z.record(z.string().max(60), z.unknown()),
    note: text(300).optional(),
  }),
  close: z.object({ reason: text().optional() }),
  reopen: z.object({ reason: text() }),
  /** Takes an earlier entry back; the entry stays in the log. */
  supersede: z.object({ reason: text().optional() }),
} as const;

export const EVENT_KINDS = Object.keys(EVENT_BODIES) as [EventKind, ...EventKind[]];
export type EventKind = keyof typeof EVENT_BODIES;
export type EventBody<K extends EventKind> = z.output<(typeof EVENT_BODIES)[K]>;
/** An entry as the reducer sees it: what, when by the device's clock, by whom, and what it corrects. */
export type LogEvent<K extends EventKind = EventKind> = {
  [P in K]: {
    id: string;
    at: string;
    actor: string;
    kind: P;
    body: EventBody<P>;
    supersedes?: string | null;
  };
}[K];
export type ReadingValue = EventBody<'reading'>['value'];
