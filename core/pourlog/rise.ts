import { maxRateOfRise } from '#core/formwork';
import { attempt } from '#core/kit';
import type { Mix, PourDoc, SitePlan } from '#core/model';
import { type Route, rulingMethod } from '#core/pourplan';
import type { ActualPlacement } from './placements.ts';
import type { Progress } from './progress.ts';

/** How fast a wall comes up where the hose is, or where it goes next, against what its forms take. */
export interface Rise {
  elementId: string;
  lift: number;
  /** How fast it would have come up there, once the lift is full, m/h. */
  riseMPerH: number;
  /** What the forms take at this temperature, m/h; 0 where none of it may be added while it is fresh. */
  allowedMPerH: number;
  /** How long to wait before it goes on there, min; 0 where it may. */
  waitMin: number;
  /** What `max-rate-of-rise` was given. */
  working: unknown;
}

const MIN = 60_000;

/** When a lift of a run was placed at a share along it, ms; null where it was not. */
function placedAtMs(
  reached: readonly ActualPlacement[],
  elementId: string,
  lift: number,
  ratio: number,
): number | null {
  const own = reached.filter((p) => p.elementId === elementId && p.lift === lift);
  const p = own.find((x) => ratio <= x.toRatio + 1e-9) ?? own.at(-1);
  if (!p || p.toRatio <= 0) return null;
  const span = p.toRatio - p.fromRatio;
  const part = span > 0 ? Math.min(1, Math.max(0, (ratio - p.fromRatio) / span)) : 0;
  return p.fromMs + (p.toMs - p.fromMs) * part;
}

/** The lowest lift under this one that is still fresh there, and since when; null where none is. */
function freshUnder(
  { reached, stiffenMin }: Pick<Progress, 'reached' | 'stiffenMin'>,
  face: { elementId: string; lift: number },
  ratio: number,
  nowMs: number,
): { lift: number; sinceMs: number } | null {
  let found: { lift: number; sinceMs: number } | null = null;
  for (let lift = face.lift - 1; lift >= 0; lift -= 1) {
    const sinceMs = placedAtMs(reached, face.elementId, lift, ratio);
    if (sinceMs === null || nowMs - sinceMs >= stiffenMin * MIN) break;
    found = { lift, sinceMs };
  }
  return found;
}

/**
 * The rate of rise of a lift that is placed now, counted from the lowest lift under it that has not
 * stiffened; and how long to wait until it is within what the forms take: until it is slow enough,
 * or until what is under it has stiffened. Null for what is no wall, has nothing fresh under it, or
 * whose forms take the full head.
 */
export function riseAt(
  site: Pick<SitePlan, 'ruleProfile'>,
  pour: Pick<PourDoc, 'settings'>,
  mix: Mix,
  route: Route,
  progress: Pick<Progress, 'reached' | 'stiffenMin' | 'concreteTempC'>,
  face: { elementId: string; lift: number; ratio: number },
  nowMs: number,
): Rise | null {
  const leg = route.legs.find((l) => l.elementId === face.elementId);
  const under = freshUnder(progress, face, face.ratio, nowMs);
  if (!leg?.wall || !under) return null;
  const heightM = (leg.heightM / leg.lifts) * (face.lift + 1 - under.lift);
  const found = attempt(maxRateOfRise, {
    method: rulingMethod(site),
    element: 'wall',
    placementHeightM: heightM,
    concreteTempC: progress.concreteTempC,
    cement: 'plain',
    retarder: mix.retarderFactor > 1,
    slumpMm: mix.slumpMm,
    ratedPressureKPa: pour.settings.ratingKPa,
  }).done;
  const allowed = found?.result.rateMPerH ?? null;
  if (!found || allowed === null) return null;
  const elapsedMin = Math.max(0, (nowMs - under.sinceMs) / MIN);
  const slowMin = allowed > 0 ? (heightM / allowed) * 60 - elapsedMin : Infinity;
  const stiffMin = progress.stiffenMin - elapsedMin;
  return {
    elementId: face.elementId,
    lift: face.lift,
    riseMPerH: heightM / Math.max(elapsedMin / 60, 1 / 60),
    allowedMPerH: allowed,
    waitMin: Math.max(0, Math.min(slowMin, stiffMin)),
    working: found.input,
  };
}
