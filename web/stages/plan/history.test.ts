import { beforeEach, describe, expect, test } from '@jest/globals';
import { demoPour } from '../../../core/testdata/demo.ts';
import { changed, historyOf, step, type Stood } from './history.ts';

/** The tab's own storage, as a browser has it. */
class Kept {
  readonly map = new Map<string, string>();
  full = false;
  getItem = (key: string): string | null => this.map.get(key) ?? null;
  setItem = (key: string, value: string): void => {
    if (this.full) throw new DOMException('no room', 'QuotaExceededError');
    this.map.set(key, value);
  };
}
let kept = new Kept();
beforeEach(() => {
  kept = new Kept();
  globalThis.sessionStorage = kept as unknown as Storage;
});

const { settings } = demoPour('quillback', 'P2').pour;
/** The plan of P2 with so much waste. */
const plan = (inHundred: number): Stood => ({
  settings: { ...settings, wasteRatio: inHundred / 100 },
  date: '2026-09-23',
});
const waste = (s: Stood | undefined) => Math.round((s?.settings.wasteRatio ?? 0) * 100);

describe('changes of a plan in this tab', () => {
  test('are taken back one after another, and made again in the other order', () => {
    const four = changed('p', historyOf('p'), plan(4));
    const five = changed('p', four, plan(5));
    const back = step('p', five, 'undo', plan(6));
    expect(waste(back?.to)).toBe(5);
    const further = step('p', back?.history ?? four, 'undo', plan(5));
    expect(waste(further?.to)).toBe(4);
    expect(step('p', further?.history ?? four, 'undo', plan(4))).toBeNull();
    const again = step('p', further?.history ?? four, 'redo', plan(4));
    expect(waste(again?.to)).toBe(5);
    expect(waste(again?.history.undo.at(-1))).toBe(4);
    expect(again?.history.redo.map(waste)).toEqual([6]);
  });

  test('end what was taken back, once something else is done', () => {
    const one = changed('p', historyOf('p'), plan(4));
    const back = step('p', one, 'undo', plan(5));
    const other = changed('p', back?.history ?? one, plan(4));
    expect(other.redo).toEqual([]);
    expect(step('p', other, 'redo', plan(7))).toBeNull();
  });

  test('stand after a reload, each pour’s by itself', () => {
    changed('p', historyOf('p'), plan(4));
    expect(historyOf('p').undo.map(waste)).toEqual([4]);
    expect(historyOf('q').undo).toEqual([]);
  });

  test('are at most sixty: the oldest go first', () => {
    let history = historyOf('p');
    for (let n = 1; n <= 70; n += 1) history = changed('p', history, plan(n % 20));
    expect(history.undo).toHaveLength(60);
    expect(waste(history.undo[0])).toBe(11);
  });

  test('without room can be taken back in this visit, and are not there after it', () => {
    kept.full = true;
    const history = changed('p', historyOf('p'), plan(4));
    expect(waste(step('p', history, 'undo', plan(5))?.to)).toBe(4);
    expect(historyOf('p')).toEqual({ undo: [], redo: [] });
  });

  test('that cannot be read are as if nothing had been done', () => {
    for (const text of ['no JSON', '{"undo":1}', '{"undo":[{"settings":{}}],"redo":[]}']) {
      kept.map.set('plan-before:p', text);
      expect(historyOf('p')).toEqual({ undo: [], redo: [] });
    }
  });
});
