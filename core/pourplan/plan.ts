import type { Mix, Plant, PourDoc } from '../model/pour.ts';
import type { SitePlan } from '../model/site.ts';
import { evaluate, type Evaluated } from '../register/calculation.ts';
import { orderQuantity } from '../supply/order-quantity.ts';
import { truckPlan } from '../supply/truck-plan.ts';
import { cellsOf, routeOf, type Route, type RouteCell } from './route.ts';
import { pourSimulation } from './pour-simulation.ts';
import type { Placement, SimulationInput, Timetable } from './simulation-model.ts';
import type { z } from 'zod';

type OutputOf<C extends { output: z.ZodType }> = z.output<C['output']>;

/** A placement on the route: where along the way it runs, in which lift. */
export interface PlannedPlacement extends Placement { elementId: string; lift: number; fromM: number; toM: number }

/** Everything the Plan screen shows, computed from site, pour and settings alone. */
export interface PourPlan {
  route: Route;
  cells: RouteCell[];
  order: Evaluated<OutputOf<typeof orderQuantity>>;
  orderedM3: number;
  trucks: Evaluated<OutputOf<typeof truckPlan>>;
  loadIds: string[];
  plannedLoads: { id: string; volumeM3: number }[];
  timetable: Timetable;
  odds: OutputOf<typeof pourSimulation>['odds'];
  simulation: SimulationInput;
  placements: PlannedPlacement[];
  stiffenMin: number;
  knitMin: number;
}

/** Where along the route each placement runs: a cell fills from its near end to its far end. */
function onRoute(placements: Placement[], cells: RouteCell[]): PlannedPlacement[] {
  const byId = new Map(cells.map((c) => [c.id, c]));
  const done = new Map<string, number>();
  return placements.flatMap((p) => {
    const c = byId.get(p.cellId);
    if (!c) return [];
    const before = done.get(c.id) ?? 0;
    done.set(c.id, before + p.volumeM3);
    const at = (v: number) => c.fromM + ((c.toM - c.fromM) * v) / c.volumeM3;
    return [{ ...p, elementId: c.elementId, lift: c.lift, fromM: at(before), toM: at(before + p.volumeM3) }];
  });
}

/** Shares in this many trials; enough to count "of 20 mornings". */
const TRIALS = 400;

/**
 * Works the pour out: order, loads, timetable and odds.
 * @param duskMin when daylight ends, minutes after local midnight
 * @param trials mornings to draw for the odds; 1 gives the timetable at once, without meaningful odds
 */
export function planPour(site: SitePlan, pour: PourDoc, mix: Mix, plant: Plant, duskMin: number, trials = TRIALS): PourPlan {
  const s = pour.settings;
  const route = routeOf(site, pour);
  const cells = cellsOf(route, s.lifts);
  const order = evaluate(orderQuantity, {
    neatM3: route.volumeM3, wasteRatio: s.wasteRatio, leftBehindM3: s.leftBehindM3, sdRatio: s.sdRatio, stepM3: plant.stepM3, ...s.costs,
  });
  const orderedM3 = s.orderM3 ?? order.result.orderM3;
  const trucks = evaluate(truckPlan, {
    orderM3: orderedM3, truckM3: s.truckM3, split: s.split, minLoadM3: Math.min(plant.minLoadM3, s.truckM3), placingRateM3PerH: s.placingRateM3PerH,
    travelMin: plant.travel.medianMin, roundTripMin: plant.roundTripMin, firstArriveMin: s.firstLoadMin,
  });
  const loadIds = trucks.result.loads.map((_, i) => `L${i + 1}`);
  // Waste is placed too: every cell takes its share, so that the timetable runs as long as the pour will.
  const grown = 1 + s.wasteRatio;
  const simulation: SimulationInput = {
    startMin: s.firstLoadMin,
    cells: cells.map((c) => ({ id: c.id, volumeM3: c.volumeM3 * grown, heightM: c.heightM, bottomM: c.bottomM, moveMin: 0, beside: c.beside, ...(c.below === undefined ? {} : { below: c.below }) })),
    loads: trucks.result.loads.map((l, i) => ({ id: loadIds[i] as string, volumeM3: l.volumeM3, batchMin: l.batchMin - plant.plantDelay.medianMin, plantDelay: plant.plantDelay, travel: plant.travel })),
    placingRateM3PerH: s.placingRateM3PerH, changeOverMin: s.changeOverMin, leftBehindM3: Math.min(s.leftBehindM3, (trucks.result.loads.at(-1)?.volumeM3 ?? 0) * 0.9), breaks: s.breaks,
    tempC: s.concreteTempC, stiffenMinAt20C: 40, knitMinAt20C: 75, retarderFactor: mix.retarderFactor, ratingKPa: s.ratingKPa, densityKgM3: 2400,
    maxAgeMin: mix.maxAgeMin, duskMin, trials, seed: 7,
  };
  const median = evaluate(pourSimulation, { ...simulation, loads: simulation.loads.map((l) => ({ ...l, plantDelay: { medianMin: l.plantDelay.medianMin, p90Min: l.plantDelay.medianMin }, travel: { medianMin: l.travel.medianMin, p90Min: l.travel.medianMin } })) }).result;
  const { odds } = evaluate(pourSimulation, simulation).result;
  const placements = onRoute(median.timetable.placements.map((p) => ({ ...p, volumeM3: p.volumeM3 / grown })), cells);
  return {
    route, cells, order, orderedM3, trucks, loadIds, plannedLoads: trucks.result.loads.map((l, i) => ({ id: loadIds[i] as string, volumeM3: l.volumeM3 })), timetable: median.timetable, odds, simulation, placements,
    stiffenMin: median.timetable.seams[0]?.stiffenMin ?? 0, knitMin: median.timetable.seams[0]?.knitMin ?? 0,
  };
}
