import { expect, test } from '@jest/globals';
import { z } from 'zod';
import { issuesOf } from './calculation.ts';

const schema = z.object({
  runs: z.array(
    z.object({ id: z.string(), on: z.boolean(), lengthM: z.number('must be above 0') }),
  ),
});
const said = (raw: unknown) => {
  const { error } = schema.safeParse(raw);
  return error ? issuesOf(error, raw).map((i) => `${i.path} ${i.message}`.trim()) : [];
};

test('a value of the wrong kind is told what it should be, and one that is not there that it is missing', () => {
  expect(said([])).toEqual(['must be an object']);
  expect(said({})).toEqual(['runs is missing']);
  expect(said({ runs: 'R1' })).toEqual(['runs must be a list']);
  expect(said({ runs: [{ id: 3, on: 'yes', lengthM: 'long' }] })).toEqual([
    'runs.0.id must be text',
    'runs.0.on must be true or false',
    // Words of the schema's own come first.
    'runs.0.lengthM must be above 0',
  ]);
});
