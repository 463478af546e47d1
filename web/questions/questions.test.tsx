import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { entriesFrom } from '../../core/testdata/entries.ts';
import { press } from '../testing/hand.ts';
import { dayOf, renderInPour } from '../testing/pour.tsx';
import QuestionSheets from './QuestionSheets.tsx';

const { entry } = entriesFrom(dayOf('quillback', 'P2'), 'T. Oakes');
const asked = entry(
  'question',
  { number: 7, to: 'engineer', text: 'Bars on both faces at R?', elementIds: ['R'] },
  200,
);
const said = () => screen.queryAllByRole('alert').map((a) => a.textContent);

test('a question is about the run that is looked at, has the next number, and opens on itself', async () => {
  const { write } = renderInPour(<QuestionSheets />, {
    search: '?sheet=question&run=E1',
    entries: [asked],
    write: () => Promise.resolve('q8'),
  });
  expect(screen.getByRole('heading', { name: 'Question 8' })).toBeTruthy();
  await press('Ask');
  await waitFor(() => {
    expect(said()).toEqual(['is missing']);
  });
  await userEvent.type(screen.getByLabelText('What is unclear'), 'Which lap at the corner?');
  await press('N');
  await press('architect');
  await press('Ask');
  await waitFor(() => {
    expect(write).toHaveBeenCalledWith('question', {
      number: 8,
      elementIds: ['E1', 'N'],
      to: 'architect',
      text: 'Which lap at the corner?',
    });
  });
  await waitFor(() => {
    expect(screen.getByTestId('address').textContent).toContain('sheet=answer%3Aq8');
  });
});

test('one that names no run is not asked: it would hold nothing', async () => {
  const { write } = renderInPour(<QuestionSheets />, { search: '?sheet=question&run=E1' });
  await press('E1');
  await userEvent.type(screen.getByLabelText('What is unclear'), 'Which lap?');
  await press('Ask');
  await waitFor(() => {
    expect(said()).toHaveLength(1);
  });
  expect(write).not.toHaveBeenCalled();
});

test('is answered by whom it was put to, who is named, and not for them', async () => {
  const { write } = renderInPour(<QuestionSheets />, {
    search: `?sheet=answer:${asked.id}`,
    entries: [asked],
  });
  expect(screen.getByText('Asked by T. Oakes, for the engineer to answer.')).toBeTruthy();
  await userEvent.type(screen.getByLabelText('Answer'), 'One face, inside');
  const by = screen.getByLabelText<HTMLInputElement>('Name of the engineer who said it');
  expect(by.value).toBe('');
  await press('Keep the answer');
  expect(write).not.toHaveBeenCalled();
  await userEvent.type(by, 'M. Sand');
  await press('Keep the answer');
  await waitFor(() => {
    expect(write).toHaveBeenCalledWith('answer', {
      questionId: asked.id,
      role: 'engineer',
      by: 'M. Sand',
      text: 'One face, inside',
    });
  });
});

test('once answered it shows who answered what, and asks no more', () => {
  const given = entry(
    'answer',
    { questionId: asked.id, role: 'engineer', text: 'One face, inside' },
    260,
  );
  renderInPour(<QuestionSheets />, {
    search: `?sheet=answer:${asked.id}`,
    entries: [asked, given],
  });
  expect(screen.getByRole('dialog').textContent).toContain('engineer: One face, inside');
  expect(screen.queryByRole('button', { name: 'Keep the answer' })).toBeNull();
});
