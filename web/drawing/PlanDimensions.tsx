import type { SitePlan } from '#core/model';
import { cornersOf } from '#core/setout';
import { distanceText } from '#core/units';
import { Dimension } from './Dimension.tsx';
import { textWidth, type Box } from './free-spot.ts';
import { gridLines } from './grid-lines.ts';
import type { PlanScale } from './plan-paper.ts';

/** A dimension of the plan on the paper, and the paper its figure and its line take. */
export interface DimensionString {
  x1: number;
  y1: number;
  x2: number;
  y2: number;
  text: string;
  side: 1 | -1;
  box: Box;
  line: Box;
}

const SIZE = 15;
/** A stretch shorter than this is left out of a chain, px. */
const LEAST_PX = 26;
const SAME_M = 0.01;

/** Lines that bound and divide a plan in one direction: where its nodes end, and the grid lines between. */
function stations(ends: number[], grid: number[]): number[] {
  const [low, high] = [Math.min(...ends), Math.max(...ends)];
  return [
    low,
    ...grid.filter((m) => m > low + SAME_M && m < high - SAME_M).sort((a, b) => a - b),
    high,
  ];
}

/**
 * Dimension strings of a pour: grid line to grid line above and at the left; what they come to
 * below and at the right, with the diagonals where they hold all of it.
 */
export function dimensionStrings(
  site: SitePlan,
  elements: string[],
  scale: PlanScale,
  sheet: { width: number; height: number; pad: number; close: boolean },
): DimensionString[] {
  const mine = new Set(elements);
  const used = new Set(site.runs.filter((r) => mine.has(r.id)).flatMap((r) => [r.from, r.to]));
  const nodes = site.nodes.filter((n) => used.has(n.id));
  if (nodes.length < 2) return [];
  const lines = gridLines(site, elements);
  const [xs, ys] = [
    stations(
      nodes.map((n) => n.xM),
      lines.across.map((l) => l.m),
    ),
    stations(
      nodes.map((n) => n.yM),
      lines.up.map((l) => l.m),
    ),
  ];
  const far = Math.min(30, sheet.pad * 0.52);
  const [left, right, top, bottom] = [
    scale.x(xs[0] ?? 0),
    scale.x(xs.at(-1) ?? 0),
    scale.y(ys.at(-1) ?? 0),
    scale.y(ys[0] ?? 0),
  ];
  // Looked at closely, the strings stay at the edge of the sheet.
  const [atTop, atLeft] = sheet.close ? [24, 34] : [top - far, left - far];
  const level = (a: number, b: number, y: number, text: string): DimensionString => {
    const w = textWidth(text, SIZE);
    return {
      x1: scale.x(a),
      y1: y,
      x2: scale.x(b),
      y2: y,
      text,
      side: 1,
      box: { x: (scale.x(a) + scale.x(b) - w) / 2, y: y - SIZE - 6, w, h: SIZE + 10 },
      line: { x: scale.x(a), y: y - 2, w: scale.x(b) - scale.x(a), h: 4 },
    };
  };
  const upright = (a: number, b: number, x: number, text: string): DimensionString => {
    const w = textWidth(text, SIZE);
    return {
      x1: x,
      y1: scale.y(b),
      x2: x,
      y2: scale.y(a),
      text,
      side: 1,
      box: { x: x - SIZE - 6, y: (scale.y(a) + scale.y(b) - w) / 2, w: SIZE + 10, h: w },
      line: { x: x - 2, y: scale.y(b), w: 4, h: scale.y(a) - scale.y(b) },
    };
  };
  const chain = (at: number[], make: (a: number, b: number) => DimensionString) =>
    at.slice(1).flatMap((b, i) => {
      const a = at[i] ?? b;
      return (b - a) * scale.pxPerM >= LEAST_PX ? [make(a, b)] : [];
    });
  const whole = (at: number[]) => (at.at(-1) ?? 0) - (at[0] ?? 0);
  const [wide, high] = [whole(xs), whole(ys)];
  const rectangle =
    elements.length <= 60
      ? cornersOf(site, elements).find(
          (f) => Math.abs(f.diagonalM - Math.hypot(wide, high)) < SAME_M,
        )
      : undefined;
  const total = `${distanceText(wide, site.units)}${rectangle ? `, diagonals ${distanceText(rectangle.diagonalM, site.units)}` : ''}`;
  return [
    ...(wide > 0.5 ? chain(xs, (a, b) => level(a, b, atTop, distanceText(b - a, site.units))) : []),
    ...(high > 0.5
      ? chain(ys, (a, b) => upright(a, b, atLeft, distanceText(b - a, site.units)))
      : []),
    ...(wide > 0.5 && (xs.length > 2 || rectangle) && !sheet.close
      ? [level(xs[0] ?? 0, xs.at(-1) ?? 0, bottom + far + 8, total)]
      : []),
    ...(high > 0.5 && ys.length > 2 && !sheet.close
      ? [
          upright(
            ys[0] ?? 0,
            ys.at(-1) ?? 0,
            Math.min(right + far + 54, sheet.width - 6),
            distanceText(high, site.units),
          ),
        ]
      : []),
  ];
}

export function PlanDimensions({ strings }: { strings: DimensionString[] }) {
  return strings.map((s) => (
    <Dimension
      key={`${s.x1} ${s.y1} ${s.x2} ${s.y2}`}
      x1={s.x1}
      y1={s.y1}
      x2={s.x2}
      y2={s.y2}
      text={s.text}
      side={s.side}
    />
  ));
}
