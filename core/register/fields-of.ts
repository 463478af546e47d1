import type { z } from 'zod';
import { type Quantity, quantityOfField } from '#core/units';
import { type Calculation, LARGEST } from '#core/kit';
import { type Schema, shapeOf } from './schema-shape.ts';

/** What a field of a calculation's input is, read from its schema: enough to draw a form or write a reference. */
export interface FieldInfo {
  name: string;
  kind: 'number' | 'boolean' | 'choice' | 'text' | 'numbers' | 'rows' | 'group' | 'other';
  quantity: Quantity | null;
  required: boolean;
  nullable: boolean;
  /** The value taken when it is left out; undefined when there is none. */
  standing: unknown;
  choices: (string | number)[];
  least: number | null;
  most: number | null;
  /** True when the limit itself is not allowed. */
  above: boolean;
  whole: boolean;
  /** Fields of a group, or of each row of a list. */
  fields: FieldInfo[];
}

/** A union of single values is a choice; a union with null is the other one, which may be empty. */
function plain(s: Schema): { schema: Schema; nullable: boolean } {
  if (!s.anyOf) return { schema: s, nullable: false };
  const rest = s.anyOf.filter((a) => a.type !== 'null');
  const nullable = rest.length < s.anyOf.length;
  if (rest.length === 1)
    return { schema: { ...(rest[0] as Schema), default: s.default }, nullable };
  const values = rest.flatMap((r) => (r.const === undefined ? (r.enum ?? []) : [r.const]));
  return { schema: { enum: values, default: s.default }, nullable };
}

const kindOf = (s: Schema): FieldInfo['kind'] => {
  if (s.enum ?? s.const !== undefined) return 'choice';
  if (s.type === 'number' || s.type === 'integer') return 'number';
  if (s.type === 'boolean') return 'boolean';
  if (s.type === 'string') return 'text';
  if (s.type === 'object') return 'group';
  if (s.type !== 'array') return 'other';
  if (s.items?.type === 'object') return 'rows';
  return s.items?.type === 'number' || s.items?.type === 'integer' ? 'numbers' : 'other';
};

function fieldInfo(name: string, raw: Schema, required: boolean): FieldInfo {
  const { schema, nullable } = plain(raw);
  const kind = kindOf(schema);
  const numbers = kind === 'numbers' ? (schema.items as Schema) : schema;
  const inner = { rows: schema.items, group: schema }[kind as string];
  // Every number is bounded by what can be real, and every whole one by the largest safe one: that says nothing.
  const said = (n: number | undefined): number | null =>
    n === undefined || Math.abs(n) >= LARGEST ? null : n;
  return {
    name,
    kind,
    nullable,
    required: required && schema.default === undefined,
    standing: schema.default,
    quantity: kind === 'number' || kind === 'numbers' ? quantityOfField(name) : null,
    choices: schema.enum ?? (schema.const === undefined ? [] : [schema.const]),
    least: said(numbers.exclusiveMinimum ?? numbers.minimum),
    most: said(numbers.exclusiveMaximum ?? numbers.maximum),
    above: numbers.exclusiveMinimum !== undefined,
    whole: numbers.type === 'integer',
    fields: inner ? fieldsIn(inner) : [],
  };
}
const fieldsIn = (s: Schema): FieldInfo[] =>
  Object.entries(s.properties ?? {}).map(([name, f]) =>
    fieldInfo(name, f, (s.required ?? []).includes(name)),
  );

const known = new Map<z.ZodType, FieldInfo[]>();
/** The fields a calculation takes, in the order of its schema. */
export function fieldsOf(calc: Pick<Calculation, 'input'>): FieldInfo[] {
  const before = known.get(calc.input);
  if (before) return before;
  const found = fieldsIn(shapeOf(calc.input));
  known.set(calc.input, found);
  return found;
}
