import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { canonicalJson, CHAIN_START, hashOf, verifyLines, type ChainRow } from './chain.ts';

/** A log of so many notes, chained as the store chains them. */
function chained(texts: string[]): ChainRow[] {
  const rows: ChainRow[] = [];
  for (const [i, text] of texts.entries()) {
    const row = {
      id: `e${i}`,
      pourId: 'p',
      seq: i + 1,
      at: '2026-09-23T11:35:00.000Z',
      recordedAt: '2026-09-23T12:00:01.000Z',
      actor: 'T. Oakes',
      device: 'd',
      kind: 'note',
      body: { text },
      supersedes: null,
      prevHash: rows.at(-1)?.hash ?? CHAIN_START,
    };
    rows.push({ ...row, hash: hashOf(row) });
  }
  return rows;
}
const lines = (rows: unknown[]) => rows.map((r) => JSON.stringify(r));

describe('the chain', () => {
  test('is whole as it was written, whatever was written and in whatever order its keys stand', () => {
    fc.assert(
      fc.property(fc.array(fc.string(), { maxLength: 8 }), (texts) => {
        const rows = chained(texts);
        const mixed = rows.map((r) => Object.fromEntries(Object.entries(r).reverse()));
        expect(verifyLines(lines(rows))).toMatchObject({ ok: true, rows: texts.length });
        expect(verifyLines(lines(mixed))).toEqual(verifyLines(lines(rows)));
      }),
    );
  });

  test('names the first line that was touched, in any of its fields', () => {
    const rows = chained(['one', 'two', 'three', 'four']);
    const touch: Partial<ChainRow>[] = [
      { actor: 'I. Brandvold' },
      { at: '2026-09-23T11:35:00.001Z' },
      { body: { text: 'TWO' } },
      { kind: 'incident' },
      { supersedes: 'e0' },
      { device: 'x' },
      { id: 'other' },
      { recordedAt: '' },
      { pourId: 'q' },
    ];
    for (const change of touch) {
      expect(
        verifyLines(lines(rows.map((r, i) => (i === 1 ? { ...r, ...change } : r)))),
      ).toMatchObject({ ok: false, line: 2 });
    }
  });

  test('a row hashed anew after a change no longer fits the row after it', () => {
    const rows = chained(['one', 'two', 'three']);
    const forged = { ...(rows[1] as ChainRow), body: { text: 'forged' } };
    forged.hash = hashOf(forged);
    expect(verifyLines(lines([rows[0], forged, rows[2]]))).toMatchObject({
      ok: false,
      line: 3,
      message: 'does not follow the entry before it',
    });
  });

  test('rows left out, doubled or exchanged are found', () => {
    const [a, b, c] = chained(['one', 'two', 'three']);
    expect(verifyLines(lines([b, c]))).toMatchObject({ ok: false, line: 1 });
    expect(verifyLines(lines([a, c]))).toMatchObject({ ok: false, line: 2 });
    expect(verifyLines(lines([a, a, b]))).toMatchObject({ ok: false, line: 2 });
    expect(verifyLines(lines([a, c, b]))).toMatchObject({ ok: false, line: 2 });
    expect(verifyLines(['null'])).toMatchObject({
      ok: false,
      line: 1,
      message: 'is not a log entry',
    });
  });

  test('canonical JSON sorts keys all the way down', () => {
    expect(canonicalJson({ b: { d: 1, c: [2, { f: 3, e: 4 }] }, a: null })).toBe(
      '{"a":null,"b":{"c":[2,{"e":4,"f":3}],"d":1}}',
    );
  });
});
