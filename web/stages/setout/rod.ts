import { limitWords, sentenceIn } from '#core/kit';
import { level } from '#core/log';
import type { UnitSystem } from '#core/units';
import { readQuantity } from '../../ui/quantity-text.ts';

const rodSchema = level.body.pick({ rodM: true });

/** What was typed as a reading of the rod, and what is wrong with it; nothing of either is nothing typed. */
export function rodOf(
  rod: string,
  units: UnitSystem,
): { rodM: number | null; wrong: string | null } {
  const m = readQuantity(rod, 'Level', units, false);
  if (m === null) return { rodM: null, wrong: null };
  if (Number.isNaN(m))
    return { rodM: null, wrong: units === 'us' ? 'Write it as 4.27.' : 'Write it as 1.302.' };
  const read = rodSchema.safeParse({ rodM: m }, { error: limitWords(units) });
  return read.success
    ? { rodM: m, wrong: null }
    : { rodM: null, wrong: `The rod ${sentenceIn(read.error.issues[0]?.message ?? '', units)}.` };
}
