import { describe, expect, jest, test } from '@jest/globals';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { SessionAnswer } from '../../contract/index.ts';
import { answering } from '../testing/answering.ts';
import '../testing/screen.ts';
import SignIn from './SignIn.tsx';

const NOBODY: SessionAnswer = { account: null, demo: null, setUpNeeded: false, codeNeeded: false };
const SOMEBODY: SessionAnswer = { ...NOBODY, account: { name: 'M. Ostrander', role: 'foreman' } };

/** The sign-in screen before a server that answers as is said; what it was asked, and whether somebody is in. */
function open(session: SessionAnswer, answer: { status: number; body: unknown }) {
  const asked = answering(() => answer);
  const done = jest.fn<(s: SessionAnswer) => void>();
  render(<SignIn session={session} done={done} />);
  return { asked, done };
}

describe('a name and a PIN', () => {
  test('are sent once, and who is in is told', async () => {
    const user = userEvent.setup();
    const { asked, done } = open(NOBODY, { status: 200, body: SOMEBODY });
    await user.type(screen.getByLabelText('Name'), 'M. Ostrander');
    await user.type(screen.getByLabelText('PIN'), '482915{Enter}');
    await waitFor(() => {
      expect(done).toHaveBeenCalledWith(SOMEBODY);
    });
    expect(asked).toEqual([
      { path: '/api/session', body: { name: 'M. Ostrander', pin: '482915' } },
    ]);
  });

  test('that cannot be right are said beside their fields, and nothing is sent', async () => {
    const user = userEvent.setup();
    const { asked, done } = open(NOBODY, { status: 200, body: SOMEBODY });
    await user.type(screen.getByLabelText('PIN'), '12');
    await user.click(screen.getByRole('button', { name: 'Sign in' }));
    expect((await screen.findAllByRole('alert')).map((a) => a.textContent)).toEqual([
      'is empty',
      'has at least 4 digits',
    ]);
    expect(screen.getByLabelText('Name').getAttribute('aria-invalid')).toBe('true');
    expect(asked).toEqual([]);
    expect(done).not.toHaveBeenCalled();
  });

  test('that the server refuses stand there still, with what it says', async () => {
    const user = userEvent.setup();
    const { done } = open(NOBODY, {
      status: 401,
      body: { status: 401, title: 'Not signed in', detail: 'Name or PIN is not right.' },
    });
    await user.type(screen.getByLabelText('Name'), 'M. Ostrander');
    await user.type(screen.getByLabelText('PIN'), '111111{Enter}');
    expect((await screen.findByRole('alert')).textContent).toBe('Name or PIN is not right.');
    expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe('M. Ostrander');
    expect(done).not.toHaveBeenCalled();
  });
});

describe('the first account', () => {
  test('is a foreman’s: six digits at least, with the console’s code from another device', async () => {
    const user = userEvent.setup();
    const { asked } = open(
      { ...NOBODY, setUpNeeded: true, codeNeeded: true },
      { status: 200, body: SOMEBODY },
    );
    const make = screen.getByRole('button', { name: 'Make the foreman’s account' });
    await user.type(screen.getByLabelText('Your name'), 'M. Ostrander');
    await user.type(screen.getByLabelText('A PIN of 6 to 12 digits'), '1234');
    await user.click(make);
    expect((await screen.findByRole('alert')).textContent).toBe('has 6 to 12 digits');
    await user.type(screen.getByLabelText('A PIN of 6 to 12 digits'), '56');
    await user.type(screen.getByLabelText('The code on the console of the server'), '770-114');
    await user.click(make);
    await waitFor(() => {
      expect(asked).toEqual([
        {
          path: '/api/accounts/first',
          body: { name: 'M. Ostrander', pin: '123456', code: '770-114' },
        },
      ]);
    });
  });

  test('at the machine itself needs no code, and sends none', async () => {
    const user = userEvent.setup();
    const { asked } = open({ ...NOBODY, setUpNeeded: true }, { status: 200, body: SOMEBODY });
    expect(screen.queryByLabelText(/code/)).toBeNull();
    await user.type(screen.getByLabelText('Your name'), 'M. Ostrander');
    await user.type(screen.getByLabelText('A PIN of 6 to 12 digits'), '482915{Enter}');
    await waitFor(() => {
      expect(asked.map((a) => a.body)).toEqual([{ name: 'M. Ostrander', pin: '482915' }]);
    });
  });
});

describe('people of the demo', () => {
  const demo: SessionAnswer = {
    ...NOBODY,
    demo: {
      accounts: [
        { name: 'I. Brandvold', role: 'foreman', pin: '2468' },
        { name: 'T. Oakes', role: 'crew', pin: '1357' },
      ],
    },
  };

  test('sign in by a press', async () => {
    const { asked, done } = open(demo, { status: 200, body: SOMEBODY });
    await userEvent.click(screen.getByRole('button', { name: /T\. Oakes/ }));
    expect(asked).toEqual([{ path: '/api/session', body: { name: 'T. Oakes', pin: '1357' } }]);
    expect(done).toHaveBeenCalledWith(SOMEBODY);
  });

  test('hear why not when the server does not take them, and may press again', async () => {
    open(demo, { status: 429, body: { status: 429, detail: 'Too many tries. Wait a minute.' } });
    const oakes = screen.getByRole<HTMLButtonElement>('button', { name: /T\. Oakes/ });
    await userEvent.click(oakes);
    expect((await screen.findByRole('alert')).textContent).toBe('Too many tries. Wait a minute.');
    expect(oakes.disabled).toBe(false);
  });
});
