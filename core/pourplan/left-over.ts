import {
  elementIds,
  elementSpots,
  type PourDoc,
  type PourSettings,
  type SitePlan,
} from '#core/model';
import type { Place } from './places.ts';

type Form = NonNullable<NonNullable<PourSettings['leftOver']>['form']>;

/** What a form for left-over concrete takes, m³. */
export const formM3 = ({ lengthM, widthM, depthM }: Form): number => lengthM * widthM * depthM;

/** So far off what is poured, m: out of the way of hose and feet. */
const CLEAR_M = 3;

/**
 * Where such a form could stand until somebody says where it does: below all that is set out, on
 * the left of what is poured.
 */
export function spareSpot(site: SitePlan, pour: Pick<PourDoc, 'elements'>): Place {
  const spots = pour.elements.flatMap((id) => elementSpots(site, id));
  const all = elementIds(site).flatMap((id) => elementSpots(site, id));
  const round = (m: number) => Math.round(m * 10) / 10;
  return {
    xM: round(Math.min(...spots.map((s) => s.xM)) + CLEAR_M),
    yM: round(Math.min(...all.map((s) => s.yM)) - CLEAR_M),
  };
}
