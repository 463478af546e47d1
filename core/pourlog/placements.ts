import { liftVolumeM3, type Route } from '#core/pourplan';
import { entries, type PourState } from '#core/log';

/** A stretch of placing as it happened: one run and lift, from start to stop (or until now). */
export interface ActualPlacement {
  elementId: string;
  lift: number;
  loadId: string | null;
  fromMs: number;
  toMs: number;
  open: boolean;
  fromRatio: number;
  /** How far it was filled when it stopped; while it is open, where it began: nobody has looked yet. */
  toRatio: number;
}

/** A stretch with the concrete that lies in it: of which load, and how warm that came. */
export interface WarmPlacement extends ActualPlacement {
  tempC: number;
}

/** What of a load is asked when it is placed. */
type PlacedLoad = { id: string; arrivedAt: string | null; concreteTempC: number | null };

/** Which load a stretch was placed from: as it was said, or the last that was here when it began. */
export function loadFor<L extends PlacedLoad>(
  p: Pick<ActualPlacement, 'loadId' | 'fromMs'>,
  loads: readonly L[],
): L | null {
  const said = loads.find((l) => l.id === p.loadId);
  if (said) return said;
  const here = loads
    .filter((l) => l.arrivedAt !== null && Date.parse(l.arrivedAt) <= p.fromMs)
    .sort((a, b) => Date.parse(a.arrivedAt ?? '') - Date.parse(b.arrivedAt ?? ''));
  return here.at(-1) ?? null;
}

/**
 * Each stretch with its load and the temperature that came with: what lies in the form keeps it,
 * whatever comes later.
 * @param plannedC of concrete whose load was not read
 */
export const withConcrete = (
  placements: readonly ActualPlacement[],
  loads: readonly PlacedLoad[],
  plannedC: number,
): WarmPlacement[] =>
  placements.map((p) => {
    const load = loadFor(p, loads);
    return { ...p, loadId: load?.id ?? p.loadId, tempC: load?.concreteTempC ?? plannedC };
  });

/** One run in one lift. */
export const faceKey = (elementId: string, lift: number): string => `${elementId}#${lift}`;

/**
 * Every stretch of placing in the log, in order of its start. One that has not been stopped lasts
 * until `nowMs`; what a clock that runs ahead puts after it counts as now, so that no window is
 * longer than it is.
 */
export function actualPlacements(state: PourState, nowMs: number): ActualPlacement[] {
  const stops = [...entries(state, 'place-stop')];
  const ratio = new Map<string, number>();
  return entries(state, 'place-start').map((start) => {
    const { elementId, lift, loadId } = start.body;
    const fromMs = Date.parse(start.at);
    const stop = stops.find(
      (e) => e.body.elementId === elementId && e.body.lift === lift && Date.parse(e.at) >= fromMs,
    );
    if (stop) stops.splice(stops.indexOf(stop), 1);
    const fromRatio = ratio.get(faceKey(elementId, lift)) ?? 0;
    const toRatio = stop ? Math.max(fromRatio, stop.body.filledRatio) : fromRatio;
    ratio.set(faceKey(elementId, lift), toRatio);
    return {
      elementId,
      lift,
      loadId: loadId ?? null,
      fromMs: Math.min(fromMs, nowMs),
      toMs: Math.min(stop ? Date.parse(stop.at) : nowMs, nowMs),
      open: stop === undefined,
      fromRatio,
      toRatio,
    };
  });
}

/**
 * How fast neat volume is placed, m³ a minute: measured over the stretches that have ended; before
 * the first the plan's rate (given in m³ an hour of concrete, its waste among it).
 */
function neatRate(
  placements: readonly ActualPlacement[],
  route: Route,
  plannedM3PerMin: number,
): number {
  let minutes = 0;
  let m3 = 0;
  for (const p of placements) {
    if (p.open) continue;
    minutes += (p.toMs - p.fromMs) / 60_000;
    m3 += (p.toRatio - p.fromRatio) * liftVolumeM3(route, p.elementId, p.lift);
  }
  return minutes > 0 && m3 > 0 ? m3 / minutes : plannedM3PerMin;
}

/**
 * The placements with the one under way reckoned on: it is taken to go at the rate measured so far
 * (the plan's before that), until its load was done, and never past full. An assumption until the
 * stop says how far it came.
 * @param plannedM3PerMin the plan's rate in neat m³ a minute
 * @param loadEndMs when a load was empty, ms; undefined while it is not
 */
export function reckonedOn<P extends ActualPlacement>(
  placements: readonly P[],
  route: Route,
  plannedM3PerMin: number,
  loadEndMs: (loadId: string) => number | undefined,
): P[] {
  const rate = neatRate(placements, route, plannedM3PerMin);
  return placements.map((p) => {
    if (!p.open) return p;
    const volumeM3 = liftVolumeM3(route, p.elementId, p.lift);
    const endMs = Math.max(p.fromMs, Math.min(p.toMs, (p.loadId && loadEndMs(p.loadId)) || p.toMs));
    const m3 = (rate * (endMs - p.fromMs)) / 60_000;
    const toRatio = volumeM3 > 0 ? Math.min(1, p.fromRatio + m3 / volumeM3) : p.fromRatio;
    const reachedMs =
      toRatio < 1 || m3 === 0 ? endMs : p.fromMs + (((1 - p.fromRatio) * volumeM3) / rate) * 60_000;
    return { ...p, toRatio, toMs: Math.min(endMs, reachedMs) };
  });
}
