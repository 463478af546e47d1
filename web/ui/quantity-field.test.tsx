import { expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import '../testing/screen.ts';
import { QuantityField } from './QuantityField.tsx';

const field = () => screen.getByRole<HTMLInputElement>('textbox');
/** What its owner holds of what is typed: all of it, figures alone, or in metres. */
type Owner = 'all' | 'figures' | 'metres' | 'none';

function Owned({ owner }: { owner: Owner }) {
  const [mm, setMm] = useState<number | null>(203.2);
  const take = (n: number | null) => {
    if (owner === 'none' || (owner !== 'all' && n === null)) return;
    setMm(owner === 'metres' && n !== null ? (n / 1000) * 1000 : n);
  };
  return (
    <>
      <QuantityField label="Thick" quantity="Mm" units="us" value={mm} onChange={take} />
      <output data-testid="held">{mm}</output>
      <button
        type="button"
        onClick={() => {
          setMm(254);
        }}
      >
        Ten inches
      </button>
    </>
  );
}
const open = (owner: Owner) => {
  render(<Owned owner={owner} />);
  return () => Number(screen.getByTestId('held').textContent);
};

test.each<Owner>(['all', 'figures', 'metres', 'none'])(
  'what is typed key by key stands as it is typed, whatever its owner takes of it (%s)',
  async (owner) => {
    open(owner);
    await userEvent.clear(field());
    expect(field().value).toBe('');
    await userEvent.type(field(), '9 7/8 in');
    expect(field().value).toBe('9 7/8 in');
  },
);

test('every key is told, in millimetres', async () => {
  const held = open('metres');
  await userEvent.clear(field());
  await userEvent.type(field(), '9 7/8 in');
  expect(held()).toBeCloseTo(250.825, 9);
});

test('a value from elsewhere takes the field over, also while something else stands in it', async () => {
  open('figures');
  await userEvent.clear(field());
  await userEvent.type(field(), '7');
  await userEvent.click(screen.getByRole('button', { name: 'Ten inches' }));
  expect(field().value).toBe('10 in');
});

test('left empty or unreadable it shows again what rules, where its owner holds on to that', async () => {
  const held = open('figures');
  await userEvent.clear(field());
  await userEvent.tab();
  expect(field().value).toBe('8 in');
  await userEvent.clear(field());
  await userEvent.type(field(), 'thick');
  expect(screen.getByRole('alert').textContent).toBe('Not a number.');
  await userEvent.tab();
  expect(field().value).toBe('8 in');
  expect(held()).toBe(203.2);
});

test('left empty it stays empty where its owner takes that', async () => {
  open('all');
  await userEvent.clear(field());
  await userEvent.tab();
  expect(field().value).toBe('');
});
