import { clockMin } from '#core/concrete';
import type { Mix, PourDoc } from '#core/model';
import {
  cellsOf,
  greatestByLift,
  type LiftPressure,
  pressureRule,
  pressuresOf,
  type Route,
  type RouteCell,
} from '#core/pourplan';
import { concreteOf, type DayConcrete } from './day-concrete.ts';
import { fillingsOf, fillingTimes } from './fillings.ts';
import type { LoadState } from './loads.ts';
import { type ColdJoint, coldJointsOf, type MetFace, metFaces } from './met-seams.ts';
import {
  actualPlacements,
  faceKey,
  reckonedOn,
  type WarmPlacement,
  withConcrete,
} from './placements.ts';
import {
  type OpenFace,
  openFaces,
  type OpenSeam,
  type SeamTest,
  seamsOf,
  shutsAt,
  type Window,
  type WindowAt,
} from './seams.ts';
import { entries, type PourState } from '#core/log';

/** A run and lift, and how much of it is filled, 0 to 1. */
interface FilledLift {
  elementId: string;
  lift: number;
  ratio: number;
}

export interface Progress extends DayConcrete {
  placements: WarmPlacement[];
  /** The same with the one under way reckoned on to now. */
  reached: WarmPlacement[];
  /** The stretch being filled now. */
  current: WarmPlacement | null;
  /** Every run and lift in the order of placing, and how much of it is filled, 0 to 1. */
  filled: FilledLift[];
  /** Of these, what can be begun or gone on with: all that carries it is full. */
  startable: FilledLift[];
  /** Neat, m³. */
  placedM3: number;
  /** Neat volume placed from each load, m³. */
  placedFrom: ReadonlyMap<string, number>;
  /** The warmest concrete of every cell that is begun, °C. */
  cellTempC: ReadonlyMap<string, number>;
  /** Faces that wait for concrete, the one that shuts first in front. */
  seams: OpenSeam[];
  /** Every face that waits, one by one, and what the hose is covering. */
  faces: OpenFace[];
  /** Every face that was met, in time or late. */
  met: MetFace[];
  /** The clock of every cell that waits for concrete, along the route, m. */
  clocks: { elementId: string; lift: number; fromM: number; toM: number; shutsMs: number }[];
  /** Stretches that were met too late: they stay in the record. */
  coldJoints: ColdJoint[];
  /** The greatest pressure of every wall and lift by how it was really placed; what is begun only. */
  pressure: LiftPressure[];
  /** The window of concrete of any temperature. */
  windowAt: WindowAt;
  /** Concrete's temperature, °C: of the load that was placed from last, else the plan's. */
  concreteTempC: number;
  /** The windows of concrete of that temperature, min. */
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
function facesOf(cells: readonly RouteCell[]): FaceVolume[] {
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
  cells: readonly RouteCell[],
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

/** Each cell that waits, with when its face shuts that shuts first. */
function clocksOf(faces: readonly OpenFace[], tests: readonly SeamTest[]): Progress['clocks'] {
  const first = new Map<string, { cell: RouteCell; shutsMs: number }>();
  for (const { cell, sinceMs, knitMin, covering } of faces) {
    if (covering) continue;
    const shutsMs = shutsAt(cell, sinceMs, knitMin, tests);
    if (shutsMs < (first.get(cell.id)?.shutsMs ?? Infinity)) first.set(cell.id, { cell, shutsMs });
  }
  return [...first.values()].map(({ cell, shutsMs }) => ({
    elementId: cell.elementId,
    lift: cell.lift,
    fromM: cell.fromM,
    toM: cell.toM,
    shutsMs,
  }));
}

/** The window of concrete of any temperature, each worked out once. */
function windowsFor(mix: Mix): WindowAt {
  const known = new Map<number, Window>();
  return (tempC) => {
    const own = known.get(tempC) ?? {
      stiffenMin: clockMin(mix.stiffenMinAt20C * mix.retarderFactor, tempC),
      knitMin: clockMin(mix.knitMinAt20C * mix.retarderFactor, tempC),
    };
    known.set(tempC, own);
    return own;
  };
}

/** How far each run and lift is filled, and the neat volume that was placed, by load too. */
function amountsOf(cells: readonly RouteCell[], placements: readonly WarmPlacement[]) {
  const faces = facesOf(cells);
  const volumeOf = new Map(faces.map((f) => [faceKey(f.elementId, f.lift), f.volumeM3]));
  const best = new Map<string, number>();
  const placedFrom = new Map<string, number>();
  for (const p of placements) {
    const key = faceKey(p.elementId, p.lift);
    best.set(key, Math.max(best.get(key) ?? 0, p.toRatio));
    const m3 = (p.toRatio - p.fromRatio) * (volumeOf.get(key) ?? 0);
    if (p.loadId !== null && m3 > 0) placedFrom.set(p.loadId, (placedFrom.get(p.loadId) ?? 0) + m3);
  }
  const filled = faces.map((f) => ({ ...f, ratio: best.get(faceKey(f.elementId, f.lift)) ?? 0 }));
  const placedM3 = filled.reduce((s, f) => s + f.ratio * f.volumeM3, 0);
  return { best, filled, placedM3, placedFrom };
}

/** What is placed where and when, what is still to fill, the balance of concrete, and the seams' clocks at `nowMs`. */
export function progressOf(
  pour: PourDoc,
  mix: Mix,
  route: Route,
  state: PourState,
  loads: readonly LoadState[],
  nowMs: number,
): Progress {
  const s = pour.settings;
  const cells = cellsOf(route);
  const windowAt = windowsFor(mix);
  const placements = withConcrete(actualPlacements(state, nowMs), loads, s.concreteTempC);
  const { best, filled, placedM3, placedFrom } = amountsOf(cells, placements);
  const counted = loads.map((load) => ({ load, placedM3: placedFrom.get(load.id) ?? 0 }));
  const concrete = concreteOf(pour, counted, route.volumeM3, placedM3);
  const plannedM3PerMin = s.placingRateM3PerH / (1 + s.wasteRatio) / 60;
  const reached = reckonedOn(placements, route, plannedM3PerMin, (id) => {
    const endedAt = loads.find((l) => l.id === id)?.endedAt;
    return endedAt ? Date.parse(endedAt) : undefined;
  });
  const underHose = new Set(
    placements.filter((p) => p.open).map((p) => faceKey(p.elementId, p.lift)),
  );
  const tests = entries(state, 'seam-test').map((e) => ({ ...e.body, atMs: Date.parse(e.at) }));
  const fillings = fillingsOf(cells, reached);
  const faces = openFaces(cells, fillings, underHose, windowAt);
  const met = metFaces(cells, fillings, windowAt, tests);
  const rule = pressureRule(route.pressureMethod, mix);
  const current = placements.findLast((p) => p.open) ?? null;
  const done = concrete.toFillM3 < 1e-6 && current === null;
  const concreteTempC = placements.at(-1)?.tempC ?? s.concreteTempC;
  return {
    placements,
    reached,
    current,
    filled: filled.map(({ elementId, lift, ratio }) => ({ elementId, lift, ratio })),
    startable: startableOf(cells, best),
    placedM3,
    placedFrom,
    cellTempC: new Map(
      [...fillings].map(([id, f]) => [id, Math.max(...f.pieces.map((p) => p.tempC))]),
    ),
    ...concrete,
    seams: seamsOf(faces, nowMs, tests),
    faces,
    met,
    clocks: clocksOf(faces, tests),
    coldJoints: coldJointsOf(met),
    pressure: greatestByLift(pressuresOf(cells, fillingTimes(fillings), rule)),
    windowAt,
    concreteTempC,
    ...windowAt(concreteTempC),
    startedMs: placements.length ? Math.min(...placements.map((p) => p.fromMs)) : null,
    finishedMs: done && placements.length ? Math.max(...placements.map((p) => p.toMs)) : null,
  };
}
