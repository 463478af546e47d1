import { describe, expect, test } from '@jest/globals';
import fs from 'node:fs';
import path from 'node:path';
import { calculationNamed, REGISTER } from './register.ts';
import { BadInput, evaluate } from '../kit/calculation.ts';

/** Worked cases, of the repository's own. */
interface Case {
  id: string;
  input: unknown;
  expect: unknown;
  tol?: Tol;
  note?: string;
  expectError?: boolean;
  verify?: string;
  path?: string | string[];
}
type Simple = number | { rel?: number; abs?: number };
type Tol = Simple | { rel?: number; abs?: number; fields?: Record<string, Simple> };

const own = path.resolve(import.meta.dirname, '../testdata/reference');
const casesOf = (id: string): Case[] => {
  const file = path.join(own, `${id}.json`);
  return fs.existsSync(file) ? (JSON.parse(fs.readFileSync(file, 'utf8')) as Case[]) : [];
};

function allowed(tol: Tol | undefined, at: string, want: number): number {
  const fields = typeof tol === 'object' && 'fields' in tol ? tol.fields : undefined;
  const single = fields?.[at] ?? fields?.[at.split('.').at(-1) ?? ''] ?? tol ?? 0;
  const t = typeof single === 'number' ? { rel: single } : single;
  return Math.max(1e-9, (t.rel ?? 0) * Math.abs(want), t.abs ?? 0);
}

const isRecord = (v: unknown): v is Record<string, unknown> =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

/** Says where `got` differs from `want` as the reference reads it; empty when it does not. */
function differences(want: unknown, got: unknown, tol: Tol | undefined, at = ''): string[] {
  const say = () => [`${at}: wanted ${JSON.stringify(want)}, got ${JSON.stringify(got)}`];
  if (typeof want === 'number')
    return typeof got === 'number' && Math.abs(got - want) <= allowed(tol, at, want) ? [] : say();
  if (Array.isArray(want)) {
    if (!Array.isArray(got)) return say();
    const byId = want.every((w) => isRecord(w) && typeof w.id === 'string');
    if (!byId && want.length !== got.length) return say();
    return want.flatMap((w, i) =>
      differences(
        w,
        byId ? got.find((g) => isRecord(g) && isRecord(w) && g.id === w.id) : got[i],
        tol,
        `${at}.${i}`,
      ),
    );
  }
  if (isRecord(want)) {
    if ('$length' in want) return Array.isArray(got) && got.length === want.$length ? [] : say();
    if ('$present' in want)
      return got === null || got === undefined || got === '' || (Array.isArray(got) && !got.length)
        ? say()
        : [];
    return isRecord(got)
      ? Object.entries(want).flatMap(([k, w]) => differences(w, got[k], tol, at ? `${at}.${k}` : k))
      : say();
  }
  return want === got ? [] : say();
}

interface Plate {
  startM: number;
  endM: number;
  positionsM: number[];
}
/** The rules of bolts themselves, where positions are free: what breaks, in words; empty when none does. */
function brokenBolts(input: unknown, got: unknown): string[] {
  const v = input as {
    sections: { single?: boolean }[];
    keepOuts: { fromM: number; toM: number }[];
    boltDiameterMm?: number;
    maxSpacingM?: number;
    endMinMm?: number;
    endMaxMm?: number;
  };
  const { sections, count } = got as { sections: Plate[]; count: number };
  const endMin = (v.endMinMm ?? 7 * (v.boltDiameterMm ?? 12.7)) / 1000;
  const endMax = (v.endMaxMm ?? 304.8) / 1000;
  const e = 1e-9;
  const bad = sections.flatMap((s, k) => {
    const p = s.positionsM;
    const gaps = p.slice(1).map((x, i) => x - (p[i] as number));
    const out: string[] = [];
    if (p.length < (v.sections.some((x) => x.single) ? 1 : 2)) out.push(`section ${k}: too few`);
    for (const [d, n] of [
      [(p[0] ?? 0) - s.startM, 'start'],
      [s.endM - (p.at(-1) ?? 0), 'end'],
    ] as const)
      if (d < endMin - e || d > endMax + e) out.push(`section ${k}: ${n} distance ${d}`);
    if (gaps.some((g) => g <= 0 || g > (v.maxSpacingM ?? 1.8288) + e))
      out.push(`section ${k}: gap`);
    for (const x of p)
      if (v.keepOuts.some((o) => x > o.fromM + e && x < o.toM - e))
        out.push(`section ${k}: ${x} in a keep-out`);
    if (
      !v.keepOuts.some((o) => o.toM > s.startM && o.fromM < s.endM) &&
      Math.max(...gaps) - Math.min(...gaps) > 1e-6
    )
      out.push(`section ${k}: uneven`);
    return out;
  });
  return count === sections.reduce((n, s) => n + s.positionsM.length, 0) ? bad : [...bad, 'count'];
}

const withCases = REGISTER.filter((c) => casesOf(c.id).length > 0);

test('every file of worked cases is run', () => {
  const files = fs
    .readdirSync(own)
    .map((f) => path.basename(f, '.json'))
    .sort();
  expect(files.length).toBeGreaterThan(20);
  expect(withCases.map((c) => c.id).sort()).toEqual(files);
});

describe.each(withCases.map((c) => c.id))('%s', (id) => {
  const calc = calculationNamed(id);
  if (!calc) throw new Error(`${id} is not registered`);
  test.each(casesOf(id).map((c, i) => [`${i + 1} ${c.note ?? c.id}`, c] as const))('%s', (_, c) => {
    if (!c.expectError) {
      const { result } = evaluate(calc, c.input);
      expect(differences(c.expect, result, c.tol)).toEqual([]);
      if (c.verify === 'anchors') expect(brokenBolts(c.input, result)).toEqual([]);
      return;
    }
    let caught: unknown;
    try {
      evaluate(calc, c.input);
    } catch (e) {
      caught = e;
    }
    expect(caught).toBeInstanceOf(BadInput);
    const paths = Array.isArray(c.path) ? c.path : [c.path ?? ''];
    expect(
      (caught as BadInput).issues.some((i) =>
        paths.some((p) => i.path === p || i.path.startsWith(`${p}.`)),
      ),
    ).toBe(true);
  });
});

test('every calculation says what it is for, where it is from and where it stops', () => {
  for (const c of REGISTER)
    for (const text of [c.title, c.purpose, c.formula, c.source, c.limits])
      expect(text.length).toBeGreaterThan(5);
  expect(new Set(REGISTER.map((c) => c.id)).size).toBe(REGISTER.length);
});
