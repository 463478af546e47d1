import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { mixerSchema } from '../../../core/model/mixers.ts';
import { renderInPour } from '../../testing/pour.tsx';
import LeftOver from './much/LeftOver.tsx';
import OrderSheet from './much/OrderSheet.tsx';
import { Supply } from './much/Supply.tsx';
import { PlannedProvider } from './planned.tsx';
import Bulkheads from './way/Bulkheads.tsx';
import Layings from './way/Layings.tsx';
import WayNotes from './way/WayNotes.tsx';

const drum = mixerSchema.parse({ id: 'drum', label: 'Drum', batchM3: 0.15, batchMin: 8 });
const planned = (ui: ReactNode, options: Parameters<typeof renderInPour>[1] = {}) =>
  renderInPour(<PlannedProvider>{ui}</PlannedProvider>, options);

test('a mixer of the site is taken as the supply, and what was ordered is open again', async () => {
  const user = userEvent.setup();
  const { saveSettings } = planned(<Supply />, { site: { mixers: [drum] } });
  await user.click(screen.getByRole('button', { name: 'Drum' }));
  expect(saveSettings.mock.calls[0]?.[0]).toEqual({ mixer: 'drum', orderM3: null });
});

test('mixed on the site it says batches, bags, trips and what goes in, and is settled by a press', async () => {
  const user = userEvent.setup();
  const { saveSettings, view } = planned(<OrderSheet onClose={() => undefined} />, {
    code: 'P3',
    site: { mixers: [drum] },
    settings: { mixer: 'drum' },
  });
  const sheet = screen.getByRole('dialog');
  const batches = view.plan.loadIds.length;
  expect(batches).toBeGreaterThan(40);
  expect(sheet.textContent).toContain(`${batches} batches`);
  expect(within(sheet).getByText('a batch: sand, dry')).toBeTruthy();
  await user.click(within(sheet).getByRole('button', { name: 'It is all here' }));
  expect(saveSettings.mock.calls[0]?.[0]).toEqual({ orderM3: view.plan.orderedM3 });
});

test('a bulkhead is put in, moved by a foot, and taken out again', async () => {
  const user = userEvent.setup();
  const first = planned(<Bulkheads />);
  await user.click(screen.getByRole('button', { name: /^Part it at a/ }));
  const put = first.saveSettings.mock.calls[0]?.[0].bulkheads ?? [];
  expect(put).toHaveLength(1);
  const [b] = put;
  if (!b) throw new Error('none was put in');
  // What was sent stands on the screen until it is answered.
  await user.click(screen.getByRole('button', { name: `Bulkhead in ${b.element} on` }));
  const moved = first.saveSettings.mock.calls[1]?.[0].bulkheads?.[0];
  const leg = first.view.plan.route.legs.find((l) => l.elementId === b.element);
  expect(((moved?.share ?? 0) - b.share) * (leg?.lengthM ?? 0)).toBeCloseTo(0.3048, 6);
  await user.click(screen.getByRole('button', { name: `Take out the bulkhead in ${b.element}` }));
  expect(first.saveSettings.mock.calls[2]?.[0].bulkheads).toEqual([]);
});

test('a form for what is left is kept by its sides, with what it takes; without one of them it is not', async () => {
  const user = userEvent.setup();
  const { saveSettings } = planned(<LeftOver />);
  const keep = () => screen.getByRole<HTMLButtonElement>('button', { name: /^Keep/ });
  await user.type(screen.getByLabelText('What stands ready'), 'Kerb blocks');
  await user.type(screen.getByLabelText(/^long/i), '10 ft');
  await user.type(screen.getByLabelText(/^wide/i), '3 ft');
  expect(keep().disabled).toBe(true);
  await user.type(screen.getByLabelText(/^deep/i), '9 in');
  await user.click(keep());
  const kept = saveSettings.mock.calls[0]?.[0].leftOver;
  expect(kept?.volumeM3).toBeCloseTo(22.5 * 0.0283168, 4);
  expect(kept?.at).toBeDefined();
});

test('another way round is said with what it comes to, and gone by a press', async () => {
  const user = userEvent.setup();
  const { saveSettings } = planned(<Layings />);
  const ways = screen.queryAllByRole('button', { name: 'Go this way' });
  expect(ways.length).toBeGreaterThan(0);
  await user.click(ways[0] as HTMLElement);
  await waitFor(() => {
    expect(saveSettings.mock.calls[0]?.[0]).toHaveProperty('sequence');
  });
});

test('what to mind is listed where it is met', () => {
  const { view } = planned(<WayNotes />);
  const notes = screen.getAllByRole('listitem').map((li) => li.textContent);
  expect(notes.some((n) => /both sides evenly/.test(n))).toBe(true);
  expect(notes.some((n) => /^.*Corner /.test(n))).toBe(true);
  expect(notes.length).toBeGreaterThanOrEqual(view.plan.route.legs.length - 1);
});
