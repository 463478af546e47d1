import { afterEach, expect, test } from '@jest/globals';
import { type PlantSaid, tellPlant } from './tell-plant.ts';

const world = globalThis as unknown as { fetch: unknown };
const realFetch = world.fetch;
afterEach(() => {
  world.fetch = realFetch;
});

test('an order that was not answered in time is not called unordered', async () => {
  const real = AbortSignal.timeout.bind(AbortSignal);
  AbortSignal.timeout = () => AbortSignal.abort();
  world.fetch = () => Promise.reject(new DOMException('', 'TimeoutError'));
  const heard: PlantSaid[] = [];
  await tellPlant(
    'p',
    {},
    (said) => heard.push(said),
    () => Promise.resolve(),
  );
  AbortSignal.timeout = real;
  expect(heard.at(-1)?.text).toBe('No answer: whether it was ordered is not known.');
  expect(heard.at(-1)?.again).toBeDefined();
});

test('an order that nobody heard is said not to be ordered, and is told again as the same one', async () => {
  const sent: { id: string; volumeM3: number }[] = [];
  const heard: PlantSaid[] = [];
  let taken = 0;
  let signal = false;
  world.fetch = (_: string, { body }: { body: string }) => {
    sent.push(JSON.parse(body) as (typeof sent)[number]);
    return signal
      ? Promise.resolve(new Response(JSON.stringify({ taken: true, number: '7', said: 'Taken.' })))
      : Promise.reject(new TypeError('Failed to fetch'));
  };
  await tellPlant(
    'p',
    { volumeM3: 8 },
    (said) => heard.push(said),
    () => Promise.resolve((taken += 1)),
  );
  expect(heard.at(-1)).toMatchObject({ taken: false, text: 'Not ordered: no signal.' });
  signal = true;
  await heard.at(-1)?.again?.();
  expect(heard.at(-1)).toEqual({ taken: true, text: 'Taken.' });
  expect(taken).toBe(1);
  expect(sent).toEqual([
    { id: sent[0]?.id, volumeM3: 8 },
    { id: sent[0]?.id, volumeM3: 8 },
  ]);
});
