import { describe, expect, jest, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { entriesFrom } from '../../../core/testdata/entries.ts';
import { answering, type Sent } from '../../testing/answering.ts';
import { dayOf, renderInPour } from '../../testing/pour.tsx';
import { InspectionSheet } from './InspectionSheet.tsx';
import { UnsignSheet } from './UnsignSheet.tsx';

let sent: Sent[] = [];
/** What the server says to the next sign-off. */
let answer: { status: number; body: unknown } = { status: 200, body: {} };

const listen = () => {
  answer = { status: 200, body: {} };
  sent = answering(() => answer);
};
const press = (name: string) => userEvent.click(screen.getByRole('button', { name }));
const said = () => screen.queryAllByRole('alert').map((a) => a.textContent);

describe('an inspector on somebody else’s tablet', () => {
  const close = jest.fn();
  const open = () => {
    listen();
    close.mockClear();
    renderInPour(<InspectionSheet hold="inspection" onClose={close} />);
  };
  const fillIn = async () => {
    await userEvent.type(screen.getByLabelText('Inspector’s name'), 'R. Halloran');
    await userEvent.type(screen.getByLabelText('Inspector’s PIN'), '864213');
  };

  test('passes with name and PIN, on the plan that is seen', async () => {
    open();
    await fillIn();
    await press('Pass');
    await waitFor(() => {
      expect(close).toHaveBeenCalled();
    });
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject({
      path: '/api/pours/pour/sign',
      body: {
        name: 'R. Halloran',
        pin: '864213',
        body: { hold: 'inspection', result: 'pass', planVersion: 1 },
      },
    });
    expect(sent[0]?.body.body).not.toHaveProperty('reason');
  });

  test('without a name or a PIN is told so beside the fields, and nothing is sent', async () => {
    open();
    await press('Pass');
    expect(await screen.findByText('is empty')).toBeTruthy();
    expect(said()).toEqual(['is empty', 'has at least 4 digits']);
    expect(sent).toEqual([]);
    expect(close).not.toHaveBeenCalled();
  });

  test('rejects only with a reason, which goes with it', async () => {
    open();
    await fillIn();
    await press('Reject');
    expect(await screen.findByText('is missing: say why it is rejected')).toBeTruthy();
    expect(sent).toEqual([]);
    await userEvent.type(screen.getByLabelText('Remark, or reason to reject'), 'Two dowels short');
    await press('Reject');
    await waitFor(() => {
      expect(sent.map((s) => s.body.body)).toEqual([
        { hold: 'inspection', result: 'reject', planVersion: 1, reason: 'Two dowels short' },
      ]);
    });
  });

  test('whose PIN is wrong stays at the sheet, with what the server says beside it', async () => {
    open();
    await fillIn();
    answer = {
      status: 401,
      body: {
        status: 401,
        detail: 'Name or PIN is not right.',
        issues: [{ path: 'pin', message: 'is not right' }],
      },
    };
    await press('Pass');
    expect(await screen.findByText('is not right')).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('Inspector’s name').value).toBe('R. Halloran');
    expect(close).not.toHaveBeenCalled();
  });

  test('sent again for want of an answer is the same sign-off', async () => {
    open();
    await fillIn();
    answer = { status: 503, body: { status: 503, detail: 'Try again.' } };
    await press('Pass');
    expect(await screen.findByText('Try again.')).toBeTruthy();
    answer = { status: 200, body: {} };
    await press('Pass');
    await waitFor(() => {
      expect(sent).toHaveLength(2);
    });
    expect(sent[1]?.body.id).toBe(sent[0]?.body.id);
  });
});

test('an inspector under their own session is known: no name is asked, the entry is their own', async () => {
  listen();
  const close = jest.fn();
  const { write } = renderInPour(<InspectionSheet hold="inspection" onClose={close} />, {
    role: 'inspector',
  });
  expect(screen.queryByLabelText('Inspector’s PIN')).toBeNull();
  await userEvent.type(screen.getByLabelText('Remark, or reason to reject'), 'Clean work');
  await press('Pass');
  await waitFor(() => {
    expect(write).toHaveBeenCalledWith('sign', {
      hold: 'inspection',
      result: 'pass',
      planVersion: 1,
      reason: 'Clean work',
    });
  });
  expect(sent).toEqual([]);
  expect(close).toHaveBeenCalled();
});

test('the dowels are signed for themselves: only they stand in the sheet', () => {
  renderInPour(<InspectionSheet hold="dowels" onClose={jest.fn()} />);
  const dowels = screen.getByRole('region', { name: 'What was measured' }).textContent;
  expect(dowels).not.toMatch(/cover/i);
});

describe('a sign-off taken back', () => {
  const { entry } = entriesFrom(dayOf('quillback', 'P2'), 'I. Brandvold');
  const signed = entry('sign', { hold: 'own', result: 'pass', planVersion: 1 }, 400);
  const close = jest.fn();
  const open = () => {
    listen();
    close.mockClear();
    renderInPour(<UnsignSheet hold="own" onClose={close} />, { entries: [signed] });
  };

  test('asks for the PIN of who signed, whose name stands there', async () => {
    open();
    expect(screen.getByText(/Signed by I\. Brandvold/)).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe('I. Brandvold');
    await userEvent.type(screen.getByLabelText('PIN'), '2468');
    await userEvent.type(screen.getByLabelText('Why'), 'A bar was moved');
    await press('Take it back');
    await waitFor(() => {
      expect(close).toHaveBeenCalled();
    });
    expect(sent).toMatchObject([
      {
        path: '/api/pours/pour/unsign',
        body: { name: 'I. Brandvold', pin: '2468', entry: signed.id, reason: 'A bar was moved' },
      },
    ]);
  });

  test('without a PIN is not asked of the server', async () => {
    open();
    await press('Take it back');
    expect(await screen.findByText('has at least 4 digits')).toBeTruthy();
    expect(sent).toEqual([]);
  });

  test('that was never given opens no sheet', () => {
    renderInPour(<UnsignSheet hold="inspection" onClose={close} />, { entries: [signed] });
    expect(screen.queryByRole('dialog')).toBeNull();
  });
});
