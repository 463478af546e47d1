import { attempt } from '#core/kit';
import { yieldSoFar } from '#core/pourlog';
import { outlookOf } from './outlook.ts';
import type { PourNow } from './stages/stage.ts';

/** The balance that is still to be called: by when, and how far it may be out. */
export interface CallBy {
  /** What eight pours in ten take more or less than reckoned, by the yield measured so far, m³. */
  spreadM3: number | null;
  /**
   * The last moment at which it is called, so that it is here when the rest runs out, ms; null
   * where none is missing.
   */
  byMs: number | null;
}

/**
 * By when the balance is called, from how the rest goes: so long before the concrete runs out as a
 * load takes to come.
 */
export function callByOf(v: PourNow): CallBy {
  const { progress, plan, record, rules, dayMs } = v;
  const s = record.pour.settings;
  const found = attempt(yieldSoFar, {
    neatTotalM3: plan.route.volumeM3,
    neatPlacedM3: Math.min(progress.placedM3, plan.route.volumeM3),
    usedM3: progress.placedM3 * progress.usePerNeat,
    wasteRatio: s.wasteRatio,
    sdRatio: s.sdRatio,
  }).done?.result;
  const ahead = outlookOf(v);
  // What is mixed on the site is called from nobody.
  const runsOut = !v.plant.mixer && ahead !== null && ahead.shortM3 > 0;
  return {
    spreadM3: found ? found.highM3 - found.totalM3 : null,
    byMs: runsOut ? dayMs + (ahead.finishMin - rules.value('callLead')) * 60_000 : null,
  };
}
