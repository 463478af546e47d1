import { describe, expect, test } from '@jest/globals';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { entriesFrom } from '../../../core/testdata/entries.ts';
import { dayOf, renderInPour } from '../../testing/pour.tsx';
import AlarmSound from '../AlarmSound.tsx';
import HandsSheet from './HandsSheet.tsx';
import { LogList } from './LogList.tsx';

const DAY = dayOf('quillback', 'P2');
const { entry } = entriesFrom(DAY, 'I. Brandvold');
const close = () => undefined;
const wrong = entry('note', { text: 'Pump primed on West' }, 400);
const entries = [
  wrong,
  { ...entry('note', { text: 'Pump primed on North' }, 401), supersedes: wrong.id },
  entry('hand', { name: 'R. Oduya', to: 'on' }, 420),
  entry('visitor', { name: 'The county inspector' }, 430),
];
const rows = () => screen.getAllByRole('listitem').map((r) => r.textContent);

describe('the log', () => {
  test('is looked through by words and kind; what was corrected stays readable', async () => {
    const user = userEvent.setup();
    renderInPour(<LogList close={close} />, { entries });
    expect(rows()).toHaveLength(3);
    await user.type(screen.getByLabelText('Words'), 'north pump');
    expect(rows()).toHaveLength(1);
    expect(rows()[0]).toContain('instead of: Pump primed on West');
    await user.clear(screen.getByLabelText('Words'));
    await user.click(screen.getByRole('button', { name: 'people' }));
    expect(rows()).toHaveLength(2);
    expect(screen.getByText(/^2 of 3\./)).toBeTruthy();
  });
});

describe('an entry that is wrong', () => {
  const slump = entry('slump', { loadId: 'L1', measuredMm: 100, where: 'truck' }, 440);
  const nowMs = DAY + 480 * 60_000;
  const key = () => screen.queryByRole('button', { name: /^Correct: L1 slump/ });

  test('is put right where it stands, with its own time; a day it was not made on is not lost', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<LogList close={close} />, { entries: [slump], nowMs });
    await user.click(key() as HTMLElement);
    await user.selectOptions(await screen.findByLabelText('Read at'), 'hose');
    const time = screen.getByLabelText(/Happened at/);
    await user.clear(time);
    await user.type(time, '07:05');
    await user.click(screen.getByRole('button', { name: 'Put right' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledWith(
        'slump',
        { loadId: 'L1', measuredMm: 100, where: 'hose' },
        { supersedes: slump.id, atMs: DAY + 425 * 60_000 },
      );
    });
  });

  test('is another’s to put right only where they are the foreman', () => {
    const another = { ...slump, actor: 'R. Oduya' };
    renderInPour(<LogList close={close} />, { entries: [another], nowMs, role: 'crew' });
    expect(key()).toBeNull();
  });
});

describe('who is here', () => {
  test('a hand that is on is put off by a press, with its hours; somebody else is typed', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<HandsSheet onClose={close} />, {
      entries,
      nowMs: DAY + 510 * 60_000,
    });
    const oduya = screen.getAllByRole('listitem').find((l) => l.textContent.includes('R. Oduya'));
    expect(oduya?.textContent).toContain('1 h 30 in all');
    await user.click(screen.getByRole('button', { name: 'R. Oduya off' }));
    expect(write).toHaveBeenCalledWith('hand', { name: 'R. Oduya', to: 'off' });
    await user.type(screen.getByLabelText(/Somebody else/), 'T. Vance');
    await user.click(screen.getByRole('button', { name: 'On' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledWith('hand', { name: 'T. Vance', to: 'on' });
    });
  });
});

test('the sound of alarms is turned off by a press, and the device keeps that', async () => {
  const user = userEvent.setup();
  const { unmount } = render(<AlarmSound alarms={['a seam']} />);
  await user.click(screen.getByRole('button', { name: 'Alarms sound' }));
  unmount();
  render(<AlarmSound alarms={['a seam']} />);
  expect(
    screen.getByRole('button', { name: 'Alarms are silent' }).getAttribute('aria-pressed'),
  ).toBe('false');
});
