import { describe, expect, jest, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { entriesFrom } from '../../../../core/testdata/entries.ts';
import { demoPour } from '../../../../core/testdata/demo.ts';
import { press } from '../../../testing/hand.ts';
import { dayOf, renderInPour } from '../../../testing/pour.tsx';
import { LineSheet } from './LineSheet.tsx';
import { NotSet } from './NotSet.tsx';
import Tasks from './Tasks.tsx';
import { TemplateSheet } from './TemplateSheet.tsx';

const DAY = dayOf('kestrel', 'K2');
const { entry } = entriesFrom(DAY, 'I. Brandvold');
const close = () => undefined;
const [wall = ''] = demoPour('kestrel', 'K2').pour.elements;
const filled = [
  entry('place-start', { elementId: wall, lift: 0 }, 480),
  entry('place-stop', { elementId: wall, lift: 0, filledRatio: 1 }, 490),
];

describe('tasks on the clock', () => {
  test('those due first are seen, the rest by a press; one done makes room', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<Tasks />, {
      file: 'kestrel',
      code: 'K2',
      entries: filled,
      nowMs: DAY + 492 * 60_000,
    });
    await user.click(
      screen.getByRole('button', { name: new RegExp(`^${wall} lift 1 .*: all set$`) }),
    );
    expect(write).toHaveBeenCalledWith('task', {
      taskId: `${wall}/consolidate-0`,
      result: 'done',
    });
  });
});

test('what was not set wants its reason, and is logged as not done with it', async () => {
  const onClose = jest.fn<() => void>();
  const task = { id: `${wall}/consolidate-0`, elementId: wall, title: 'Consolidated' };
  const { write } = renderInPour(<NotSet task={task as never} onClose={onClose} />, {
    file: 'kestrel',
    code: 'K2',
  });
  const reason = screen.getByLabelText('Why, and what is done instead');
  expect(document.activeElement).toBe(reason);
  await press('Log as not set');
  expect((await screen.findByRole('alert')).textContent).toMatch(/is missing/);
  expect(write).not.toHaveBeenCalled();
  await userEvent.type(reason, 'x'.repeat(501));
  await press('Log as not set');
  expect((await screen.findByText(/longer than 500/)).textContent).toMatch(/500 characters/);
  await userEvent.clear(reason);
  await userEvent.type(reason, 'No dowels came; drilled and glued on Monday');
  await press('Log as not set');
  await waitFor(() => {
    expect(onClose).toHaveBeenCalledTimes(1);
  });
  expect(write).toHaveBeenCalledWith('task', {
    taskId: `${wall}/consolidate-0`,
    result: 'notDone',
    reason: 'No dowels came; drilled and glued on Monday',
  });
});

describe('the top of a wall against its string', () => {
  test('each reading says at once which way its turnbuckle is turned; kept with the task', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<LineSheet taskId={`${wall}/line-0`} onClose={close} />, {
      file: 'kestrel',
      code: 'K2',
      entries: filled,
    });
    const fields = screen.getAllByLabelText(/^at /);
    expect(fields.length).toBeGreaterThan(2);
    const keep = screen.getByRole<HTMLButtonElement>('button', { name: /^Keep/ });
    await user.type(fields[0] as HTMLElement, '-8');
    expect(keep.disabled).toBe(true);
    await user.type(fields[1] as HTMLElement, '0');
    await user.click(keep);
    await waitFor(() => {
      expect(write).toHaveBeenCalledTimes(2);
    });
    const [kind, body] = write.mock.calls[0] ?? [];
    expect(kind).toBe('line');
    expect(body).toMatchObject({ elementId: wall });
    const { offsets } = body as { offsets: { atM: number; offsetMm: number }[] };
    expect(offsets.map((o) => o.offsetMm)).toEqual([-8, 0]);
    expect(write.mock.calls[1]).toEqual(['task', { taskId: `${wall}/line-0`, result: 'done' }]);
  });
});

describe('the bolts of a base', () => {
  const base = {
    pads: [{ id: 'B1', xM: 40, yM: 0, widthM: 1.2, lengthM: 1.2, depthM: 0.5, bottomM: 0 }],
    anchors: ['a', 'b', 'c'].map((id, i) => ({
      id,
      elementId: 'B1',
      kind: 'bolt' as const,
      diameterMm: 20,
      embedmentMm: 300,
      projectionMm: 80,
      atM: 0.3 + i * 0.3,
      wetSet: false,
    })),
  };
  test('that stand apart are told while they can be moved, and kept as they were read', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<TemplateSheet taskId="B1/template" onClose={close} />, {
      file: 'kestrel',
      code: 'K2',
      site: base,
    });
    const verdict = () => document.querySelector('[data-template]')?.getAttribute('data-template');
    expect(verdict()).toBe('ok');
    await user.type(screen.getByLabelText(/^b east/i), '5');
    expect(verdict()).toBe('off');
    expect(screen.getByText(/Move them while it is fresh: two bolts/)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledTimes(2);
    });
    expect(write.mock.calls[0]?.[1]).toMatchObject({
      elementId: 'B1',
      bolts: [{ id: 'a' }, { id: 'b', eastMm: 5 }, { id: 'c' }],
    });
  });
});
