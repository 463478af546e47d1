import { describe, expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { LogEvent } from '../../../../core/log/events.ts';
import { demoPour } from '../../../../core/testdata/demo.ts';
import { entriesFrom, orderBody } from '../../../../core/testdata/entries.ts';
import { dayOf, renderInPour } from '../../../testing/pour.tsx';
import PourSheets from './PourSheets.tsx';

const { entry } = entriesFrom(dayOf('quillback', 'P2'), 'I. Brandvold');
const at = (clock: string): number => {
  const [h = 0, m = 0] = clock.split(':').map(Number);
  return h * 60 + m;
};
/** Load 1 as it stands at the gate at eight. */
const here: LogEvent = entry(
  'load-arrived',
  {
    loadId: 'L1',
    ticket: '88210',
    volumeM3: 7,
    batchedAt: new Date(dayOf('quillback', 'P2') + at('07:40') * 60_000).toISOString(),
  },
  at('07:58'),
);
/** Load 1 as the plant took it. */
const ordered: LogEvent = entry(
  'order',
  orderBody(
    [{ id: 'L1', volumeM3: 7.25, batchMin: at('07:40') }],
    dayOf('quillback', 'P2'),
    demoPour('quillback', 'P2').pour,
  ),
  at('05:00'),
);
const said = () => screen.queryAllByRole('alert').map((a) => a.textContent);

describe('a load that comes', () => {
  test('is logged in SI with when it was batched, from its ticket and what stands there already', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<PourSheets />, {
      search: '?sheet=load:L1',
      entries: [ordered],
    });
    await user.type(screen.getByLabelText('Ticket number'), '88210');
    await user.type(screen.getByLabelText(/^Concrete/), '68');
    await user.click(screen.getByRole('button', { name: 'Log load' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledTimes(1);
    });
    const [kind, body] = write.mock.calls[0] ?? [];
    expect(kind).toBe('load-arrived');
    expect(body).toMatchObject({
      loadId: 'L1',
      ticket: '88210',
      volumeM3: 7.25,
      concreteTempC: 20,
    });
    expect(body).toHaveProperty('batchedAt', expect.stringMatching(/Z$/));
    expect(body).not.toHaveProperty('ageMin');
  });

  test('without a ticket, with a volume or a temperature that cannot be, says so and is not logged', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<PourSheets />, { search: '?sheet=load:L1' });
    await user.clear(screen.getByLabelText(/^Volume/));
    await user.type(screen.getByLabelText(/^Volume/), '40');
    await user.type(screen.getByLabelText(/^Concrete/), 'warm');
    await user.click(screen.getByRole('button', { name: 'Log load' }));
    await waitFor(() => {
      expect(said()).toHaveLength(3);
    });
    expect(said()).toEqual(
      expect.arrayContaining([expect.stringMatching(/at most 26.16 yd³/), 'Not a number.']),
    );
    expect(write).not.toHaveBeenCalled();
  });
});

test('the weather is typed in the units of the site, and stands in those it is kept in', async () => {
  const user = userEvent.setup();
  const { write } = renderInPour(<PourSheets />, { search: '?sheet=weather' });
  await user.type(screen.getByLabelText(/^Air/), '50');
  await user.type(screen.getByLabelText(/^Wind/), '10');
  await user.click(screen.getByRole('button', { name: 'rain' }));
  await user.click(screen.getByRole('button', { name: 'Log weather' }));
  await waitFor(() => {
    expect(write).toHaveBeenCalledWith('weather', {
      airTempC: expect.closeTo(10, 6),
      windKmH: expect.closeTo(16.09344, 6),
      sky: 'rain',
    });
  });
});

test('weather that was never measured is refused in the units of the site', async () => {
  const user = userEvent.setup();
  const { write } = renderInPour(<PourSheets />, { search: '?sheet=weather' });
  await user.type(screen.getByLabelText(/^Air/), '150');
  await user.click(screen.getByRole('button', { name: 'Log weather' }));
  await waitFor(() => {
    expect(said()).toEqual(['must be from −76 °F to 140 °F']);
  });
  expect(write).not.toHaveBeenCalled();
});

describe('a load that is done', () => {
  const options = { search: '?sheet=end:L1', entries: [here] };
  test('took nothing back unless something is said', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<PourSheets />, options);
    await user.click(screen.getByRole('button', { name: 'Log' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledWith('load-end', { loadId: 'L1', returnedM3: 0 });
    });
  });
  test('takes back no more than it carried', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<PourSheets />, options);
    const field = screen.getByLabelText(/^Went back/);
    await user.clear(field);
    await user.type(field, '10');
    await user.click(screen.getByRole('button', { name: 'Log' }));
    await waitFor(() => {
      expect(said()).toEqual(['must be at most 9.16 yd³']);
    });
    expect(write).not.toHaveBeenCalled();
  });
});

test('a slump is judged while it is typed, and one that no cone can show is not taken', async () => {
  const user = userEvent.setup();
  const { write } = renderInPour(<PourSheets />, { search: '?sheet=slump:L1', entries: [here] });
  const field = screen.getByLabelText('Reading');
  field.focus();
  await user.keyboard('9');
  expect(screen.getByText(/too wet/)).toBeTruthy();
  await user.clear(field);
  await user.keyboard('14{Enter}');
  expect(write).not.toHaveBeenCalled();
  await user.clear(field);
  await user.keyboard('4{Enter}');
  expect(write).toHaveBeenCalledWith('slump', {
    loadId: 'L1',
    measuredMm: 4 * 25.4,
    where: 'truck',
  });
});

test('a note of nothing is not logged; the sheet closes once one is kept', async () => {
  const user = userEvent.setup();
  const { write } = renderInPour(<PourSheets />, { search: '?sheet=note' });
  await user.click(screen.getByRole('button', { name: 'Log' }));
  await waitFor(() => {
    expect(said()).toEqual(['is missing']);
  });
  await user.type(screen.getByLabelText(/What happened/), '  Pump blocked at the reducer ');
  await user.click(screen.getByRole('button', { name: 'Log' }));
  await waitFor(() => {
    expect(write).toHaveBeenCalledWith('note', { text: 'Pump blocked at the reducer' });
  });
});

test('what could not be kept stays in the form, and the sheet stays open', async () => {
  const user = userEvent.setup();
  renderInPour(<PourSheets />, {
    search: '?sheet=note',
    write: () => Promise.reject(new Error('not kept')),
  });
  const field = screen.getByLabelText<HTMLTextAreaElement>(/What happened/);
  await user.type(field, 'Hose burst');
  await user.click(screen.getByRole('button', { name: 'Log' }));
  await waitFor(() => {
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Log' }).disabled).toBe(false);
  });
  expect(field.value).toBe('Hose burst');
  expect(screen.getByTestId('address').textContent).toContain('sheet=note');
});

describe('a stiff load', () => {
  const slumped = entry('slump', { loadId: 'L1', measuredMm: 89, where: 'truck' }, at('07:59'));
  test('may have the water its mix still allows, once: it stands there and is logged in litres', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<PourSheets />, {
      search: '?sheet=water:L1',
      entries: [here, slumped],
    });
    const field = screen.getByLabelText<HTMLInputElement>(/^Water added/);
    const gallons = Number(field.value);
    expect(gallons).toBeGreaterThan(0);
    expect(gallons % 1).toBeCloseTo(0, 6);
    await user.click(screen.getByRole('button', { name: 'Log the water' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledTimes(1);
    });
    const [kind, body] = write.mock.calls[0] ?? [];
    expect(kind).toBe('water');
    expect(body).toMatchObject({ loadId: 'L1', turns: 30 });
    expect((body as { addedL: number }).addedL).toBeCloseTo(gallons * 3.785411784, 3);
  });

  test('says what sending it back does before that is pressed; placing it all the same needs a reason', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<PourSheets />, {
      search: '?sheet=decide:L1',
      entries: [here, slumped],
    });
    expect(screen.getByText(/^Sent back: .*is then missing: order it at once/)).toBeTruthy();
    const place = screen.getByRole<HTMLButtonElement>('button', { name: 'Place it' });
    expect(place.disabled).toBe(true);
    await user.type(screen.getByLabelText(/Reason/), 'Plasticiser added');
    await user.click(place);
    expect(write).toHaveBeenCalledWith('load-verdict', {
      loadId: 'L1',
      decision: 'accept',
      reason: 'Plasticiser added',
    });
  });
});

describe('trouble', () => {
  test('is logged with its place in two presses, and the place goes on the list of defects', async () => {
    const user = userEvent.setup();
    const placing = entry('place-start', { elementId: 'E1', lift: 0, loadId: 'L1' }, at('07:59'));
    const { write } = renderInPour(<PourSheets />, {
      search: '?sheet=trouble',
      entries: [here, placing],
    });
    await user.click(screen.getByRole('button', { name: 'Form open' }));
    // Where the hose is comes first.
    const places = screen.getAllByRole('button').filter((b) => /lift|E1/.test(b.textContent));
    await user.click(places[0] as HTMLElement);
    await waitFor(() => {
      expect(write).toHaveBeenCalledTimes(3);
    });
    // Nothing more goes in where people must get away from.
    expect(write.mock.calls[1]?.[0]).toBe('place-stop');
    expect(write.mock.calls[0]).toEqual([
      'trouble',
      { what: 'form-open', elementId: 'E1', lift: 0 },
    ]);
    expect(write.mock.calls[2]).toEqual([
      'defect',
      { elementId: 'E1', what: 'Form opened while placing, lift 1' },
    ]);
  });

  test('that is nowhere in particular is logged at the first press', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<PourSheets />, { search: '?sheet=trouble', entries: [here] });
    await user.click(screen.getByRole('button', { name: 'Pump down' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledWith('trouble', { what: 'pump-down' });
    });
  });
});

test('tickets from the plant become the loads they are, at the time they were here; a wrong line stops them all', async () => {
  const user = userEvent.setup();
  const { write } = renderInPour(<PourSheets />, { search: '?sheet=tickets', entries: [here] });
  const lines = screen.getByLabelText(/Lines, typed or pasted/);
  // Load 1 is here already under its ticket; the last is not here yet at eight.
  await user.type(
    lines,
    '1, 88210, 9.2, 07:20, 07:58{Enter}2, 88211, 9.5, 07:30, 07:59, 68{Enter}3, 88212, 9.5, 07:50, 08:20{Enter}x',
  );
  expect(said()).toEqual(['Line 4 has no ticket number.']);
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Log 1 load' }).disabled).toBe(true);
  await user.type(lines, '{Backspace}');
  await user.click(screen.getByRole('button', { name: 'Log 1 load' }));
  await waitFor(() => {
    expect(write).toHaveBeenCalledTimes(1);
  });
  const [kind, body, when] = write.mock.calls[0] as unknown as [string, object, { atMs: number }];
  expect(kind).toBe('load-arrived');
  expect(body).toMatchObject({ loadId: 'L2', ticket: '88211', concreteTempC: 20 });
  expect(when.atMs).toBe(dayOf('quillback', 'P2') + at('07:59') * 60_000);
});
