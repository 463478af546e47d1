import { expect, jest, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { WHOLE_POUR } from '../../../core/check/index.ts';
import { press } from '../../testing/hand.ts';
import { renderInPour } from '../../testing/pour.tsx';
import { ItemSheet } from './ItemSheet.tsx';

const said = () => screen.queryAllByRole('alert').map((a) => a.textContent);
const pressed = (group: string) =>
  [...screen.getByRole('group', { name: group }).querySelectorAll('[aria-pressed="true"]')].map(
    (b) => b.textContent,
  );
/** The sheet of something to add to the list of E1, or of the pour as a whole. */
function open(elementId = 'E1') {
  const onClose = jest.fn<() => void>();
  const { write } = renderInPour(<ItemSheet elementId={elementId} onClose={onClose} />);
  return { write, onClose };
}

test('something to look at is added with what it is alone; of the whole pour it is about the way in', async () => {
  const { write, onClose } = open(WHOLE_POUR);
  expect(pressed('Trade')).toEqual(['access']);
  await press('Add it');
  await waitFor(() => {
    expect(said()).toEqual(['is missing']);
  });
  expect(write).not.toHaveBeenCalled();
  await userEvent.type(screen.getByLabelText('What'), 'Hose reaches the far corner');
  await press('Add it');
  await waitFor(() => {
    expect(onClose).toHaveBeenCalledTimes(1);
  });
  expect(write).toHaveBeenCalledWith('item', {
    elementId: WHOLE_POUR,
    title: 'Hose reaches the far corner',
    trade: 'access',
    places: 1,
    wanted: { type: 'eye' },
  });
});

test('a measure is typed as it is read off a tape, and may be off by as much either way', async () => {
  const { write } = open();
  await userEvent.type(screen.getByLabelText('What'), 'Keyway');
  await press('steel');
  await press('measure');
  await press('Add it');
  await waitFor(() => {
    expect(said()).toEqual(['must be a number']);
  });
  await userEvent.type(screen.getByLabelText(/^Wanted/), '3 1/2');
  const off = screen.getByLabelText(/^More or less/);
  await userEvent.clear(off);
  await userEvent.type(off, '1/4');
  const places = screen.getByLabelText(/^How many readings/);
  await userEvent.clear(places);
  await userEvent.type(places, '4');
  await press('Add it');
  await waitFor(() => {
    expect(write).toHaveBeenCalledTimes(1);
  });
  expect(write.mock.calls[0]?.[1]).toEqual({
    elementId: 'E1',
    title: 'Keyway',
    trade: 'steel',
    places: 4,
    wanted: {
      type: 'size',
      wantedMm: expect.closeTo(88.9, 6),
      minusMm: 6.35,
      plusMm: 6.35,
    },
  });
});

test.each([
  ['51', 'must be at most 50'],
  ['0', 'must be above 0'],
  ['2.5', 'must be a whole number'],
])('%s readings are refused in the words of the entry', async (typed, words) => {
  const { write } = open();
  await userEvent.type(screen.getByLabelText('What'), 'Ties at the step');
  await press('count');
  await userEvent.type(screen.getByLabelText(/^Wanted/), '6');
  const places = screen.getByLabelText(/^How many readings/);
  await userEvent.clear(places);
  await userEvent.type(places, typed);
  await press('Add it');
  await waitFor(() => {
    expect(said().join()).toContain(words);
  });
  expect(write).not.toHaveBeenCalled();
});

test('what is wanted of one kind is not sent with another', async () => {
  const { write } = open();
  await userEvent.type(screen.getByLabelText('What'), 'Ties at the step');
  await press('measure');
  await userEvent.type(screen.getByLabelText(/^Wanted/), '9 in');
  await press('count');
  await userEvent.type(screen.getByLabelText(/^Wanted/), '6');
  await press('Add it');
  await waitFor(() => {
    expect(write).toHaveBeenCalledTimes(1);
  });
  expect(write.mock.calls[0]?.[1]).toMatchObject({ wanted: { type: 'count', wanted: 6 } });
  expect(JSON.stringify(write.mock.calls[0]?.[1])).not.toContain('wantedMm');
});
