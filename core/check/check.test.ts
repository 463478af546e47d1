import { describe, expect, test } from '@jest/globals';
import type { EventBody, EventKind, LogEvent } from '../log/events.ts';
import { type ReadingValue, readingText } from '../log/kinds/reading-value.ts';
import { replay } from '../log/state.ts';
import { asWanted } from '../testdata/as-wanted.ts';
import { demoPour } from '../testdata/demo.ts';
import type { PlanChange } from '../model/objects.ts';
import type { RuleChange } from '../rules/rules.ts';
import { gateOf } from './gate.ts';
import { judgeAll } from './judge.ts';
import { judgeReading } from './judge-reading.ts';
import { checkList, pointsOf } from './points/index.ts';
import { marginText, wantedText } from './words.ts';

const { site, pour, mix } = demoPour('quillback', 'P1');
const points = checkList({ site, pour, mix });
const point = (id: string) => {
  const p = points.find((x) => x.id === id);
  if (!p) throw new Error(id);
  return p;
};
let n = 0;
const at = (minute: number) => new Date(Date.UTC(2026, 8, 10, 12, minute)).toISOString();
function entry<K extends EventKind>(kind: K, body: EventBody<K>, minute = (n += 1)): LogEvent {
  n += 1;
  return { id: `e${n}`, at: at(minute), actor: 'T. Oakes', kind, body } as unknown as LogEvent;
}
const inches = (x: number): ReadingValue => ({ type: 'length', mm: x * 25.4 });
const read = (checkId: string, place: number, value: ReadingValue, minute?: number) =>
  entry('reading', { checkId, place, value }, minute);

describe('check points come from the type', () => {
  test('a footing with bars across asks for their spacing; one without does not', () => {
    const kinds = (id: string) => pointsOf({ site, pour, mix }, id).map((p) => p.kind);
    expect(kinds('FN')).toEqual(
      expect.arrayContaining([
        'ground',
        'width',
        'depth',
        'level',
        'count-along',
        'size-along',
        'spacing-across',
        'cover-bottom',
        'cover-side',
        'lap',
      ]),
    );
    expect(kinds('SS1')).not.toContain('spacing-across');
    expect(kinds('R')).toEqual(
      expect.arrayContaining(['thickness', 'plumb', 'cover-inside', 'cover-outside']),
    );
    expect(kinds('N')).toEqual(expect.arrayContaining(['bolts', 'bucks']));
    expect(kinds('nowhere')).toEqual([]);
  });

  test('longer runs want more readings, all of them on the run', () => {
    expect(point('FN/cover-bottom').places.length).toBeGreaterThanOrEqual(
      point('FE/cover-bottom').places.length,
    );
    for (const p of points)
      for (const place of p.places)
        if (place.atM !== null) {
          expect(place.atM).toBeGreaterThanOrEqual(0);
          expect(place.atM).toBeLessThanOrEqual(36 * 0.3048 + 1e-9);
        }
  });

  test('what is wanted names the drawing, the limit its standard', () => {
    expect(point('FN/cover-bottom')).toMatchObject({
      source: 'S-2, detail 3, F2',
      toleranceSource: 'ACI 117 §2.2.2',
    });
    expect(wantedText(point('FN/cover-bottom').wanted, 'us')).toBe('3 in');
    expect(wantedText(point('FN/size-along').wanted, 'us')).toBe('No. 5');
  });
});

describe('verdicts are the core’s', () => {
  test.each([
    ['FN/cover-bottom', inches(3), 'good', '1/2 in to spare'],
    ['FN/cover-bottom', inches(2.5), 'tight', 'on the limit'],
    ['FN/cover-bottom', inches(2.375), 'out', '1/8 in short'],
    ['FN/width', inches(23.25), 'out', '1/4 in short'],
    ['FN/width', inches(26.5), 'out', '1/2 in over'],
    ['FN/level', inches(-0.5), 'tight', 'on the limit'],
    ['FN/count-along', { type: 'count', count: 2 }, 'out', '1 short'],
    ['FN/count-along', { type: 'count', count: 4 }, 'good', '1 more than wanted'],
    ['FN/size-along', { type: 'bar', bar: '#4' }, 'out', 'not as wanted'],
    ['FN/size-along', { type: 'bar', bar: '#5' }, 'good', 'as wanted'],
    // 16 mm is No. 5 by another name; a larger bar wants longer laps and more room: it is asked about.
    ['FN/size-along', { type: 'bar', bar: '16mm' }, 'good', 'as wanted'],
    ['FN/size-along', { type: 'bar', bar: '#6' }, 'out', 'not as wanted'],
    [
      'FN/spacing-across',
      { type: 'spacing', overMm: 6 * 304.8, spaces: 6 },
      'good',
      '3 in to spare',
    ],
    // One bar may be 3 in off; six spaces are no more than 3 in longer for it: the count is kept.
    [
      'FN/spacing-across',
      { type: 'spacing', overMm: 6 * 304.8 + 76.2, spaces: 6 },
      'good',
      'on the limit',
    ],
    [
      'FN/spacing-across',
      { type: 'spacing', overMm: 6 * 304.8 + 88, spaces: 6 },
      'out',
      '1/16 in over',
    ],
    ['FN/spacing-across', { type: 'spacing', overMm: 6 * 400, spaces: 6 }, 'out', '3 1/4 in over'],
    [
      'FN/spacing-across',
      { type: 'spacing', overMm: 6 * (304.8 - 76.2), spaces: 6 },
      'good',
      'on the limit',
    ],
  ] as const)('%s %j is %s, %s', (id, value, verdict, margin) => {
    const p = point(id);
    const judged = judgeReading(site, p, value);
    expect(judged.verdict).toBe(verdict);
    expect(marginText(p, value as ReadingValue, judged, 'us')).toBe(margin);
  });

  test('a reading of the wrong kind is never good', () => {
    expect(judgeReading(site, point('FN/cover-bottom'), { type: 'count', count: 3 }).verdict).toBe(
      'out',
    );
    expect(readingText({ type: 'spacing', overMm: 1828.8, spaces: 6 }, 'us')).toBe(
      '12 in over 6 spaces',
    );
  });
});

describe('a place through failing, fixing and reading again', () => {
  const id = 'FS/cover-bottom';
  const bad = read(id, 0, inches(2), 1);
  const fix = entry('fix', { checkId: id, place: 0, what: 'chairs' }, 2);
  const again = read(id, 0, inches(3), 3);
  const placeAfter = (log: LogEvent[]) =>
    judgeAll(site, [point(id)], replay(log), null)[0]?.places[0];
  test('it stays out until it is read again, and keeps what was read first', () => {
    expect(placeAfter([bad])).toMatchObject({ verdict: 'out', fix: null });
    expect(placeAfter([bad, fix])).toMatchObject({ verdict: 'out', fix: { id: fix.id } });
    expect(placeAfter([bad, fix, again])).toMatchObject({
      verdict: 'good',
      fix: null,
      earlier: [{ id: bad.id }],
    });
    // A fix before the failure is not its fix.
    expect(placeAfter([{ ...fix, at: at(0) }, bad])).toMatchObject({ verdict: 'out', fix: null });
  });
  test('waived with a reason; a later reading counts again', () => {
    const waive = entry(
      'mark',
      { checkId: id, place: 0, result: 'na', reason: 'engineer says 2 in will do here' },
      4,
    );
    expect(placeAfter([bad, waive])?.verdict).toBe('waived');
    expect(placeAfter([bad, waive, read(id, 0, inches(2), 5)])?.verdict).toBe('out');
  });
});

describe('the gate', () => {
  const everything = points.flatMap((p) =>
    p.places.map((_, place): LogEvent => {
      const value = asWanted(p, place);
      if (!value) return entry('mark', { checkId: p.id, place, result: 'pass' });
      return read(p.id, place, value);
    }),
  );
  const sign = (
    hold: 'own' | 'inspection',
    planVersion: number,
    result: 'pass' | 'reject' = 'pass',
  ) =>
    entry('sign', {
      hold,
      result,
      planVersion,
      ...(result === 'reject' ? { reason: 'mud in the corner' } : {}),
    });
  const gate = (
    log: LogEvent[],
    ruleChanges: RuleChange[] = [],
    planChanges: PlanChange[] = [],
  ) => {
    const s = replay(log);
    return gateOf({ ...site, ruleChanges, planChanges }, pour, judgeAll(site, points, s, null), s);
  };

  test('counts what is left and how long it needs', () => {
    const g = gate(everything.slice(0, 10));
    expect(g).toMatchObject({ ready: false, read: 10, wanted: everything.length });
    expect(g.rows.find((r) => r.kind === 'unread')).toMatchObject({
      count: everything.length - 10,
      minutes: everything.length - 10,
    });
  });
  test('opens with every place read and both signatures, on the plan they were given for', () => {
    expect(gate(everything).rows.map((r) => r.ref)).toEqual(['own', 'inspection']);
    const signed = [...everything, sign('own', 1), sign('inspection', 1)];
    expect(gate(signed)).toMatchObject({ ready: true, rows: [], minutes: 0 });
    // A change of the plan after the signature opens it again and says why; one of another pour's runs does not.
    const change = (version: number, elements: string[]): PlanChange => ({
      version,
      at: '2026-09-11T00:00:00Z',
      by: 'I. Brandvold',
      what: 'FN is now F3',
      elements,
    });
    const later = gate(signed, [], [change(2, ['FN'])]);
    expect(later).toMatchObject({
      ready: false,
      signs: [{ state: 'reopened' }, { state: 'reopened' }],
    });
    expect(later.signs[0]?.reason).toBe(
      'signed on plan 1; since then FN is now F3, by I. Brandvold',
    );
    expect(gate(signed, [], [change(2, ['R'])]).ready).toBe(true);
    expect(gate(signed, [], [change(1, ['FN'])]).ready).toBe(true);
    const changed = (at: string): RuleChange => ({
      rule: 'loadAge',
      value: 60,
      by: 'I. Brandvold',
      at,
    });
    expect(gate(signed, [changed('2036-01-01T00:00:00Z')]).signs[0]?.reason).toMatch(
      /oldest a load may get now 60 min, by I. Brandvold/,
    );
    expect(gate(signed, [changed('2006-01-01T00:00:00Z')]).ready).toBe(true);
  });
  test('a rejection, a failed place and an open question each hold it', () => {
    expect(
      gate([...everything, sign('own', 1), sign('inspection', 1, 'reject')]).rows,
    ).toMatchObject([{ kind: 'reject', ref: 'inspection' }]);
    expect(
      gate([
        ...everything,
        read('FN/cover-bottom', 1, inches(1)),
        sign('own', 1),
        sign('inspection', 1),
      ]).rows,
    ).toMatchObject([{ kind: 'out', ref: 'FN/cover-bottom', place: 1 }]);
    const q = entry('question', { number: 7, elementIds: ['FN'], text: 'Which?', to: 'engineer' });
    const held = gate([...everything, q, sign('own', 1), sign('inspection', 1)]);
    expect(held).toMatchObject({ ready: false, minutes: null });
    expect(
      gate([
        ...everything,
        q,
        entry('answer', { questionId: q.id, text: 'The schedule', role: 'engineer' }),
        sign('own', 1),
        sign('inspection', 1),
      ]).ready,
    ).toBe(true);
  });
  test('an override opens it, with its reason kept', () => {
    expect(gate([entry('override', { reason: 'storm coming' })])).toMatchObject({
      ready: true,
      overridden: { reason: 'storm coming' },
    });
  });
});
