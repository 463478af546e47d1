import { expect, test } from '@jest/globals';
import { toJSONSchema } from 'zod';
import { REGISTER } from './register.ts';
import { shapeOf, type Schema } from './schema-shape.ts';

const KEYS = new Set([
  ...['type', 'enum', 'const', 'anyOf', 'default', 'items', 'properties', 'required'],
  ...['minimum', 'maximum', 'exclusiveMinimum', 'exclusiveMaximum'],
]);
/** Of a JSON Schema what is read here; literals say their type there, and records what they hold. */
function read(s: Record<string, unknown>): Schema {
  // Two plain kinds that may stand for each other are written as one list of kinds.
  if (Array.isArray(s.type)) {
    const { type, ...rest } = s;
    return read({ ...rest, anyOf: (type as string[]).map((t) => ({ type: t })) });
  }
  const own = Object.entries(s).filter(([k]) => KEYS.has(k));
  const out = Object.fromEntries(
    own.map(([k, v]) => {
      if (k === 'properties')
        return [
          k,
          Object.fromEntries(
            Object.entries(v as object).map(([n, f]) => [n, read(f as Record<string, unknown>)]),
          ),
        ];
      if (k === 'items') return [k, read(v as Record<string, unknown>)];
      if (k === 'anyOf') return [k, (v as Record<string, unknown>[]).map(read)];
      return [k, v];
    }),
  ) as Schema & Record<string, unknown>;
  if (out.const !== undefined || (out.enum && out.type !== 'string')) delete out.type;
  if (out.properties && !out.required) out.required = [];
  return out;
}

test('every calculation’s input is read as the library itself writes it down', () => {
  expect(REGISTER.length).toBeGreaterThan(50);
  for (const calc of REGISTER) {
    const written = toJSONSchema(calc.input, { io: 'input', unrepresentable: 'any' });
    expect({
      id: calc.id,
      ...read(JSON.parse(JSON.stringify(shapeOf(calc.input))) as Record<string, unknown>),
    }).toEqual({
      id: calc.id,
      ...read(written),
    });
  }
});
