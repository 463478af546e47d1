import { z } from 'zod';
import { anyNumber } from '#core/kit';
import { distanceText, lengthText, type UnitSystem } from '#core/units';

/**
 * What a measure can be, by what it measures: one table for files, the plan, the log and the pad.
 * Outside `least` to `most` it is refused; beyond `usual` it is asked about once more. Metres, or
 * millimetres where `mm` says so. House values: generous for any footing or wall of a building,
 * small enough that whatever is stored can be drawn.
 */
export interface Range {
  name: string;
  least: number;
  most: number;
  /** What it is on nearly every site. */
  usual: readonly [number, number];
  mm?: true;
}
const range = (
  name: string,
  least: number,
  most: number,
  usual: readonly [number, number],
): Range => ({ name, least, most, usual });
const inMm = (
  name: string,
  least: number,
  most: number,
  usual: readonly [number, number],
): Range => ({ name, least, most, usual, mm: true });

export const RANGES = {
  coordinate: range('a place on the plan', -5000, 5000, [-1000, 1000]),
  elevation: range('a level', -500, 9000, [-100, 5000]),
  runLength: range('a run', 0.02, 300, [0.3, 60]),
  footingWidth: range('a footing’s width', 0.1, 12, [0.25, 4]),
  footingDepth: range('a footing’s depth', 0.05, 5, [0.15, 1.5]),
  wallThickness: range('a wall’s thickness', 0.05, 3, [0.1, 0.8]),
  wallHeight: range('a wall’s height', 0.05, 15, [0.2, 6]),
  padSide: range('a pad’s side', 0.1, 60, [0.3, 10]),
  padDepth: range('a pad’s depth', 0.05, 5, [0.15, 2]),
  pierSide: range('a pier’s side', 0.05, 6, [0.15, 2]),
  pierHeight: range('a pier’s height', 0.05, 20, [0.2, 6]),
  openingSide: range('an opening', 0.01, 30, [0.05, 6]),
  offset: range('an offset', -10, 10, [-1, 1]),
  spacing: range('a spacing of bars', 0.025, 3, [0.05, 0.8]),
  cover: inMm('a cover', 0, 500, [10, 150]),
  boltDiameter: inMm('a bolt’s diameter', 4, 150, [8, 50]),
  embedment: inMm('an embedment', 10, 4000, [40, 1200]),
  projection: inMm('a projection', 0, 3000, [0, 400]),
  panel: range('a panel', 0.1, 12, [0.2, 3]),
  truck: range('a truck, m³', 0.1, 20, [1, 12]),
} as const satisfies Record<string, Range>;
export type RangeName = keyof typeof RANGES;

const unitOf = (r: Range): string => (r.mm ? 'mm' : 'm');

/** A field that holds a measure of this kind. */
export const measure = (kind: RangeName) => {
  const r: Range = RANGES[kind];
  const message = `must be from ${r.least} to ${r.most} ${unitOf(r)}`.replaceAll('-', '−');
  return anyNumber().gte(r.least, message).lte(r.most, message);
};

/** A measure as it is said on site: short ones as they are read off a tape. */
function measureText(value: number, r: Range, units: UnitSystem): string {
  if (r.mm) return lengthText(value, units);
  return Math.abs(value) < 1 ? lengthText(value * 1000, units) : distanceText(value, units);
}

/** How a typed measure is met: taken, asked about once more, or refused, with what is said. */
export type Met = { take: true } | { ask: string } | { refuse: string };

/** Judges a measure before it is taken. `value` in the range's own unit. */
export function meet(kind: RangeName, value: number, units: UnitSystem): Met {
  const r: Range = RANGES[kind];
  const said = measureText(value, r, units);
  if (!Number.isFinite(value) || value < r.least - 1e-9 || value > r.most + 1e-9)
    return {
      refuse: `${said} cannot be: ${r.name} is from ${measureText(r.least, r, units)} to ${measureText(r.most, r, units)}.`,
    };
  const [low, high] = r.usual;
  if (value < low - 1e-9 || value > high + 1e-9)
    return { ask: `${said}? Say again: press Enter once more if it is so.` };
  return { take: true };
}

/** As many of a thing as a site may hold: enough for any, few enough that all of it can be drawn. */
export const MOST = {
  types: 200,
  nodes: 4000,
  runs: 2000,
  pads: 1000,
  openings: 100,
  objects: 10_000,
  points: 10_000,
  pours: 500,
} as const;

/** A list of at most so many. */
export const atMostOf = <T extends z.ZodType>(item: T, most: number) =>
  z.array(item).max(most, `must hold at most ${most}`);
