import { z } from 'zod';
import { type SitePlan, sitePlanSchema } from '#core/model';
import { calculation, fig, madeOncePer } from '#core/kit';
import { bandsOf, elementsOf, type Element } from './bands.ts';
import { exposedLengths } from './geometry.ts';
import { ringArea } from './ring.ts';
import { stripsOf } from './strips.ts';

const amounts = { concreteM3: z.number(), formM2: z.number() };
const output = z.object({
  elements: z.array(z.object({ id: z.string(), ...amounts, lengthM: z.number() })),
  totals: z.object({
    ...amounts,
    footingM3: z.number(),
    wallM3: z.number(),
    padM3: z.number(),
    pierM3: z.number(),
  }),
});
export type Takeoff = z.output<typeof output>;

/** How much plan area an element has between two levels, m and m². */
interface AreaBand {
  lowM: number;
  highM: number;
  areaM2: number;
}

/** Forms on the head and sill of openings and pockets; no sill at the wall's bottom, no head at its top. */
function levelForms(site: SitePlan): Map<string, number> {
  const sums = new Map<string, number>();
  for (const s of stripsOf(site)) {
    let area = 0;
    for (const o of s.run.openings) {
      const deep = o.kind === 'pocket' ? (o.depthM ?? 0) : s.widthM;
      if (o.sillM > 1e-9) area += o.widthM * deep;
      if (s.bottomM + o.headM < s.topM - 1e-9) area += o.widthM * deep;
    }
    sums.set(s.run.id, area);
  }
  return sums;
}

/** Round piers are polygons in plan; their faces are put back to the circle's length. */
function roundness(site: SitePlan, e: Element): number {
  const pier = e.kind === 'pier' ? site.piers.find((p) => p.id === e.id) : undefined;
  if (pier?.diameterM === undefined) return 1;
  const step = (2 * Math.PI) / 180;
  const side = pier.diameterM * Math.sqrt(step / Math.sin(step)) * Math.sin(step / 2);
  return (Math.PI * pier.diameterM) / (side * 180);
}

/** The bands of every element, kept with the take-off they belong to. */
const bandsOfTakeoff = new WeakMap<Takeoff, ReadonlyMap<string, AreaBand[]>>();

/**
 * Neat concrete of an element between two heights above the datum, m³: its openings, ledge and
 * mitres taken off where they are.
 * @returns 0 for an element that the take-off does not know
 */
export function concreteBetween(
  of: Takeoff,
  elementId: string,
  fromM: number,
  toM: number,
): number {
  const bands = bandsOfTakeoff.get(of)?.get(elementId) ?? [];
  return bands.reduce(
    (sum, b) => sum + b.areaM2 * Math.max(0, Math.min(b.highM, toM) - Math.max(b.lowM, fromM)),
    0,
  );
}

/** Neat quantities of a site plan: volumes with every overlap counted once, and contact area of the forms. */
export function takeOff(site: SitePlan): Takeoff {
  const elements = elementsOf(site);
  const concrete = elements.map(() => 0);
  const areas = new Map<string, AreaBand[]>(elements.map((e) => [e.id, []]));
  const forms = elements.map(() => 0);
  for (const band of bandsOf(site)) {
    const height = band.highM - band.lowM;
    const exposed = exposedLengths(band.regions);
    elements.forEach((e, i) => {
      const area = (band.regions[i] ?? []).reduce((sum, ring) => sum + ringArea(ring), 0);
      concrete[i] = (concrete[i] ?? 0) + area * height;
      if (area > 0) areas.get(e.id)?.push({ lowM: band.lowM, highM: band.highM, areaM2: area });
      if (e.formed) forms[i] = (forms[i] ?? 0) + (exposed[i] ?? 0) * height * roundness(site, e);
    });
  }
  const level = levelForms(site);
  const rows = elements.map((e, i) => ({
    id: e.id,
    concreteM3: concrete[i] ?? 0,
    formM2: (forms[i] ?? 0) + (level.get(e.id) ?? 0),
    lengthM: e.lengthM,
  }));
  const sum = (kinds: Element['kind'][]) =>
    rows.reduce(
      (s, r, i) => (kinds.includes((elements[i] as Element).kind) ? s + r.concreteM3 : s),
      0,
    );
  const found: Takeoff = {
    elements: rows,
    totals: {
      concreteM3: rows.reduce((s, r) => s + r.concreteM3, 0),
      formM2: rows.reduce((s, r) => s + r.formM2, 0),
      footingM3: sum(['footing', 'gradeBeam']),
      wallM3: sum(['wall']),
      padM3: sum(['pad']),
      pierM3: sum(['pier']),
    },
  };
  bandsOfTakeoff.set(found, areas);
  return found;
}

/** The same, kept with its site: a plan is never changed in place. */
export const takeOffOf = madeOncePer<SitePlan, Takeoff>(takeOff);

export const takeoff = calculation({
  id: 'takeoff',
  title: 'Take-off',
  purpose:
    'Neat concrete volume, contact area of forms and length of every run, pad and pier of a site plan.',
  formula:
    'Σ over level bands of (plan area of the element, mitred at shared nodes, less openings, overlaps counted once) × height; forms: Σ exposed outline × height, and heads and sills.',
  source: 'Solid geometry; overlaps of outlines parted along straight lines',
  limits:
    'Straight runs of constant width between nodes. Neat volume only: over-dig, bulge, spill and what is left behind are added where the order is made up.',
  input: sitePlanSchema,
  output,
  compute(site, trace) {
    const result = takeOff(site);
    const strips = new Map(stripsOf(site).map((s) => [s.run.id, s]));
    for (const e of result.elements) {
      const s = strips.get(e.id);
      const less = s
        ? [s.run.openings.length ? 'openings' : '', s.run.step ? 'step' : '', 'corners']
            .filter(Boolean)
            .join(', ')
        : '';
      trace.step(
        `V ${e.id}`,
        s
          ? `${fig(e.lengthM)} × ${fig(s.widthM)} × ${fig(s.topM - s.bottomM)} m, with its ${less}`
          : 'plan area × height',
        e.concreteM3,
        'm³',
      );
      trace.step(`A ${e.id}`, 'exposed outline × height, and heads and sills', e.formM2, 'm²');
    }
    trace.step('V', 'sum of all elements', result.totals.concreteM3, 'm³');
    trace.step('A', 'exposed outline × height, and heads and sills', result.totals.formM2, 'm²');
    return result;
  },
});

/** Neat concrete of some elements of a site, m³: overlaps counted once over the whole site. */
export const concreteOf = (site: SitePlan, ids: ReadonlySet<string>): number =>
  takeOffOf(site)
    .elements.filter((e) => ids.has(e.id))
    .reduce((sum, e) => sum + e.concreteM3, 0);
