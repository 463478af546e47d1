import { describe, expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { cellsOf } from '../../../core/pourplan/cells.ts';
import { routeOf } from '../../../core/pourplan/route.ts';
import { demoPour } from '../../../core/testdata/demo.ts';
import { entriesFrom } from '../../../core/testdata/entries.ts';
import { dayOf, renderInPour } from '../../testing/pour.tsx';
import { CureBench } from './CureBench.tsx';
import CureSheets from './sheets/CureSheets.tsx';

const dayMs = dayOf('quillback', 'P2');
const { entry } = entriesFrom(dayMs, 'I. Brandvold');
const HOUR = 60;

/** P2 placed from seven on, face by face, a minute each. */
function placed() {
  const { site, pour } = demoPour('quillback', 'P2');
  const faces = [
    ...new Map(
      cellsOf(routeOf(site, pour)).map((c) => [`${c.elementId}/${c.lift}`, c] as const),
    ).values(),
  ];
  return faces.flatMap(({ elementId, lift }, i) => [
    entry('place-start', { elementId, lift }, 7 * HOUR + i),
    entry('place-stop', { elementId, lift, filledRatio: 1 }, 7 * HOUR + i + 1),
  ]);
}
const after = (hours: number) => ({ entries: placed(), nowMs: dayMs + (8 + hours) * 3_600_000 });
const said = () => screen.queryAllByRole('alert').map((a) => a.textContent);

describe('what stands while it cures', () => {
  test('before the pour says what will stand there, and offers no stripping', async () => {
    renderInPour(<CureBench />);
    expect(screen.getByText(/Nothing to cure yet/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Strip' })).toBeNull();
    const close = await screen.findByRole<HTMLButtonElement>('button', { name: 'Close the pour' });
    expect(close.disabled).toBe(true);
  });

  test('hours after it forms stay on every run, and reading the concrete is the likeliest', () => {
    const { view } = renderInPour(<CureBench />, after(6));
    expect(view.curing?.strip).toBe('no');
    expect(screen.getAllByText('stays on')).toHaveLength(view.record.pour.elements.length);
    expect(screen.getByRole('button', { name: 'Read temperature' }).className).not.toMatch(/line/);
    expect(screen.getByRole('button', { name: 'Strip' }).className).toMatch(/line/);
  });

  test('what was taken off is said of its run alone', () => {
    const { entries, nowMs } = after(72);
    const off = entry('strip', { elementIds: ['N'], reason: 'Engineer' }, 78 * HOUR);
    renderInPour(<CureBench />, { entries: [...entries, off], nowMs });
    expect(screen.getAllByText('forms off')).toHaveLength(1);
  });
});

describe('a temperature', () => {
  test('is typed in the units of the site and kept in SI, with where it was read', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<CureSheets />, { ...after(6), search: '?sheet=probe' });
    await user.type(screen.getByLabelText(/^Read/), '59');
    await user.type(screen.getByLabelText('Where'), 'north wall, core');
    await user.click(screen.getByRole('button', { name: 'Log temperature' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledWith('probe', {
        tempC: expect.closeTo(15, 6),
        where: 'north wall, core',
      });
    });
  });
});

describe('a cylinder', () => {
  test('is not older than its concrete', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<CureSheets />, { ...after(6), search: '?sheet=break' });
    await user.type(screen.getByLabelText(/^Mean of/), '3000');
    await user.click(screen.getByRole('button', { name: 'Log break' }));
    await waitFor(() => {
      expect(said()).toHaveLength(1);
    });
    expect(write).not.toHaveBeenCalled();
  });
  test('breaks under a strength that can be', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<CureSheets />, {
      ...after(24 * 8),
      search: '?sheet=break',
    });
    await user.type(screen.getByLabelText(/^Mean of/), '99000');
    await user.click(screen.getByRole('button', { name: 'Log break' }));
    await waitFor(() => {
      expect(said()).toEqual(['must be at most 29008 psi']);
    });
    await user.clear(screen.getByLabelText(/^Mean of/));
    await user.type(screen.getByLabelText(/^Mean of/), '3000');
    await user.click(screen.getByRole('button', { name: 'Log break' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledWith('break-test', {
        ageDays: 7,
        strengthMPa: expect.closeTo(20.684, 3),
        specimen: 'cylinder',
        cured: 'laboratory',
      });
    });
  });
});

describe('forms', () => {
  test('come off against the clock only with a reason', async () => {
    const user = userEvent.setup();
    const { write, view } = renderInPour(<CureSheets />, { ...after(6), search: '?sheet=strip' });
    const off = screen.getByRole<HTMLButtonElement>('button', { name: /^Forms are off/ });
    expect(off.disabled).toBe(true);
    await user.type(screen.getByLabelText(/Why, and who allowed it/), 'Engineer, by telephone');
    await user.click(off);
    await waitFor(() => {
      expect(write).toHaveBeenCalledWith('strip', {
        elementIds: view.record.pour.elements,
        reason: 'Engineer, by telephone',
      });
    });
  });
});

describe('the pour', () => {
  test('is closed with forms on only with a word of why', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<CureSheets />, { ...after(72), search: '?sheet=close' });
    await user.click(screen.getByRole('button', { name: 'Close P2' }));
    await waitFor(() => {
      expect(said()).toEqual(['is missing']);
    });
    await user.type(screen.getByLabelText('Remark'), 'Forms stay on for the frost');
    await user.click(screen.getByRole('button', { name: 'Close P2' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledWith('close', { reason: 'Forms stay on for the frost' });
    });
  });
});
