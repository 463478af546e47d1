import { describe, expect, test } from '@jest/globals';
import type { EventBody, EventKind, LogEvent } from '../log/events.ts';
import { replay } from '../log/state.ts';
import { demoPour } from '../testdata/demo.ts';
import { cornersOf, squareWords } from '../setout/corners.ts';
import { resultOf } from '../kit/calculation.ts';
import { levelLoop } from '../setout/level-loop.ts';
import { levelsOf, levelTargets, loopOf } from './levels.ts';

const { site, pour } = demoPour('quillback', 'P3');
const limits = { topMm: 12.7, bottomMm: 12.7, closeMm: 3 };
let n = 0;
function entry<K extends EventKind>(kind: K, body: EventBody<K>): LogEvent<K> {
  n += 1;
  return {
    id: `e${String(n).padStart(4, '0')}`,
    at: new Date(Date.UTC(2026, 8, 23, 12, n)).toISOString(),
    actor: 'T. Oakes',
    kind,
    body,
  };
}
const levels = (log: LogEvent[]) => levelsOf(site, pour, replay(log), limits);
const ft = (x: number) => x * 0.3048;

describe('what is to be set out', () => {
  const targets = levelTargets(site, pour);
  test('a top and a bottom at every node and pad, once at each level', () => {
    // SE2, 12 in deep at 94.50 ft, meets SE1, 10 in deep at 94.67 ft: one top, two bottoms at B5.
    expect(
      targets
        .filter((t) => t.label.startsWith('B5 '))
        .map((t) => [t.what, Math.round((t.wantedM / 0.3048) * 100) / 100]),
    ).toEqual([
      ['top', 95.5],
      ['bottom', 94.67],
      ['bottom', 94.5],
    ]);
    expect(targets.filter((t) => t.label.startsWith('K1 ')).map((t) => t.what)).toEqual([
      'top',
      'bottom',
    ]);
    expect(new Set(targets.map((t) => t.id)).size).toBe(targets.length);
    expect(new Set(targets.map((t) => t.label)).size).toBe(targets.length);
  });
  test('a wall has a top only', () => {
    expect(levelTargets(site, { elements: ['R'] }).map((t) => t.what)).toEqual(['top', 'top']);
  });
});

describe('levels from the log', () => {
  const setup = entry('setup', { onId: 'BM1', backSightM: ft(4) });
  test('rod readings become elevations with their deviation', () => {
    // BM1 stands at 100.00 ft: the sight is at 104.00; a rod of 8.46 on a top wanted at 95.50 is
    // 0.04 ft (12.2 mm) high.
    const { latest, setups } = levels([
      setup,
      entry('level', { setupId: setup.id, pointId: 'B5/top', rodM: ft(8.46) }),
    ]);
    expect(setups[0]?.hiM).toBeCloseTo(ft(104), 9);
    expect(latest.get('B5/top')?.deviationMm).toBeCloseTo(12.19, 2);
    expect(latest.get('B5/top')?.ok).toBe(true);
    expect(
      levels([
        setup,
        entry('level', { setupId: setup.id, pointId: 'B5/top', rodM: ft(8.45) }),
      ]).latest.get('B5/top')?.ok,
    ).toBe(false);
  });
  test('the instrument moves on a turning point, and the loop closes on the benchmark or does not', () => {
    const turn = entry('level', { setupId: setup.id, pointId: 'B5/top', rodM: ft(8.5) });
    const second = entry('setup', { onId: 'B5/top', backSightM: ft(6) });
    const back = (rod: number) =>
      levels([
        setup,
        turn,
        second,
        entry('level', { setupId: second.id, pointId: 'BM1', rodM: ft(rod) }),
      ]);
    // 95.50 + 6.00 = 101.50, so the rod on 100.00 must read 1.50.
    expect(back(1.5)).toMatchObject({ closes: true });
    expect(back(1.52)).toMatchObject({ closes: false });
    expect(back(1.52).misclosureMm).toBeCloseTo(-6.1, 1);
    expect(levels([setup]).closes).toBeNull();
    // The calculation that the figure opens to, given what was read, says the same as the log.
    const loop = loopOf(site, back(1.52), limits.closeMm);
    expect(loop?.setups.map((s) => s.turnRodM === undefined)).toEqual([false, true]);
    expect(resultOf(levelLoop, loop as NonNullable<typeof loop>).misclosureMm).toBeCloseTo(
      back(1.52).misclosureMm ?? NaN,
      6,
    );
    expect(loopOf(site, levels([setup]), limits.closeMm)).toBeNull();
  });
  test('a set-up on a point nobody read, and a reading from a set-up that was taken back, count for nothing', () => {
    const lost = entry('setup', { onId: 'A5/top', backSightM: 1 });
    expect(
      levels([lost, entry('level', { setupId: lost.id, pointId: 'B5/top', rodM: 1 })]),
    ).toMatchObject({ setups: [], closes: null });
    const undone = { ...entry('supersede', {}), supersedes: setup.id } as LogEvent;
    expect(
      levels([setup, entry('level', { setupId: setup.id, pointId: 'B5/top', rodM: 1 }), undone])
        .latest.size,
    ).toBe(0);
  });
  test('the newest reading of a point counts', () => {
    const read = (rod: number) =>
      entry('level', { setupId: setup.id, pointId: 'B5/top', rodM: ft(rod) });
    expect(levels([setup, read(8), read(8.5)]).latest.get('B5/top')?.deviationMm).toBeCloseTo(0, 6);
  });
});

describe('squareness on the plan', () => {
  test('finds the rectangles the walls stand on, largest first', () => {
    const p2 = demoPour('quillback', 'P2');
    const [first] = cornersOf(p2.site, p2.pour.elements);
    expect(new Set(first?.corners)).toEqual(new Set(['A1', 'A3', 'C1', 'C3']));
    expect(first?.diagonalM).toBeCloseTo(Math.hypot(36, 28) * 0.3048, 6);
    expect(cornersOf(p2.site, ['R'])).toEqual([]);
  });
  test('says which two to move, which way', () => {
    expect(squareWords({ rackM: 0.0508 }, ['A', 'B', 'C', 'D'], 'us')).toBe(
      'Move C and D 2 in toward the side of A, along A to B.',
    );
    expect(squareWords({ rackM: -0.012 }, ['A', 'B', 'C', 'D'], 'metric')).toBe(
      'Move C and D 12 mm toward the side of B, along A to B.',
    );
    expect(squareWords({ rackM: 0.0004 }, ['A', 'B', 'C', 'D'], 'us')).toBe('Square.');
  });
});
