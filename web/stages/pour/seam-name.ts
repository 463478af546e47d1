import type { OpenSeam } from '#core/pourlog';
import { liftName } from '#core/pourplan';
import type { PourView } from '../../app/pour-view.ts';

/** Where a seam lies: its run and lift. */
export const seamName = (v: PourView, seam: OpenSeam): string =>
  liftName(v.plan.route, seam.elementId, seam.lift);
