import type { NewEvent } from '../../contract/index.ts';
import { ProblemError } from '../problems.ts';
import type { HeavyPool } from '../workers/pool.ts';

/** No calculation that is kept takes so long, ms. */
const LIMIT_MS = 20_000;

/**
 * Calculations that are to be kept are run once, beside the server's own thread: one that cannot be
 * worked out is refused.
 */
export async function checkWorked(heavy: HeavyPool, events: readonly NewEvent[]): Promise<void> {
  for (const [i, e] of events.entries()) {
    if (e.kind !== 'worked') continue;
    const { calculation: id, input } = e.body;
    const issues = await heavy.run('calculationIssues', { id, input }, LIMIT_MS);
    const [first] = issues;
    if (!first) continue;
    throw new ProblemError(
      400,
      'Bad input',
      `The calculation was not kept: ${first.path || 'its input'} ${first.message}.`,
      issues.map((x) => ({ path: `events.${i}.body.input.${x.path}`, message: x.message })),
    );
  }
}
