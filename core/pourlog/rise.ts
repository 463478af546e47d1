import { maxRateOfRise } from '#core/formwork';
import { attempt } from '#core/kit';
import type { Mix, PourDoc } from '#core/model';
import {
  cellsOf,
  type CellTime,
  headKPa,
  overRating,
  pressureRule,
  type Route,
  type RouteCell,
} from '#core/pourplan';
import { fillingsOf, fillingTimes } from './fillings.ts';
import type { Progress } from './progress.ts';

/** How fast a wall comes up where the hose is, or where it goes next, against what its forms take. */
export interface Rise {
  elementId: string;
  lift: number;
  /** How fast it would have come up there, once the lift is full, m/h. */
  riseMPerH: number;
  /** What the forms take at this temperature, m/h; 0 where they take no lift of that height. */
  allowedMPerH: number;
  /** How long to wait before it goes on there, min; 0 where it may, infinite where waiting does not help. */
  waitMin: number;
  /** What `max-rate-of-rise` was given. */
  working: unknown;
}

/** The cell at a share of a lift, and what is under it in the same forms, from the top down. */
function stackAt(
  cells: readonly RouteCell[],
  face: { elementId: string; lift: number; ratio: number },
): RouteCell[] {
  const own = cells.filter((c) => c.elementId === face.elementId && c.lift === face.lift);
  const byId = new Map(cells.map((c) => [c.id, c]));
  const stack: RouteCell[] = [];
  let on = own.find((c) => face.ratio < c.fillTo - 1e-9) ?? own.at(-1);
  while (on) {
    stack.push(on);
    on = on.formFoot || on.below === undefined ? undefined : byId.get(on.below);
  }
  return stack;
}

/** When a stack was begun, and the coldest concrete in it; what is not begun yet begins now. */
function begunOf(
  stack: readonly RouteCell[],
  times: ReadonlyMap<string, CellTime>,
  nowMin: number,
  tempC: number,
) {
  const placed = stack.flatMap((c) => times.get(c.id) ?? []);
  return {
    firstMin: Math.min(nowMin, ...placed.map((t) => t.startMin)),
    coldestC: Math.min(tempC, ...placed.map((t) => t.tempC)),
  };
}

/**
 * The rate of rise at the place where concrete is placed now, counted from the first concrete there
 * in this pour; and how long to wait until it is within what the forms take. Null for what is no
 * wall, or whose forms take the full head.
 */
export function riseAt(
  pour: Pick<PourDoc, 'settings'>,
  mix: Mix,
  route: Route,
  progress: Pick<Progress, 'reached' | 'concreteTempC'>,
  face: { elementId: string; lift: number; ratio: number },
  nowMs: number,
): Rise | null {
  const cells = cellsOf(route);
  const stack = stackAt(cells, face);
  const [cell] = stack;
  if (!cell?.wall) return null;
  const { ratingKPa, placingRateM3PerH } = pour.settings;
  const nowMin = nowMs / 60_000;
  const times = fillingTimes(fillingsOf(cells, progress.reached));
  const { firstMin, coldestC } = begunOf(stack, times, nowMin, progress.concreteTempC);
  const heightM = stack.reduce((sum, c) => sum + c.heightM, 0);
  const found = attempt(maxRateOfRise, {
    ...pressureRule(route.pressureMethod, mix),
    element: 'wall',
    placementHeightM: heightM,
    formHeightM: cell.formHeightM,
    concreteTempC: coldestC,
    ratedPressureKPa: ratingKPa,
  }).done;
  if (!found) return null;
  // A lift in one pass is full head of itself, however long one waits.
  const tooHigh = overRating(headKPa(cell.heightM), ratingKPa);
  const allowed = tooHigh ? 0 : found.result.rateMPerH;
  if (allowed === null) return null;
  const left = Math.min(1, Math.max(0, (cell.fillTo - face.ratio) / (cell.fillTo - cell.fillFrom)));
  const minutes = nowMin - firstMin + ((cell.volumeM3 * left) / placingRateM3PerH) * 60;
  return {
    elementId: face.elementId,
    lift: face.lift,
    riseMPerH: (60 * heightM) / Math.max(minutes, 1),
    allowedMPerH: allowed,
    waitMin: allowed > 0 ? Math.max(0, (heightM / allowed) * 60 - minutes) : Infinity,
    working: found.input,
  };
}
