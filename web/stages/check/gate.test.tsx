import { describe, expect, jest, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { entriesFrom } from '../../../core/testdata/entries.ts';
import { press } from '../../testing/hand.ts';
import { dayOf, renderInPour } from '../../testing/pour.tsx';
import FixList from './FixList.tsx';
import { GatePanel } from './GatePanel.tsx';

const DAY = dayOf('quillback', 'P2');
const { entry } = entriesFrom(DAY, 'T. Oakes');
const address = () => screen.getByTestId('address').textContent;
/** N is 10 in thick; three less than that is out. */
const out = entry(
  'reading',
  { checkId: 'N/thickness', place: 0, value: { type: 'length', mm: 177.8 } },
  300,
);
const fixed = entry('fix', { checkId: 'N/thickness', place: 0, what: 'Spread the forms' }, 330);
const good = entry(
  'reading',
  { checkId: 'N/thickness', place: 0, value: { type: 'length', mm: 254 } },
  345,
);
const rows = () =>
  [...document.querySelectorAll('[data-row]')].map((r) => [
    r.getAttribute('data-row')?.split(':')[0],
    r.textContent,
  ]);

describe('what holds the gate', () => {
  test('is what is unread and unsigned, with the minutes each takes and the moment it can be ready', () => {
    const { view } = renderInPour(<GatePanel />, { nowMs: DAY + 6 * 3_600_000 });
    expect(screen.getByRole('heading', { name: 'Not ready' })).toBeTruthy();
    const kinds = rows().map(([kind]) => kind);
    expect(kinds).toContain('unread');
    expect(kinds.filter((k) => k === 'sign')).toHaveLength(view.record.pour.holds.length);
    const minutes = rows()
      .map(([, words]) => Number(/(\d+) min$/.exec(words ?? '')?.[1] ?? 0))
      .reduce((a, b) => a + b, 0);
    expect(view.gate.minutes).toBeCloseTo(minutes, 0);
    expect(view.gate.minutes).toBeGreaterThan(0);
  });

  test('says by how much a reading is out, and leads to its place', async () => {
    renderInPour(<GatePanel />, { entries: [out] });
    const row = document.querySelector<HTMLElement>('[data-row^="out:N/thickness"]');
    expect(row?.textContent).toMatch(/N .*in/);
    await userEvent.click(row as HTMLElement);
    expect(address()).toBe('?run=N&check=N%2Fthickness&place=0');
  });

  test('a question that is open waits for its answer; one press opens it', async () => {
    const question = entry(
      'question',
      { number: 7, to: 'engineer', text: 'Bars on both faces?', elementIds: ['R'] },
      200,
    );
    const { view } = renderInPour(<GatePanel />, { entries: [question] });
    expect(view.gate.minutes).toBeNull();
    expect(screen.getByText(/waits for an answer$/)).toBeTruthy();
    await press(/^Question 7, R: engineer/);
    expect(address()).toBe(`?sheet=${encodeURIComponent(`answer:${question.id}`)}`);
  });

  test('a hold point leads to its sheet; who goes on against it says so in another', async () => {
    renderInPour(<GatePanel />);
    await press(/^Own check, not signed/);
    expect(address()).toBe('?sheet=sign%3Aown');
    await press('Pour anyway');
    expect(address()).toBe('?sheet=override');
  });

  test('once gone on against it stands there with who and why, and is not offered again', () => {
    const override = entry('override', { reason: 'Weather is coming' }, 400);
    renderInPour(<GatePanel />, { entries: [override] });
    expect(screen.getByText(/Weather is coming \(T\. Oakes\)/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Pour anyway' })).toBeNull();
  });

  test('a sign-off that was rejected keeps its reason', () => {
    const rejected = entry(
      'sign',
      { hold: 'inspection', result: 'reject', reason: 'Cover at E1', planVersion: 1 },
      420,
    );
    renderInPour(<GatePanel />, { entries: [rejected] });
    expect(rows().map(([, words]) => words)).toContainEqual(
      expect.stringMatching(/rejected: Cover at E1/),
    );
  });
});

describe('what failed', () => {
  const list = (entries: Parameters<typeof renderInPour>[1]) => {
    const onRead = jest.fn<(...args: unknown[]) => void>();
    renderInPour(<FixList onRead={onRead} />, entries);
    return onRead;
  };

  test('is nothing at first', () => {
    list({});
    expect(screen.getByRole('heading', { name: 'Nothing has failed' })).toBeTruthy();
  });

  test('stands with who read it, how long ago and what to press', async () => {
    const onRead = list({ entries: [out], nowMs: DAY + (300 + 45) * 60_000 });
    expect(screen.getByRole('heading', { name: '1 to put right' })).toBeTruthy();
    const row = within(screen.getByRole('listitem'));
    expect(row.getByText(/T\. Oakes, 45 min ago/)).toBeTruthy();
    await userEvent.click(row.getByRole('button', { name: 'Fix' }));
    expect(onRead.mock.calls[0]?.[1]).toBe(0);
  });

  test('once fixed has to be read again, and is told by trade too', async () => {
    list({ entries: [out, fixed], nowMs: DAY + 340 * 60_000 });
    expect(screen.getByText('fixed, read again')).toBeTruthy();
    expect(screen.getByRole('listitem').textContent).toContain('Spread the forms, T. Oakes');
    expect(screen.getByRole('button', { name: 'Read again' })).toBeTruthy();
    await press('by trade');
    expect(screen.getByRole('heading', { name: 'forms' })).toBeTruthy();
  });

  test('read again and good it is put right, and nothing is asked any more', () => {
    list({ entries: [out, fixed, good], nowMs: DAY + 360 * 60_000 });
    expect(screen.getByRole('heading', { name: 'All put right' })).toBeTruthy();
    expect(screen.getByText('read again, good')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^(Fix|Read again)$/ })).toBeNull();
  });
});
