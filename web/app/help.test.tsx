import { describe, expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { FIRST_VISIT, HELP } from '../../core/words/help.ts';
import { Refusal, renderWithServer } from '../testing/server.tsx';
import { ChangeHand } from './ChangeHand.tsx';
import FirstVisit from './FirstVisit.tsx';
import { HelpButton } from './HelpButton.tsx';

const press = (name: string | RegExp) => userEvent.click(screen.getByRole('button', { name }));

describe('help where one stands', () => {
  test('every screen says what it is for in six lines, every station where its three questions are answered', () => {
    for (const { lines } of Object.values(HELP)) expect(lines).toHaveLength(6);
    for (const lines of Object.values(FIRST_VISIT))
      expect(lines.map((l) => l.split(':')[0])).toEqual([
        'What is wanted',
        'Is it good',
        'What next',
      ]);
  });
  test('the key and the button open it; in a field the key is a letter', async () => {
    renderWithServer(
      <>
        <HelpButton of="site" />
        <input aria-label="words" />
      </>,
      {},
    );
    await userEvent.type(screen.getByLabelText('words'), '?');
    expect(screen.queryByRole('dialog')).toBeNull();
    await userEvent.click(document.body);
    await userEvent.keyboard('?');
    expect((await screen.findByRole('dialog')).textContent).toContain(HELP.site.lines[0]);
  });
  test('a first visit is told once, and one press keeps all stations quiet', async () => {
    const shown = () => screen.queryByRole('region', { name: 'Where to look' });
    renderWithServer(<FirstVisit of="check" />, {});
    await press('Seen');
    expect(shown()).toBeNull();
    document.body.innerHTML = '';
    renderWithServer(<FirstVisit of="check" />, {});
    expect(shown()).toBeNull();
    renderWithServer(<FirstVisit of="pour" />, {});
    await press('Not on any station');
    renderWithServer(<FirstVisit of="cure" />, {});
    expect(shown()).toBeNull();
  });
});

describe('a tablet changes hands', () => {
  const hands = [
    { name: 'I. Brandvold', role: 'foreman' },
    { name: 'T. Oakes', role: 'crew' },
  ];
  test('by a name and a PIN; a wrong one is said and nobody else is signed in', async () => {
    let done = false;
    const { asked } = renderWithServer(
      <ChangeHand
        done={() => {
          done = true;
        }}
      />,
      {
        'GET /api/session/hands': hands,
        'POST /api/session': (body: unknown) =>
          (body as { pin: string }).pin === '1357'
            ? { account: hands[1], demo: null, setUpNeeded: false, codeNeeded: false }
            : new Refusal(401, 'Name or PIN is not right.'),
      },
    );
    expect(await screen.findByRole('button', { name: /T\. Oakes/ })).toBeTruthy();
    // Whoever is signed in already is not offered.
    expect(screen.queryByRole('button', { name: /I\. Brandvold/ })).toBeNull();
    await press(/T\. Oakes/);
    await userEvent.type(screen.getByLabelText('PIN of T. Oakes'), '9999{Enter}');
    expect(await screen.findByText('Name or PIN is not right.')).toBeTruthy();
    expect(done).toBe(false);
    await userEvent.clear(screen.getByLabelText('PIN of T. Oakes'));
    await userEvent.type(screen.getByLabelText('PIN of T. Oakes'), '1357{Enter}');
    await waitFor(() => {
      expect(done).toBe(true);
    });
    expect(asked.filter((a) => a.method === 'POST').at(-1)?.body).toEqual({
      name: 'T. Oakes',
      pin: '1357',
    });
  });
});
