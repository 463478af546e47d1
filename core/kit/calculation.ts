import type { z } from 'zod';
import { limitWords } from './limit-words.ts';

/** One line of the working: the symbol, the expression with the numbers put in, its value and unit. */
export interface Step {
  symbol: string;
  expression: string;
  value: number | string | boolean | null;
  unit: string;
}

/** Collects the working of a calculation while it runs. */
export interface Trace {
  step(symbol: string, expression: string, value: Step['value'], unit?: string): void;
  caution(text: string): void;
}

/** What the register knows of a calculation. Pure: same input, same answer, no clock, no I/O. */
export interface Calculation<In extends z.ZodType = z.ZodType, Out extends z.ZodType = z.ZodType> {
  id: string;
  title: string;
  /** What it is for, in one sentence. */
  purpose: string;
  /** The formula in words or symbols. */
  formula: string;
  /** Standard and clause, or the trade's own rule. */
  source: string;
  /** Where it stops being valid. */
  limits: string;
  input: In;
  output: Out;
  compute(input: z.output<In>, trace: Trace): z.output<Out>;
}

/** Keeps the types of one calculation together while it is written. */
export function calculation<In extends z.ZodType, Out extends z.ZodType>(
  c: Calculation<In, Out>,
): Calculation<In, Out> {
  return c;
}

/**
 * What a calculation gives, with the input it was given (defaults filled in), so that a figure can
 * be worked out again.
 */
export interface Evaluated<Out> {
  input: unknown;
  result: Out;
  steps: Step[];
  cautions: string[];
}
export interface InputIssue {
  path: string;
  message: string;
}

/** Input that a calculation cannot work with: which fields, and why. */
export class BadInput extends Error {
  readonly issues: InputIssue[];
  constructor(message: string, issues: InputIssue[]) {
    super(message);
    this.name = 'BadInput';
    this.issues = issues;
  }
}

const valueAt = (raw: unknown, path: PropertyKey[]): unknown =>
  path.reduce<unknown>(
    (v, key) =>
      typeof v === 'object' && v !== null ? (v as Record<PropertyKey, unknown>)[key] : undefined,
    raw,
  );

/** What a value of the wrong kind should have been, where its schema has no words of its own for it. */
const EXPECTED: Record<string, string> = {
  object: 'must be an object',
  array: 'must be a list',
  string: 'must be text',
  number: 'must be a number',
  boolean: 'must be true or false',
};
const inWords = (i: z.core.$ZodIssue): string =>
  i.code === 'invalid_type' && i.message.startsWith('Invalid input')
    ? (EXPECTED[i.expected] ?? i.message)
    : i.message;

/** Turns Zod's issues into dotted paths and messages; a field that is not there "is missing", whatever its kind. */
export function issuesOf(error: z.ZodError, raw: unknown): InputIssue[] {
  return error.issues.map((i) => ({
    path: i.path.map(String).join('.'),
    message:
      i.code !== 'custom' && i.path.length > 0 && valueAt(raw, i.path) === undefined
        ? 'is missing'
        : inWords(i),
  }));
}

/** Checks the input, runs the calculation and returns result, working and cautions. Throws {@link BadInput}. */
export function evaluate<In extends z.ZodType, Out extends z.ZodType>(
  calc: Calculation<In, Out>,
  raw: unknown,
): Evaluated<z.output<Out>> {
  const parsed = calc.input.safeParse(raw, { error: limitWords('metric') });
  if (!parsed.success) {
    const issues = issuesOf(parsed.error, raw);
    const first = issues[0];
    throw new BadInput(
      `${calc.id}: ${first ? `${first.path || 'input'} ${first.message}` : 'bad input'}`,
      issues,
    );
  }
  const steps: Step[] = [];
  const cautions: string[] = [];
  const result = calc.compute(parsed.data, {
    step: (symbol, expression, value, unit = '') => {
      steps.push({ symbol, expression, value, unit });
    },
    caution: (text) => {
      cautions.push(text);
    },
  });
  return { input: parsed.data, result, steps, cautions };
}

/** As {@link evaluate}, for input that comes from outside: what is bad about it instead of an error thrown. */
export function attempt<In extends z.ZodType, Out extends z.ZodType>(
  calc: Calculation<In, Out>,
  raw: unknown,
): { done: Evaluated<z.output<Out>>; bad: null } | { done: null; bad: BadInput } {
  try {
    return { done: evaluate(calc, raw), bad: null };
  } catch (e) {
    if (e instanceof BadInput) return { done: null, bad: e };
    throw e;
  }
}

/** So many results of a calculation are kept. */
const MOST_KEPT = 300;
const kept = new WeakMap<object, Map<string, unknown>>();

/** What tells one small input from another; null for one that is not made of plain values alone. */
function keyOf(raw: unknown): string | null {
  if (typeof raw !== 'object' || raw === null) return null;
  for (const v of Object.values(raw) as unknown[])
    if (typeof v === 'object' || (typeof v === 'number' && !Number.isFinite(v))) return null;
  return JSON.stringify(raw);
}

/**
 * Runs a calculation for its result alone, for callers that need no working: a plan of two thousand
 * runs asks the same of the same bar over and over, and is answered what it was told. Throws {@link BadInput}.
 */
export function resultOf<In extends z.ZodType, Out extends z.ZodType>(
  calc: Calculation<In, Out>,
  raw: z.input<In>,
): z.output<Out> {
  const key = keyOf(raw);
  if (key === null) return evaluate(calc, raw).result;
  const known = kept.get(calc) ?? new Map<string, unknown>();
  kept.set(calc, known);
  if (!known.has(key)) {
    if (known.size >= MOST_KEPT) known.clear();
    known.set(key, evaluate(calc, raw).result);
  }
  return known.get(key) as z.output<Out>;
}

/** A number as it stands in a line of working: six significant figures, no trailing zeros. */
export const fig = (n: number): string =>
  Number.isInteger(n) && Math.abs(n) < 1e9 ? String(n) : String(Number(n.toPrecision(6)));
