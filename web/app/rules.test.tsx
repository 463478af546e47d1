import { describe, expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { press } from '../testing/hand.ts';
import { renderInPour } from '../testing/pour.tsx';
import RulesSheet from './RulesSheet.tsx';

const open = (role: 'foreman' | 'crew' = 'foreman', taken = true) =>
  renderInPour(<RulesSheet onClose={() => undefined} />, {
    role,
    saveRule: () => Promise.resolve(taken),
  });
const find = (words: string) =>
  userEvent.type(screen.getByLabelText('Find', { exact: true }), words);
const THINNER = 'Change: Thin wall thinner by';
const given = () => screen.getByRole<HTMLInputElement>('textbox', { name: /Thin wall thinner by/ });
const change = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Change it' });

describe('the rules of a site', () => {
  test('are found by their words, with where each is from', async () => {
    open();
    await find('thinner');
    expect(screen.getAllByRole('button', { name: /^Change: / }).length).toBeLessThan(5);
    expect(screen.getAllByText(/ACI 117/).length).toBeGreaterThan(0);
    await find(' than any');
    expect(screen.getByText('No rule is called that.')).toBeTruthy();
  });

  test('are only read by a hand of the crew', async () => {
    open('crew');
    await find('thinner');
    expect(screen.getByText('Thin wall thinner by')).toBeTruthy();
    expect(screen.queryByRole('button', { name: THINNER })).toBeNull();
  });

  test('are changed within what can be, in the units of the site, with why', async () => {
    const { saveRule } = open();
    await find('thinner');
    await press(THINNER);
    // As it stands there is nothing to change.
    expect(change().disabled).toBe(true);
    await userEvent.clear(given());
    await userEvent.type(given(), '9 in');
    expect(screen.getByText(/Must lie between/)).toBeTruthy();
    expect(change().disabled).toBe(true);
    await userEvent.clear(given());
    await userEvent.type(given(), '1/8');
    await userEvent.type(screen.getByLabelText('Why'), ' letter of the 22nd ');
    await userEvent.click(change());
    expect(saveRule).toHaveBeenCalledTimes(1);
    const [, value, why] = saveRule.mock.calls[0] ?? [];
    expect(value).toBeCloseTo(3.175, 6);
    expect(why).toBe('letter of the 22nd');
    await waitFor(() => {
      expect(screen.queryByRole('button', { name: 'Change it' })).toBeNull();
    });
  });

  test('that were not taken stand there still as they were typed', async () => {
    const { saveRule } = open('foreman', false);
    await find('thinner');
    await press(THINNER);
    await userEvent.clear(given());
    await userEvent.type(given(), '1/8');
    await userEvent.click(change());
    await waitFor(() => {
      expect(saveRule).toHaveBeenCalledTimes(1);
    });
    expect(given().value).toBe('1/8');
    await press('Leave it');
    expect(screen.getByRole('button', { name: THINNER })).toBeTruthy();
  });
});
