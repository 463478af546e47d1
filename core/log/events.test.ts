import { describe, expect, test } from '@jest/globals';
import { kindOf, EVENT_KINDS, type EventKind } from './events.ts';

/** For every kind one body that is taken, so that none can be added without saying what it looks like. */
const GOOD: Record<EventKind, unknown> = {
  reading: { checkId: 'FN/cover-bottom', place: 0, value: { type: 'length', mm: 76.2 } },
  mark: { checkId: 'FN/ground', place: 0, result: 'pass' },
  fix: { checkId: 'FN/cover-bottom', place: 0, what: 'chairs' },
  item: {
    elementId: 'FN',
    title: 'Rod bonded',
    trade: 'anchors',
    wanted: { type: 'size', wantedMm: 50, minusMm: 5, plusMm: null },
    places: 2,
  },
  photo: {
    photoId: '018f2f6e-0000-7000-8000-000000000001',
    about: { type: 'place', checkId: 'FN/lap', place: 0, moment: 'before' },
  },
  seen: { change: 'B3:W2>W2T' },
  setup: { onId: 'BM1', backSightM: 1.31 },
  level: { setupId: 's', pointId: 'A1', rodM: 1.2 },
  square: { corners: ['A1', 'A3', 'C3', 'C1'], sidesM: [10, 8, 10, 8], diagonalsM: [12.8, 12.81] },
  line: {
    elementId: 'N',
    offsets: [
      { atM: 0, offsetMm: 0 },
      { atM: 3, offsetMm: -4 },
    ],
  },
  'load-step': { loadId: 'L1', step: 'chute' },
  'fresh-test': { loadId: 'L1', airRatio: 0.055, where: 'truck' },
  cylinders: { loadId: 'L1', set: 1, lab: 3, field: 1 },
  added: { loadId: 'L1', what: 'fibre', massKg: 4 },
  'seam-test': { elementId: 'N', lift: 0, sinks: true },
  hand: { name: 'R. Oduya', to: 'on' },
  visitor: { name: 'The county inspector', why: 'hold point' },
  template: {
    elementId: 'B1',
    bolts: [
      { id: 'a', eastMm: 0, northMm: 2, upMm: -1 },
      { id: 'b', eastMm: 1, northMm: 0, upMm: 0 },
    ],
  },
  sign: { hold: 'own', result: 'pass', planVersion: 1 },
  order: {
    act: 'order',
    volumeM3: 18,
    loads: [{ id: 'L1', volumeM3: 9, batchAt: '2026-09-23T11:40:00Z' }],
    mix: 'M1',
    plant: 'p',
    number: 'X1-1234',
    turn: 1,
    said: 'Taken.',
  },
  override: { reason: 'storm' },
  question: { number: 7, elementIds: ['E2'], text: 'Which?', to: 'engineer' },
  answer: { questionId: 'q', text: 'The schedule', role: 'engineer' },
  note: { text: 'rain' },
  weather: { airTempC: 14, humidity: 0.6, windKmH: 9, sky: 'clear' },
  'load-arrived': {
    loadId: 'L1',
    ticket: '88107',
    volumeM3: 7,
    batchedAt: '2026-09-23T12:00:00Z',
    concreteTempC: 21,
  },
  slump: { loadId: 'L1', measuredMm: 100, where: 'truck' },
  water: { loadId: 'L1', addedL: 30, turns: 30 },
  trouble: { what: 'form-open', elementId: 'FN', lift: 0 },
  'way-on': { troubleId: 'e1', way: 'stand', words: 'Stand till it is braced' },
  'trouble-over': { troubleId: 'e1' },
  'load-verdict': { loadId: 'L1', decision: 'reject', reason: 'too old' },
  'load-end': { loadId: 'L1', returnedM3: 0 },
  task: { taskId: 'N/B1', result: 'done' },
  'place-start': { elementId: 'FN', lift: 0, loadId: 'L1' },
  'place-stop': { elementId: 'FN', lift: 0, filledRatio: 1 },
  incident: { text: 'form opened at C1', elementId: 'FN' },
  probe: { tempC: 24 },
  strip: { elementIds: ['FN'] },
  defect: { elementId: 'FN', what: 'honeycomb' },
  'break-test': { ageDays: 7, strengthMPa: 20.5 },
  worked: { calculation: 'tie-load', input: { pressureKPa: 30 } },
  close: {},
  reopen: { reason: 'one more break' },
  supersede: {},
};

test.each(EVENT_KINDS)('%s takes its body and keeps nothing it does not know', (kind) => {
  const parsed = kindOf(kind).body.safeParse({ ...(GOOD[kind] as object), stranger: 1 });
  expect(parsed.error?.issues).toBeUndefined();
  expect(parsed.data).not.toHaveProperty('stranger');
});

describe('what is refused, and where', () => {
  test.each([
    ['reading', { value: { type: 'length', mm: 'two' } }, 'value.mm'],
    ['reading', { value: { type: 'smell' } }, 'value.type'],
    ['reading', { value: { type: 'spacing', overMm: 900, spaces: 0 } }, 'value.spaces'],
    ['reading', { value: { type: 'bar', bar: '#2' } }, 'value.bar'],
    ['reading', { place: -1 }, 'place'],
    ['reading', { value: { type: 'bolt', there: 'yes' } }, 'value.there'],
    ['item', { wanted: { type: 'smell' } }, 'wanted.type'],
    ['item', { places: 0 }, 'places'],
    ['photo', { photoId: '../../etc/passwd' }, 'photoId'],
    [
      'photo',
      { about: { type: 'place', checkId: 'FN/lap', place: 0, moment: 'during' } },
      'about.moment',
    ],
    ['square', { corners: ['A1', 'A3'] }, 'corners'],
    ['level', { rodM: -1 }, 'rodM'],
    ['line', { offsets: [] }, 'offsets'],
    ['mark', { result: 'fail' }, 'reason'],
    ['mark', { result: 'na' }, 'reason'],
    ['sign', { result: 'reject' }, 'reason'],
    ['sign', { hold: 'mayor' }, 'hold'],
    ['override', { reason: '   ' }, 'reason'],
    ['question', { elementIds: [] }, 'elementIds'],
    ['weather', { humidity: 60 }, 'humidity'],
    ['weather', { airTempC: 140 }, 'airTempC'],
    ['load-arrived', { volumeM3: 0 }, 'volumeM3'],
    ['load-arrived', { batchedAt: 'seven' }, 'batchedAt'],
    ['load-arrived', { concreteTempC: 70 }, 'concreteTempC'],
    ['slump', { measuredMm: 301 }, 'measuredMm'],
    ['slump', { where: 'bucket' }, 'where'],
    ['place-stop', { filledRatio: 1.01 }, 'filledRatio'],
    ['break-test', { strengthMPa: 0 }, 'strengthMPa'],
    ['note', { text: 'x'.repeat(2001) }, 'text'],
  ] as const)('%s with %j at %s', (kind, change, path) => {
    const parsed = kindOf(kind).body.safeParse({ ...(GOOD[kind] as object), ...change });
    expect(parsed.error?.issues.map((i) => i.path.join('.'))).toContain(path);
  });
});
