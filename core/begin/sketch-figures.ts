import { lengthOf, sitePlanShape, type SitePlan } from '#core/model';
import type { UnitSystem } from '#core/units';
import { takeOffOf } from '#core/takeoff';
import { drawSketch, type Sketch } from './drawn-shape.ts';
import { WANTED } from './shapes.ts';

/** What a sketch comes to so far. Neat: nothing for waste, overlaps counted once; m³, m², m. */
export interface SketchFigures {
  concreteM3: number;
  formM2: number;
  /** Of all that is drawn, middle to middle. */
  lengthM: number;
  /** Both diagonals of a ring of four corners; null for other shapes, and before it closes. */
  diagonalM: number | null;
  whole: boolean;
  /** Concrete once each of what is wanted has been typed, in that order, as far as it has been; and what each added. */
  after: { id: string; concreteM3: number; addedM3: number }[];
}

/** A sketch as a site that only its drawing is wanted of. @param only these elements of it; all where it is left out */
export function sketchSite(
  sketch: Sketch,
  units: UnitSystem,
  only?: ReadonlySet<string>,
): SitePlan {
  const { plan } = drawSketch(sketch);
  const keep = <T extends { id: string }>(list: T[]) =>
    only ? list.filter((x) => only.has(x.id)) : list;
  return sitePlanShape.parse({
    format: 'jactum.site/1',
    name: 'sketch',
    units,
    latitude: 0,
    longitude: 0,
    timeZone: 'UTC',
    ruleProfile: units === 'us' ? 'us-aci' : 'metric-en',
    ...plan,
    runs: keep(plan.runs),
    pads: keep(plan.pads),
  });
}

const knownVolume = (sketch: Sketch): number => {
  const site = sketchSite(sketch, 'metric', new Set(drawSketch(sketch).known));
  return site.runs.length + site.pads.length === 0 ? 0 : takeOffOf(site).totals.concreteM3;
};

/** What a sketch comes to, after each figure that was typed. */
export function sketchFigures(sketch: Sketch): SketchFigures {
  const { known, traced } = drawSketch(sketch);
  const site = sketchSite(sketch, 'metric', new Set(known));
  const { totals } = takeOffOf(site);
  const wanted = WANTED[sketch.shape].map((w) => w.id);
  let before = 0;
  const after = wanted.flatMap((id, i) => {
    if (sketch.typed[id] == null) return [];
    const typed = Object.fromEntries(wanted.slice(0, i + 1).map((w) => [w, sketch.typed[w]]));
    const concreteM3 = knownVolume({ ...sketch, typed });
    const addedM3 = concreteM3 - before;
    before = concreteM3;
    return [{ id, concreteM3, addedM3 }];
  });
  const square = (sketch.shape === 'ring' || sketch.shape === 'beam') && traced.whole;
  const [a, , , d] = traced.nodes;
  return {
    concreteM3: totals.concreteM3,
    formM2: totals.formM2,
    lengthM: site.runs
      .filter((r) => sketch.madeOf !== 'both' || r.kind !== 'wall')
      .reduce((sum, r) => sum + lengthOf(site, r), 0),
    diagonalM: square && a && d ? Math.hypot(d.xM - a.xM, d.yM - a.yM) : null,
    whole: traced.whole,
    after,
  };
}
