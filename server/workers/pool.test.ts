import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { EXAMPLES } from '../../core/register/examples.ts';
import { HeavyPool } from './pool.ts';

let pool: HeavyPool;
beforeAll(() => {
  pool = new HeavyPool({ dataDir: '', demo: false });
});
afterAll(() => pool.close());

const slow = {
  id: 'pour-simulation',
  input: { ...(EXAMPLES as Record<string, object>)['pour-simulation'], trials: 1_000_000 },
};

test('what a calculation cannot work with is said, and what it can is not', async () => {
  const ask = (input: unknown) => pool.run('calculationIssues', { id: 'bar', input }, 20_000);
  expect(await ask({ bar: '#5' })).toEqual([]);
  expect(await ask({ bar: 'none such' })).toMatchObject([{ path: 'bar' }]);
});

test('work that takes too long is stopped, and the next is done', async () => {
  await expect(pool.run('calculationIssues', slow, 1)).rejects.toMatchObject({ status: 503 });
  expect(await pool.run('calculationIssues', { id: 'bar', input: {} }, 20_000)).not.toEqual([]);
});

test('the queue ends: more is asked to come again, and what was in it is done', async () => {
  const asked = await Promise.allSettled(
    Array.from({ length: 60 }, () =>
      pool.run('calculationIssues', { id: 'bar', input: {} }, 60_000),
    ),
  );
  const refused = asked.filter((a) => a.status === 'rejected');
  expect(refused.length).toBeGreaterThan(0);
  expect(refused.length).toBeLessThan(60);
  for (const r of refused)
    expect(r.reason).toMatchObject({ status: 503, extra: { retryAfterS: 10 } });
});
