import { meet, type RangeName } from '#core/model';
import type { UnitSystem } from '#core/units';
import type { MadeOf } from './drawn-shape.ts';
import type { Typed } from './given.ts';
import { type Shape, WANTED } from './shapes.ts';

/** Sizes that may be typed over the usual ones, m, each with what it can be. */
const SIZES = {
  footingWidthM: 'footingWidth',
  footingDepthM: 'footingDepth',
  wallThicknessM: 'wallThickness',
  wallHeightM: 'wallHeight',
  padWidthM: 'padSide',
  padLengthM: 'padSide',
  padDepthM: 'padDepth',
} as const satisfies Record<string, RangeName>;
export type Sizes = { [Name in keyof typeof SIZES]?: number };

export type SizeName = keyof Sizes;

/** Which sizes a shape wants of what it is made of. */
export function sizesWanted(shape: Shape, madeOf: MadeOf): SizeName[] {
  if (shape === 'pads') return ['padWidthM', 'padLengthM', 'padDepthM'];
  const footings = shape === 'beam' || madeOf !== 'wall';
  const walls = shape !== 'beam' && madeOf !== 'footing';
  return [
    ...(footings ? (['footingWidthM', 'footingDepthM'] as const) : []),
    ...(walls ? (['wallThicknessM', 'wallHeightM'] as const) : []),
  ];
}

/** What was typed, parted into what can be drawn, and why the rest cannot, by what it is called. */
export interface Judged<Given> {
  can: Given;
  wrong: Record<string, string>;
}

function judged<Given extends Readonly<Record<string, number | null | undefined>>>(
  given: Given,
  rangeOf: (name: string) => RangeName | null,
  units: UnitSystem,
): Judged<Given> {
  const wrong: Record<string, string> = {};
  for (const [name, value] of Object.entries(given)) {
    const range = rangeOf(name);
    if (value == null || range === null) continue;
    const met = meet(range, value, units);
    if ('refuse' in met) wrong[name] = met.refuse;
  }
  const can = Object.entries(given).filter(([name]) => !(name in wrong));
  return { can: Object.fromEntries(can) as Given, wrong };
}

/** Sizes typed over the usual ones: half typed, a figure is often none that can be. */
export const judgeSizes = (sizes: Sizes, units: UnitSystem): Judged<Sizes> =>
  judged(sizes, (name) => SIZES[name as keyof typeof SIZES] ?? null, units);

/** Lengths of a shape off the tape. Counts are judged where they are counted. */
export const judgeTyped = (shape: Shape, typed: Typed, units: UnitSystem): Judged<Typed> => {
  const lengths = new Set(WANTED[shape].flatMap((w) => (w.kind === 'length' ? [w.id] : [])));
  return judged(typed, (name) => (lengths.has(name) ? 'runLength' : null), units);
};
