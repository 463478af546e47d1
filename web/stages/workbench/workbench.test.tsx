import { describe, expect, test } from '@jest/globals';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { REGISTER } from '../../../core/register/index.ts';
import { renderInPour } from '../../testing/pour.tsx';
import { WorkBench, WorkGround } from './Workbench.tsx';

type Options = Parameters<typeof renderInPour>[1];
/** A calculation on the workbench of a pour of the demo. */
const open = (id: string, options: Options = {}) =>
  renderInPour(
    <Routes>
      <Route
        path="/workbench/:calc"
        element={
          <main>
            <WorkGround />
            <WorkBench />
          </main>
        }
      />
    </Routes>,
    { ...options, search: `workbench/${id}` },
  );
const result = () => document.querySelector('[data-result]')?.textContent ?? '';
const example = () =>
  userEvent.click(screen.getByRole('button', { name: 'Try it with an example' }));
const keep = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Keep' });
function fill(label: RegExp, value: string): void {
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
}

describe('a calculation by itself', () => {
  test('waits for what the pour does not say, and shows nobody’s figures unasked', async () => {
    open('tie-load');
    expect(document.querySelector('[data-waiting]')?.textContent).toContain(
      'Waits for what P2 does not say',
    );
    expect(result()).toBe('');
    expect(keep().disabled).toBe(true);
    await example();
    expect(result()).toContain('3008 lb');
    expect(result()).toContain('not good');
  });

  test('works on with what is typed, says what is wrong and where, and keeps what is good', async () => {
    const { write } = open('tie-load');
    await example();
    fill(/tie spacing/i, '1 ft 9 in');
    expect(result()).toContain('2632 lb');
    expect(result()).not.toContain('not good');
    fill(/tie capacity/i, '-3');
    expect(screen.getByText(/^One field to put right/).textContent).toContain(
      'tie capacity must be above 0',
    );
    expect(keep().disabled).toBe(true);
    fill(/tie capacity/i, '3000');
    await userEvent.type(screen.getByLabelText('What it is for'), 'ramp wall');
    await userEvent.click(keep());
    expect(write.mock.calls[0]?.[0]).toBe('worked');
    expect(write.mock.calls[0]?.[1]).toMatchObject({ calculation: 'tie-load', note: 'ramp wall' });
    // Kept, it is ready for the next use.
    await waitFor(() => {
      expect(screen.getByLabelText<HTMLInputElement>('What it is for').value).toBe('');
    });
  });

  test('stands in the address, and begins again with a press', async () => {
    open('tie-load');
    await example();
    const address = () => screen.getByTestId('address').textContent;
    expect(address()).toMatch(/in=/);
    await userEvent.click(screen.getByRole('button', { name: 'Start again' }));
    expect(address()).toBe('');
    expect(document.querySelector('[data-waiting]')).not.toBeNull();
  });

  test('is kept by foreman and crew, not by an inspector', async () => {
    open('tie-load', { role: 'inspector' });
    await example();
    expect(keep().disabled).toBe(true);
    expect(screen.queryByLabelText('What it is for')).toBeNull();
  });

  test('begins with what the pour says, and says whence each figure is', () => {
    open('order-quantity');
    expect(result()).toContain('37.5 yd³');
    expect(document.body.textContent).toContain('as P2 has it');
  });
});

describe.each([
  ['kestrel', 'K1', /\d (ft|in(?! 100)|psi|psf|yd³|°F|mph|lb)\b/],
  ['quillback', 'P2', /\d (mm|m³|MPa|kPa|°C|km\/h)(?![\w/])/],
] as const)('every calculation on %s', (file, code, foreign) => {
  // The search is too long to run as one types: it has its own sheet on Plan.
  const ids = REGISTER.map((c) => c.id).filter((id) => id !== 'sequence-search');
  test('is among many', () => {
    expect(ids.length).toBeGreaterThan(40);
  });

  test.each(ids)('%s opens with its working, in the units of the site', (id) => {
    open(id, { file, code });
    // By its words alone: to ask for roles is most of a hundred times anew.
    const working = screen.getAllByText('Working').filter((el) => /^H\d$/.test(el.tagName));
    expect(working).toHaveLength(1);
    if (document.querySelector('[data-waiting]'))
      fireEvent.click(screen.getByText('Try it with an example'));
    expect(result()).not.toBe('');
    expect(foreign.exec(result())?.[0]).toBeUndefined();
  });
});
