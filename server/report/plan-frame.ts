import type { SitePlan } from '#core/model';
import { outlinesOf } from '#core/takeoff';

/** A spot on paper. */
interface Spot {
  x: number;
  y: number;
}

/** A part of a pour as it lies on paper: its ring and its middle. */
interface Drawn {
  id: string;
  path: string;
  middle: Spot;
}

/** Parts of a site on a piece of paper: coordinates are fixed, never text from a file. */
export interface PlanFrame {
  parts: Drawn[];
  /** Paper units a metre. */
  scale: number;
  at: (p: Spot) => Spot;
}

/** A part has at least this length where all lie in one spot, m. */
const LEAST_M = 0.1;

/** What is between < > & " would be read as markup. */
export const escaped = (s: string): string => s.replace(/[<>&"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** Fits parts of a site into a piece of paper; null where none of them is drawn. */
export function planFrame(
  site: SitePlan,
  ids: readonly string[],
  paper: { width: number; height: number; pad: number },
): PlanFrame | null {
  const wanted = new Set(ids);
  const own = outlinesOf(site).filter((o) => wanted.has(o.id) && o.ring.length > 2);
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { ring } of own)
    for (const p of ring) {
      [x0, x1] = [Math.min(x0, p.x), Math.max(x1, p.x)];
      [y0, y1] = [Math.min(y0, p.y), Math.max(y1, p.y)];
    }
  if (own.length === 0) return null;
  const scale = Math.min(
    (paper.width - 2 * paper.pad) / Math.max(LEAST_M, x1 - x0),
    (paper.height - 2 * paper.pad) / Math.max(LEAST_M, y1 - y0),
  );
  const at = (p: Spot): Spot => ({
    x: Number((paper.pad + (p.x - x0) * scale).toFixed(2)),
    y: Number((paper.pad + (y1 - p.y) * scale).toFixed(2)),
  });
  const parts = own.map((o): Drawn => {
    const ring = o.ring.map(at);
    const mean = (of: keyof Spot) => ring.reduce((sum, p) => sum + p[of], 0) / ring.length;
    return {
      id: o.id,
      path: `M${ring.map((p) => `${p.x} ${p.y}`).join('L')}Z`,
      middle: { x: mean('x'), y: mean('y') },
    };
  });
  return { parts, scale, at };
}
