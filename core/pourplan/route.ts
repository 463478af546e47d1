import { formSystemOf } from '#core/formwork';
import {
  endsOf,
  type PourDoc,
  type PourSettings,
  type Run,
  runOf,
  type SitePlan,
  standsOf,
} from '#core/model';
import { footingTopM, standsOn } from '#core/siteplan';
import { type Takeoff, takeOffOf } from '#core/takeoff';
import { type Lift, liftsOf, liftsWithVolume } from './lifts.ts';
import { type Side, sidesOf } from './openings.ts';
import { type PressureMethod, rulingMethod } from './pressure-method.ts';
import { carriedBy, storeysOf } from './storeys.ts';

/**
 * A stretch of a leg that stands on another element of the pour, as shares (0 to 1) of both in the
 * direction of placing: from `fromShare` to `toShare` of the leg, over `startShare` to `endShare`
 * of what carries it.
 */
interface Standing {
  elementId: string;
  fromShare: number;
  toShare: number;
  startShare: number;
  endShare: number;
}

/** A stretch of the route: one run, pad or pier, with its distance along the way round and its neat volume. */
export interface Leg {
  elementId: string;
  kind: 'run' | 'stand';
  wall: boolean;
  /** 0 for what stands on the ground or on older concrete, 1 for what stands on an element of the pour. */
  storey: number;
  /** Filled in this turn, from 0: legs of one storey that follow each other share it. */
  turn: number;
  lifts: number;
  /** Its lifts from the foot up, each with its own height and concrete. */
  liftSpans: Lift[];
  reversed: boolean;
  fromM: number;
  lengthM: number;
  volumeM3: number;
  heightM: number;
  bottomM: number;
  /** Nodes at its two ends, in the direction of placing; null for a pad or pier. */
  startNode: string | null;
  endNode: string | null;
  standsOn: Standing[];
  /** Planned bulkheads, shares (0 to 1) in the direction of placing, in their order. */
  cuts: number[];
  /** Windows and doors, whose two sides are filled evenly. */
  openings: Side[];
}
export interface Route {
  legs: Leg[];
  lengthM: number;
  volumeM3: number;
  closed: boolean;
  /** How the pressure on its forms is reckoned. */
  pressureMethod: PressureMethod;
  takeoff: Takeoff;
}

/** Pads and piers stand on the route as a short stretch, so that they can be seen. */
const padLengthM = (volumeM3: number): number => Math.max(0.5, Math.cbrt(volumeM3));

/**
 * The order of the elements: as it was told leg by leg, or the pour's own where that does not name
 * each of them once.
 */
export function sequenceOf({
  elements,
  settings,
}: Pick<PourDoc, 'elements' | 'settings'>): string[] {
  const told = settings.sequence;
  const whole =
    told.length === elements.length &&
    new Set(told).size === told.length &&
    told.every((id) => elements.includes(id));
  return whole ? told : elements;
}

/**
 * The elements as they are gone round from the chosen start, what carries before what stands on it:
 * a pier after its own pad where the way was told so, else after all that carries.
 */
function goneRound(site: SitePlan, pour: PourDoc): string[] {
  const elements = sequenceOf(pour);
  const told = elements !== pour.elements;
  const n = elements.length;
  const start = ((pour.settings.startAt % n) + n) % n;
  const storeys = storeysOf(site, pour.elements);
  const round = Array.from(
    { length: n },
    (_, i) => elements[(pour.settings.reverse ? start - i + n : start + i) % n] as string,
  );
  const waits = (id: string, at: number): boolean => {
    if (!storeys.get(id)) return false;
    if (!told || runOf(site, id)) return true;
    return carriedBy(site, pour.elements, id).some((pad) => round.indexOf(pad) > at);
  };
  return [...round.filter((id, i) => !waits(id, i)), ...round.filter((id, i) => waits(id, i))];
}

/** Bulkheads of a run as it is placed. */
const cutsOf = (
  bulkheads: PourSettings['bulkheads'],
  elementId: string,
  reversed: boolean,
): number[] =>
  bulkheads
    .filter((b) => b.element === elementId)
    .map((b) => (reversed ? 1 - b.share : b.share))
    .sort((a, b) => a - b);

/** Where a run stands on the footings of its own pour, in shares of both as they are placed. */
function standingsOf(
  site: SitePlan,
  run: Run,
  reversed: boolean,
  carriers: string[],
  legs: Leg[],
): Standing[] {
  const wall = endsOf(site, run);
  if (!wall) return [];
  return carriers.flatMap((id): Standing[] => {
    const footing = runOf(site, id);
    const ends = footing && endsOf(site, footing);
    const under = footing && standsOn(site, run, footing);
    const leg = legs.find((l) => l.elementId === id);
    if (!ends || !under || !leg) return [];
    const [dx, dy] = [ends[1].xM - ends[0].xM, ends[1].yM - ends[0].yM];
    const lengthM = Math.hypot(dx, dy);
    const along = (p: { xM: number; yM: number }) =>
      ((p.xM - ends[0].xM) * dx + (p.yM - ends[0].yM) * dy) / lengthM;
    const [first, last] = (reversed ? [wall[1], wall[0]] : wall).map(along) as [number, number];
    /** Share of the wall at a distance along the footing. */
    const shareAt = (m: number) => (m - first) / (last - first);
    const onFooting = (m: number) => (leg.reversed ? 1 - m / lengthM : m / lengthM);
    const [a, b] = last > first ? [under.fromM, under.toM] : [under.toM, under.fromM];
    return [
      {
        elementId: id,
        fromShare: shareAt(a),
        toShare: shareAt(b),
        startShare: onFooting(a),
        endShare: onFooting(b),
      },
    ];
  });
}

/** In which turn a leg is filled after another. */
const turnAfter = (last: Leg | undefined, storey: number): number =>
  last ? last.turn + (last.storey === storey ? 0 : 1) : 0;

/** A pier stands on its pad with all of itself. */
const WHOLLY = { fromShare: 0, toShare: 1, startShare: 0, endShare: 1 };

/** The elements of a pour as one way round, from the start the foreman chose. Volumes are the take-off's. */
export function routeOf(site: SitePlan, pour: PourDoc, takeoff: Takeoff = takeOffOf(site)): Route {
  const volume = new Map(takeoff.elements.map((e) => [e.id, e]));
  const storeys = storeysOf(site, pour.elements);
  const stands = standsOf(site);
  const order = goneRound(site, pour);
  const legs: Leg[] = [];
  let fromM = 0;
  order.forEach((elementId, i) => {
    const volumeM3 = volume.get(elementId)?.concreteM3 ?? 0;
    const storey = storeys.get(elementId) ?? 0;
    const carriers = carriedBy(site, pour.elements, elementId);
    const run = runOf(site, elementId);
    const stand = stands.find((s) => s.id === elementId);
    const bottomM = run?.bottomM ?? stand?.bottomM ?? 0;
    const heightM = (run ? footingTopM(site, run) : (stand?.topM ?? 0)) - bottomM;
    const size = { elementId, volumeM3, heightM, bottomM };
    const liftSpans = liftsWithVolume(pour, takeoff, size, liftsOf(site, pour, elementId));
    const turn = turnAfter(legs.at(-1), storey);
    const base = { ...size, storey, turn, fromM, lifts: liftSpans.length, liftSpans };
    if (run) {
      const turned = pour.settings.turned.includes(elementId);
      const reversed = goesReversed(legs, storey, site, order, i, storeys, run) !== turned;
      legs.push({
        ...base,
        kind: 'run',
        wall: run.kind === 'wall',
        reversed,
        lengthM: volume.get(elementId)?.lengthM ?? 0,
        startNode: reversed ? run.to : run.from,
        endNode: reversed ? run.from : run.to,
        standsOn: standingsOf(site, run, reversed, carriers, legs),
        cuts: cutsOf(pour.settings.bulkheads, elementId, reversed),
        openings: sidesOf(run, reversed, volume.get(elementId)?.lengthM ?? 0),
      });
    } else if (stand) {
      legs.push({
        ...base,
        kind: 'stand',
        wall: false,
        reversed: false,
        lengthM: padLengthM(volumeM3),
        startNode: null,
        endNode: null,
        standsOn: carriers.map((id) => ({ elementId: id, ...WHOLLY })),
        cuts: [],
        openings: [],
      });
    }
    fromM += runOrStandLength(legs, elementId);
  });
  return {
    legs,
    lengthM: fromM,
    volumeM3: legs.reduce((s, l) => s + l.volumeM3, 0),
    closed: isRing(legs),
    pressureMethod: rulingMethod(site, formSystemOf({ site, pour })),
    takeoff,
  };
}

/** What of a route is walked along, m: pads and piers stand on it only so that they can be seen. */
export const walkedM = (route: Route): number =>
  route.legs.reduce((sum, l) => (l.kind === 'run' ? sum + l.lengthM : sum), 0);

const runOrStandLength = (legs: Leg[], elementId: string): number => {
  const last = legs.at(-1);
  return last?.elementId === elementId ? last.lengthM : 0;
};

/** Goes the way that leaves from where the last run ended, or else toward the next one. */
function goesReversed(
  legs: Leg[],
  storey: number,
  site: SitePlan,
  order: string[],
  i: number,
  storeys: ReadonlyMap<string, number>,
  run: Run,
) {
  const before = legs.at(-1);
  const last = before?.storey === storey ? before.endNode : null;
  const next = runOf(site, order[i + 1] ?? '');
  const ends = next && storeys.get(next.id) === storey ? [next.from, next.to] : [];
  // Go the way that leaves from where the last run ended, or else toward the next one.
  return last !== null && (run.from === last || run.to === last)
    ? run.to === last
    : ends.includes(run.from) && !ends.includes(run.to);
}

/** The way ends at the node it began at. What stands on a ring goes round it again. */
function isRing(legs: Leg[]): boolean {
  const storeys = [...new Set(legs.map((l) => l.storey))];
  return storeys.every((storey) => {
    const own = legs.filter((l) => l.storey === storey);
    const start = own[0]?.startNode ?? null;
    return own.length > 2 && start !== null && start === own.at(-1)?.endNode;
  });
}
