import { describe, expect, test } from '@jest/globals';
import type { EventBody, EventKind, LogEvent } from '../log/events.ts';
import { mixSchema } from '../model/mix.ts';
import { replay, step } from '../log/state.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import { midnightMs } from '../weather/local-date.ts';
import { curingIn, mixNamed, viewOf, type PourRecord } from './pour-view.ts';

/** Footings of an L with the walls on them, in one pour. */
const { site, pour, plant } = job({ elements: ['FA', 'FB', 'WA', 'WB'], runs: L_RUNS });
const record = {
  site: {
    ...site,
    mixes: [mixSchema.parse({ mark: 'M1', label: 'C30/37', fcMPa: 30, slumpMm: 160 })],
    plants: [plant],
  },
  pour,
  duskMin: 1100,
} satisfies PourRecord;
const dayMs = midnightMs('2026-10-07', 'Europe/Paris');
const at = (minute: number) => dayMs + minute * 60_000;

let n = 0;
const entry = <K extends EventKind>(kind: K, body: EventBody<K>, minute: number): LogEvent => {
  n += 1;
  const when = new Date(at(minute)).toISOString();
  return { id: `e${n}`, at: when, actor: 'I. Brandvold', kind, body } as LogEvent;
};

describe('the view of a pour', () => {
  const note = entry('note', { text: 'rain coming' }, 400);
  const state = replay([note]);

  test('is one object for one moment; a tick works out only what hangs on the time', () => {
    const view = viewOf(record, state, at(420));
    expect(view).not.toBeNull();
    expect(viewOf(record, state, at(420))).toBe(view);
    const later = viewOf(record, state, at(421));
    expect(later).not.toBe(view);
    for (const part of ['plan', 'points', 'gate', 'mix', 'rules'] as const)
      expect(later?.[part]).toBe(view?.[part]);
    // An entry moves what hangs on the log, and not the plan.
    const more = step(state, entry('note', { text: 'and wind' }, 422));
    const then = viewOf(record, more, at(422));
    expect(then?.gate).not.toBe(view?.gate);
    expect(then?.plan).toBe(view?.plan);
  });

  test('asks for the form tops again when their hour comes, without an entry', () => {
    const tops = (minute: number) => {
      const check = viewOf(record, replay([]), at(minute))?.points.find(
        (p) => p.point.kind === 'level',
      );
      const id = check?.point.id ?? '';
      const read = entry(
        'reading',
        { checkId: id, place: 0, value: { type: 'length', mm: 0 } },
        -420,
      );
      return viewOf(record, replay([read]), at(minute))?.points.find((p) => p.point.id === id)
        ?.places[0]?.again;
    };
    expect(tops(-400)).toBeNull();
    expect(tops(300)).toBe('morning');
  });

  test('knows the day, and what is closed; nothing cures before it is placed', () => {
    const view = viewOf(record, replay([entry('close', {}, 900)]), at(901));
    expect(view).toMatchObject({ dayMs, closed: true });
    expect(view && curingIn(record, view, state, at(901), [])).toBeNull();
  });

  test('calls while concrete is placed, and no more once the pour is closed', () => {
    const start = entry('place-start', { elementId: 'FA', lift: 0 }, 450);
    const stop = entry('place-stop', { elementId: 'FA', lift: 0, filledRatio: 1 }, 460);
    const kinds = (log: LogEvent[], minute: number) =>
      viewOf(record, replay(log), at(minute))?.alarms.map((a) => a.kind) ?? [];
    expect(kinds([], 600)).toEqual([]);
    // Nothing is ordered: what is missing is told beside it.
    expect(kinds([start, stop], 461)).toEqual(['noLoadHere', 'short']);
    expect(kinds([start, stop], 650)).toContain('seamCold');
    expect(kinds([start, stop, entry('close', {}, 640)], 650)).toEqual([]);
  });

  test('there is none where the site has no such mix or plant', () => {
    expect(mixNamed(record.site, 'M9')).toBeUndefined();
    const without = (change: object) => ({ ...record, pour: { ...pour, ...change } });
    expect(viewOf(without({ mix: 'M9' }), state, at(0))).toBeNull();
    expect(viewOf(without({ plant: 'none' }), state, at(0))).toBeNull();
  });
});
