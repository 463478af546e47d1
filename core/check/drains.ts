import type { z } from 'zod';
import type { Embed, PourDoc, SitePlan } from '#core/model';
import { resultOf } from '#core/kit';
import { drainPitch } from '#core/setout';
import type { Levels } from './levels.ts';

/** Inverts are read at least this close along a drain, m (6 m: trade practice). */
const READ_EVERY_M = 6.096;

/** A spot of a drain whose invert is read with the rod. */
export interface DrainPoint {
  id: string;
  drain: Embed;
  atM: number;
  xM: number;
  yM: number;
}

/**
 * Where the inverts of the drains of a pour are read: both ends and evenly between. A drain without
 * an end on the plan is left out.
 */
export function drainPoints(site: SitePlan, pour: Pick<PourDoc, 'elements'>): DrainPoint[] {
  return site.embeds.flatMap((drain): DrainPoint[] => {
    const run = site.runs.find((r) => r.id === drain.elementId);
    const [a, b] = [
      site.nodes.find((n) => n.id === run?.from),
      site.nodes.find((n) => n.id === run?.to),
    ];
    if (
      drain.kind !== 'drain' ||
      drain.toM === undefined ||
      !a ||
      !b ||
      !pour.elements.includes(drain.elementId)
    )
      return [];
    const lengthM = Math.hypot(b.xM - a.xM, b.yM - a.yM) || 1;
    const spans = Math.max(1, Math.ceil((drain.toM - drain.atM) / READ_EVERY_M - 1e-9));
    return Array.from({ length: spans + 1 }, (_, i) => {
      const atM = drain.atM + (((drain.toM ?? drain.atM) - drain.atM) * i) / spans;
      return {
        id: `${drain.id}/invert/${i + 1}`,
        drain,
        atM,
        xM: a.xM + ((b.xM - a.xM) * atM) / lengthM,
        yM: a.yM + ((b.yM - a.yM) * atM) / lengthM,
      };
    });
  });
}

/** An invert as read, m. It is out when a stretch on either side of it is; unread until there is a stretch to judge. */
export interface DrainInvert {
  point: DrainPoint;
  levelM: number | null;
  verdict: 'unread' | 'good' | 'out';
}

/** A drain as read: where it falls to, and how steep each stretch is; `input` null until two inverts are read. */
export interface DrainFall {
  drain: Embed;
  inverts: DrainInvert[];
  input: { inverts: { atM: number; levelM: number }[]; leastPitchRatio: number } | null;
  result: z.output<(typeof drainPitch)['output']> | null;
  /** It runs against the direction of its run. */ backward: boolean;
}

/**
 * The fall of every drain of a pour, from the newest reading of each invert. Water runs from the
 * end that is higher.
 */
export function drainFalls(
  site: SitePlan,
  pour: Pick<PourDoc, 'elements'>,
  levels: Levels,
  leastPitchRatio: number,
): DrainFall[] {
  const points = drainPoints(site, pour);
  return [...new Set(points.map((p) => p.drain))].map((drain) => {
    const unjudged = points
      .filter((p) => p.drain === drain)
      .map((point): DrainInvert => ({
        point,
        levelM: levels.points.get(point.id) ?? null,
        verdict: 'unread',
      }));
    const read = unjudged.flatMap(({ point, levelM }) =>
      levelM === null ? [] : [{ point, levelM }],
    );
    const [first, last] = [read[0], read.at(-1)];
    if (!first || !last || read.length < 2)
      return { drain, inverts: unjudged, input: null, result: null, backward: false };
    const backward = last.levelM > first.levelM;
    // Stations count from the end the water leaves.
    const flow = backward ? [...read].reverse() : read;
    const stationM = (p: DrainPoint): number =>
      backward ? last.point.atM - p.atM : p.atM - first.point.atM;
    const input = {
      inverts: flow.map((r) => ({ atM: stationM(r.point), levelM: r.levelM })),
      leastPitchRatio,
    };
    const result = resultOf(drainPitch, input);
    const inverts = unjudged.map((p): DrainInvert => {
      const k = flow.findIndex((r) => r.point === p.point);
      return k < 0
        ? p
        : {
            ...p,
            verdict: [result.spans[k - 1], result.spans[k]].some((s) => s && s.verdict !== 'ok')
              ? 'out'
              : 'good',
          };
    });
    return { drain, inverts, input, result, backward };
  });
}
