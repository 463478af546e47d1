import { describe, expect, test } from '@jest/globals';
import { readTickets } from './tickets.ts';

const metric = { timeZone: 'Europe/Paris', date: '2026-10-07', units: 'metric' as const };
const us = { timeZone: 'America/Chicago', date: '2026-09-23', units: 'us' as const };
const rows = (text: string) => text.split('\n').map((l) => l.split(';'));

describe('tickets of a plant', () => {
  test('come in the units and by the clock of the site; a head is no ticket', () => {
    const read = readTickets(
      rows(
        'load;ticket;m3;batched;here;temp\n1;88210;6;07:05;07:38;21,5\nload 2;88211;6,5;07:31;08:02;',
      ),
      metric,
    );
    expect(read.problems).toEqual([]);
    expect(read.tickets).toMatchObject([
      { loadId: 'L1', ticket: '88210', volumeM3: 6, concreteTempC: 21.5, line: 2 },
      { loadId: 'L2', ticket: '88211', volumeM3: 6.5, concreteTempC: null },
    ]);
    expect(new Date(read.tickets[0]?.hereMs ?? 0).toISOString()).toBe('2026-10-07T05:38:00.000Z');
  });

  test('in yards and Fahrenheit where the site is, across midnight with their dates', () => {
    const [t] = readTickets(rows(';A-17;9.5;2026-09-23 23:50;2026-09-24T05:20:00Z;68'), us).tickets;
    expect(t).toMatchObject({ loadId: null, ticket: 'A-17' });
    expect(t?.volumeM3).toBeCloseTo(7.2633, 3);
    expect(t?.concreteTempC).toBeCloseTo(20, 9);
    expect((t?.hereMs ?? 0) - (t?.batchedMs ?? 0)).toBe(30 * 60_000);
  });

  test.each([
    ['1;;6;07:05;07:38', 'has no ticket number'],
    ['1;8;x;07:05;07:38', 'has no volume'],
    ['1;8;60;07:05;07:38', 'holds more than a truck'],
    ['1;8;6;soon;07:38', 'does not say when it was batched'],
    ['1;8;6;07:05;', 'does not say when it was here'],
    ['1;8;6;07:38;07:05', 'was here before it was batched'],
    ['1;8;6;07:05;07:38;warm', 'holds words where its temperature belongs'],
  ])('%s %s', (line, message) => {
    expect(readTickets(rows(`x;y;z;a;b\n${line}`), metric)).toEqual({
      tickets: [],
      problems: [{ line: 2, message }],
    });
  });

  test('the same ticket twice is one', () => {
    const read = readTickets(rows('1;8;6;07:05;07:38\n2;8;6;07:05;07:38'), metric);
    expect(read.tickets).toHaveLength(1);
    expect(read.problems).toEqual([{ line: 2, message: 'repeats ticket 8' }]);
  });
});
