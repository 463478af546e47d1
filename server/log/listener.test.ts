import { describe, expect, test } from '@jest/globals';
import type { Response } from 'express';
import type { StoredEvent } from '../../contract/index.ts';
import { catchUp, Listener, OpenStreams } from './listener.ts';

/** A stream's other end that reads, or does not. */
function end(reads: boolean) {
  const got: string[] = [];
  const res = {
    writableLength: 0,
    destroyed: false,
    write(bytes: string | Buffer) {
      got.push(bytes.toString());
      if (!reads) this.writableLength += bytes.length;
    },
    destroy() {
      this.destroyed = true;
    },
    once: () => undefined,
  };
  return { res, got, as: res as unknown as Response };
}
const entry = (seq: number, text = ''): StoredEvent =>
  ({ id: `e${seq}`, seq, kind: 'note', body: { text } }) as unknown as StoredEvent;

describe('one who listens', () => {
  test('hears each entry once, in order', () => {
    const { got, as } = end(true);
    const listener = new Listener(as, 1);
    listener.entries([entry(1), entry(2)]);
    listener.entries([entry(2), entry(3)]);
    expect(got.join('').match(/^id: \d+/gm)).toEqual(['id: 2', 'id: 3']);
    expect(listener.sent).toBe(3);
  });
  test('and does not read is let go of before much is kept for them', () => {
    const { res, got, as } = end(false);
    const listener = new Listener(as, 0);
    for (let seq = 1; seq <= 1000; seq += 1) listener.entries([entry(seq, 'x'.repeat(2000))]);
    expect(res.destroyed).toBe(true);
    expect(got.join('').length).toBeLessThan(128 * 1024);
  });
  test('and was away hears all that was missed, part by part', async () => {
    const all = Array.from({ length: 450 }, (_, i) => entry(i + 1));
    const { as } = end(true);
    const listener = new Listener(as, 0);
    const read = (after: number, most: number) => Promise.resolve(all.slice(after, after + most));
    expect(await catchUp(listener, read)).toBe(true);
    expect(listener.sent).toBe(450);
  });
});

test('a session has so many streams, and the oldest gives way', () => {
  const streams = new OpenStreams();
  const ends = Array.from({ length: 8 }, () => end(true));
  for (const e of ends) {
    streams.enter('session', e.as);
  }
  // A closed one leaves as it goes.
  expect(ends.filter((e) => e.res.destroyed).length).toBeGreaterThan(0);
  expect(ends.at(-1)?.res.destroyed).toBe(false);
  const other = end(true);
  streams.enter('other session', other.as);
  expect(other.res.destroyed).toBe(false);
});
