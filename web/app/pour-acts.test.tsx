import { describe, expect, jest, test } from '@jest/globals';
import type { PourAnswer } from '../../contract/index.ts';
import { replay } from '../../core/log/state.ts';
import { entriesFrom } from '../../core/testdata/entries.ts';
import { AS_IT_WAS } from '../sync/past.ts';
import '../testing/screen.ts';
import { pourActs } from './pour-acts.ts';

let pours = 0;
/** The acts on a pour of its own, with what reached the store; `keep` stands in for this device. */
function acts(
  over: { past?: boolean; shut?: string | null; keep?: () => Promise<string> } = {},
  entries: Parameters<typeof replay>[0] = [],
) {
  pours += 1;
  let n = 0;
  const record = jest.fn<(kind: string, body: unknown, by: unknown, kept: () => void) => unknown>(
    async (_kind, _body, _by, kept) => {
      n += 1;
      const id = await (over.keep?.() ?? Promise.resolve(`e${n}`));
      kept();
      return id;
    },
  );
  const answer = { id: `pour${pours}`, siteId: 's', version: 1, site: { units: 'us' } };
  const store = { record, snapshot: () => ({ state: replay(entries) }) };
  return {
    record,
    ...pourActs({
      record: answer as unknown as PourAnswer,
      store: store as never,
      actor: 'I. Brandvold',
      mutate: (() => Promise.resolve()) as never,
      past: over.past ?? false,
      shut: over.shut ?? null,
      closed: false,
    }),
  };
}
const off = { elementIds: ['N'], reason: 'Engineer' };

describe('an entry', () => {
  test('pressed twice is one, and what follows it is done once', async () => {
    const { write, record } = acts();
    const kept = jest.fn<() => void>();
    const both = await Promise.all([write('strip', off, { kept }), write('strip', off, { kept })]);
    expect(both).toEqual(['e1', 'e1']);
    expect(record).toHaveBeenCalledTimes(1);
    expect(kept).toHaveBeenCalledTimes(1);
  });

  test('that comes with another is one of them when both are pressed twice', async () => {
    const { write, record } = acts();
    const start = async () => {
      await write('override', { reason: 'Weather is coming' });
      await write('place-start', { elementId: 'N', lift: 0 });
    };
    await start();
    await start();
    expect(record.mock.calls.map(([kind]) => kind)).toEqual(['override', 'place-start']);
  });

  test('of something else, or of another pour, is one of its own', async () => {
    const { write, record } = acts();
    await Promise.all([
      write('note', { text: 'Rain' }),
      write('note', { text: 'Rain stopped' }),
      write('strip', off),
    ]);
    expect(record).toHaveBeenCalledTimes(3);
    const other = acts();
    await other.write('strip', off);
    expect(other.record).toHaveBeenCalledTimes(1);
  });

  test('said again later is a second one', async () => {
    const now = jest.spyOn(performance, 'now').mockReturnValue(1000);
    const { write, record } = acts();
    await write('note', { text: 'Rain' });
    now.mockReturnValue(2000);
    await write('note', { text: 'Rain' });
    now.mockRestore();
    expect(record).toHaveBeenCalledTimes(2);
  });

  test('that the device could not keep is said, and may be pressed again at once', async () => {
    let full = true;
    const keep = () => (full ? Promise.reject(new Error('full')) : Promise.resolve('kept'));
    const { write, record } = acts({ keep });
    await expect(write('strip', off)).rejects.toThrow('not kept');
    full = false;
    await expect(write('strip', off)).resolves.toBe('kept');
    expect(record).toHaveBeenCalledTimes(2);
  });

  test('that cannot be is refused in the units of the site, and never reaches the store', async () => {
    const { write, record } = acts();
    await expect(
      write('fresh-test', { loadId: 'L1', concreteTempC: 400 } as never),
    ).rejects.toThrow(/Not logged: .*°F/);
    expect(record).not.toHaveBeenCalled();
  });

  test.each([
    [{ past: true }, AS_IT_WAS],
    [{ shut: 'P2 is archived.' }, 'P2 is archived.'],
  ])('is not written into %j', async (over, why) => {
    const { write, undoLast, record } = acts(over);
    await expect(write('strip', off)).rejects.toThrow(why);
    await expect(undoLast()).rejects.toThrow(why);
    expect(record).not.toHaveBeenCalled();
  });
});

describe('the last entry taken back by a key', () => {
  const { entry } = entriesFrom(Date.parse('2026-09-23T05:00:00Z'), 'I. Brandvold');
  const byOther = { ...entry('note', { text: 'Theirs' }, 20), actor: 'T. Oakes' };

  test('is one’s own, not the last of all', async () => {
    const own = entry('note', { text: 'Mine' }, 10);
    const { undoLast, record } = acts({}, [own, byOther]);
    await undoLast();
    expect(record.mock.calls[0]?.[0]).toBe('supersede');
    expect(record.mock.calls[0]?.[2]).toMatchObject({ supersedes: own.id });
  });

  test('is never a sign-off, an override or a closing', async () => {
    for (const last of [
      entry('sign', { hold: 'own', result: 'pass', planVersion: 1 }, 30),
      entry('override', { reason: 'Weather' }, 30),
    ]) {
      const { undoLast, record } = acts({}, [last]);
      await undoLast();
      expect(record).not.toHaveBeenCalled();
    }
  });

  test('is nothing where one has entered nothing', async () => {
    const { undoLast, record } = acts({}, [byOther]);
    await undoLast();
    expect(record).not.toHaveBeenCalled();
  });
});
