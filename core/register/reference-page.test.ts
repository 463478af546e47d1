import { describe, expect, test } from '@jest/globals';
import fs from 'node:fs';
import path from 'node:path';
import { REGISTER } from './register.ts';
import { evaluate } from '../kit/calculation.ts';
import { EXAMPLES } from './examples.ts';
import { fieldsOf } from './fields-of.ts';
import { calculationsPage } from './reference-page.ts';

test('docs/calculations.md says what the register says (npm run docs writes it anew)', () => {
  expect(
    fs.readFileSync(path.resolve(import.meta.dirname, '../../docs/calculations.md'), 'utf8'),
  ).toBe(calculationsPage());
});

describe.each(REGISTER.map((c) => [c.id, c] as const))('%s', (id, c) => {
  test('has an example that works and shows its working, and a result as its schema says', () => {
    const { result, steps } = evaluate(c, EXAMPLES[id]);
    expect(steps.length).toBeGreaterThan(0);
    expect(c.output.safeParse(result).error?.issues ?? []).toEqual([]);
  });
  test('does not touch what it is given', () => {
    const before = JSON.stringify(EXAMPLES[id]);
    evaluate(c, EXAMPLES[id]);
    expect(JSON.stringify(EXAMPLES[id])).toBe(before);
  });
  test('tells a missing field by its name', () => {
    const example = EXAMPLES[id] as Record<string, unknown>;
    for (const f of fieldsOf(c).filter((x) => x.required)) {
      const { [f.name]: _, ...without } = example;
      let issues: { path: string; message: string }[] = [];
      try {
        evaluate(c, without);
      } catch (e) {
        issues = (e as { issues: typeof issues }).issues;
      }
      expect([f.name, issues.find((i) => i.path === f.name)?.message]).toEqual([
        f.name,
        expect.stringMatching(/is missing/),
      ]);
    }
  });
  test('refuses NaN, an infinity and text wherever a number belongs', () => {
    const example = EXAMPLES[id] as Record<string, unknown>;
    for (const f of fieldsOf(c).filter((x) => x.kind === 'number'))
      for (const bad of [Number.NaN, Infinity, '12']) {
        expect([f.name, c.input.safeParse({ ...example, [f.name]: bad }).success]).toEqual([
          f.name,
          false,
        ]);
      }
  });
  test('keeps to the range it names, at its very edge', () => {
    const example = EXAMPLES[id] as Record<string, unknown>;
    for (const f of fieldsOf(c).filter((x) => x.kind === 'number' && x.least !== null)) {
      expect([
        f.name,
        c.input.safeParse({ ...example, [f.name]: (f.least as number) - 1e-6 }).success,
      ]).toEqual([f.name, false]);
      if (f.above)
        expect([f.name, c.input.safeParse({ ...example, [f.name]: f.least }).success]).toEqual([
          f.name,
          false,
        ]);
    }
  });
});
