import {
  type Conveyance,
  type Plant,
  type PourDoc,
  type PourSettings,
  type Prices,
  pricesOf,
} from '#core/model';
import { spreadOut } from './quantiles.ts';
import type { SimulationInput } from './simulation-model.ts';
import { trialsOf } from './trials.ts';
import type { Underway } from './timetable.ts';
import type { TrialRecord } from './trials-types.ts';

interface Spread {
  p10: number;
  p50: number;
  p90: number;
}
/** A seam, and on which share of mornings it goes cold. */
interface SeamOdds {
  above: string;
  below: string;
  kind: 'below' | 'beside';
  /** The run and lift that comes too late, and the one it comes on or beside. */
  late: FaceOf;
  on: FaceOf;
  share: number;
}
interface FaceOf {
  elementId: string;
  lift: number;
}

/** How a pour goes on many mornings: shares of them from 0 to 1, minutes after midnight, the site's money. */
export interface Odds {
  coldSeam: number;
  overAge: number;
  short: number;
  afterDusk: number;
  overRating: number;
  /** Placing into the hours that are ruled out: rain, mostly. */
  inRain: number;
  finishMin: Spread;
  crewWaitMin: Spread;
  cost: Spread;
  /** What is left when all is full, m³. */
  leftOverM3: Spread;
  /** Seams that go cold on any morning, the likeliest first. */
  seams: SeamOdds[];
}

/** What a morning costs beside the concrete that is placed. */
export interface OddsPrices {
  prices: Required<Prices>;
  costs: PourSettings['costs'];
  /** What the plant gives free, and what it charges for trucks that stand and loads under its least. */
  plant: Pick<Plant, 'freeUnloadMin' | 'waitPerMin' | 'minLoadM3' | 'shortLoadFee'>;
  /** What a day of the conveyance costs. */
  hire: number;
}

/**
 * The money of a pour: the site's prices, the pour's costs, what its plant charges and what its
 * conveyance is hired for.
 */
export const moneyOf = (
  site: Parameters<typeof pricesOf>[0] & { conveyances?: readonly Conveyance[] | undefined },
  pour: Pick<PourDoc, 'settings'>,
  plant: Plant,
): OddsPrices => ({
  prices: pricesOf(site),
  costs: pour.settings.costs,
  plant,
  hire: site.conveyances?.find((c) => c.id === pour.settings.conveyance)?.hire ?? 0,
});

const recordOf = (trials: number, seams: number, freeUnloadMin: number): TrialRecord => ({
  freeUnloadMin,
  truckOverMin: new Float64Array(trials),
  finish: new Float64Array(trials),
  wait: new Float64Array(trials),
  shortM3: new Float64Array(trials),
  leftOverM3: new Float64Array(trials),
  coldSeams: new Float64Array(trials),
  overAge: new Uint8Array(trials),
  seamCold: new Float64Array(seams),
});

/** Seams in the order in which the trials lay them out: cell by cell, below before beside. */
function seamsIn(v: SimulationInput): Omit<SeamOdds, 'share'>[] {
  const byId = new Map(v.cells.map((c) => [c.id, c]));
  const faceOf = (id: string): FaceOf => {
    const cell = byId.get(id);
    return { elementId: cell?.elementId ?? id, lift: cell?.lift ?? 0 };
  };
  const seam = (above: string, below: string, kind: SeamOdds['kind']) => ({
    above,
    below,
    kind,
    late: faceOf(above),
    on: faceOf(below),
  });
  return v.cells.flatMap((c) => [
    ...(c.below === undefined ? [] : [seam(c.id, c.below, 'below')]),
    ...c.beside.map((b) => seam(c.id, b, 'beside')),
  ]);
}

/** What costs the same on every morning: hire, and what the plant asks for loads under its least. */
const fixedCost = (v: SimulationInput, { plant, hire }: OddsPrices): number =>
  hire +
  (plant.shortLoadFee ?? 0) * v.loads.filter((l) => l.volumeM3 < plant.minLoadM3 - 1e-6).length;

/**
 * Cost of each morning: hire and fees, crew and pump while they stand, trucks that stand too long,
 * what is missing or left over, old loads, dusk, seams to mend.
 */
function costsOf(v: SimulationInput, r: TrialRecord, money: OddsPrices): Float64Array {
  const { prices, costs, plant } = money;
  const fixed = fixedCost(v, money);
  return Float64Array.from(r.finish, (finishMin, i) => {
    const short = r.shortM3[i] as number;
    return (
      fixed +
      (plant.waitPerMin ?? 0) * (r.truckOverMin[i] as number) +
      (prices.crewPerMin + prices.pumpPerMin) * (r.wait[i] as number) +
      (short > 0 ? costs.shortFixed + costs.shortPerM3 * short : 0) +
      (costs.costPerM3 + costs.disposalPerM3) * (r.leftOverM3[i] as number) +
      prices.oldLoad * (r.overAge[i] as number) +
      (finishMin > v.duskMin ? prices.afterDusk : 0) +
      prices.coldSeam * (r.coldSeams[i] as number)
    );
  });
}

/**
 * How a pour goes on as many mornings as `simulation.trials` says, from its seed: the same pour and
 * seed give the same answer.
 * @param noGoFromMin when the first hour begins in which nothing may be placed, minutes after
 * midnight; null where there is none
 * @param underway where it stands, for a pour that has begun
 */
export function oddsOf(
  simulation: SimulationInput,
  money: OddsPrices,
  noGoFromMin: number | null,
  underway: Underway | null = null,
): Odds {
  const many = trialsOf(simulation, underway);
  const { trials } = simulation;
  const record = recordOf(trials, many.seams, money.plant.freeUnloadMin ?? Infinity);
  const tally = many.run(trials, simulation.seed, undefined, undefined, record);
  const late = noGoFromMin ?? Infinity;
  const share = (n: number) => n / trials;
  return {
    coldSeam: share(tally.coldSeam),
    overAge: share(tally.overAge),
    short: share(tally.short),
    afterDusk: share(tally.afterDusk),
    overRating: share(tally.overRating),
    inRain: share(record.finish.filter((f) => f > late).length),
    finishMin: spreadOut(record.finish),
    crewWaitMin: spreadOut(record.wait),
    cost: spreadOut(costsOf(simulation, record, money)),
    leftOverM3: spreadOut(record.leftOverM3),
    seams: seamsIn(simulation)
      .map((s, i) => ({ ...s, share: share(record.seamCold[i] as number) }))
      .filter((s) => s.share > 0)
      .sort((a, b) => b.share - a.share),
  };
}
