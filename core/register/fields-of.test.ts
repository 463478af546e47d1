import { describe, expect, test } from '@jest/globals';
import { z } from 'zod';
import { count, nonNegative, positive, share, someOf } from '../kit/fields.ts';
import { fieldsOf } from './fields-of.ts';

const input = z
  .object({
    heightM: positive(),
    humidity: share(),
    addedL: nonNegative().default(0),
    loads: count().optional(),
    method: z.enum(['a', 'b']),
    thicknessIn: z.union([z.literal(0.5), z.literal(0.75)]),
    retarder: z.boolean().default(false),
    readingsMm: someOf(nonNegative()),
    history: z.array(z.object({ timeH: z.number(), tempC: z.number() })),
    parts: z.object({ sand: positive() }),
    slump: z.enum(['low', 'high']).nullable().default(null),
    names: z.array(z.string()),
    mark: z.string(),
  })
  .superRefine(() => undefined);
const fields = new Map(fieldsOf({ input }).map((f) => [f.name, f]));

describe('fields of an input', () => {
  test.each([
    ['heightM', 'number', 'M', true],
    ['humidity', 'number', 'Ratio', true],
    ['addedL', 'number', 'L', false],
    ['loads', 'number', null, false],
    ['method', 'choice', null, true],
    ['thicknessIn', 'choice', null, true],
    ['retarder', 'boolean', null, false],
    ['readingsMm', 'numbers', 'Mm', true],
    ['history', 'rows', null, true],
    ['parts', 'group', null, true],
    ['slump', 'choice', null, false],
    ['names', 'other', null, true],
    ['mark', 'text', null, true],
  ])('%s is a %s of %s, needed: %s', (name, kind, quantity, required) => {
    expect(fields.get(name)).toMatchObject({ kind, quantity, required });
  });
  test('limits are told with whether the limit itself is allowed', () => {
    expect(fields.get('heightM')).toMatchObject({ least: 0, above: true, most: null });
    expect(fields.get('humidity')).toMatchObject({ least: 0, above: false, most: 1 });
    expect(fields.get('loads')).toMatchObject({ whole: true, most: null });
  });
  test('choices, defaults and what is inside', () => {
    expect(fields.get('thicknessIn')?.choices).toEqual([0.5, 0.75]);
    expect(fields.get('slump')).toMatchObject({
      nullable: true,
      choices: ['low', 'high'],
      standing: null,
    });
    expect(fields.get('addedL')?.standing).toBe(0);
    expect(fields.get('history')?.fields.map((f) => [f.name, f.quantity])).toEqual([
      ['timeH', 'H'],
      ['tempC', 'C'],
    ]);
    expect(fields.get('parts')?.fields.map((f) => f.name)).toEqual(['sand']);
  });
});
