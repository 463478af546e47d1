import { expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { entriesFrom } from '../../core/testdata/entries.ts';
import { dayOf, renderInPour } from '../testing/pour.tsx';
import FindSheet from './FindSheet.tsx';

const DAY = dayOf('quillback', 'P2');
const { entry, loadHere } = entriesFrom(DAY, 'T. Oakes');
const question = entry(
  'question',
  { number: 7, to: 'engineer', text: 'Detail 6 draws bars on both faces', elementIds: ['R'] },
  200,
);
const load = loadHere();
const open = () =>
  renderInPour(<FindSheet onClose={() => undefined} />, { entries: [question, load] });
const field = () => screen.getByRole('textbox');
const found = () =>
  within(screen.getByRole('list'))
    .queryAllByRole('button')
    .map((b) => b.textContent);
const address = () => screen.getByTestId('address').textContent;

test('before a word is typed the runs of the pour stand there', () => {
  const { view } = open();
  expect(found()).toHaveLength(view.record.pour.elements.length);
});

test('every word has to be in it, in any order, in any part of it', async () => {
  open();
  await userEvent.type(field(), 'faces both detail');
  expect(found()).toEqual([expect.stringContaining('Question 7')]);
  await userEvent.type(field(), ' zebra');
  expect(found()).toEqual([]);
  expect(screen.getByText('Nothing has these words in it.')).toBeTruthy();
});

test('a load is found by its ticket, a check by its run; Enter goes to the first', async () => {
  open();
  await userEvent.type(field(), '88210');
  expect(found()).toEqual([expect.stringMatching(/^Load 1ticket 88210/)]);
  await userEvent.clear(field());
  await userEvent.type(field(), 'E1 cover inside{Enter}');
  expect(address()).toMatch(/run=E1&check=E1%2Fcover-inside&place=0/);
});

test('of many only some are shown, with how many there are', async () => {
  open();
  await userEvent.type(field(), 'e');
  expect(found()).toHaveLength(30);
  expect(screen.getByText(/^\d{2,3} found, 30 shown\./)).toBeTruthy();
});
