import { type FormCase, type PlacedAt, pressureKPa, riseOf } from '#core/formwork';
import type { Mix } from '#core/model';
import { STANDARD_GRAVITY } from '#core/units';
import type { RouteCell } from './cells.ts';
import type { PressureMethod } from './pressure-method.ts';

/** What most fresh concrete weighs, kg/m³. */
export const DENSITY_KG_M3 = 2400;

/** What the pressure of a pour goes by, beside heights, times and temperature. */
export type PressureRule = Pick<FormCase, 'method' | 'cement' | 'retarder' | 'slumpMm'>;
export const pressureRule = (method: PressureMethod, mix: Mix): PressureRule => ({
  method,
  cement: mix.cement,
  retarder: mix.retarderFactor > 1,
  slumpMm: mix.slumpMm,
});

/** When a cell was or will be filled, min, and the concrete that lies in it, °C. */
export interface CellTime {
  startMin: number;
  endMin: number;
  tempC: number;
}

/** The pressure at one place when a lift is full there. */
export interface PlacePressure {
  cell: RouteCell;
  maxKPa: number;
  riseMPerH: number;
  /** What was placed there in this pour by then, and the lift on top of it, m. */
  heightM: number;
  by: 'fullHead' | 'aci' | 'ciria';
  tempC: number;
  /** The lifts at that place, as `local-rise` takes them. */
  placings: PlacedAt[];
  /** What `form-pressure` answers so. */
  working: unknown;
}

/** Two pressures nearer than this share are the same. */
const SAME = 1e-9;
const BY = { aci347: 'aci', ciria108: 'ciria', hydrostatic: 'fullHead' } as const;

/** Full head of so much fresh concrete, kPa. */
export const headKPa = (heightM: number, densityKgM3 = DENSITY_KG_M3): number =>
  (densityKgM3 * STANDARD_GRAVITY * heightM) / 1000;

/**
 * The pressure at a place by the rise there: the ruling method's value, never over the full head of
 * what was placed there in this pour, never under that of the lift being placed. One lift in one
 * pass is full head.
 * @param placings the lifts at the place from the bottom up, the one being placed last
 * @param tempC of the coldest of them
 */
export function pressureAtPlace(
  rule: PressureRule,
  placings: readonly PlacedAt[],
  formHeightM: number,
  tempC: number,
): Pick<PlacePressure, 'maxKPa' | 'riseMPerH' | 'heightM' | 'by' | 'working'> {
  const { heightM, riseMPerH } = riseOf(placings);
  const top = placings.at(-1);
  const liftKPa = headKPa((top?.topM ?? 0) - (top?.bottomM ?? 0));
  const fullKPa = headKPa(heightM);
  const form: FormCase = {
    ...rule,
    element: 'wall',
    placementHeightM: heightM,
    formHeightM: Math.max(formHeightM, heightM),
    concreteTempC: tempC,
    densityKgM3: DENSITY_KG_M3,
    vibrationDepthM: 1.2,
  };
  const ruled = pressureKPa(form, riseMPerH);
  const maxKPa = Math.min(fullKPa, Math.max(ruled, liftKPa));
  const atFull = maxKPa >= fullKPa * (1 - SAME) || ruled < liftKPa;
  const by = atFull ? 'fullHead' : BY[rule.method];
  const full = { ...form, method: 'hydrostatic', placementHeightM: maxKPa / headKPa(1) };
  return {
    maxKPa,
    riseMPerH,
    heightM,
    by,
    working: { ...(atFull ? full : form), rateMPerH: riseMPerH },
  };
}

/**
 * The pressure on every wall, place by place, for the cells whose times are known, in the order of
 * placing. What is not begun presses on nothing.
 */
export function pressuresOf(
  cells: readonly RouteCell[],
  times: ReadonlyMap<string, CellTime>,
  rule: PressureRule,
): PlacePressure[] {
  const byId = new Map(cells.map((c) => [c.id, c]));
  return cells.flatMap((cell): PlacePressure[] => {
    const own = times.get(cell.id);
    if (!cell.wall || !own) return [];
    const placings: PlacedAt[] = [];
    let coldestC = own.tempC;
    let firstMin = own.startMin;
    for (let on: RouteCell | undefined = cell; on;) {
      const at = times.get(on.id);
      if (!at) break;
      coldestC = Math.min(coldestC, at.tempC);
      firstMin = Math.min(firstMin, at.startMin);
      placings.unshift({
        bottomM: on.bottomM,
        topM: on.bottomM + on.heightM,
        startMin: at.startMin,
        endMin: at.endMin,
      });
      on = on.formFoot || on.below === undefined ? undefined : byId.get(on.below);
    }
    const found = pressureAtPlace(rule, placings, cell.formHeightM, coldestC);
    return [{ cell, ...found, tempC: coldestC, placings }];
  });
}

/** The greatest pressure of one lift of one element. */
export interface LiftPressure extends Omit<PlacePressure, 'cell'> {
  elementId: string;
  lift: number;
}

/** The greatest of every element and lift, in the order of placing. */
export function greatestByLift(places: readonly PlacePressure[]): LiftPressure[] {
  const found: LiftPressure[] = [];
  for (const { cell, ...p } of places) {
    const { elementId, lift } = cell;
    const at = found.findIndex((x) => x.elementId === elementId && x.lift === lift);
    const row = { ...p, elementId, lift };
    if (at < 0) found.push(row);
    else if (p.maxKPa > (found[at] as LiftPressure).maxKPa) found[at] = row;
  }
  return found;
}

/** Over what the forms hold; a rating is written rounded. */
export const overRating = (maxKPa: number, ratingKPa: number): boolean =>
  maxKPa > ratingKPa * (1 + 1e-4);
