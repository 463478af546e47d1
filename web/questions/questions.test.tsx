import { describe, expect, test } from '@jest/globals';
import { act, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { entriesFrom } from '../../core/testdata/entries.ts';
import { dayOf, renderInPour } from '../testing/pour.tsx';
import QuestionSheets from './QuestionSheets.tsx';

const { entry } = entriesFrom(dayOf('quillback', 'P2'), 'T. Oakes');
const asked = entry('question', { number: 7, elementIds: ['E2'], text: 'Why?', to: 'engineer' }, 5);
const said = () => screen.queryAllByRole('alert').map((a) => a.textContent);

describe('a question', () => {
  test('bears on the run in hand and more, is asked of a named role, and numbered on', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<QuestionSheets />, {
      entries: [asked],
      search: '?run=S&sheet=question',
    });
    await user.click(screen.getByRole('button', { name: 'W' }));
    await user.type(screen.getByLabelText(/What is unclear/), 'Laps at the corner, as drawn?');
    await user.click(screen.getByRole('button', { name: 'architect' }));
    await user.click(screen.getByRole('button', { name: 'Ask' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledWith('question', {
        number: 8,
        elementIds: ['S', 'W'],
        text: 'Laps at the corner, as drawn?',
        to: 'architect',
      });
    });
    // The sheet stays open on the question itself.
    expect(screen.getByTestId('address').textContent).toContain('sheet=answer%3Aid');
  });

  test('that is closed while it is being kept does not come up again', async () => {
    const user = userEvent.setup();
    let keep: (id: string) => void = () => undefined;
    const kept = new Promise<string>((resolve) => {
      keep = resolve;
    });
    const { write } = renderInPour(<QuestionSheets />, {
      search: '?sheet=question',
      write: () => kept,
    });
    await user.type(screen.getByLabelText(/What is unclear/), 'Why?');
    await user.click(screen.getByRole('button', { name: 'Ask' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalled();
    });
    await user.click(screen.getByRole('button', { name: 'Close' }));
    await waitFor(() => {
      expect(screen.queryByRole('dialog')).toBeNull();
    });
    await act(async () => {
      keep('id');
      await kept;
    });
    expect(screen.queryByRole('dialog')).toBeNull();
    expect(screen.getByTestId('address').textContent).not.toContain('answer');
  });

  test('of nothing, or on no run, is not asked', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<QuestionSheets />, { search: '?run=S&sheet=question' });
    await user.click(screen.getByRole('button', { name: 'S' }));
    await user.click(screen.getByRole('button', { name: 'Ask' }));
    await waitFor(() => {
      expect(said()).toEqual(['must name at least one run', 'is missing']);
    });
    expect(write).not.toHaveBeenCalled();
  });
});

describe('an answer', () => {
  const open = { entries: [asked], search: `?sheet=answer:${asked.id}` };

  test('is kept with who gave it: the role that was asked, unless another did', async () => {
    const user = userEvent.setup();
    const { write } = renderInPour(<QuestionSheets />, open);
    const role = screen.getByLabelText<HTMLInputElement>('Given by');
    expect(role.value).toBe('engineer');
    await user.type(screen.getByLabelText('Answer'), 'Hook them round.');
    await user.clear(role);
    await user.type(role, 'inspector');
    await user.click(screen.getByRole('button', { name: 'Keep the answer' }));
    await waitFor(() => {
      expect(write).toHaveBeenCalledWith('answer', {
        questionId: asked.id,
        text: 'Hook them round.',
        role: 'inspector',
      });
    });
  });

  test('that was given is shown, and not asked for again', () => {
    const given = entry('answer', { questionId: asked.id, text: 'Yes.', role: 'engineer' }, 9);
    renderInPour(<QuestionSheets />, { ...open, entries: [asked, given] });
    expect(screen.getByText('Yes.', { exact: false })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Keep the answer' })).toBeNull();
  });
});
