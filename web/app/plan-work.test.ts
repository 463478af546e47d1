import { describe, expect, test } from '@jest/globals';
import { drawnOf, type Drawn } from '../../core/siteplan/drawn.ts';
import { demoPour } from '../../core/testdata/demo.ts';
import { PlanWork, type PlanIo } from './plan-work.ts';

const base = drawnOf(demoPour('quillback', 'P4').site, [{ code: 'P4', elements: ['R'] }]);
/** Plans told apart by the level of their ground. */
const plan = (gradeM: number): Drawn => ({ ...base, ground: { gradeM, frostDepthM: 1 } });
const grade = (p: Drawn | null | undefined) => p?.ground?.gradeM;

/** A server that stores versions, as slow and as broken as asked. */
function world(refuse: (sent: number) => Error | null = () => null) {
  const sent: [number, number | undefined][] = [];
  const kept: Parameters<PlanIo['keep']>[0][] = [];
  const failed: unknown[] = [];
  let version = 5;
  let rereads = 0;
  const work = new PlanWork(
    {
      put: async (v, p) => {
        sent.push([v, grade(p)]);
        await new Promise((r) => setTimeout(r, 2));
        const no = refuse(sent.length);
        if (no) throw no;
        if (v !== version) throw new Error('stale');
        version += 1;
        return version;
      },
      reread: () => {
        rereads += 1;
        return Promise.resolve();
      },
      keep: (row) => {
        kept.push(row);
      },
      failed: (e) => {
        failed.push(e);
      },
    },
    () => undefined,
  );
  return { work, sent, kept, failed, rereads: () => rereads };
}

describe('work on a plan', () => {
  test('quick acts are each built on the one before and stored one after another, each on the version before it', async () => {
    const { work, sent, failed, rereads } = world();
    for (const g of [1, 2, 3]) {
      const before = work.plan(base);
      expect(grade(before)).toBe(g === 1 ? grade(base) : g - 1);
      work.act(plan(g), base, 5);
    }
    expect(grade(work.state.draft)).toBe(3);
    await work.settled();
    expect(sent).toEqual([
      [5, 1],
      [6, 2],
      [7, 3],
    ]);
    expect(failed).toEqual([]);
    expect(rereads()).toBe(1);
    expect(work.state.draft).toBeNull();
  });
  test('taken back and done again, as plans of their own; a new act ends what could be done again', async () => {
    const { work, sent } = world();
    work.act(plan(1), base, 5);
    work.act(plan(2), base, 5);
    work.undo(base, 5);
    expect(grade(work.state.draft)).toBe(1);
    work.undo(base, 5);
    work.undo(base, 5);
    expect(grade(work.state.draft)).toBe(grade(base));
    work.redo(base, 5);
    expect(grade(work.state.draft)).toBe(1);
    work.act(plan(9), base, 5);
    expect(work.state.redo).toEqual([]);
    await work.settled();
    expect(sent.map((s) => s[1])).toEqual([1, 2, 1, grade(base), 1, 9]);
  });
  test('one that cannot be stored falls, and what was done on top of it is never sent', async () => {
    const { work, sent, failed } = world((n) => (n === 2 ? new Error('no signal') : null));
    for (const g of [1, 2, 3]) work.act(plan(g), base, 5);
    await work.settled();
    expect(sent).toEqual([
      [5, 1],
      [6, 2],
    ]);
    expect(failed).toHaveLength(1);
    expect(work.state).toEqual({ draft: null, undo: [], redo: [] });
    // The next act goes by what was read since.
    work.act(plan(4), plan(1), 6);
    await work.settled();
    expect(sent.at(-1)).toEqual([6, 4]);
  });
  test('what can be taken back is kept with its version, and is there again only while that version stands', async () => {
    const { work, kept } = world();
    work.act(plan(1), base, 5);
    work.act(plan(2), base, 5);
    await work.settled();
    expect(kept.at(-1)).toMatchObject({ version: 7 });
    expect(kept.at(-1)?.undo.map(grade)).toEqual([grade(base), 1]);
    const later = world().work;
    later.open(7, kept.at(-1));
    expect(later.state.undo.map(grade)).toEqual([grade(base), 1]);
    const other = world().work;
    other.open(8, kept.at(-1));
    expect(other.state.undo).toEqual([]);
    // Somebody else's version in between ends it for the one who was at it, too.
    work.open(9, undefined);
    expect(work.state.undo).toEqual([]);
  });
  test('a hundred acts can be taken back, and no more', () => {
    const { work } = world();
    for (let g = 0; g < 130; g += 1) work.act(plan(g), base, 5);
    expect(work.state.undo).toHaveLength(100);
    expect(grade(work.state.undo[0])).toBe(29);
  });
});
