import { useMemo } from 'react';
import { checkRules, type Levels, levelsOf } from '#core/check';
import { usePour } from '../../app/pour-context.tsx';

/** Levels as the log has them. */
export function useLevels(): Levels {
  const v = usePour();
  const { site, pour } = v.record;
  return useMemo(() => {
    const r = checkRules(site);
    return levelsOf(site, pour, v.state, {
      topMm: r.topLevel.minusMm,
      bottomMm: r.topLevel.minusMm,
      closeMm: v.rules.value('levelClose'),
    });
  }, [site, pour, v.state, v.rules]);
}
