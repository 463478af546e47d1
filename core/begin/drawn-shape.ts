import {
  type FootingType,
  type Pad,
  padSchema,
  roundM,
  type Run,
  runSchema,
  type WallType,
} from '#core/model';
import type { Drawn } from '#core/siteplan';
import type { Typed } from './given.ts';
import { type LengthsTo, type Shape, traceShape, type Traced } from './shapes.ts';

/** What the runs of a shape are made of. */
export const MADE_OF = ['footing', 'wall', 'both'] as const;
export type MadeOf = (typeof MADE_OF)[number];

/** A first plan as it is being typed. */
export interface Sketch {
  shape: Shape;
  /** A beam is always a beam and pads always pads: there it does not matter. */
  madeOf: MadeOf;
  to: LengthsTo;
  typed: Typed;
  footing: FootingType;
  wall: WallType;
  wallHeightM: number;
  pad: Omit<Pad, 'id' | 'xM' | 'yM' | 'bottomM'>;
}

/** The plan lists of a sketch, and which of its elements are decided by what is typed. */
export interface Sketched {
  plan: Pick<Drawn, 'footingTypes' | 'wallTypes' | 'nodes' | 'runs' | 'pads'>;
  traced: Traced;
  known: string[];
}

/** Width of what the lengths of a sketch are read to, m. */
const readTo = ({ shape, madeOf, footing, wall, pad }: Sketch): number => {
  if (shape === 'pads') return Math.max(pad.widthM, pad.lengthM);
  return madeOf === 'footing' || shape === 'beam' ? footing.widthM : wall.thicknessM;
};

/**
 * A sketch as a plan: the top of footings, pads and beams at 0, walls standing on it. Footings
 * under walls are called by the wall with an F before it. Real levels come after, on the Set out
 * station.
 */
export function drawSketch(sketch: Sketch): Sketched {
  const { shape, madeOf, typed, to, footing, wall, wallHeightM, pad } = sketch;
  const traced = traceShape(shape, typed, readTo(sketch), to);
  const beam = shape === 'beam';
  const pads = traced.spots.map((spot, i) =>
    padSchema.parse({ ...pad, ...spot, id: `K${i + 1}`, bottomM: -pad.depthM }),
  );
  const footings = beam || madeOf !== 'wall';
  const walls = !beam && madeOf !== 'footing';
  const noun = beam ? 'beam' : 'footing';
  const under = traced.sides.map((s): Run => {
    const { known: _k, name, ...ends } = s;
    return runSchema.parse({
      ...ends,
      id: walls ? `F${s.id}` : s.id,
      kind: beam ? 'gradeBeam' : 'footing',
      type: footing.mark,
      bottomM: -footing.depthM,
      label: `${name} ${noun}`,
    });
  });
  const over = traced.sides.map((s): Run => {
    const { known: _k, name, ...ends } = s;
    return runSchema.parse({
      ...ends,
      kind: 'wall',
      type: wall.mark,
      bottomM: 0,
      topM: wallHeightM,
      label: `${name} wall`,
    });
  });
  const runs = [...(footings ? under : []), ...(walls ? over : [])];
  const known = new Set(traced.sides.filter((s) => s.known).map((s) => s.id));
  const nothingTyped = Object.values(typed).every((v) => v == null);
  return {
    plan: {
      footingTypes: shape !== 'pads' && footings ? [footing] : [],
      wallTypes: shape !== 'pads' && walls ? [wall] : [],
      nodes: traced.nodes.map((n) => ({ ...n, xM: roundM(n.xM), yM: roundM(n.yM) })),
      runs,
      pads,
    },
    traced,
    known:
      shape === 'pads'
        ? pads.filter(() => !nothingTyped).map((p) => p.id)
        : runs
            .filter((_, i) => known.has(traced.sides[i % traced.sides.length]?.id ?? ''))
            .map((r) => r.id),
  };
}
