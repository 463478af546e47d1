import { describe, expect, jest, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { lengthOf } from '../../../../core/model/index.ts';
import { renderChanging } from '../../../testing/changing.tsx';
import { press, type } from '../../../testing/hand.ts';
import type { DrawingRead } from '../../../workers/dxf.worker.ts';
import { DrawingImport } from './DrawingImport.tsx';

/** Clear of all that is drawn on the site, mm. */
const OFF = 100_000;
const line = (layer: string, x1: number, y1: number, x2: number, y2: number) => ({
  layer,
  x1: x1 + OFF,
  y1: y1 + OFF,
  x2: x2 + OFF,
  y2: y2 + OFF,
});
/** An L of footings with one of its lines drawn twice, and a leader that is none. */
const ELL: DrawingRead = {
  lines: [
    line('FTG S1', 0, 0, 6000, 0),
    line('FTG S1', 6000, 0, 6000, 4000),
    line('FTG S1', 6000, 4000, 6000, 0),
    line('NOTES', 0, 900, 500, 900),
  ],
  layers: [
    { name: 'FTG S1', count: 3 },
    { name: 'NOTES', count: 1 },
  ],
  unit: 'mm',
  leftOut: [{ type: 'TEXT', count: 2 }],
};

function open(read: DrawingRead) {
  const done = jest.fn<() => void>();
  const told = renderChanging(() => <DrawingImport read={read} onDone={done} />, {
    file: 'kestrel',
    code: 'K1',
  });
  const before = told.plan.runs.length;
  return { told, done, fresh: () => told.plan.runs.slice(before) };
}
const put = () => screen.getByRole<HTMLButtonElement>('button', { name: /^(Put|Say)/ });

describe('a drawing that is brought in', () => {
  test('asks for its unit though the file says one, and puts nothing in before', async () => {
    const { fresh } = open(ELL);
    expect(put().textContent).toBe('Say the unit first');
    expect(put().disabled).toBe(true);
    expect(screen.getByText('the file says mm')).toBeTruthy();
    await press('mm?');
    expect(screen.getByText(/^6\.00 m by 4\.00 m over all/)).toBeTruthy();
    expect(fresh()).toEqual([]);
  });

  test('becomes runs of the types its layers are named for, each line once, in this pour', async () => {
    const { told, done, fresh } = open(ELL);
    await press('mm?');
    expect(screen.getByText(/2 runs, 1 line lies on another and is left out/)).toBeTruthy();
    expect(screen.getByText(/not lines: 2 text/)).toBeTruthy();
    await press('Put 2 runs in');
    expect(fresh().map((r) => [r.type, lengthOf(told.plan, r)])).toEqual([
      ['S1', expect.closeTo(6, 6)],
      ['S1', expect.closeTo(4, 6)],
    ]);
    const mine = told.plan.pours.find((p) => p.code === 'K1')?.elements ?? [];
    for (const r of fresh()) expect(mine).toContain(r.id);
    expect(done).toHaveBeenCalledTimes(1);
  });

  test('takes a layer for another type, or leaves it out, as it is told', async () => {
    const { fresh } = open(ELL);
    await press('mm?');
    const layer = (name: string) => screen.getByLabelText(`Layer ${name} becomes`);
    await userEvent.selectOptions(layer('FTG S1'), '');
    expect(put().disabled).toBe(true);
    await userEvent.selectOptions(layer('NOTES'), 'S2');
    await press('Put 1 run in');
    expect(fresh().map((r) => r.type)).toEqual(['S2']);
  });

  test('gives each layer a bottom of its own, and nothing while that cannot be read', async () => {
    const { fresh } = open(ELL);
    await press('mm?');
    const bottom = screen.getByLabelText(/^bottom of FTG S1/);
    await userEvent.clear(bottom);
    expect(put().disabled).toBe(true);
    await type(/^bottom of FTG S1/, '-2.4');
    await press('Put 2 runs in');
    expect(fresh().map((r) => r.bottomM)).toEqual([-2.4, -2.4]);
  });

  test('without a line says so, and what it holds instead', () => {
    open({ lines: [], layers: [], unit: null, leftOut: [{ type: 'INSERT', count: 3 }] });
    expect(screen.getByRole('alert').textContent).toMatch(/no lines .*3 INSERT/);
  });
});
