import { describe, expect, jest, test } from '@jest/globals';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { z } from 'zod';
import { nonNegative, positive } from '#core/kit';
import { ApiProblem } from '../sync/api.ts';
import { SiteContext } from '../app/site-context.tsx';
import '../testing/screen.ts';
import { EntryForm } from './EntryForm.tsx';
import {
  ChipChoice,
  ChipSet,
  LongText,
  QuantityInput,
  QuantityList,
  TextInput,
} from './fields.tsx';

const schema = z.object({
  widthM: positive().lte(3, 'must be 3 or less'),
  airC: nonNegative().optional(),
  note: z.string().max(12, 'is longer than 12 characters').optional(),
  sky: z.enum(['clear', 'rain']),
  runs: z.array(z.string()).min(1, 'names no run'),
  sizes: z.array(positive()).min(1, 'is empty'),
});
type Body = z.infer<typeof schema>;

/** The form of such an entry on a site of these units; what it writes. */
function open(units: 'us' | 'metric', start: Partial<Body> = {}, refuse?: Error) {
  const write = jest.fn<(body: Body) => Promise<unknown>>(() =>
    refuse ? Promise.reject(refuse) : Promise.resolve(),
  );
  const fields: ReactNode = (
    <>
      <QuantityInput name="widthM" label="Width" />
      <QuantityInput name="airC" label="Air" required={false} />
      <LongText name="note" label="Note" />
      <ChipChoice name="sky" label="Sky" options={['clear', 'rain']} />
      <ChipSet name="runs" label="Runs" options={['N', 'E', 'S']} />
      <QuantityList name="sizes" label="Trucks" quantity="M3" />
    </>
  );
  render(
    <SiteContext value={{ units } as never}>
      <EntryForm
        schema={schema as z.ZodType<Body, Body>}
        defaults={{ sky: 'clear', runs: ['N'], sizes: [6], widthM: 0.6, ...start }}
        write={write}
        act="Log"
      >
        {fields}
      </EntryForm>
    </SiteContext>,
  );
  return { write };
}
const log = () => userEvent.click(screen.getByRole('button', { name: 'Log' }));
const said = () => screen.queryAllByRole('alert').map((a) => a.textContent);

describe('a figure with its unit', () => {
  test('is typed in the site’s own and written in SI', async () => {
    const { write } = open('us');
    const width = screen.getByLabelText(/^Width/);
    await userEvent.clear(width);
    await userEvent.type(width, `2' 6`);
    await userEvent.type(screen.getByLabelText(/^Air/), '68');
    await log();
    await waitFor(() => {
      expect(write).toHaveBeenCalledTimes(1);
    });
    const body = write.mock.calls[0]?.[0];
    expect(body?.widthM).toBeCloseTo(0.762, 6);
    expect(body?.airC).toBeCloseTo(20, 6);
  });

  test('that is left out is left out, not nothing', async () => {
    const { write } = open('metric');
    await log();
    await waitFor(() => {
      expect(write).toHaveBeenCalledTimes(1);
    });
    expect(write.mock.calls[0]?.[0]).toEqual({
      widthM: 0.6,
      sky: 'clear',
      runs: ['N'],
      sizes: [6],
    });
  });

  test('that cannot be read is said at once, and nothing is written', async () => {
    const { write } = open('metric');
    const width = screen.getByLabelText(/^Width/);
    await userEvent.clear(width);
    await userEvent.type(width, 'broad');
    expect(said()).toEqual(['Not a number.']);
    await log();
    expect(write).not.toHaveBeenCalled();
  });

  test('beyond its limit is refused in the words of its schema', async () => {
    const { write } = open('metric');
    const width = screen.getByLabelText(/^Width/);
    await userEvent.clear(width);
    await userEvent.type(width, '3.2');
    await log();
    expect(await screen.findByRole('alert')).toBeTruthy();
    expect(width.getAttribute('aria-invalid')).toBe('true');
    expect(said().join()).toMatch(/3/);
    expect(write).not.toHaveBeenCalled();
  });
});

describe('words', () => {
  test('of nothing but spaces are none; too many are refused where they stand', async () => {
    const { write } = open('metric');
    const note = screen.getByLabelText('Note');
    await userEvent.type(note, '   ');
    await log();
    await waitFor(() => {
      expect(write).toHaveBeenCalledTimes(1);
    });
    expect(write.mock.calls[0]?.[0].note).toBeUndefined();
    await userEvent.type(note, 'Rain from the west');
    await log();
    expect(await screen.findByText('is longer than 12 characters')).toBeTruthy();
    expect(write).toHaveBeenCalledTimes(1);
  });
});

describe('what is pressed', () => {
  test('of a few is one', async () => {
    const { write } = open('metric');
    await userEvent.click(screen.getByRole('button', { name: 'rain' }));
    expect(screen.getByRole('button', { name: 'clear' }).getAttribute('aria-pressed')).toBe(
      'false',
    );
    await log();
    await waitFor(() => {
      expect(write.mock.calls[0]?.[0].sky).toBe('rain');
    });
  });

  test('of many are some; a second press takes one out, and none at all is refused', async () => {
    const { write } = open('metric');
    const chip = (name: string) => screen.getByRole('button', { name });
    await userEvent.click(chip('S'));
    await userEvent.click(chip('N'));
    await log();
    await waitFor(() => {
      expect(write.mock.calls[0]?.[0].runs).toEqual(['S']);
    });
    await userEvent.click(chip('N'));
    await log();
    expect(await screen.findByText('names no run')).toBeTruthy();
  });
});

test('several sizes stand in a line, in the site’s units', async () => {
  const { write } = open('us', { sizes: [7.645548579] });
  const trucks = screen.getByLabelText<HTMLInputElement>(/^Trucks, yd³/);
  expect(trucks.value).toBe('10');
  await userEvent.clear(trucks);
  await userEvent.type(trucks, '8, 10');
  await log();
  await waitFor(() => {
    expect(write).toHaveBeenCalledTimes(1);
  });
  const sizes = write.mock.calls[0]?.[0].sizes ?? [];
  expect(sizes[0]).toBeCloseTo(8 * 0.764554857984, 6);
  expect(sizes[1]).toBeCloseTo(10 * 0.764554857984, 6);
});

describe('what the server refuses', () => {
  test('stands beside the field it is about, and what was typed stands there still', async () => {
    const problem = {
      status: 400,
      detail: 'Not taken',
      issues: [{ path: 'note', message: 'is said twice' }],
    };
    open('metric', { note: 'Dry' }, new ApiProblem(problem as never));
    await log();
    expect(await screen.findByText('is said twice')).toBeTruthy();
    expect(screen.getByLabelText<HTMLTextAreaElement>('Note').value).toBe('Dry');
  });
});

test('what cannot be written as things stand says why, and its button does nothing', async () => {
  const write = jest.fn<(body: { note?: string | undefined }) => Promise<unknown>>();
  render(
    <SiteContext value={{ units: 'metric' } as never}>
      <EntryForm
        schema={z.object({ note: z.string().optional() })}
        defaults={{}}
        write={write}
        act="Log"
        refused="The pour is closed."
      >
        <TextInput name="note" label="Note" />
      </EntryForm>
    </SiteContext>,
  );
  expect(said()).toEqual(['The pour is closed.']);
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Log' }).disabled).toBe(true);
  await userEvent.type(screen.getByLabelText('Note'), 'Dry{Enter}');
  expect(write).not.toHaveBeenCalled();
});
