import { expect, test } from '@jest/globals';
import { replay } from '../log/state.ts';
import { entriesFrom } from '../testdata/entries.ts';
import { hoursOf } from './hours.ts';

const dayMs = Date.parse('2026-10-07T00:00:00Z');
const { entry, ms } = entriesFrom(dayMs, 'I. Brandvold');
const on = (name: string, min: number) => entry('hand', { name, to: 'on' }, min);
const off = (name: string, min: number) => entry('hand', { name, to: 'off' }, min);

test('hours add up over the breaks; who is on is on until now', () => {
  const state = replay([on('A', 420), on('B', 430), off('A', 600), on('A', 630)]);
  const at = (min: number) => hoursOf(state, ms(min)).map((h) => [h.name, h.minutes, h.onMs]);
  expect(at(640)).toEqual([
    ['A', 190, ms(630)],
    ['B', 210, ms(430)],
  ]);
});

test('on twice counts from the first, off without on counts nothing', () => {
  const state = replay([on('A', 420), on('A', 440), off('A', 480), off('A', 500), off('C', 500)]);
  expect(hoursOf(state, ms(900)).map((h) => [h.name, h.minutes])).toEqual([
    ['A', 60],
    ['C', 0],
  ]);
});
