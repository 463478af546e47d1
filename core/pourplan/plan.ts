import type { Mix, Plant, PourDoc, PourSettings, SitePlan } from '#core/model';
import { clockMin } from '#core/concrete';
import { evaluate, type Evaluated } from '#core/kit';
import { rulesOf, withRules } from '#core/rules';
import { orderQuantity, shortChance, truckPlan } from '#core/supply';
import { cellsOf, type RouteCell } from './cells.ts';
import {
  DENSITY_KG_M3,
  greatestByLift,
  type LiftPressure,
  overRating,
  pressureRule,
  type PressureRule,
  pressuresOf,
} from './pressure.ts';
import { cellTimes, onRoute, type PlannedPlacement } from './on-route.ts';
import { routeOf, type Route } from './route.ts';
import { asSupplied } from './supplier.ts';
import type { SimulationInput, simulationOutput, Timetable } from './simulation-model.ts';
import { medianArrivals, timetableOf } from './timetable.ts';
import type { z } from 'zod';

type OutputOf<C extends { output: z.ZodType }> = z.output<C['output']>;

/** How the one morning goes on which all is on time: each of the odds is 0 or 1. */
function oneMorning(t: Timetable, duskMin: number, over: boolean): PourPlan['odds'] {
  const same = (x: number) => ({ p10: x, p50: x, p90: x });
  return {
    coldSeam: Number(t.seams.some((s) => s.verdict === 'cold')),
    overAge: Number(t.loads.some((l) => l.overAge)),
    short: Number(t.shortM3 > 0),
    afterDusk: Number(t.finishMin > duskMin),
    overRating: Number(over),
    finishMin: same(t.finishMin),
    crewWaitMin: same(t.crewWaitMin),
  };
}

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
  odds: z.output<typeof simulationOutput>['odds'];
  simulation: SimulationInput;
  placements: PlannedPlacement[];
  /** On which share of days what is ordered does not fill the forms, 0 to 1. */
  shortShare: number;
  /** The greatest pressure of every wall and lift, as it is planned. */
  pressure: LiftPressure[];
  stiffenMin: number;
  knitMin: number;
}

/** The largest load that comes: what was chosen, never over what the plant's trucks hold. */
const truckOf = (s: Pick<PourSettings, 'truckM3'>, plant: Plant): number =>
  Math.min(s.truckM3, Math.max(...plant.trucksM3));

/** Loads of a pour with these settings, in the steps its plant batches. */
const loadsOn = (
  s: PourSettings,
  orderedM3: number,
  plant: Plant,
): Evaluated<OutputOf<typeof truckPlan>> =>
  evaluate(truckPlan, {
    orderM3: orderedM3,
    truckM3: truckOf(s, plant),
    stepM3: Math.min(plant.stepM3, truckOf(s, plant)),
    split: s.split,
    minLoadM3: Math.min(plant.minLoadM3, truckOf(s, plant)),
    placingRateM3PerH: s.placingRateM3PerH,
    travelMin: plant.travel.medianMin,
    roundTripMin: plant.roundTripMin,
    firstArriveMin: s.firstLoadMin,
    ...(s.spacingMin === null ? {} : { spacingMin: s.spacingMin }),
  });

/** The simulation's input for a pour with these settings; cells are cut from the route by its lifts. */
function simulationFor(
  cells: RouteCell[],
  loads: OutputOf<typeof truckPlan>['loads'],
  pour: PourDoc,
  mix: Mix,
  plant: Plant,
  duskMin: number,
  trials: number,
  rule: PressureRule,
): SimulationInput {
  const s = asSupplied(pour.settings, plant);
  // Waste is placed too: every cell takes its share, so that the timetable runs as long as the pour will.
  const grown = 1 + s.wasteRatio;
  return {
    startMin: s.firstLoadMin,
    cells: cells.map((c) => ({
      id: c.id,
      volumeM3: c.volumeM3 * grown,
      heightM: c.heightM,
      bottomM: c.bottomM,
      moveMin: 0,
      beside: c.beside,
      formFoot: c.formFoot,
      goesOn: c.goesOn,
      elementId: c.elementId,
      lift: c.lift,
      ...(c.wall ? { formHeightM: c.formHeightM } : {}),
      ...(c.below === undefined ? {} : { below: c.below }),
    })),
    loads: loads.map((l, i) => ({
      id: loadName(i),
      volumeM3: l.volumeM3,
      batchMin: l.batchMin - plant.plantDelay.medianMin,
      plantDelay: plant.plantDelay,
      travel: plant.travel,
    })),
    placingRateM3PerH: s.placingRateM3PerH,
    changeOverMin: s.changeOverMin,
    liftWaitMin: s.liftWaitMin,
    leftBehindM3: Math.min(s.leftBehindM3, (loads.at(-1)?.volumeM3 ?? 0) * 0.9),
    breaks: s.breaks,
    tempC: s.concreteTempC,
    stiffenMinAt20C: mix.stiffenMinAt20C,
    knitMinAt20C: mix.knitMinAt20C,
    retarderFactor: mix.retarderFactor,
    ratingKPa: s.ratingKPa,
    densityKgM3: DENSITY_KG_M3,
    pressureBy: rule,
    maxAgeMin: mix.maxAgeMin,
    duskMin,
    trials,
    seed: 7,
  };
}
const loadName = (i: number): string => `L${i + 1}`;

/** The order of a pour with these settings, of a known neat volume, under the site's rules. */
export function orderFor(
  neatM3: number,
  site: SitePlan,
  pour: PourDoc,
  plant: Plant,
): Evaluated<OutputOf<typeof orderQuantity>> {
  const s = asSupplied(pour.settings, plant);
  return evaluate(
    orderQuantity,
    withRules('order-quantity', rulesOf(site), {
      neatM3,
      wasteRatio: s.wasteRatio,
      leftBehindM3: s.leftBehindM3,
      sdRatio: s.sdRatio,
      stepM3: plant.stepM3,
      ...s.costs,
      truckM3: truckOf(s, plant),
      perLoad: s.costs.perLoad ?? s.costs.callFee,
      shortLoadM3: Math.min(plant.minLoadM3, truckOf(s, plant)),
      shortLoadFee: plant.shortLoadFee ?? 0,
    }),
  );
}

/** One simulation's worth of a pour: its loads and its input, from a route that is already worked out. */
export function rehearse(
  route: Route,
  orderedM3: number,
  pour: PourDoc,
  mix: Mix,
  plant: Plant,
  duskMin: number,
  trials: number,
) {
  const cells = cellsOf(route);
  const trucks = loadsOn(asSupplied(pour.settings, plant), orderedM3, plant);
  return {
    cells,
    trucks,
    simulation: simulationFor(
      cells,
      trucks.result.loads,
      pour,
      mix,
      plant,
      duskMin,
      trials,
      pressureRule(route.pressureMethod, mix),
    ),
  };
}

/**
 * Works the pour out: order, loads, timetable, and how it goes on the one morning on which all is
 * on time. The odds of many mornings are asked for by themselves: they take longer than a finger
 * waits.
 * @param duskMin when daylight ends, minutes after local midnight
 */
export function planPour(
  site: SitePlan,
  pour: PourDoc,
  mix: Mix,
  plant: Plant,
  duskMin: number,
): PourPlan {
  const route = routeOf(site, pour);
  const order = orderFor(route.volumeM3, site, pour, plant);
  const wantedM3 = pour.settings.orderM3 ?? order.result.orderM3;
  const { cells, trucks, simulation } = rehearse(route, wantedM3, pour, mix, plant, duskMin, 1);
  // As it comes in whole batches.
  const orderedM3 = trucks.result.loads.reduce((sum, l) => sum + l.volumeM3, 0);
  // Straight from the timetable: under a finger there is no time to check again what was put together here.
  const timetable = timetableOf(simulation, medianArrivals(simulation));
  const pressure = greatestByLift(
    pressuresOf(
      cells,
      cellTimes(timetable, simulation.tempC),
      pressureRule(route.pressureMethod, mix),
    ),
  );
  const over = pressure.some((p) => overRating(p.maxKPa, simulation.ratingKPa));
  const odds = oneMorning(timetable, duskMin, over);
  const grown = 1 + pour.settings.wasteRatio;
  const placements = onRoute(
    timetable.placements.map((p) => ({ ...p, volumeM3: p.volumeM3 / grown })),
    cells,
  );
  const plannedLoads = trucks.result.loads.map((l, i) => ({
    id: loadName(i),
    volumeM3: l.volumeM3,
  }));
  // Of the concrete itself: pads and piers that stand apart have no seam that would say it.
  const clock = (at20C: number) => clockMin(at20C * simulation.retarderFactor, simulation.tempC);
  return {
    route,
    cells,
    order,
    orderedM3,
    trucks,
    loadIds: plannedLoads.map((l) => l.id),
    plannedLoads,
    timetable,
    odds,
    simulation,
    placements,
    shortShare: shortChance(orderedM3, order.result.meanM3, order.result.sdM3),
    pressure,
    stiffenMin: clock(simulation.stiffenMinAt20C),
    knitMin: clock(simulation.knitMinAt20C),
  };
}
