import { expose } from 'comlink';
import {
  DxfParser,
  type IEntity,
  type ILineEntity,
  type ILwpolylineEntity,
  type IPolylineEntity,
} from 'dxf-parser';
import type { DrawingUnit, DrawnLine } from '#core/exchange';

export interface DrawingRead {
  lines: DrawnLine[];
  layers: { name: string; count: number }[];
  unit: DrawingUnit | null;
  leftOut: { type: string; count: number }[];
}

/** Units as the header of a drawing numbers them ($INSUNITS). */
const UNITS: Record<number, DrawingUnit> = { 1: 'in', 2: 'ft', 4: 'mm', 5: 'cm', 6: 'm' };

function linesOf(e: IEntity): DrawnLine[] | null {
  if (e.type !== 'LINE' && e.type !== 'LWPOLYLINE' && e.type !== 'POLYLINE') return null;
  const shape = e as ILineEntity | ILwpolylineEntity | IPolylineEntity;
  const closed = 'shape' in shape && shape.shape;
  const points =
    closed && shape.vertices[0] ? [...shape.vertices, shape.vertices[0]] : shape.vertices;
  return points.slice(1).flatMap((p, i) => {
    const a = points[i];
    return a && [a.x, a.y, p.x, p.y].every(Number.isFinite)
      ? [{ layer: e.layer, x1: a.x, y1: a.y, x2: p.x, y2: p.y }]
      : [];
  });
}

/** Reads a drawing off the page's thread; throws with a sentence when it is none. */
function read(text: string): DrawingRead {
  let dxf: ReturnType<DxfParser['parseSync']>;
  try {
    dxf = new DxfParser().parseSync(text);
  } catch {
    throw new Error(
      'That file cannot be read as a DXF drawing. Save it as ASCII DXF and try again.',
    );
  }
  if (!dxf || !Array.isArray(dxf.entities))
    throw new Error(
      'That file cannot be read as a DXF drawing. Save it as ASCII DXF and try again.',
    );
  const lines: DrawnLine[] = [];
  const left = new Map<string, number>();
  for (const e of dxf.entities) {
    const own = linesOf(e);
    if (own) lines.push(...own);
    else left.set(e.type, (left.get(e.type) ?? 0) + 1);
  }
  const layers = new Map<string, number>();
  for (const l of lines) layers.set(l.layer, (layers.get(l.layer) ?? 0) + 1);
  const header: unknown = dxf.header['$INSUNITS'];
  return {
    lines,
    layers: [...layers]
      .map(([name, count]) => ({ name, count }))
      .sort((a, b) => a.name.localeCompare(b.name)),
    unit: typeof header === 'number' ? (UNITS[header] ?? null) : null,
    leftOut: [...left].map(([type, count]) => ({ type, count })),
  };
}

const worker = { read };
export type DxfWorker = typeof worker;
expose(worker);
