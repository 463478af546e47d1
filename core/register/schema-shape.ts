import type { z } from 'zod';

/**
 * As much of a schema as a form or a reference wants to know of it: in the words of JSON Schema,
 * for what is put in.
 */
export interface Schema {
  type?: string;
  enum?: (string | number)[];
  const?: string | number;
  anyOf?: Schema[];
  default?: unknown;
  items?: Schema;
  properties?: Record<string, Schema>;
  required?: string[];
  minimum?: number;
  maximum?: number;
  exclusiveMinimum?: number;
  exclusiveMaximum?: number;
}

/** What a schema keeps of its making; the names are the library's own. */
interface Def {
  type: string;
  innerType?: z.core.$ZodType;
  in?: z.core.$ZodType;
  getter?: () => z.core.$ZodType;
  element?: z.core.$ZodType;
  shape?: Record<string, z.core.$ZodType>;
  options?: z.core.$ZodType[];
  entries?: Record<string, string | number>;
  values?: (string | number)[];
  defaultValue?: unknown;
}

/** One thing that is asked of a number. */
interface Check {
  check: string;
  value?: number;
  inclusive?: boolean;
}
const INT_MOST = Number.MAX_SAFE_INTEGER;

/** The tighter of two limits on one side, with whether it may be met itself. */
interface Limit {
  value: number;
  inclusive: boolean;
}
const tighter = (a: Limit | null, b: Limit, sign: 1 | -1): Limit => {
  if (!a || sign * b.value > sign * a.value) return b;
  return a.value === b.value && !b.inclusive ? b : a;
};

function numberShape(type: z.core.$ZodType): Schema {
  const { checks = [] } = type._zod.def as { checks?: { _zod: { def: Check } }[] };
  let [least, most, whole]: [Limit | null, Limit | null, boolean] = [null, null, false];
  for (const { check, value = 0, inclusive = false } of checks.map((c) => c._zod.def)) {
    if (check === 'greater_than') least = tighter(least, { value, inclusive }, 1);
    if (check === 'less_than') most = tighter(most, { value, inclusive }, -1);
    if (check !== 'number_format') continue;
    whole = true;
    least = tighter(least, { value: -INT_MOST, inclusive: true }, 1);
    most = tighter(most, { value: INT_MOST, inclusive: true }, -1);
  }
  return {
    type: whole ? 'integer' : 'number',
    ...(least ? { [least.inclusive ? 'minimum' : 'exclusiveMinimum']: least.value } : {}),
    ...(most ? { [most.inclusive ? 'maximum' : 'exclusiveMaximum']: most.value } : {}),
  };
}

function literalShape(values: (string | number)[]): Schema {
  const [only] = values;
  return values.length === 1 && only !== undefined ? { const: only } : { enum: values };
}

function objectShape(shape: Record<string, z.core.$ZodType>): Schema {
  const fields = Object.entries(shape);
  return {
    type: 'object',
    properties: Object.fromEntries(fields.map(([name, field]) => [name, shapeOf(field)])),
    required: fields.flatMap(([name, field]) => (field._zod.optin === undefined ? [name] : [])),
  };
}

/** What is put into a schema, by how it was made. What only a whole program could say of itself answers nothing. */
export function shapeOf(type: z.core.$ZodType): Schema {
  const def = type._zod.def as unknown as Def;
  switch (def.type) {
    case 'object':
      return objectShape(def.shape ?? {});
    case 'array':
      return { type: 'array', ...(def.element ? { items: shapeOf(def.element) } : {}) };
    case 'number':
      return numberShape(type);
    case 'string':
    case 'boolean':
    case 'null':
      return { type: def.type };
    case 'enum':
      return { type: 'string', enum: Object.values(def.entries ?? {}) };
    case 'literal':
      return literalShape(def.values ?? []);
    case 'union':
      return { anyOf: (def.options ?? []).map(shapeOf) };
    case 'nullable':
      return { anyOf: [shapeOf(innerOf(def)), { type: 'null' }] };
    case 'default':
    case 'prefault':
      return { ...shapeOf(innerOf(def)), default: def.defaultValue };
    case 'record':
      return { type: 'object' };
    case 'tuple':
      return { type: 'array' };
    default:
      return def.innerType || def.in || def.getter ? shapeOf(innerOf(def)) : {};
  }
}

const innerOf = (def: Def): z.core.$ZodType => {
  const inner = def.innerType ?? def.in ?? def.getter?.();
  if (!inner) throw new TypeError(`shapeOf: a ${def.type} schema without what it is made over`);
  return inner;
};
