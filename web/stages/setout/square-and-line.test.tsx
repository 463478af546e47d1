import { describe, expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { entriesFrom } from '../../../core/testdata/entries.ts';
import { dayOf, renderInPour } from '../../testing/pour.tsx';
import { LinePanel } from './LinePanel.tsx';
import { SquarePanel } from './SquarePanel.tsx';

const K1 = { file: 'kestrel', code: 'K1' } as const;
const { entry } = entriesFrom(dayOf('kestrel', 'K1'), 'I. Brandvold');
/** Types figures into the fields of a region, from the first on. */
async function typeIn(region: string | RegExp, figures: string[]): Promise<void> {
  const fields = within(screen.getByRole('region', { name: region })).getAllByRole('textbox');
  for (const [i, text] of figures.entries()) {
    const field = fields[i];
    if (!field) throw new Error(`no field ${i}`);
    await userEvent.clear(field);
    await userEvent.type(field, text);
  }
}

describe('square by diagonals', () => {
  const log = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Log it' });

  test('is told by the drawing first: 12 by 8 m have diagonals of 14.42 m', () => {
    renderInPour(<SquarePanel id="SS" />, K1);
    // √(12² + 8²) = 14.422 m.
    expect(screen.getByRole('region', { name: 'Square' }).textContent).toMatch(/14\.42/);
    expect(log().disabled).toBe(true);
  });

  test('says which two corners to move, and how far, once all six are read', async () => {
    const { write } = renderInPour(<SquarePanel id="SS" />, K1);
    await typeIn('Square', ['12', '8', '12', '8', '14.44']);
    expect(document.querySelector('[data-square]')).toBeNull();
    expect(log().disabled).toBe(true);
    await typeIn('Square', ['12', '8', '12', '8', '14.44', '14.40']);
    const words = document.querySelector('[data-square]')?.textContent;
    expect(words).toMatch(/Diagonals 40 mm apart\. Move C and D 24 mm/);
    await userEvent.click(log());
    expect(write.mock.calls[0]?.[0]).toBe('square');
    expect(write.mock.calls[0]?.[1]).toMatchObject({
      sidesM: [12, 8, 12, 8],
      diagonalsM: [14.44, 14.4],
    });
    // Kept, the fields are ready for the next time.
    await waitFor(() => {
      expect(log().disabled).toBe(true);
    });
  });

  test('that was logged stands below, judged as it was', () => {
    const square = entry(
      'square',
      { corners: ['A', 'B', 'C', 'D'], sidesM: [12, 8, 12, 8], diagonalsM: [14.422, 14.422] },
      60,
    );
    renderInPour(<SquarePanel id="SS" />, { ...K1, entries: [square] });
    expect(screen.getByText(/^Last: A B C D/).textContent).toMatch(/I\. Brandvold/);
  });
});

describe('a string line along a run', () => {
  const log = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Log the line' });
  const verdict = () => document.querySelector('[data-line]');

  test('wants two readings at least, and takes them past the block they run over', async () => {
    const { write } = renderInPour(<LinePanel id="SS" />, K1);
    expect(log().disabled).toBe(true);
    // The first field is the block, 40 mm.
    await typeIn(/^String line of SS/, ['40', '42']);
    expect(log().disabled).toBe(true);
    await typeIn(/^String line of SS/, ['40', '42', '40', '41']);
    expect(log().disabled).toBe(false);
    await userEvent.click(log());
    const body = write.mock.calls[0]?.[1] as { offsets: { atM: number; offsetMm: number }[] };
    expect(body.offsets.map((o) => o.offsetMm)).toEqual([2, 0, 1]);
    expect(body.offsets[0]?.atM).toBe(0);
  });

  test('is good within what is taken, and says where it is worst where it is not', async () => {
    renderInPour(<LinePanel id="SS" />, K1);
    await typeIn(/^String line of SS/, ['40', '42', '42']);
    expect(verdict()?.getAttribute('data-line')).toBe('true');
    await typeIn(/^String line of SS/, ['40', '42', '90']);
    expect(verdict()?.getAttribute('data-line')).toBe('false');
    expect(verdict()?.textContent).toMatch(/Worst 50 mm off the string/);
  });

  test('a reading that is no measure is marked, and does not count', async () => {
    renderInPour(<LinePanel id="SS" />, K1);
    await typeIn(/^String line of SS/, ['40', '42', 'in a bit']);
    const fields = screen.getAllByRole('textbox');
    expect(fields[2]?.getAttribute('aria-invalid')).toBe('true');
    expect(log().disabled).toBe(true);
  });

  test('of a run that is not there is no panel', () => {
    renderInPour(<LinePanel id="gone" />, K1);
    expect(screen.queryByRole('region')).toBeNull();
  });
});
