import { describe, expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { LogEvent } from '../../../core/log/events.ts';
import { mixerSchema } from '../../../core/model/mixers.ts';
import { dueOf, lateMin } from '../../../core/view/due.ts';
import { balanceText } from '../../../core/words/balance.ts';
import { entriesFrom } from '../../../core/testdata/entries.ts';
import { dayOf, renderInPour } from '../../testing/pour.tsx';
import { PourBench } from './PourBench.tsx';

const DAY = dayOf('quillback', 'P1');
const { entry, ms } = entriesFrom(DAY, 'I. Brandvold');
const drum = mixerSchema.parse({
  id: 'drum',
  label: 'Drum',
  batchM3: 0.1,
  batchMin: 6,
  trailerKg: 1000,
});
const batch = (id: string, minute: number) =>
  entry(
    'load-arrived',
    { loadId: id, volumeM3: 0.1, batchedAt: new Date(ms(minute)).toISOString() },
    minute,
  );
const slump = entry('slump', { loadId: 'L1', measuredMm: 100, where: 'truck' }, 482);
const open = (entries: LogEvent[]) =>
  renderInPour(<PourBench />, {
    code: 'P1',
    entries,
    nowMs: ms(490),
    site: { mixers: [drum] },
    settings: { mixer: 'drum' },
  });

describe('what is mixed on the site', () => {
  test('is a batch, with no truck and no ticket; it is logged by one press, and its drum emptied by one', async () => {
    const user = userEvent.setup();
    const { write } = open([batch('L1', 480), slump]);
    await screen.findByRole('region', { name: 'Load L1' });
    expect(document.body.textContent).not.toMatch(/ticket|Truck|on order/);
    await user.click(screen.getByRole('button', { name: 'Drum is empty' }));
    await user.click(screen.getByRole('button', { name: 'Batch is mixed' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledWith('load-end', { loadId: 'L1', returnedM3: 0 });
    });
    expect(write).toHaveBeenCalledWith(
      'load-arrived',
      expect.objectContaining({ loadId: 'L2', volumeM3: 0.1 }),
      expect.anything(),
    );
  });

  test('has its slump asked once: batches are alike', () => {
    const adviceOf = (entries: LogEvent[]) =>
      open(entries).view.loads.find((l) => l.id === 'L2')?.advice;
    expect(adviceOf([batch('L1', 480), batch('L2', 486)])).toBe('slump');
    expect(adviceOf([batch('L1', 480), slump, batch('L2', 486)])).toBe('accept');
  });

  test('follows the batch before it, a drum’s turn later; what is missing is counted in batches', () => {
    // As planned the second batch is mixed long before; the drum began at eight.
    const { view } = open([batch('L1', 480), slump]);
    const second = view.loads.find((l) => l.id === 'L2');
    expect(second && dueOf(view, second)?.arriveMin).toBe(486);
    expect(second && lateMin(view, second, ms(490))).toBe(0);
    expect(second && lateMin(view, second, ms(494))).toBe(8);
    const said = (balanceM3: number) =>
      balanceText({ balanceM3, finishedMs: null }, 'metric', undefined, drum);
    expect(said(0.058)).toBe('1 batch more to mix than planned.');
    expect(said(0.205)).toBe('2 batches more to mix than planned.');
    expect(said(-0.05)).toBe('Nothing more to mix than planned. About 0.05 m³ left over.');
  });
});
