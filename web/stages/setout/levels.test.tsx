import { describe, expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { entriesFrom } from '../../../core/testdata/entries.ts';
import { press } from '../../testing/hand.ts';
import { dayOf, renderInPour } from '../../testing/pour.tsx';
import { LevelsPanel } from './LevelsPanel.tsx';

const DAY = dayOf('kestrel', 'K1');
const { entry } = entriesFrom(DAY, 'I. Brandvold');
const open = (entries: Parameters<typeof renderInPour>[1] = {}) =>
  renderInPour(<LevelsPanel />, { file: 'kestrel', code: 'K1', ...entries });
const rod = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'Rod reading' });
const take = (name: RegExp) => screen.getByRole<HTMLButtonElement>('button', { name });
/** Set up on the benchmark, which stands at 0: the sight is at what the rod read. */
const SETUP = entry('setup', { onId: 'R0', backSightM: 1.15 }, 400);

describe('levels by rod and instrument', () => {
  test('begin on the benchmark', async () => {
    const { write, view } = open();
    expect(screen.getByText('Rod on the benchmark first')).toBeTruthy();
    await userEvent.type(rod(), '1.150{Enter}');
    expect(write).toHaveBeenCalledWith('setup', {
      onId: view.record.site.benchmark?.id ?? '',
      backSightM: 1.15,
    });
  });

  test('say what the rod reads when the point is right, and judge what it read', () => {
    const { view } = open({ entries: [SETUP] });
    const first = /the rod reads\s+(\d\.\d+)/.exec(document.body.textContent ?? '')?.[1];
    const wanted = /wanted\s*([−\d.]+)/.exec(document.body.textContent ?? '')?.[1];
    const bench = view.record.site.benchmark?.elevationM ?? NaN;
    expect(Number(first)).toBeCloseTo(bench + 1.15 - Number(wanted?.replace('−', '-')), 3);
  });

  test('a point is read from where the instrument stands, and the next one is aimed at', async () => {
    const { write } = open({ entries: [SETUP] });
    await userEvent.type(rod(), '3.95{Enter}');
    expect(write.mock.calls[0]?.[0]).toBe('level');
    expect(write.mock.calls[0]?.[1]).toMatchObject({ setupId: SETUP.id, rodM: 3.95 });
    expect(rod().value).toBe('');
  });

  test.each([
    ['4 ft', 'Write it as 1.302.'],
    ['12.5', 'The rod must be at most 10 m.'],
    ['-1', 'The rod must not be below 0.'],
  ])('%s is no reading of a rod: why is said, and nothing is taken', async (typed, why) => {
    const { write } = open({ entries: [SETUP] });
    await userEvent.type(rod(), typed);
    expect(screen.getByRole('alert').textContent).toBe(why);
    expect(take(/^Take$/).disabled).toBe(true);
    await userEvent.type(rod(), '{Enter}');
    expect(write).not.toHaveBeenCalled();
  });

  test('the instrument is moved onto a point that was read, by a back-sight on it', async () => {
    const turning = entry('level', { setupId: SETUP.id, pointId: 'TP1', rodM: 2.2 }, 410);
    const { write } = open({ entries: [SETUP, turning] });
    await press(/^A turning point, TP2/);
    expect(screen.queryByRole('button', { name: /Instrument moved/ })).toBeNull();
    await press(/Back on R0, to close/);
    await userEvent.type(rod(), '1.4');
    expect(take(/^Take$/).disabled).toBe(false);
    await press(/^Take$/);
    expect(write).toHaveBeenCalledWith('level', {
      setupId: SETUP.id,
      pointId: 'R0',
      rodM: 1.4,
    });
  });

  test('back on the benchmark a loop that does not close says by how much, in red', () => {
    const turning = entry('level', { setupId: SETUP.id, pointId: 'TP1', rodM: 2.2 }, 410);
    const moved = entry('setup', { onId: 'TP1', backSightM: 1.8 }, 420);
    const back = (rodM: number) => entry('level', { setupId: moved.id, pointId: 'R0', rodM }, 430);
    // 0 + 1.15 − 2.2 + 1.8 − 0.75 closes; 20 mm more does not.
    open({ entries: [SETUP, turning, moved, back(0.77)] });
    const closes = document.querySelector('[data-closes]');
    expect(closes?.getAttribute('data-closes')).toBe('false');
    expect(closes?.textContent).toMatch(/20 mm off\. Read it again/);
  });
});
