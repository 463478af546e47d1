import { describe, expect, test } from '@jest/globals';
import { replay } from '../log/state.ts';
import { mixSchema } from '../model/mix.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import { midnightMs } from '../weather/local-date.ts';
import { laneOf } from './lane.ts';
import { curingIn, type PourRecord, viewOf } from './pour-view.ts';
import type { LogEvent } from '../log/events.ts';

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
const entry = (id: string, kind: string, body: object, minute: number): LogEvent =>
  ({
    id,
    at: new Date(at(minute)).toISOString(),
    actor: 'I. Brandvold',
    kind,
    body,
  }) as unknown as LogEvent;

/** What a list says is what the stations say: nothing in it is worked out another way. */
const agrees = (events: LogEvent[], minute: number) => {
  const state = replay(events);
  const lane = laneOf(record, state, at(minute), []);
  const view = viewOf(record, state, at(minute));
  if (!lane || !view) throw new Error('no lane');
  expect(lane.gate.toFix).toBe(view.gate.rows.length);
  expect(lane.gate.unread).toBe(view.gate.counts.unread);
  expect(lane.plan.orderedM3).toBe(view.plan.orderedM3);
  expect(lane.progress.placedM3).toBe(view.progress.placedM3);
  expect(lane.curing?.strengthMPa).toBe(curingIn(record, view, state, at(minute), [])?.strengthMPa);
  return lane;
};
const placed = (legs: Leg[]): LogEvent[] =>
  legs.flatMap(({ elementId, lifts }, i) =>
    Array.from({ length: lifts }, (_, lift) => [
      entry(`s${i}.${lift}`, 'place-start', { elementId, lift }, 450 + 10 * i + lift),
      entry(
        `e${i}.${lift}`,
        'place-stop',
        { elementId, lift, filledRatio: 1 },
        451 + 10 * i + lift,
      ),
    ]).flat(),
  );
const legs = viewOf(record, replay([]), at(400))?.plan.route.legs ?? [];
type Leg = (typeof legs)[number];

describe('what a list of pours says of one', () => {
  test('before its day is what holds it, and what is not ordered yet', () => {
    const lane = agrees(
      [
        entry(
          'q',
          'question',
          { number: 1, elementIds: ['FA'], text: 'Whose sleeve?', to: 'engineer' },
          300,
        ),
      ],
      400,
    );
    expect(lane.gate).toMatchObject({ state: 'held', read: 0, questions: 1 });
    expect(lane.order).toMatchObject({ state: 'none', ended: null, loads: 0 });
    expect(lane.curing).toBeNull();
    expect(lane.plan.finishMin).toBeGreaterThan(lane.plan.firstLoadMin);
  });

  test('while it is placed is what is in, and what will not wait', () => {
    const lane = agrees(placed(legs.slice(0, 1)), 700);
    expect(lane.progress.startedMs).toBe(at(450));
    expect(lane.progress.finishedMs).toBeNull();
    expect(lane.alarm?.sentence).toContain(lane.alarm?.name ?? 'none');
    expect(lane.alarm?.tone).toMatch(/out|tight/);
  });

  test('when all is in is how strong it is', () => {
    const lane = agrees(placed(legs), 1200);
    expect(lane.progress.finishedMs).toBeGreaterThan(at(451));
    expect(lane.alarm).toBeNull();
    expect(lane.curing?.strengthMPa).toBeGreaterThan(0);
    expect(lane.curing?.strengthMPa).toBeLessThan(lane.cylinderMPa);
  });

  test('is nothing where the pour names a mix that its site lacks', () => {
    const other = { ...record, pour: { ...pour, mix: 'M9' } };
    expect(laneOf(other, replay([]), at(400), [])).toBeNull();
  });

  test('can be sent: it comes out of JSON as it went in', () => {
    const lane = laneOf(record, replay(placed(legs)), at(1200), []);
    expect(JSON.parse(JSON.stringify(lane))).toEqual(lane);
  });
});
