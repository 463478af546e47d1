import { clockMin } from '#core/concrete';
import type { Mix, PourDoc } from '#core/model';
import { cellsOf, type Route, type RouteCell } from '#core/pourplan';
import type { LoadState } from './loads.ts';
import { actualPlacements, faceKey, reckonedOn, type ActualPlacement } from './placements.ts';
import {
  coldJointsOf,
  type ColdJoint,
  type OpenFace,
  openFaces,
  type OpenSeam,
  type SeamTest,
  seamsOf,
  shutsAt,
} from './seams.ts';
import { entries, latest, type PourState } from '#core/log';

export interface Progress {
  placements: ActualPlacement[];
  /** The same with the one under way reckoned on to now. */
  reached: ActualPlacement[];
  /** The stretch being filled now. */
  current: ActualPlacement | null;
  /** Every run and lift in the order of placing, and how much of it is filled, 0 to 1. */
  filled: { elementId: string; lift: number; ratio: number }[];
  /** Of these, what can be begun or gone on with: all that carries it is full. */
  startable: { elementId: string; lift: number; ratio: number }[];
  placedM3: number;
  toFillM3: number;
  /** Off the trucks so far (ended loads less what went back). */
  dischargedM3: number;
  /** In trucks that are here and not sent back. */
  hereM3: number;
  /** Discharged per neat cubic metre placed, when a load has ended; null before. */
  usedPerNeat: number | null;
  /** What is still needed at the measured use (or the planned waste before that). */
  neededM3: number;
  /** Planned loads that have not come; a load sent back is no longer on order. */
  onOrderM3: number;
  /** Needed less here less on order: above 0 has to be ordered, below 0 is left over. */
  balanceM3: number;
  /** Faces that wait for concrete, the one that shuts first in front. */
  seams: OpenSeam[];
  /** The clock of every cell that waits for concrete, along the route, m. */
  clocks: { elementId: string; lift: number; fromM: number; toM: number; shutsMs: number }[];
  /** Faces that were met too late. */
  coldJoints: ColdJoint[];
  /** Concrete's temperature the windows are worked out for, °C: the newest load's, else the plan's. */
  concreteTempC: number;
  stiffenMin: number;
  knitMin: number;
  startedMs: number | null;
  finishedMs: number | null;
}

interface FaceVolume {
  elementId: string;
  lift: number;
  volumeM3: number;
}
/** Runs and lifts with their neat volume, in the order of placing. */
function facesOf(cells: RouteCell[]): FaceVolume[] {
  const faces = new Map<string, FaceVolume>();
  for (const { elementId, lift, volumeM3 } of cells) {
    const key = faceKey(elementId, lift);
    faces.set(key, {
      elementId,
      lift,
      volumeM3: volumeM3 + (faces.get(key)?.volumeM3 ?? 0),
    });
  }
  return [...faces.values()];
}

const isFull = (ratio: number | undefined): boolean => (ratio ?? 0) >= 1 - 1e-9;

function startableOf(
  cells: RouteCell[],
  ratios: ReadonlyMap<string, number>,
): Progress['startable'] {
  const byId = new Map(cells.map((c) => [c.id, c]));
  const waits = new Set<string>();
  for (const c of cells) {
    const under = c.below === undefined ? undefined : byId.get(c.below);
    // What goes up in passes beside an opening carries itself.
    if (under && !c.goesOn && !isFull(ratios.get(faceKey(under.elementId, under.lift))))
      waits.add(faceKey(c.elementId, c.lift));
  }
  return facesOf(cells).flatMap(({ elementId, lift }) => {
    const key = faceKey(elementId, lift);
    const ratio = ratios.get(key) ?? 0;
    return isFull(ratio) || waits.has(key) ? [] : [{ elementId, lift, ratio }];
  });
}

/** Concrete on site, used and still to come, m³. */
function concreteOf(
  { settings }: PourDoc,
  loads: LoadState[],
  placedM3: number,
  volumeM3: number,
): Pick<
  Progress,
  'toFillM3' | 'dischargedM3' | 'hereM3' | 'usedPerNeat' | 'neededM3' | 'onOrderM3' | 'balanceM3'
> {
  const sum = (list: LoadState[], of: (l: LoadState) => number) =>
    list.reduce((total, l) => total + of(l), 0);
  const toFillM3 = Math.max(0, volumeM3 - placedM3);
  const taken = loads.filter((l) => l.decision !== 'reject');
  const ended = taken.filter((l) => l.endedAt !== null);
  const here = taken.filter((l) => l.arrivedAt !== null && l.endedAt === null);
  const dischargedM3 = sum(ended, (l) => (l.volumeM3 ?? 0) - (l.returnedM3 ?? 0));
  const hereM3 = sum(here, (l) => l.volumeM3 ?? 0);
  const usable = Math.max(0, dischargedM3 - (ended.length ? settings.leftBehindM3 : 0));
  // The measured use counts only once a good part is placed and nothing is half-way out of a truck.
  const measured = here.length === 0 && placedM3 > 0.15 * volumeM3 && usable > 0;
  const usedPerNeat = measured ? usable / placedM3 : null;
  const begun = ended.length > 0 || placedM3 > 0;
  const neededM3 =
    toFillM3 * (usedPerNeat ?? 1 + settings.wasteRatio) + (begun ? 0 : settings.leftBehindM3);
  const onOrderM3 = sum(
    taken.filter((l) => l.arrivedAt === null),
    (l) => l.plannedM3 ?? 0,
  );
  const balanceM3 = neededM3 - hereM3 - onOrderM3;
  return { toFillM3, dischargedM3, hereM3, usedPerNeat, neededM3, onOrderM3, balanceM3 };
}

/** Each cell that waits, with when its oldest face shuts. */
function clocksOf(
  faces: OpenFace[],
  knitMin: number,
  tests: readonly SeamTest[],
): Progress['clocks'] {
  const since = new Map<string, OpenFace>();
  for (const f of faces) {
    const known = since.get(f.cell.id);
    if (!known || f.sinceMs < known.sinceMs) since.set(f.cell.id, f);
  }
  return [...since.values()].map(({ cell, sinceMs }) => ({
    elementId: cell.elementId,
    lift: cell.lift,
    fromM: cell.fromM,
    toM: cell.toM,
    shutsMs: shutsAt(cell, sinceMs, knitMin, tests),
  }));
}

/** What is placed where and when, what is still to fill, the balance of concrete, and the seams' clocks at `nowMs`. */
export function progressOf(
  pour: PourDoc,
  mix: Mix,
  route: Route,
  state: PourState,
  loads: LoadState[],
  nowMs: number,
): Progress {
  const placements = actualPlacements(state, nowMs);
  const best = new Map<string, number>();
  for (const p of placements)
    best.set(
      faceKey(p.elementId, p.lift),
      Math.max(best.get(faceKey(p.elementId, p.lift)) ?? 0, p.toRatio),
    );
  const cells = cellsOf(route);
  const filled = facesOf(cells).map((f) => ({
    ...f,
    ratio: best.get(faceKey(f.elementId, f.lift)) ?? 0,
  }));
  const placedM3 = filled.reduce((s, f) => s + f.ratio * f.volumeM3, 0);
  const concrete = concreteOf(pour, loads, placedM3, route.volumeM3);
  const temp =
    latest(state, 'load-arrived', (e) => e.body.concreteTempC !== undefined)?.body.concreteTempC ??
    pour.settings.concreteTempC;
  const stiffenMin = clockMin(mix.stiffenMinAt20C * mix.retarderFactor, temp);
  const knitMin = clockMin(mix.knitMinAt20C * mix.retarderFactor, temp);
  const s = pour.settings;
  const plannedM3PerMin = s.placingRateM3PerH / (1 + s.wasteRatio) / 60;
  const reached = reckonedOn(placements, route, plannedM3PerMin, (id) => {
    const endedAt = loads.find((l) => l.id === id)?.endedAt;
    return endedAt ? Date.parse(endedAt) : undefined;
  });
  const underHose = new Set(
    placements.filter((p) => p.open).map((p) => faceKey(p.elementId, p.lift)),
  );
  const tests = entries(state, 'seam-test').map((e) => ({ ...e.body, atMs: Date.parse(e.at) }));
  const faces = openFaces(cells, reached, underHose);
  const current = placements.findLast((p) => p.open) ?? null;
  const done = concrete.toFillM3 < 1e-6 && current === null;
  return {
    placements,
    reached,
    current,
    filled: filled.map(({ elementId, lift, ratio }) => ({ elementId, lift, ratio })),
    startable: startableOf(cells, best),
    placedM3,
    ...concrete,
    seams: seamsOf(faces, { stiffenMin, knitMin }, nowMs, tests),
    clocks: clocksOf(faces, knitMin, tests),
    coldJoints: coldJointsOf(cells, reached, knitMin, tests),
    concreteTempC: temp,
    stiffenMin,
    knitMin,
    startedMs: placements.length ? Math.min(...placements.map((p) => p.fromMs)) : null,
    finishedMs: done && placements.length ? Math.max(...placements.map((p) => p.toMs)) : null,
  };
}
