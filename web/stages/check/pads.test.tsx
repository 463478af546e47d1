import { describe, expect, jest, test } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReadingValue } from '#core/log';
import '../../testing/screen.ts';
import { BoltPad } from './BoltPad.tsx';
import FixForm from './FixForm.tsx';
import { BarPad, CountPad, EyePad, SpacingPad } from './Pads.tsx';

const taken = () => jest.fn<(value: ReadingValue) => void>();

describe('what is counted', () => {
  test('is one press among the neighbours of what is wanted, never below nothing', async () => {
    const onTake = jest.fn<(n: number) => void>();
    render(<CountPad wanted={1} unit="ties" onTake={onTake} />);
    expect(screen.getAllByRole('button').map((b) => b.textContent)).toEqual(['0', '1', '2', '3']);
    await userEvent.click(screen.getByRole('button', { name: '2' }));
    expect(onTake).toHaveBeenCalledWith(2);
  });

  test('has the likeliest under Enter, but not for a press that was meant for the place before', () => {
    jest.useFakeTimers();
    const onTake = jest.fn<(n: number) => void>();
    render(<CountPad wanted={4} unit="bars" onTake={onTake} />);
    const four = screen.getByRole('button', { name: '4' });
    expect(document.activeElement).toBe(four);
    // A click that comes from the keyboard has no detail.
    fireEvent.click(four, { detail: 0 });
    // Nor has the second of a double press, which a shaking finger makes, anything to do with it.
    fireEvent.click(four, { detail: 2 });
    expect(onTake).not.toHaveBeenCalled();
    fireEvent.click(four, { detail: 1 });
    expect(onTake).toHaveBeenCalledTimes(1);
    jest.advanceTimersByTime(300);
    fireEvent.click(four, { detail: 0 });
    expect(onTake).toHaveBeenCalledTimes(2);
    expect(onTake).toHaveBeenLastCalledWith(4);
    jest.useRealTimers();
  });
});

test('a bar is read among the sizes beside it, of its own family', async () => {
  const onTake = jest.fn<(bar: string) => void>();
  render(<BarPad wanted="#5" onTake={onTake} />);
  expect(screen.getAllByRole('button').map((b) => b.textContent)).toEqual([
    'No. 3',
    'No. 4',
    'No. 5',
    'No. 6',
  ]);
  await userEvent.click(screen.getByRole('button', { name: 'No. 4' }));
  expect(onTake).toHaveBeenCalledWith('#4');
});

test('spacing is read over the spaces that are wanted', async () => {
  const onTake = taken();
  const user = userEvent.setup();
  render(
    <SpacingPad
      of="N/spacing-up#0"
      w={{ type: 'spacing', specifiedMm: 304.8, toleranceMm: 25.4, spaces: 6 }}
      units="us"
      onTyping={() => undefined}
      onTake={onTake}
    />,
  );
  screen.getByLabelText('Reading').focus();
  await user.keyboard("6' 3{Enter}");
  expect(onTake).toHaveBeenCalledWith({ type: 'spacing', overMm: 75 * 25.4, spaces: 6 });
});

test('what is looked at is good by one press; a fail and what does not apply want words', async () => {
  const onMark = jest.fn<(result: string, reason?: string) => void>();
  const user = userEvent.setup();
  render(<EyePad advice="Clean, firm, damped." onMark={onMark} />);
  const buttons = screen.getAllByRole('button');
  await user.click(buttons[0] as HTMLElement);
  expect(onMark.mock.calls).toEqual([['pass']]);
  // The others open a field for the reason and take nothing before it is given.
  await user.click(buttons[1] as HTMLElement);
  expect(onMark).toHaveBeenCalledTimes(1);
});

describe('what failed', () => {
  test('is put right as advised by one press, or in words of one’s own', async () => {
    const onFix = jest.fn<(what: string) => Promise<unknown>>().mockResolvedValue(undefined);
    const user = userEvent.setup();
    render(
      <FixForm
        advice="Lift on chairs and read again."
        onFix={onFix}
        onWaive={() => Promise.resolve()}
      />,
    );
    await user.click(screen.getByRole('button', { name: 'Done: Lift on chairs' }));
    expect(onFix).toHaveBeenLastCalledWith('Lift on chairs');
    await user.type(screen.getByLabelText('What was done'), '  Blocked with brick {Enter}');
    expect(onFix).toHaveBeenLastCalledWith('Blocked with brick');
  });

  test('is not taken as it is without a reason', async () => {
    const onWaive = jest.fn<(reason: string) => Promise<unknown>>().mockResolvedValue(undefined);
    const onFix = jest.fn<(what: string) => Promise<unknown>>().mockResolvedValue(undefined);
    const user = userEvent.setup();
    render(<FixForm advice="Shift the bars." onFix={onFix} onWaive={onWaive} />);
    for (const button of screen.getAllByRole<HTMLButtonElement>('button').slice(1))
      if (!button.disabled) await user.click(button);
    expect(onWaive).not.toHaveBeenCalled();
    expect(onFix).not.toHaveBeenCalledWith('');
  });
});

describe('a bolt of the round', () => {
  const w = {
    type: 'bolts' as const,
    bolts: [0.3, 1.5].map((atM, i) => ({
      id: `B${i + 1}`,
      atM,
      depth: { leastMm: 178, projectionMm: 64 },
    })),
    wetM: [],
    fromM: 0,
    toM: 2,
    single: false,
    maxSpacingM: 1.8288,
    endMaxMm: 304.8,
    projectionLessMm: 13,
    projectionMoreMm: 13,
    measured: [1],
  };
  const pad = (place: number, onTake: (value: ReadingValue) => void) => {
    render(
      <BoltPad w={w} place={place} units="metric" onTyping={() => undefined} onTake={onTake} />,
    );
    return userEvent.setup();
  };

  test('that is only looked at is there, or missing, by one press', async () => {
    const onTake = taken();
    const user = pad(0, onTake);
    const buttons = screen.getAllByRole('button');
    await user.click(buttons[0] as HTMLElement);
    expect(onTake).toHaveBeenLastCalledWith({ type: 'bolt', there: true, atMm: null });
    await user.click(screen.getByRole('button', { name: /missing/i }));
    expect(onTake).toHaveBeenLastCalledWith({ type: 'bolt', there: false, atMm: null });
  });

  test('that is measured is read deep and then high, and taken when both are in', async () => {
    const onTake = taken();
    const user = pad(1, onTake);
    expect(screen.getByText(/In the concrete: 178 mm or more/)).toBeTruthy();
    screen.getByLabelText('Reading').focus();
    await user.keyboard('185{Enter}');
    expect(onTake).not.toHaveBeenCalled();
    expect(screen.getByText(/Stands out: 64 mm/)).toBeTruthy();
    screen.getByLabelText('Reading').focus();
    await user.keyboard('60{Enter}');
    expect(onTake).toHaveBeenCalledWith({
      type: 'bolt',
      there: true,
      atMm: null,
      embedmentMm: 185,
      projectionMm: 60,
    });
  });
});
