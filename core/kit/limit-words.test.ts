import { expect, test } from '@jest/globals';
import { z } from 'zod';
import type { UnitSystem } from '../units/measure.ts';
import { temperature } from './fields.ts';
import { limitWords } from './limit-words.ts';
import { sentenceIn } from './sentence.ts';

const schema = z.object({
  strengthMPa: z.number().gt(0).lte(200),
  windKmH: z.number().lt(300),
  airTempC: temperature(),
  name: z.string('is no name'),
});
const good = { strengthMPa: 30, windKmH: 10, airTempC: 20, name: 'K1' };
const said = (change: object, units: UnitSystem) =>
  schema
    .safeParse({ ...good, ...change }, { error: limitWords(units) })
    .error?.issues.map((i) => sentenceIn(i.message, units));

test('a limit is said in the units of the site', () => {
  expect(said({}, 'us')).toBeUndefined();
  expect(said({ strengthMPa: 201 }, 'us')).toEqual(['must be at most 29008 psi']);
  expect(said({ strengthMPa: 201 }, 'metric')).toEqual(['must be at most 200 MPa']);
  expect(said({ windKmH: 300 }, 'us')).toEqual(['must be below 186 mph']);
  expect(said({ strengthMPa: 0 }, 'metric')).toEqual(['must be above 0 MPa']);
});

test('words of the schema’s own stand, in the units of the site as well', () => {
  expect(said({ airTempC: 101 }, 'metric')).toEqual(['must be from −50 °C to 100 °C']);
  expect(said({ airTempC: 101 }, 'us')).toEqual(['must be from −58 °F to 212 °F']);
  expect(said({ name: 7 }, 'us')).toEqual(['is no name']);
});
