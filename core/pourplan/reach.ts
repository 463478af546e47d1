import { evaluate, type Evaluated } from '#core/kit';
import type { Conveyance, SitePlan, Wire } from '#core/model';
import type { Rules } from '#core/rules';
import { pumpReach } from '#core/supply';
import type { z } from 'zod';
import { distanceTo, type Place, type PlacedCell } from './places.ts';

/** What ground bears where the site does not say, kPa: firm, and no more. */
const USUAL_BEARING_KPA = 100;

/** A stretch of a run that cannot be placed from where the conveyance stands, m. */
interface OutOfReach {
  elementId: string;
  lengthM: number;
}

/** How well a conveyance stands in a place. */
export interface Stand {
  at: Place;
  working: Evaluated<z.output<typeof pumpReach.output>>;
  ok: boolean;
  /** Cells that it does not reach, and how much of which run that is. */
  cellsOut: Set<string>;
  out: OutOfReach[];
  outM: number;
  furthestM: number;
  /** From the nearest leg to the edge of the excavation, and what that has to be; null where nothing is dug. */
  edge: { distanceM: number; leastM: number } | null;
  /** From what is placed, and from where it stands, to the nearest wires; null without wires or a boom. */
  wires: { distanceM: number; leastM: number } | null;
  /** Where the boom must stop short for the wires, m from its middle; null where its whole reach is clear. */
  boomStopM: number | null;
  /** Side of a square pad under the worst leg, m; null without legs. */
  padSideM: number | null;
  bearingKPa: number;
}

export interface StandAsk {
  site: SitePlan & { wires?: Wire[] | undefined };
  places: PlacedCell[];
  conveyance: Conveyance;
  rules: Rules;
}

const gradeOf = ({ site, places }: StandAsk): number =>
  site.ground?.gradeM ?? Math.max(...places.map((p) => p.topM));

/** How deep it is dug for the pour, m: from the ground to the lowest bottom. */
export const depthOf = (ask: StandAsk): number =>
  ask.site.ground
    ? Math.max(0, gradeOf(ask) - Math.min(...ask.places.map((p) => p.cell.bottomM)))
    : 0;

/** Corners of what stands on the ground. */
function legsOf(at: Place, c: Conveyance): Place[] {
  const half = (c.outriggers?.spreadM ?? 2.5) / 2;
  return [-half, half].flatMap((dx) =>
    [-half, half].map((dy) => ({ xM: at.xM + dx, yM: at.yM + dy })),
  );
}

function edgeOf(ask: StandAsk, at: Place): number {
  const nearest = Math.min(
    ...legsOf(at, ask.conveyance).flatMap((leg) => ask.places.map((p) => distanceTo(leg, p.ends))),
  );
  return Math.max(0, nearest - ask.rules.value('workingRoom'));
}

/** How far a boom stays off wires, m: what their owner says, or the rule where nobody has asked. */
export const clearOf = (wire: Wire, rules: Rules): number => wire.clearM ?? rules.value('wires');

/** The nearest wires to any of some places: how far, and how far they have to be. */
function wiresOf(ask: StandAsk, at: Place): { distanceM: number; leastM: number } | null {
  const { wires = [] } = ask.site;
  if (ask.conveyance.kind !== 'boom' || wires.length === 0) return null;
  const spots = [at, ...ask.places.flatMap((p) => p.ends)];
  const all = wires.map((w) => ({
    distanceM: Math.min(...spots.map((s) => distanceTo(s, [w.from, w.to]))),
    leastM: clearOf(w, ask.rules),
  }));
  return all.reduce((a, b) => (b.distanceM - b.leastM < a.distanceM - a.leastM ? b : a));
}

/** Where the boom has to stop for the wires. */
function boomStopOf(ask: StandAsk, at: Place): number | null {
  const { wires = [] } = ask.site;
  if (ask.conveyance.kind !== 'boom') return null;
  const stop = Math.min(
    Infinity,
    ...wires.map((w) => distanceTo(at, [w.from, w.to]) - clearOf(w, ask.rules)),
  );
  return stop < ask.conveyance.reachM ? Math.max(0, stop) : null;
}

/** Length of each run that is out of reach; a stretch counts once, whatever its lifts. */
function outOf(places: PlacedCell[], cellsOut: ReadonlySet<string>): OutOfReach[] {
  const byRun = new Map<string, Map<number, number>>();
  for (const { cell } of places) {
    if (!cellsOut.has(cell.id)) continue;
    const run = byRun.get(cell.elementId) ?? new Map<number, number>();
    run.set(cell.fromM, cell.toM - cell.fromM);
    byRun.set(cell.elementId, run);
  }
  return [...byRun].map(([elementId, stretches]) => ({
    elementId,
    lengthM: [...stretches.values()].reduce((s, l) => s + l, 0),
  }));
}

/** Judges a place for a conveyance: what it reaches from there, and whether it stands safely. */
export function standAt(ask: StandAsk, at: Place): Stand {
  const { site, places, conveyance: c } = ask;
  const depthM = depthOf(ask);
  const edgeM = edgeOf(ask, at);
  const bearingKPa = site.ground?.bearingKPa ?? USUAL_BEARING_KPA;
  const wires = wiresOf(ask, at);
  const edgeRatio = ask.rules.value('pumpEdge');
  const working = evaluate(pumpReach, {
    kind: c.kind === 'line' ? 'line' : 'boom',
    setUp: { ...at, zM: gradeOf(ask) },
    cells: places.flatMap((p) =>
      p.ends.map((e, i) => ({ ...e, id: `${p.cell.id}/${i}`, zM: p.topM })),
    ),
    reachM: c.reachM,
    ...(c.lineDiameterMm === undefined ? {} : { lineDiameterMm: c.lineDiameterMm }),
    primeM3: 0,
    ...(c.outriggers ? { outriggerKN: c.outriggers.reactionKN, bearingKPa } : {}),
    ...(depthM > 0 ? { edgeM, excavationDepthM: depthM, edgeRatio } : {}),
    ...(wires ? { wiresM: wires.distanceM, wiresLeastM: wires.leastM } : {}),
  });
  const cellsOut = new Set(
    working.result.cells
      .filter((x) => !x.ok || x.distanceM < c.leastReachM)
      .map((x) => x.id.slice(0, x.id.lastIndexOf('/'))),
  );
  const out = outOf(places, cellsOut);
  const { padAreaM2, edgeOk, wiresOk } = working.result;
  return {
    at,
    working,
    ok: out.length === 0 && edgeOk !== false && wiresOk !== false,
    cellsOut,
    out,
    outM: out.reduce((s, o) => s + o.lengthM, 0),
    furthestM: working.result.furthestM,
    edge: depthM > 0 ? { distanceM: edgeM, leastM: depthM * edgeRatio } : null,
    wires,
    boomStopM: boomStopOf(ask, at),
    padSideM: padAreaM2 === null ? null : Math.sqrt(padAreaM2),
    bearingKPa,
  };
}
