import { describe, expect, test } from '@jest/globals';
import type { EventBody, EventKind, LogEvent } from '../log/events.ts';
import { replay } from '../log/state.ts';
import { levelTargets } from './levels.ts';
import { demoPour } from '../testdata/demo.ts';
import { gateOf } from './gate.ts';
import { judgeAll, type PlaceState } from './judge.ts';
import { checkList } from './points/index.ts';
import { lineStations } from './set-out-readings.ts';

const { site, pour, mix } = demoPour('quillback', 'P3');
const points = checkList({ site, pour, mix });
const point = (id: string) => {
  const p = points.find((x) => x.id === id);
  if (!p) throw new Error(id);
  return p;
};
let n = 0;
const entry = <K extends EventKind>(
  kind: K,
  body: EventBody<K>,
  minute: number,
  supersedes?: string,
): LogEvent => {
  n += 1;
  return {
    id: `e${n}`,
    at: new Date(Date.UTC(2026, 8, 21, 12, minute)).toISOString(),
    actor: 'T. Oakes',
    kind,
    body,
    ...(supersedes ? { supersedes } : {}),
  } as unknown as LogEvent;
};
const placesOf = (id: string, log: LogEvent[]): PlaceState[] =>
  judgeAll(site, points, replay(log), null).find((s) => s.point.id === id)?.places ?? [];

const line = point('SS1/line');
const lengthM = 10.9728;
const stations = lineStations(lengthM, line);
const lineRead = (offsets: number[], minute = 1) =>
  entry(
    'line',
    { elementId: 'SS1', offsets: stations.map((atM, i) => ({ atM, offsetMm: offsets[i] ?? 0 })) },
    minute,
  );

/** The level check a form top of the plan answers. */
const levelOf = (t: { elementId: string }) =>
  points.find((p) => p.kind === 'level' && p.elementId === t.elementId) ?? null;

describe('what was read while setting out', () => {
  test('a string is read at both ends and at every place of its check; a run without the check has one in the middle', () => {
    expect(stations).toEqual([0, ...line.places.map((p) => p.atM), lengthM]);
    expect(line.places.length).toBeGreaterThan(1);
    expect(lineStations(6, undefined)).toEqual([0, 3, 6]);
  });

  test('offsets count at the places they were read at, judged like any reading', () => {
    const places = placesOf('SS1/line', [lineRead([0, 2, 9])]);
    expect(places.map((p) => p.verdict)).toEqual([
      'good',
      'out',
      ...line.places.slice(2).map(() => 'good'),
    ]);
    expect(places[1]?.reading).toMatchObject({
      actor: 'T. Oakes',
      body: { value: { type: 'length', mm: 9 } },
    });
    // Of another run, or somewhere between, nothing is read.
    expect(placesOf('SS2/line', [lineRead([])]).map((p) => p.verdict)).not.toContain('good');
    const between = entry(
      'line',
      {
        elementId: 'SS1',
        offsets: [
          { atM: 0, offsetMm: 0 },
          { atM: (line.places[0]?.atM ?? 0) + 0.3, offsetMm: 0 },
        ],
      },
      1,
    );
    expect(placesOf('SS1/line', [between])[0]?.verdict).toBe('unread');
  });

  test('the newer reading counts, wherever it was taken; one taken back does not', () => {
    const again = entry(
      'reading',
      { checkId: 'SS1/line', place: 1, value: { type: 'length', mm: 1 } },
      5,
    );
    const first = lineRead([0, 2, 9]);
    const [, place] = placesOf('SS1/line', [first, again]);
    expect(place).toMatchObject({ verdict: 'good', earlier: [{ id: first.id }] });
    expect([place?.settingOut, placesOf('SS1/line', [first])[1]?.settingOut]).toEqual([
      false,
      true,
    ]);
    expect(placesOf('SS1/line', [again, lineRead([0, 2, 9], 9)])[1]?.verdict).toBe('out');
    expect(
      placesOf('SS1/line', [first, entry('supersede', {}, 6, first.id)]).map((p) => p.verdict),
    ).not.toContain('good');
  });

  test('a string read while concrete flows does not undo what was checked before', () => {
    const begun = entry('place-start', { elementId: 'SS1', lift: 0 }, 8);
    expect(
      placesOf('SS1/line', [lineRead([0, 2, 2], 5), begun, lineRead([0, 2, 12], 9)])[1]?.verdict,
    ).toBe('good');
    expect(placesOf('SS1/line', [begun, lineRead([0, 2, 2], 9)])[1]?.verdict).toBe('unread');
  });

  test('a string fixed and read again on Set out is good', () => {
    const log = [
      lineRead([0, 2, 9]),
      entry('fix', { checkId: 'SS1/line', place: 1, what: 'stake driven over' }, 3),
    ];
    expect(placesOf('SS1/line', log)[1]).toMatchObject({
      verdict: 'out',
      fix: { body: { what: 'stake driven over' } },
    });
    expect(placesOf('SS1/line', [...log, lineRead([0, 2, 2], 7)])[1]).toMatchObject({
      verdict: 'good',
      fix: null,
    });
  });

  test('diagonals count for the four corners the check names, and for no others', () => {
    const p1 = demoPour('quillback', 'P1');
    const list = checkList(p1);
    const square = list.find((p) => p.id === 'pour/square');
    const read = (corners: string[], apartM: number) =>
      judgeAll(
        p1.site,
        list,
        replay([
          entry(
            'square',
            { corners, sidesM: [10, 8, 10, 8], diagonalsM: [12.8, 12.8 + apartM] },
            1,
          ),
        ]),
        null,
      ).find((s) => s.point.id === 'pour/square');
    expect(read(square?.corners ?? [], 0.003)?.verdict).toBe('good');
    expect(read(square?.corners ?? [], 0.2)?.places[0]).toMatchObject({
      verdict: 'out',
      reading: { body: { value: { mm: expect.closeTo(200, 6) as unknown } } },
    });
    expect(read([...(square?.corners ?? [])].reverse(), 0.003)?.verdict).toBe('unread');
  });

  test.each(['pad', 'run'])(
    'the form top of a %s by instrument is its level on the list',
    (what) => {
      const stands = [...site.pads, ...site.piers].map((s) => s.id);
      const top = levelTargets(site, pour).find(
        (t) =>
          t.what === 'top' &&
          stands.includes(t.elementId) === (what === 'pad') &&
          levelOf(t) !== null,
      );
      const benchmark = site.benchmark;
      if (!top || !benchmark) throw new Error('demo site');
      const setup = entry('setup', { onId: benchmark.id, backSightM: 1.2 }, 1);
      const rod = (mm: number, minute: number) =>
        entry(
          'level',
          {
            setupId: setup.id,
            pointId: top.id,
            rodM: benchmark.elevationM + 1.2 - top.wantedM - mm / 1000,
          },
          minute,
        );
      const judged = (log: LogEvent[]) => placesOf(levelOf(top)?.id ?? '', [setup, ...log])[0];
      expect(judged([rod(3, 2)])).toMatchObject({
        verdict: 'good',
        reading: { body: { value: { mm: expect.closeTo(3, 6) as unknown } } },
      });
      expect(judged([rod(3, 2), rod(60, 3)])?.verdict).toBe('out');
      expect(judged([])?.verdict).toBe('unread');
    },
  );

  test.each([
    [1.2, 0],
    [1.25, 1],
  ])(
    'a loop back on the benchmark, sighted at 1.2 and read %f m, holds the gate by %i line',
    (rodM, held) => {
      const { benchmark } = site;
      if (!benchmark) throw new Error('demo site');
      const setup = entry('setup', { onId: benchmark.id, backSightM: 1.2 }, 1);
      const back = entry('level', { setupId: setup.id, pointId: benchmark.id, rodM }, 2);
      const state = replay([setup, back]);
      const { rows } = gateOf(site, pour, judgeAll(site, points, state, null), state);
      expect(rows.filter((r) => r.kind === 'loop')).toHaveLength(held);
    },
  );
});
