import { describe, expect, jest, test } from '@jest/globals';
import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ComponentProps } from 'react';
import '../testing/screen.ts';
import { TapePad } from './TapePad.tsx';

type Props = ComponentProps<typeof TapePad>;
const IN = 25.4;

function padOf(over: Partial<Props> = {}) {
  const onTake = jest.fn<(mm: number) => void | Promise<unknown>>();
  const onTyping = jest.fn<(mm: number | null) => void>();
  const props: Props = {
    of: 'N/cover#0',
    units: 'us',
    signed: false,
    takeLabel: 'Take',
    onTake,
    onTyping,
    ...over,
  };
  const { rerender } = render(<TapePad {...props} />);
  const field = () => screen.getByLabelText<HTMLInputElement>('Reading');
  return {
    user: userEvent.setup(),
    onTake,
    onTyping,
    field,
    next: (of: string) => {
      rerender(<TapePad {...props} of={of} />);
    },
  };
}
/** What is said of the figure that stands. */
const said = () => document.querySelector('[aria-live]')?.textContent;
const key = (name: string) => screen.getByRole('button', { name });

describe('a measure', () => {
  test('is typed with the keys of a tape, a fraction in one press, and taken by Enter', async () => {
    const { user, onTake, onTyping, field } = padOf();
    await user.click(key('2'));
    await user.click(key('5/8'));
    expect(field().value).toBe('2 5/8');
    expect(onTyping).toHaveBeenLastCalledWith(2.625 * IN);
    field().focus();
    await user.keyboard('{Enter}');
    expect(onTake).toHaveBeenCalledWith(2.625 * IN);
    expect(field().value).toBe('');
  });

  test('takes one fraction and no figure after it, and is taken back a piece at a time', async () => {
    const { user, field } = padOf();
    for (const k of ['3', '1/2', '7', '1/4']) await user.click(key(k));
    expect(field().value).toBe('3 1/4');
    await user.click(key('Back'));
    expect(field().value).toBe('3');
  });

  test('on a metric site has a point and no fractions', async () => {
    const { user, onTake, field } = padOf({ units: 'metric' });
    expect(screen.queryByRole('button', { name: '1/2' })).toBeNull();
    for (const k of ['4', '8', '.', '5']) await user.click(key(k));
    field().focus();
    await user.keyboard('{Enter}');
    expect(onTake).toHaveBeenCalledWith(48.5);
  });

  test('below the mark has a sign where that can be, and is refused where it cannot', async () => {
    const below = padOf({ signed: true, units: 'metric' });
    await below.user.click(key('6'));
    await below.user.click(key('Below or above the mark'));
    below.field().focus();
    await below.user.keyboard('{Enter}');
    expect(below.onTake).toHaveBeenCalledWith(-6);
  });

  test('that cannot be read, or not be at all, says why, stays, and is not taken', async () => {
    const { user, onTake, onTyping, field } = padOf({
      refuse: (mm) => (mm > 1000 ? 'No cover is that deep.' : null),
    });
    field().focus();
    await user.keyboard('tape{Enter}');
    expect(said()).toMatch(/Write it as/);
    await user.clear(field());
    await user.keyboard('99{Enter}');
    expect(said()).toBe('No cover is that deep.');
    expect(field().value).toBe('99');
    // What cannot be is not drawn either.
    expect(onTyping).toHaveBeenLastCalledWith(null);
    await user.clear(field());
    await user.keyboard('-2{Enter}');
    expect(said()).toMatch(/below zero/);
    expect(onTake).not.toHaveBeenCalled();
  });

  test('that is unlikely is asked about once, and taken when it is said again', async () => {
    const { user, onTake, field } = padOf({ ask: (mm) => (mm > 200 ? 'That much?' : null) });
    field().focus();
    await user.keyboard('9{Enter}');
    expect(said()).toBe('That much?');
    expect(onTake).not.toHaveBeenCalled();
    await user.keyboard('{Enter}');
    expect(onTake).toHaveBeenCalledWith(9 * IN);
  });
});

describe('a reading that was taken', () => {
  test('and could not be kept stands in the field again', async () => {
    let fail: (e: Error) => void = () => undefined;
    const kept = new Promise((_, reject) => {
      fail = reject;
    });
    const { user, field, onTyping } = padOf({ onTake: () => kept });
    field().focus();
    await user.keyboard('2{Enter}');
    expect(field().value).toBe('');
    await act(async () => {
      fail(new Error('no room'));
      await kept.catch(() => undefined);
    });
    expect(field().value).toBe('2');
    expect(onTyping).toHaveBeenLastCalledWith(2 * IN);
  });

  test('is not taken twice; what is typed before the next place is up is typed for it', async () => {
    const { user, onTake, field, next } = padOf();
    field().focus();
    await user.keyboard('2{Enter}{Enter}3');
    expect(onTake).toHaveBeenCalledTimes(1);
    next('N/cover#1');
    expect(field().value).toBe('3');
    await user.keyboard('{Enter}');
    expect(onTake).toHaveBeenLastCalledWith(3 * IN);
  });

  test('leaves an empty field at a place one goes to by hand', async () => {
    const { user, field, next } = padOf();
    field().focus();
    await user.keyboard('2');
    next('S/cover#4');
    expect(field().value).toBe('');
  });
});
