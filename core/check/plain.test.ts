import { describe, expect, test } from '@jest/globals';
import { readSchedule } from '../exchange/schedule.ts';
import { rebarTakeoff } from '../steel/rebar-takeoff.ts';
import { resultOf } from '../kit/calculation.ts';
import { job } from '../testdata/jobs.ts';
import { pointsOf } from './points/index.ts';

const rowsOf = (text: string) =>
  readSchedule(
    text.split('\n').map((line) => line.split(',')),
    'metric',
    'metric-en',
  );
const read = rowsOf(`mark,kind,width,depth,along,across,upright,horizontal
PF,footing,600,300,none,none,,
PW,wall,250,,,,none,none
HW,wall,250,,,,12 mm at 300,none`);
const typeOf = (mark: string) => read.rows.find((r) => r.mark === mark)?.type;
const plain = job({
  footingTypes: [typeOf('PF')?.type],
  wallTypes: [typeOf('PW')?.type, typeOf('HW')?.type],
  runs: [
    { id: 'F', kind: 'footing', type: 'PF', from: 'A', to: 'B', bottomM: 0 },
    { id: 'W', kind: 'wall', type: 'PW', from: 'A', to: 'B', bottomM: 0.3, topM: 1.5 },
    { id: 'H', kind: 'wall', type: 'HW', from: 'B', to: 'C', bottomM: 0.3, topM: 1.5 },
  ],
  elements: ['F', 'W', 'H'],
});
const steel = (id: string) =>
  pointsOf(plain, id)
    .filter((p) => p.trade === 'steel')
    .map((p) => p.kind);

describe('concrete without bars', () => {
  test('is read off a schedule that says none; a cell that is left empty says nothing', () => {
    expect(read.rows.flatMap((r) => r.problems)).toEqual([]);
    expect(typeOf('PW')?.type).toMatchObject({ vertical: null, horizontal: null });
    const silent = rowsOf('mark,kind,width,upright,horizontal\nW,wall,250,,');
    expect(silent.rows[0]?.problems.map((p) => p.column)).toEqual(
      expect.arrayContaining(['upright', 'level bars']),
    );
  });

  test('asks for no bar, no cover and no lap: it says that none are drawn, and what code allows it', () => {
    expect(steel('F')).toEqual(['plain']);
    expect(steel('W')).toEqual(['plain']);
    const [said] = pointsOf(plain, 'F').filter((p) => p.kind === 'plain');
    expect(said).toMatchObject({ wanted: { type: 'eye' }, source: 'EN 1992-1-1 §12.9.3' });
    expect(said?.advice).toMatch(/engineer/);
  });

  test('a wall with uprights alone has these read, and its footing holds none but theirs', () => {
    expect(steel('H')).toContain('spacing-up');
    expect(steel('H')).not.toContain('spacing-across');
    expect(
      resultOf(rebarTakeoff, { site: plain.site }).rows.map((r) => [r.elementId, r.role]),
    ).toEqual([['H', 'vertical']]);
  });
});
