import 'fake-indexeddb/auto';
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { act, render, screen, waitFor } from '@testing-library/react';
import useSWR, { SWRConfig } from 'swr';
import '../testing/screen.ts';
import { getJson } from './api.ts';
import { stepClock, useSiteClock } from './clock.ts';
import { LogStore } from './log-store.ts';

const START = Date.parse('2026-09-23T11:40:00Z');
const HOUR = 3_600_000;
const asked: string[] = [];
/** The server's clock, ms, and the stream that the page listens to. */
let serverMs = START;
const streams: EventTarget[] = [];

beforeEach(() => {
  serverMs = START;
  asked.length = 0;
  streams.length = 0;
  class Stream extends EventTarget {
    static readonly CLOSED = 2;
    readyState = 1;
    constructor() {
      super();
      streams.push(this);
    }
    close() {
      this.readyState = 2;
    }
  }
  globalThis.EventSource = Stream as unknown as typeof EventSource;
  globalThis.fetch = ((url: string) => {
    asked.push(url);
    const answers: Record<string, unknown> = {
      '/api/clock': { now: new Date(serverMs).toISOString(), settable: true },
      '/api/pours/p/deliveries': { loads: [] },
    };
    const body = JSON.stringify(answers[url] ?? []);
    return Promise.resolve({
      ok: true,
      status: 200,
      json: () => Promise.resolve(JSON.parse(body) as unknown),
      text: () => Promise.resolve(body),
    } as Response);
  }) as typeof fetch;
});
afterEach(() => {
  jest.restoreAllMocks();
});

/** The hour and minute of the site, and where the loads are. */
function Wall() {
  const { nowMs } = useSiteClock();
  useSWR('/api/pours/p/deliveries', getJson);
  return <p>{new Date(nowMs).toISOString().slice(11, 16)}</p>;
}
/** What was asked a moment ago for another test is asked anew. */
const hang = () =>
  render(
    <SWRConfig value={{ dedupingInterval: 0 }}>
      <Wall />
    </SWRConfig>,
  );
const times = (path: string) => asked.filter((a) => a === path).length;

test('the clock steps with an entry, before its next step is due', async () => {
  hang();
  await screen.findByText('11:40');
  const later = Date.now() + 7 * 60_000;
  jest.spyOn(Date, 'now').mockReturnValue(later);
  expect(screen.queryByText('11:47')).toBeNull();
  act(stepClock);
  expect((await screen.findByText('11:47')).textContent).toBe('11:47');
});

test('a clock that is moved is heard of by the stream, and so is the plant’s answer; moved while nobody listened it is asked for when the stream is open again', async () => {
  serverMs = START + HOUR;
  hang();
  await screen.findByText('12:40');
  const store = new LogStore('p');
  const leave = store.subscribe(() => undefined);
  await waitFor(() => {
    expect(streams).toHaveLength(1);
  });
  const tell = (what: 'clock' | 'open') => {
    act(() => {
      streams[0]?.dispatchEvent(new Event(what));
    });
  };
  const before = times('/api/pours/p/deliveries');
  serverMs += 2 * HOUR;
  tell('clock');
  expect((await screen.findByText('14:40')).textContent).toBe('14:40');
  await waitFor(() => {
    expect(times('/api/pours/p/deliveries')).toBe(before + 1);
  });
  serverMs += HOUR;
  tell('open');
  expect((await screen.findByText('15:40')).textContent).toBe('15:40');
  leave();
});
