import { clockMin } from '../concrete/joint-window.ts';
import type { Mix, PourDoc } from '../model/pour.ts';
import type { Route } from '../pourplan/route.ts';
import type { LoadState } from './loads.ts';
import { entries, latest, type PourState } from './state.ts';

/** A stretch of placing as it happened: one run and lift, from start to stop (or until now). */
export interface ActualPlacement {
  elementId: string;
  lift: number;
  loadId: string | null;
  fromMs: number;
  toMs: number;
  open: boolean;
  fromRatio: number;
  toRatio: number;
}

/** A face that must be met before it no longer knits. */
export interface OpenSeam {
  elementId: string;
  lift: number;
  sinceMs: number;
  opensMs: number;
  shutsMs: number;
  minutesLeft: number;
  cold: boolean;
}

export interface Progress {
  placements: ActualPlacement[];
  /** The stretch being filled now. */
  current: ActualPlacement | null;
  filled: { elementId: string; lift: number; ratio: number }[];
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
  seams: OpenSeam[];
  /** Concrete's temperature the windows are worked out for, °C: the newest load's, else the plan's. */
  concreteTempC: number;
  stiffenMin: number;
  knitMin: number;
  startedMs: number | null;
  finishedMs: number | null;
}

const key = (elementId: string, lift: number) => `${elementId}#${lift}`;

function actualPlacements(state: PourState, nowMs: number): ActualPlacement[] {
  const stops = [...entries(state, 'place-stop')];
  const ratio = new Map<string, number>();
  return entries(state, 'place-start').map((start) => {
    const { elementId, lift, loadId } = start.body;
    const fromMs = Date.parse(start.at);
    const stop = stops.find(
      (e) => e.body.elementId === elementId && e.body.lift === lift && Date.parse(e.at) >= fromMs,
    );
    if (stop) stops.splice(stops.indexOf(stop), 1);
    const fromRatio = ratio.get(key(elementId, lift)) ?? 0;
    const toRatio = stop ? Math.max(fromRatio, stop.body.filledRatio) : fromRatio;
    ratio.set(key(elementId, lift), toRatio);
    return {
      elementId,
      lift,
      loadId: loadId ?? null,
      fromMs,
      toMs: stop ? Date.parse(stop.at) : Math.max(fromMs, nowMs),
      open: stop === undefined,
      fromRatio,
      toRatio,
    };
  });
}

/**
 * The faces still open: the end of what was placed last (while the pour is not finished), and the start of the
 * ring, which the last run has to meet again.
 */
function openSeams(
  p: {
    placements: ActualPlacement[];
    current: ActualPlacement | null;
    done: boolean;
    route: Route;
  },
  stiffenMin: number,
  knitMin: number,
  nowMs: number,
): OpenSeam[] {
  if (p.done || p.placements.length === 0) return [];
  const seam = (a: ActualPlacement, sinceMs: number): OpenSeam => {
    const shutsMs = sinceMs + knitMin * 60000;
    return {
      elementId: a.elementId,
      lift: a.lift,
      sinceMs,
      opensMs: sinceMs + stiffenMin * 60000,
      shutsMs,
      minutesLeft: (shutsMs - nowMs) / 60000,
      cold: nowMs > shutsMs,
    };
  };
  const out: OpenSeam[] = [];
  const last = p.placements.reduce((a, b) => (b.toMs > a.toMs ? b : a));
  if (!p.current) out.push(seam(last, last.toMs));
  const first = p.placements[0];
  if (p.route.closed && first) out.push(seam(first, first.fromMs));
  return out.sort((a, b) => a.shutsMs - b.shutsMs);
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
  const lifts = pour.settings.lifts;
  const best = new Map<string, number>();
  for (const p of placements)
    best.set(
      key(p.elementId, p.lift),
      Math.max(best.get(key(p.elementId, p.lift)) ?? 0, p.toRatio),
    );
  const filled = route.legs.flatMap((l) =>
    Array.from({ length: lifts }, (_, lift) => ({
      elementId: l.elementId,
      lift,
      ratio: best.get(key(l.elementId, lift)) ?? 0,
      volumeM3: l.volumeM3 / lifts,
    })),
  );
  const placedM3 = filled.reduce((s, f) => s + f.ratio * f.volumeM3, 0);
  const toFillM3 = Math.max(0, route.volumeM3 - placedM3);
  const ended = loads.filter((l) => l.endedAt !== null && l.decision !== 'reject');
  const dischargedM3 = ended.reduce((s, l) => s + (l.volumeM3 ?? 0) - (l.returnedM3 ?? 0), 0);
  const here = loads.filter(
    (l) => l.arrivedAt !== null && l.endedAt === null && l.decision !== 'reject',
  );
  const hereM3 = here.reduce((s, l) => s + (l.volumeM3 ?? 0), 0);
  const usable = Math.max(0, dischargedM3 - (ended.length ? pour.settings.leftBehindM3 : 0));
  // The measured use counts only once a good part is placed and nothing is half-way out of a truck.
  const usedPerNeat =
    here.length === 0 && placedM3 > 0.15 * route.volumeM3 && usable > 0 ? usable / placedM3 : null;
  const factor = usedPerNeat ?? 1 + pour.settings.wasteRatio;
  const neededM3 =
    toFillM3 * factor + (ended.length || placedM3 > 0 ? 0 : pour.settings.leftBehindM3);
  const onOrderM3 = loads
    .filter((l) => l.arrivedAt === null)
    .reduce((s, l) => s + (l.plannedM3 ?? 0), 0);
  const temp =
    latest(state, 'load-arrived', (e) => e.body.concreteTempC !== undefined)?.body.concreteTempC ??
    pour.settings.concreteTempC;
  const stiffenMin = clockMin(mix.stiffenMinAt20C * mix.retarderFactor, temp);
  const knitMin = clockMin(mix.knitMinAt20C * mix.retarderFactor, temp);
  const current = placements.findLast((p) => p.open) ?? null;
  const done = toFillM3 < 1e-6 && current === null;
  return {
    placements,
    current,
    filled: filled.map(({ elementId, lift, ratio }) => ({ elementId, lift, ratio })),
    placedM3,
    toFillM3,
    dischargedM3,
    hereM3,
    usedPerNeat,
    neededM3,
    onOrderM3,
    balanceM3: neededM3 - hereM3 - onOrderM3,
    seams: openSeams({ placements, current, done, route }, stiffenMin, knitMin, nowMs),
    concreteTempC: temp,
    stiffenMin,
    knitMin,
    startedMs: placements.length ? Math.min(...placements.map((p) => p.fromMs)) : null,
    finishedMs: done && placements.length ? Math.max(...placements.map((p) => p.toMs)) : null,
  };
}
