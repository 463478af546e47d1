import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { renderWithServer } from '../testing/server.tsx';
import { People } from './People.tsx';

const person = (name: string, role: string, over: object = {}) => ({
  id: name,
  name,
  role,
  locked: false,
  removed: false,
  guesses: 0,
  wrongAt: null,
  waitUntil: null,
  seenAt: null,
  devices: 0,
  ...over,
});
const open = (people: unknown[]) =>
  renderWithServer(<People />, {
    'GET /api/accounts': people,
    'GET /api/sites': [{ id: 's1', name: 'Quarry Barn' }],
    'POST /api/accounts': { id: 'x' },
    'PUT /api/accounts/V. Lind': {},
  });

test('an inspector is asked for one site and one hold point, until the end of a day', async () => {
  const { asked } = open([person('I. Brandvold', 'foreman')]);
  const add = await screen.findByRole('form', { name: 'Add somebody' });
  const form = within(add);
  expect(form.queryByLabelText('Asked to')).toBeNull();
  await userEvent.click(form.getByRole('button', { name: 'inspector' }));
  await userEvent.type(form.getByLabelText('Name'), 'V. Lind');
  await userEvent.type(form.getByLabelText('First PIN'), '445566');
  await screen.findByRole('option', { name: 'Quarry Barn' });
  await userEvent.selectOptions(form.getByLabelText('Asked to'), 'Quarry Barn');
  await userEvent.selectOptions(form.getByLabelText('Signs'), 'Dowel inspection');
  await userEvent.type(form.getByLabelText('Until'), '2026-12-04');
  await userEvent.click(form.getByRole('button', { name: /^Add/ }));
  await waitFor(() => {
    expect(asked.some((a) => a.method === 'POST')).toBe(true);
  });
  const body = asked.find((a) => a.method === 'POST')?.body as {
    invited: { site: string; hold: string; until: string };
  };
  expect(body.invited).toMatchObject({ site: 's1', hold: 'dowels' });
  expect(new Date(body.invited.until).getDate()).toBe(4);
});

test('for what somebody was asked stands at their name; without any limit it is no invitation any more', async () => {
  const invited = { site: 's1', hold: 'inspection', until: null };
  const { asked } = open([
    person('I. Brandvold', 'foreman'),
    person('V. Lind', 'inspector', { invited }),
    person('G. Over', 'inspector', {
      invited: { site: null, hold: null, until: '2020-01-01T00:00:00Z' },
    }),
  ]);
  const line = await screen.findByRole('button', { name: /V\. Lind/ });
  expect(line.textContent).toMatch(/one site, inspection/);
  expect(screen.getByRole('button', { name: /G\. Over/ }).textContent).toMatch(
    /their time is over/,
  );
  await userEvent.click(line);
  const fields = within(line.closest('li') ?? document.body);
  await userEvent.selectOptions(fields.getByLabelText('Asked to'), 'every site');
  expect(asked.find((a) => a.method === 'PUT')?.body).toEqual({
    invited: { site: null, hold: 'inspection', until: null },
  });
});
