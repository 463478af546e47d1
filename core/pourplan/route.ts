import { standsOf } from '../model/elements.ts';
import type { PourDoc } from '../model/pour.ts';
import type { SitePlan } from '../model/site.ts';
import { takeOffOf, type Takeoff } from '../takeoff/takeoff.ts';

/** A stretch of the route: one run, pad or pier, with its distance along the way round and its neat volume. */
export interface Leg {
  elementId: string;
  kind: 'run' | 'stand';
  reversed: boolean;
  fromM: number;
  lengthM: number;
  volumeM3: number;
  heightM: number;
  bottomM: number;
  /** Nodes at its two ends, in the direction of placing; null for a pad or pier. */
  startNode: string | null;
  endNode: string | null;
}
export interface Route {
  legs: Leg[];
  lengthM: number;
  volumeM3: number;
  closed: boolean;
  takeoff: Takeoff;
}

/** Pads and piers stand on the route as a short stretch, so that they can be seen. */
const padLengthM = (volumeM3: number): number => Math.max(0.5, Math.cbrt(volumeM3));

/** The elements of a pour as one way round, from the start the foreman chose. Volumes are the take-off's. */
export function routeOf(site: SitePlan, pour: PourDoc, takeoff: Takeoff = takeOffOf(site)): Route {
  const volume = new Map(takeoff.elements.map((e) => [e.id, e]));
  const stands = standsOf(site);
  const n = pour.elements.length;
  const start = ((pour.settings.startAt % n) + n) % n;
  const order = Array.from(
    { length: n },
    (_, i) => pour.elements[(pour.settings.reverse ? start - i + n : start + i) % n] as string,
  );
  let fromM = 0;
  let last: string | null = null;
  const legs = order.flatMap((elementId, i): Leg[] => {
    const run = site.runs.find((r) => r.id === elementId);
    const volumeM3 = volume.get(elementId)?.concreteM3 ?? 0;
    if (run) {
      const nextRun = site.runs.find((r) => r.id === order[i + 1]);
      const ends = nextRun ? [nextRun.from, nextRun.to] : [];
      // Go the way that leaves from where the last run ended, or else toward the next one.
      const reversed =
        last !== null && (run.from === last || run.to === last)
          ? run.to === last
          : ends.includes(run.from) && !ends.includes(run.to);
      const lengthM = volume.get(elementId)?.lengthM ?? 0;
      const type = site.footingTypes.find((t) => t.mark === run.type);
      const topM = run.topM ?? run.bottomM + (type?.depthM ?? 0);
      const leg: Leg = {
        elementId,
        kind: 'run',
        reversed,
        fromM,
        lengthM,
        volumeM3,
        heightM: topM - run.bottomM,
        bottomM: run.bottomM,
        startNode: reversed ? run.to : run.from,
        endNode: reversed ? run.from : run.to,
      };
      last = leg.endNode;
      fromM += lengthM;
      return [leg];
    }
    const stand = stands.find((s) => s.id === elementId);
    if (!stand) return [];
    const lengthM = padLengthM(volumeM3);
    const leg: Leg = {
      elementId,
      kind: 'stand',
      reversed: false,
      fromM,
      lengthM,
      volumeM3,
      heightM: stand.topM - stand.bottomM,
      bottomM: stand.bottomM,
      startNode: null,
      endNode: null,
    };
    last = null;
    fromM += lengthM;
    return [leg];
  });
  const closed =
    legs.length > 2 && legs[0]?.startNode !== null && legs[0]?.startNode === legs.at(-1)?.endNode;
  return {
    legs,
    lengthM: fromM,
    volumeM3: legs.reduce((s, l) => s + l.volumeM3, 0),
    closed,
    takeoff,
  };
}

/** Cells are never longer than this along the route, m. */
const CELL_M = 3.048;

/** A cell of the route: a stretch of one leg in one lift. */
export interface RouteCell {
  id: string;
  elementId: string;
  lift: number;
  fromM: number;
  toM: number;
  volumeM3: number;
  heightM: number;
  bottomM: number;
  below: string | undefined;
  beside: string[];
}

/** Cuts the route into cells, lift by lift, each with the cells it must knit with. */
export function cellsOf(route: Route, lifts: number): RouteCell[] {
  const cells: RouteCell[] = [];
  const pieces = route.legs.flatMap((leg) => {
    const n = Math.max(1, Math.ceil(leg.lengthM / CELL_M - 1e-9));
    return Array.from({ length: n }, (_, i) => ({
      leg,
      i,
      n,
      fromM: leg.fromM + (leg.lengthM * i) / n,
      toM: leg.fromM + (leg.lengthM * (i + 1)) / n,
    }));
  });
  const joins = (k: number): boolean => {
    const a = pieces[k];
    const b = pieces[k + 1];
    return (
      a !== undefined &&
      b !== undefined &&
      (a.leg === b.leg || (a.leg.endNode !== null && a.leg.endNode === b.leg.startNode))
    );
  };
  for (let lift = 0; lift < lifts; lift += 1) {
    pieces.forEach((p, k) => {
      const id = (j: number, l: number) =>
        `${pieces[j]?.leg.elementId ?? ''}.${pieces[j]?.i ?? 0}.${l}`;
      const beside = k > 0 && joins(k - 1) ? [id(k - 1, lift)] : [];
      // The ring closes where the last cell meets the first of the same lift.
      if (route.closed && k === pieces.length - 1 && k > 1) beside.push(id(0, lift));
      const heightM = p.leg.heightM / lifts;
      cells.push({
        id: id(k, lift),
        elementId: p.leg.elementId,
        lift,
        fromM: p.fromM,
        toM: p.toM,
        volumeM3: p.leg.volumeM3 / p.n / lifts,
        heightM,
        bottomM: p.leg.bottomM + lift * heightM,
        below: lift > 0 ? id(k, lift - 1) : undefined,
        beside,
      });
    });
  }
  return cells;
}
