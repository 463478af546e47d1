import { afterEach, describe, expect, test } from '@jest/globals';
import { lookAt } from './past.ts';
import { ApiProblem, getJson, NoSignal, sendJson } from './api.ts';

const world = globalThis as unknown as { fetch: unknown };
const realFetch = world.fetch;
const answers = (res: () => Response) => {
  world.fetch = () => Promise.resolve(res());
};
afterEach(() => {
  world.fetch = realFetch;
});

describe('speaking with the server', () => {
  test('without signal, reading and sending both say so, each in a way the page can tell from a no', async () => {
    world.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
    await expect(getJson('/api/clock')).rejects.toBeInstanceOf(NoSignal);
    await expect(sendJson('POST', '/api/pours/1/sign', {})).rejects.toBeInstanceOf(NoSignal);
  });
  test('nothing of it says that it was kept', async () => {
    world.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
    await expect(sendJson('PUT', '/api/pours/1/settings', {})).rejects.toThrow(
      'No signal: it was not done.',
    );
  });
  test('a network that swallows what is sent is none after a while, and whether it came is not known', async () => {
    const limits: number[] = [];
    const real = AbortSignal.timeout.bind(AbortSignal);
    AbortSignal.timeout = (ms: number) => {
      limits.push(ms);
      return AbortSignal.abort();
    };
    world.fetch = (_: string, { signal }: RequestInit) =>
      signal?.aborted
        ? Promise.reject(new DOMException('', 'TimeoutError'))
        : new Promise(() => {});
    await expect(getJson('/api/clock')).rejects.toThrow('No signal');
    await expect(sendJson('POST', '/api/pours/1/order', {})).rejects.toThrow('is not known');
    expect(Math.max(...limits)).toBeLessThanOrEqual(20_001);
    // What is large takes longer on a poor signal, and is not called lost for it.
    await sendJson('POST', '/api/sites/import', 'x'.repeat(1_000_000)).catch(() => undefined);
    expect(limits.at(-1)).toBeGreaterThan(100_000);
    AbortSignal.timeout = real;
  });
  test('what broke off under way may have arrived: only what fails at once was never sent', async () => {
    const breaksOff = (afterMs: number) => () =>
      new Promise((_, fail) => {
        setTimeout(() => {
          fail(new TypeError('Failed to fetch'));
        }, afterMs);
      });
    world.fetch = breaksOff(200);
    await expect(sendJson('POST', '/api/pours/1/order', {})).rejects.toThrow('is not known');
    // What was only read may be read again.
    await expect(getJson('/api/clock')).rejects.toThrow('No signal');
  });
  test('a no is told in the words of its problem', async () => {
    answers(
      () =>
        new Response(
          JSON.stringify({
            type: 'about:blank',
            title: 'Gone',
            status: 404,
            detail: 'There is no such pour.',
          }),
          { status: 404 },
        ),
    );
    const no = await getJson('/api/pours/1').catch((e: unknown) => e);
    expect(no).toBeInstanceOf(ApiProblem);
    expect(no).toMatchObject({ message: 'There is no such pour.', problem: { status: 404 } });
  });
  test('a page that is not ours is a plain number', async () => {
    answers(() => new Response('<html>proxy</html>', { status: 502 }));
    await expect(getJson('/api/session')).rejects.toMatchObject({
      problem: { detail: 'The server answered 502.' },
    });
  });
});

test('while a pour is looked at as it was nothing of it is changed; what was entered before is still sent, and so is another pour’s', async () => {
  answers(() => new Response('{}'));
  lookAt('1', 1000);
  await expect(sendJson('POST', '/api/pours/1/order', {})).rejects.toThrow('as it was');
  await expect(sendJson('POST', '/api/pours/1/events', {})).resolves.toEqual({});
  await expect(sendJson('POST', '/api/pours/12/order', {})).resolves.toEqual({});
  lookAt('1', null);
  await expect(sendJson('POST', '/api/pours/1/order', {})).resolves.toEqual({});
});
