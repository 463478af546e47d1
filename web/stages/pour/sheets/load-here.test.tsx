import { describe, expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { entriesFrom } from '../../../../core/testdata/entries.ts';
import { press } from '../../../testing/hand.ts';
import { dayOf, renderInPour } from '../../../testing/pour.tsx';
import PourSheets from './PourSheets.tsx';

const DAY = dayOf('quillback', 'P2');
const { entry, loadHere } = entriesFrom(DAY, 'I. Brandvold');
const here = loadHere();
const said = () => screen.queryAllByRole('alert').map((a) => a.textContent);

describe('what is done with a load that is here', () => {
  test('the set that was drawn stands there and is logged by a press', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<PourSheets />, {
      search: '?sheet=cylinders:L1',
      entries: [here],
    });
    expect(screen.getByText(/Drawn before the first load: set 1 from L\d/)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Log the set' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledWith(
        'cylinders',
        expect.objectContaining({ loadId: 'L1', set: 1, lab: 3, field: 0 }),
      );
    });
  });

  test('neither air nor temperature is nothing read: refused in words', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<PourSheets />, { search: '?sheet=fresh:L1', entries: [here] });
    await user.click(screen.getByRole('button', { name: 'Log' }));
    await waitFor(() => {
      expect(said().join()).toMatch(/one of them was read/);
    });
    expect(write).not.toHaveBeenCalled();
    await user.type(screen.getByLabelText(/^Air(?! and)/), '5.5');
    await user.click(screen.getByRole('button', { name: 'Log' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledTimes(1);
    });
    const [kind, body] = write.mock.calls[0] ?? [];
    expect(kind).toBe('fresh-test');
    expect((body as { airRatio: number }).airRatio).toBeCloseTo(0.055, 9);
  });

  test('another mix on its ticket is kept with the load', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<PourSheets />, { search: '?sheet=load:L2' });
    await user.type(screen.getByLabelText(/Ticket number/), '881');
    await user.selectOptions(screen.getByLabelText(/Mix on the ticket/), 'another mix');
    await user.click(screen.getByRole('button', { name: 'Log load' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledTimes(1);
    });
    expect(write.mock.calls[0]?.[1]).toMatchObject({ loadId: 'L2', mix: 'another mix' });
  });
});

describe('placing with the gate shut', () => {
  const start = () => renderInPour(<PourSheets />, { search: '?sheet=start:L1', entries: [here] });

  test('wants its reason with the second press, and logs both, the reason first', async () => {
    const { write } = start();
    expect(screen.getByText(/The gate is shut: \d+ held/)).toBeTruthy();
    await press(/^N\b/);
    await press('Pour');
    expect((await screen.findByRole('alert')).textContent).toBe('is missing');
    expect(write).not.toHaveBeenCalled();
    await userEvent.type(screen.getByLabelText('Another reason'), 'The engineer was here');
    await press('Pour');
    await waitFor(() => {
      expect(write).toHaveBeenCalledTimes(2);
    });
    expect(write.mock.calls.map(([kind, body]) => [kind, body])).toEqual([
      ['override', { reason: 'The engineer was here' }],
      ['place-start', { elementId: 'N', lift: 0, loadId: 'L1' }],
    ]);
  });

  test('is logged by one press on a reason that is often given, or without one', async () => {
    const { write } = start();
    await press(/^N\b/);
    await press('Weather is coming');
    await waitFor(() => {
      expect(write).toHaveBeenCalledWith('override', { reason: 'Weather is coming' });
    });
  });
});

describe('two fronts at once', () => {
  const placing = (elementId: string, min: number) =>
    entry('place-start', { elementId, lift: 0, loadId: 'L1' }, min);

  test('which of them stops is asked, and only that one is stopped', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<PourSheets />, {
      search: '?sheet=stop',
      entries: [here, placing('N', 470), placing('S', 472)],
    });
    expect(screen.getByRole('heading', { name: 'Which front stops?' })).toBeTruthy();
    await user.click(screen.getByRole('button', { name: /^N\b/ }));
    await user.click(screen.getByRole('button', { name: 'N, lift 1 is full' }));
    expect(write.mock.calls).toEqual([['place-stop', { elementId: 'N', lift: 0, filledRatio: 1 }]]);
  });

  test('a second one begins where the first is not', () => {
    renderInPour(<PourSheets />, {
      search: '?sheet=start',
      entries: [here, placing('N', 470)],
    });
    const runs = screen.getAllByRole('button').map((b) => b.textContent);
    expect(runs.some((r) => /^N\b/.test(r))).toBe(false);
    expect(runs.some((r) => /^S\b/.test(r))).toBe(true);
  });
});
