import { attempt } from '#core/kit';
import type { PourDoc } from '#core/model';
import { dayBalance, type LoadStanding } from '#core/supply';
import type { LoadState } from './loads.ts';

/** Concrete of the day: what is placed, here, on order and missing, m³. One function answers all who ask. */
export interface DayConcrete {
  toFillM3: number;
  /** Off the trucks so far: what was placed from them with its waste, and what filled hose and hopper. */
  dischargedM3: number;
  /** Usable in trucks that are here. */
  hereM3: number;
  /** Concrete for each cubic metre drawn: as planned, and more and more as it was measured. */
  usePerNeat: number;
  /** The same as measured on finished loads alone; null before the first. */
  usedPerNeat: number | null;
  /** What is still needed for the rest. */
  neededM3: number;
  /** Loads that are ordered and not here. */
  onOrderM3: number;
  /** Needed less here less on order: above 0 has to be ordered, below 0 is left over. */
  balanceM3: number;
  /** What `day-balance` was given; null where there is nothing to place. */
  balanceInput: unknown;
}

/** A load in the balance, with the neat volume placed from it. */
export interface CountedLoad {
  load: LoadState;
  placedM3: number;
}

/** How a load counts: what was sent back gives nothing more; what never came was called off. */
function standingOf({ load, placedM3 }: CountedLoad): LoadStanding {
  const came = load.arrivedAt !== null || placedM3 > 0;
  if (load.decision === 'reject') return came ? 'sentBack' : 'cancelled';
  if (load.endedAt !== null) return 'empty';
  return came ? 'here' : 'ordered';
}

/** Loads in the order of their arrival, what is still to come behind them. */
const inArrival = (list: readonly CountedLoad[]): CountedLoad[] => {
  const at = ({ load }: CountedLoad) =>
    load.arrivedAt === null ? Infinity : Date.parse(load.arrivedAt);
  return [...list].sort((a, b) => at(a) - at(b) || 0);
};

/** What of the drawn volume was placed from no load that is known: it is in the form all the same. */
const UNKNOWN = '?';

type Row = {
  id: string;
  ticketM3: number;
  placedM3: number;
  state: LoadStanding;
  returnedM3: number;
};

/** Loads as `day-balance` takes them, in the order of their arrival. */
const rowsOf = (counted: readonly CountedLoad[]): Row[] =>
  inArrival(counted).flatMap((c): Row[] => {
    const ticketM3 = c.load.volumeM3 ?? c.load.plannedM3;
    if (ticketM3 === null) return [];
    const returnedM3 = c.load.returnedM3 ?? 0;
    return [{ id: c.load.id, ticketM3, placedM3: c.placedM3, state: standingOf(c), returnedM3 }];
  });

const sum = (list: readonly Row[], of: (l: Row) => number): number =>
  list.reduce((total, l) => total + of(l), 0);

/** What came off the trucks, and the use that was measured on those that are empty. */
function usedOf(rows: readonly Row[], usePerNeat: number, heldBackM3: number) {
  const empty = rows.filter((l) => l.state === 'empty');
  const begun = rows.filter((l) => l.state !== 'empty' && l.placedM3 > 0);
  const first = rows.find((l) => l.placedM3 > 0 || l.state === 'empty');
  const primedEmpty = first?.state === 'empty';
  const off = sum(empty, (l) => l.ticketM3 - l.returnedM3);
  const measured = sum(empty, (l) => l.placedM3);
  const usable = off - (primedEmpty ? heldBackM3 : 0);
  const hoseM3 = first && !primedEmpty ? heldBackM3 : 0;
  return {
    dischargedM3: off + sum(begun, (l) => usePerNeat * l.placedM3) + hoseM3,
    usedPerNeat: measured > 0 && usable > 0 ? usable / measured : null,
  };
}

/**
 * The balance of a pour at a moment, by `day-balance`.
 * @param neatM3 the pour as drawn
 * @param placedM3 of it, from whatever load
 */
export function concreteOf(
  { settings }: Pick<PourDoc, 'settings'>,
  counted: readonly CountedLoad[],
  neatM3: number,
  placedM3: number,
): DayConcrete {
  const { wasteRatio, leftBehindM3: heldBackM3 } = settings;
  const rows = rowsOf(counted);
  const unknownM3 = placedM3 - counted.reduce((total, c) => total + c.placedM3, 0);
  const unknown: Row = {
    id: UNKNOWN,
    ticketM3: unknownM3,
    placedM3: unknownM3,
    state: 'sentBack',
    returnedM3: 0,
  };
  const loads = unknownM3 > 1e-9 ? [unknown, ...rows] : rows;
  const found = attempt(dayBalance, { neatM3, wasteRatio, heldBackM3, loads }).done;
  const usePerNeat = found?.result.usePerNeat ?? 1 + wasteRatio;
  return {
    toFillM3: Math.max(0, neatM3 - placedM3),
    ...usedOf(loads, usePerNeat, heldBackM3),
    hereM3: found?.result.hereM3 ?? 0,
    usePerNeat,
    neededM3: found?.result.stillM3 ?? 0,
    onOrderM3: found?.result.onOrderM3 ?? 0,
    balanceM3: found?.result.missingM3 ?? 0,
    balanceInput: found?.input ?? null,
  };
}
