import { memo } from 'react';
import type { PourSummary } from '../../../contract/index.ts';
import { Lane, type LaneGround } from './Lane.tsx';
import type { LaneRow } from './useLanes.ts';
import { usePrinting } from './usePrinting.ts';

/**
 * The lanes of a site. A minute draws none of them anew: only the line of now is moved, and that by
 * the list's own style.
 */
export const LaneList = memo(function LaneList({
  pours,
  all,
  rows,
  unsent,
  ...ground
}: Omit<LaneGround, 'printing'> & {
  pours: readonly PourSummary[];
  /** Those called off or archived too. */
  all: boolean;
  rows: ReadonlyMap<string, LaneRow>;
  /** Pours of which this device has something that the server has not. */
  unsent: ReadonlySet<string>;
}) {
  const printing = usePrinting();
  const on = { ...ground, printing };
  return pours
    .filter((p) => all || (!p.cancelled && !p.archived))
    .map((pour) => (
      <Lane
        key={pour.id}
        pour={pour}
        row={rows.get(pour.id)}
        unsent={unsent.has(pour.id)}
        on={on}
      />
    ));
});
