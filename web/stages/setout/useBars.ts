import { useMemo } from 'react';
import { resultOf } from '#core/kit';
import { type RebarRow, rebarTakeoff, sameBars } from '#core/steel';
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
  const { record, rules, mix } = usePour();
  const stockLengthM = rules.value('barStock');
  const fyMPa = rules.value('barGrade');
  const { fcMPa } = mix;
  return useMemo(
    () => sameBars(resultOf(rebarTakeoff, { site: record.site, stockLengthM, fcMPa, fyMPa }).rows),
    [record.site, stockLengthM, fcMPa, fyMPa],
  );
}
