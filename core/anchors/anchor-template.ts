import { z } from 'zod';
import { anyNumber, calculation, fig, positive } from '#core/kit';
import { BASE_TOLERANCES } from './base-bolts.ts';

const EPS = 1e-9;

const bolt = z.object({
  id: z.string().min(1),
  xMm: anyNumber(),
  yMm: anyNumber(),
  zMm: anyNumber().default(0),
});
type Bolt = z.output<typeof bolt>;

const mean = (list: number[]): number => list.reduce((s, x) => s + x, 0) / list.length;
const centroid = (bolts: readonly Bolt[]) => ({
  x: mean(bolts.map((b) => b.xMm)),
  y: mean(bolts.map((b) => b.yMm)),
});

/** Greatest difference of a distance between two bolts, over all pairs, mm. */
function worstPair(wanted: readonly Bolt[], asSet: readonly Bolt[]): number {
  const apart = (list: readonly Bolt[], i: number, k: number) => {
    const [a, b] = [list[i] as Bolt, list[k] as Bolt];
    return Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm);
  };
  let worst = 0;
  for (let i = 0; i < wanted.length; i += 1)
    for (let k = i + 1; k < wanted.length; k += 1)
      worst = Math.max(worst, Math.abs(apart(asSet, i, k) - apart(wanted, i, k)));
  return worst;
}

const input = z
  .object({
    wanted: z.array(bolt).min(2, 'needs two bolts or more').max(200, 'must hold at most 200'),
    asSet: z.array(bolt).min(2, 'needs two bolts or more').max(200, 'must hold at most 200'),
    centreMm: positive().default(BASE_TOLERANCES.centreMm),
    groupMm: positive().default(BASE_TOLERANCES.groupMm),
    topMm: positive().default(BASE_TOLERANCES.topMm),
  })
  .superRefine((v, ctx) => {
    const say = (path: (string | number)[], message: string) => {
      ctx.addIssue({ code: 'custom', path, message });
    };
    for (const list of ['wanted', 'asSet'] as const) {
      const seen = new Set<string>();
      v[list].forEach((b, i) => {
        if (seen.has(b.id)) say([list, i, 'id'], `${b.id} is used twice`);
        seen.add(b.id);
      });
    }
    const wanted = new Set(v.wanted.map((b) => b.id));
    v.asSet.forEach((b, i) => {
      if (!wanted.has(b.id)) say(['asSet', i, 'id'], `${b.id} is not wanted`);
    });
    const set = new Set(v.asSet.map((b) => b.id));
    const missing = v.wanted.find((b) => !set.has(b.id));
    if (missing) say(['asSet'], `lacks ${missing.id}`);
  });

/** Bolts of a machine, mast or column base, as they stand against the drawing. */
export const anchorTemplate = calculation({
  id: 'anchor-template',
  title: 'Bolts of a base',
  purpose:
    'How far a group of bolts stands off its place, turned, apart and out of level, while it can still be moved.',
  formula:
    'shift = centroid as set − wanted; turn by least squares about the centroids; residual = what is left of each bolt; pair = |distance as set − wanted|; top = z as set − wanted',
  source: 'AISC 303-22 §7.5',
  limits: 'Bolts of one rigid base. Whoever delivers the machine or column says what it takes.',
  input,
  output: z.object({
    shiftXMm: z.number(),
    shiftYMm: z.number(),
    rotationDeg: z.number(),
    residuals: z.array(z.object({ id: z.string(), mm: z.number() })),
    worstPairMm: z.number(),
    tops: z.array(z.object({ id: z.string(), mm: z.number() })),
    tiltMm: z.number(),
    fails: z.array(z.enum(['pair', 'group', 'top'])),
    verdict: z.enum(['ok', 'off']),
  }),
  compute(v, trace) {
    const asSet = v.wanted.map((w) => v.asSet.find((b) => b.id === w.id) as Bolt);
    const [want, got] = [centroid(v.wanted), centroid(asSet)];
    const [shiftXMm, shiftYMm] = [got.x - want.x, got.y - want.y];
    const arms = v.wanted.map((w, i) => {
      const s = asSet[i] as Bolt;
      return {
        id: w.id,
        px: w.xMm - want.x,
        py: w.yMm - want.y,
        qx: s.xMm - got.x,
        qy: s.yMm - got.y,
      };
    });
    const turn = Math.atan2(
      arms.reduce((sum, a) => sum + a.px * a.qy - a.py * a.qx, 0),
      arms.reduce((sum, a) => sum + a.px * a.qx + a.py * a.qy, 0),
    );
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    const residuals = arms.map((a) => ({
      id: a.id,
      mm: Math.hypot(a.qx - (cos * a.px - sin * a.py), a.qy - (sin * a.px + cos * a.py)),
    }));
    const worstPairMm = worstPair(v.wanted, asSet);
    const tops = v.wanted.map((w, i) => ({ id: w.id, mm: (asSet[i] as Bolt).zMm - w.zMm }));
    const heights = tops.map((t) => t.mm);
    const tiltMm = Math.max(...heights) - Math.min(...heights);
    const over = (x: number, limit: number) => x > limit * (1 + EPS);
    const fails = [
      ...(over(worstPairMm, v.centreMm) ? (['pair'] as const) : []),
      ...(over(Math.hypot(shiftXMm, shiftYMm), v.groupMm) ? (['group'] as const) : []),
      ...(heights.some((h) => over(Math.abs(h), v.topMm)) ? (['top'] as const) : []),
    ];
    const rotationDeg = (turn * 180) / Math.PI;
    trace.step(
      'shift',
      `east ${fig(shiftXMm)}, north ${fig(shiftYMm)}`,
      Math.hypot(shiftXMm, shiftYMm),
      'mm',
    );
    trace.step('turn', 'least squares, anticlockwise', rotationDeg, '°');
    trace.step(
      'worst pair',
      `of ${v.wanted.length} bolts, allowed ${fig(v.centreMm)}`,
      worstPairMm,
      'mm',
    );
    trace.step('tops', 'highest less lowest', tiltMm, 'mm');
    return {
      shiftXMm,
      shiftYMm,
      rotationDeg,
      residuals,
      worstPairMm,
      tops,
      tiltMm,
      fails,
      verdict: fails.length ? ('off' as const) : ('ok' as const),
    };
  },
});
