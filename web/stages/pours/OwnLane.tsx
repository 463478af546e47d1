import type { ReactNode } from 'react';
import { useSiteClock } from '../../sync/clock.ts';
import type { LaneRow } from './useLanes.ts';
import { useOwnLane } from './useOwnLane.ts';

/** A pour of which this device has something unsent: shown as it stands here, not as the server has it. */
export function OwnLane({
  pourId,
  children,
}: {
  pourId: string;
  children: (row: LaneRow | undefined) => ReactNode;
}) {
  return children(useOwnLane(pourId, useSiteClock().nowMs));
}
