import { useMemo } from 'react';
import { barRows, type RebarRow, sameBars } from '#core/steel';
import { usePour } from '../../app/pour-context.tsx';

export const ROLE: Record<RebarRow['role'], string> = {
  along: 'along',
  top: 'along, top',
  across: 'across',
  vertical: 'up',
  horizontal: 'across',
  bottomMat: 'bottom mat',
  topMat: 'top mat',
  tie: 'ties',
};

/** Bars of the site, worked out once a site. */
export function useBars(): RebarRow[] {
  const { record, mix } = usePour();
  return useMemo(
    () => sameBars(barRows(record.site, mix.cylinderMPa)),
    [record.site, mix.cylinderMPa],
  );
}
