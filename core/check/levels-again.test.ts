import { describe, expect, test } from '@jest/globals';
import type { EventBody, EventKind, LogEvent } from '../log/events.ts';
import { replay } from '../log/state.ts';
import { demoPour } from '../testdata/demo.ts';
import { midnightMs } from '../weather/local-date.ts';
import { gateWhen } from './gate.ts';
import { judgeAll } from './judge.ts';
import { levelsAgainMs } from './levels-again.ts';
import { checkList } from './points/index.ts';

/** Creamery, metric: footings of an L. The first load is due at a time of its own on the day of the pour. */
const { site, pour, mix } = demoPour('kestrel', 'K1');
const dated = { ...pour, date: '2026-10-06' };
const firstLoad = midnightMs('2026-10-06', site.timeZone) + pour.settings.firstLoadMin * 60_000;
const HOUR = 3_600_000;
const points = checkList({ site, pour: dated, mix });
const top = points.find((p) => p.kind === 'level');
if (!top) throw new Error('demo site');

let n = 0;
function entry<K extends EventKind>(hoursBefore: number, kind: K, body: EventBody<K>): LogEvent {
  n += 1;
  const at = new Date(firstLoad - hoursBefore * HOUR).toISOString();
  return { id: `e${n}`, at, actor: 'M. Sund', kind, body } as LogEvent;
}
const readTop = (hoursBefore: number, mm = 0) =>
  entry(hoursBefore, 'reading', { checkId: top.id, place: 0, value: { type: 'length', mm } });

/** The first place of the first level check, looked at so many hours before the first load. */
function placeAt(lookHours: number, log: LogEvent[], of = site) {
  const state = replay(log);
  const nowMs = firstLoad - lookHours * HOUR;
  return judgeAll(of, points, state, levelsAgainMs(of, dated, state, nowMs)).find(
    (p) => p.point.id === top?.id,
  )?.places[0];
}

describe('form tops on the morning of the pour', () => {
  test.each([
    ['the evening before, looked at in the evening', 14, 13, 'good', null],
    ['the evening before, looked at in the morning', 14, 2, 'unread', 'morning'],
    ['in the morning', 1, 0.5, 'good', null],
    ['just inside the eight hours', 8, 2, 'good', null],
  ] as const)('read %s', (_, readHours, lookHours, verdict, again) => {
    expect(placeAt(lookHours, [readTop(readHours)])).toMatchObject({ verdict, again });
  });

  test('a top that was waived is not asked again; one that was out stays out until it is read', () => {
    const waive = entry(14, 'mark', { checkId: top.id, place: 0, result: 'na', reason: 'sloped' });
    expect(placeAt(2, [waive])?.verdict).toBe('waived');
    expect(placeAt(2, [readTop(14, 300)])).toMatchObject({ verdict: 'out', again: null });
    expect(placeAt(2, [readTop(14, 300), readTop(1)])?.verdict).toBe('good');
  });

  test('nothing is asked without a date, nor where the rule is 0; a longer time takes the evening', () => {
    const state = replay([]);
    expect(levelsAgainMs(site, { ...dated, date: null }, state, firstLoad)).toBeNull();
    const ruled = (value: number) => ({
      ...site,
      ruleChanges: [{ rule: 'levelAgain' as const, value, at: '2026-10-01T00:00:00Z', by: 'x' }],
    });
    expect(placeAt(2, [readTop(14)], ruled(0))?.verdict).toBe('good');
    expect(placeAt(2, [readTop(14)], ruled(24))?.verdict).toBe('good');
  });

  test('once concrete flows it stays as it was at the start, and the gate of that moment tells it', () => {
    const evening = readTop(14);
    const start = (hoursBefore: number) =>
      entry(hoursBefore, 'place-start', { elementId: top.elementId, lift: 0 });
    expect(placeAt(-9, [readTop(1), start(0)])?.verdict).toBe('good');
    // Placing that began the evening before was checked that evening.
    expect(placeAt(0, [evening, start(13)])?.verdict).toBe('good');
    const left = (log: LogEvent[]) =>
      gateWhen(site, dated, points, log, firstLoad).rows.find((r) => r.kind === 'unread')?.count;
    expect(left([evening])).toBe((left([readTop(1)]) ?? 0) + 1);
  });
});
