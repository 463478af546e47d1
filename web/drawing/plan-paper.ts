import { extent, scaleLinear, type ScaleLinear } from 'd3';
import type { SitePlan } from '#core/model';
import type { Box } from './free-spot.ts';

export interface PlanScale {
  x: ScaleLinear<number, number>;
  y: ScaleLinear<number, number>;
  pxPerM: number;
}
/** A run as it lies on the paper: its two ends in pixels, and the unit vectors along it and to its outside (right). */
export interface RunOnPaper {
  id: string;
  lengthM: number;
  a: [number, number];
  b: [number, number];
  along: [number, number];
  out: [number, number];
  lengthPx: number;
  halfWidthPx: number;
}

/** The sheet, what stands on it already, and of that what is written and not drawn. */
export interface Paper {
  sheet: Box;
  taken: readonly Box[];
  written: readonly Box[];
}

/**
 * How a plan is fitted on a sheet: `pad` px are kept free all round, `foot` px at its foot,
 * `marginM` beside the pour; `closer` is how it is zoomed.
 */
export interface Fit {
  width: number;
  height: number;
  pad: number;
  foot: number;
  marginM: number;
  closer?: {
    k: number;
    rescaleX: (s: ScaleLinear<number, number>) => ScaleLinear<number, number>;
    rescaleY: (s: ScaleLinear<number, number>) => ScaleLinear<number, number>;
  };
}

/** The scale at which corners of the pour, m, fill the sheet: the same both ways, north up. */
export function fitted(
  corners: { x: number; y: number }[],
  { width, height, pad, foot, marginM, closer }: Fit,
): PlanScale {
  const [ex0 = 0, ex1 = 1] = extent(corners.map((p) => p.x));
  const [ey0 = 0, ey1 = 1] = extent(corners.map((p) => p.y));
  const [x0, x1, y0, y1] = [ex0 - marginM, ex1 + marginM, ey0 - marginM, ey1 + marginM];
  const high = height - foot;
  const pxPerM = Math.max(
    0.1,
    Math.min((width - 2 * pad) / Math.max(0.1, x1 - x0), (high - 2 * pad) / Math.max(0.1, y1 - y0)),
  );
  const left = (width - (x1 - x0) * pxPerM) / 2;
  const top = (high - (y1 - y0) * pxPerM) / 2;
  const x = scaleLinear([x0, x1], [left, left + (x1 - x0) * pxPerM]);
  const y = scaleLinear([y1, y0], [top, top + (y1 - y0) * pxPerM]);
  return closer
    ? { x: closer.rescaleX(x), y: closer.rescaleY(y), pxPerM: pxPerM * closer.k }
    : { x, y, pxPerM };
}

/** The runs of a pour on that paper. */
export function runsOnPaper(
  site: SitePlan,
  mine: ReadonlySet<string>,
  scale: PlanScale,
): RunOnPaper[] {
  const nodes = new Map(site.nodes.map((n) => [n.id, n]));
  const widths = new Map<string, number>([
    ...site.footingTypes.map((x) => [x.mark, x.widthM] as const),
    ...site.wallTypes.map((x) => [x.mark, x.thicknessM] as const),
  ]);
  return site.runs
    .filter((r) => mine.has(r.id))
    .flatMap((r): RunOnPaper[] => {
      const a = nodes.get(r.from);
      const b = nodes.get(r.to);
      if (!a || !b) return [];
      const pa: [number, number] = [scale.x(a.xM), scale.y(a.yM)];
      const pb: [number, number] = [scale.x(b.xM), scale.y(b.yM)];
      const lengthPx = Math.hypot(pb[0] - pa[0], pb[1] - pa[1]) || 1;
      const along: [number, number] = [(pb[0] - pa[0]) / lengthPx, (pb[1] - pa[1]) / lengthPx];
      return [
        {
          id: r.id,
          lengthM: lengthPx / scale.pxPerM,
          a: pa,
          b: pb,
          along,
          out: [-along[1], along[0]],
          lengthPx,
          halfWidthPx: ((widths.get(r.type) ?? 0) * scale.pxPerM) / 2,
        },
      ];
    });
}
