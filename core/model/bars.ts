import { KG_PER_LB, MM_PER_IN } from '#core/units';

/** A reinforcing bar: nominal diameter, area and mass. */
export interface Bar {
  name: string;
  diameterMm: number;
  areaMm2: number;
  massKgM: number;
}

/** ASTM A615/A615M-22 table A1.1: diameter in, area in², mass lb/ft. */
const US: [string, number, number, number][] = [
  ['#3', 0.375, 0.11, 0.376],
  ['#4', 0.5, 0.2, 0.668],
  ['#5', 0.625, 0.31, 1.043],
  ['#6', 0.75, 0.44, 1.502],
  ['#7', 0.875, 0.6, 2.044],
  ['#8', 1, 0.79, 2.67],
  ['#9', 1.128, 1, 3.4],
  ['#10', 1.27, 1.27, 4.303],
  ['#11', 1.41, 1.56, 5.313],
  ['#14', 1.693, 2.25, 7.65],
  ['#18', 2.257, 4, 13.6],
];
/** EN 10080 sizes; area and mass from the diameter at 7850 kg/m³. */
const METRIC = [6, 8, 10, 12, 14, 16, 20, 25, 28, 32, 40];
/** CSA G30.18: diameter mm, area mm², mass kg/m. */
const CANADIAN: [string, number, number, number][] = [
  ['10M', 11.3, 100, 0.785],
  ['15M', 16, 200, 1.57],
  ['20M', 19.5, 300, 2.355],
  ['25M', 25.2, 500, 3.925],
  ['30M', 29.9, 700, 5.495],
  ['35M', 35.7, 1000, 7.85],
  ['45M', 43.7, 1500, 11.775],
  ['55M', 56.4, 2500, 19.625],
];

const table = new Map<string, Bar>();
for (const [name, d, a, w] of US)
  table.set(name, {
    name,
    diameterMm: d * MM_PER_IN,
    areaMm2: a * MM_PER_IN ** 2,
    massKgM: (w * KG_PER_LB) / 0.3048,
  });
for (const d of METRIC) {
  const areaMm2 = (Math.PI * d * d) / 4;
  table.set(`${d}mm`, { name: `${d}mm`, diameterMm: d, areaMm2, massKgM: areaMm2 * 7850e-6 });
}
for (const [name, diameterMm, areaMm2, massKgM] of CANADIAN)
  table.set(name, { name, diameterMm, areaMm2, massKgM });

/** Every bar name the table knows: `#5`, `16mm`, `15M`. */
export const BAR_NAMES = [...table.keys()] as [string, ...string[]];

/** The bar of that name. Throws when the table has none: check names with {@link BAR_NAMES} at the edge. */
export function barNamed(name: string): Bar {
  const found = table.get(name);
  if (!found) throw new RangeError(`barNamed: no bar is called ${name}`);
  return found;
}

/** How thick the bars of a layer are, mm; 0 where there are none. */
export const barsMm = (layer: { bar: string } | null): number =>
  layer === null ? 0 : barNamed(layer.bar).diameterMm;
