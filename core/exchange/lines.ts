import { elementIds, type FootingType, roundM, type Run, type WallType } from '#core/model';
import { type Drawn, freeName, RUN_STEM, typeMarks } from '#core/siteplan';

/** A straight piece of a drawing, in the drawing's own unit. */
export interface DrawnLine {
  layer: string;
  x1: number;
  y1: number;
  x2: number;
  y2: number;
}

/** What the lines of a layer become. */
export interface LayerUse {
  kind: Run['kind'];
  type: string;
  bottomM: number;
  topM?: number;
}

/** Units a drawing may be in, and how many metres one is. */
export const DRAWING_UNITS = { mm: 0.001, cm: 0.01, m: 1, in: 0.0254, ft: 0.3048 } as const;
export type DrawingUnit = keyof typeof DRAWING_UNITS;

/** Ends closer than this are the same node, m. */
const JOIN_M = 0.02;
/** Shorter than this is a speck of the drawing and not a run, m. */
const SPECK_M = 0.05;

export interface LinesRead {
  plan: Drawn;
  added: string[];
  specks: number;
  doubles: number;
}

/** Runs along the lines of a drawing, joined where ends meet, on top of what is there already. */
export function runsFromLines(
  plan: Drawn,
  lines: DrawnLine[],
  layers: Record<string, LayerUse | undefined>,
  unit: DrawingUnit,
  pour: string | null,
): LinesRead {
  const k = DRAWING_UNITS[unit];
  const nodes = plan.nodes.map((n) => ({ ...n }));
  const taken = new Set(nodes.map((n) => n.id));
  // A grid of the size of the join finds the node that is near without looking at all of them.
  const nodeNear = nodeFinder(nodes, taken);
  const names = new Set([...elementIds(plan), ...typeMarks(plan)]);
  const pairs = new Set(plan.runs.map((r) => [r.kind, ...[r.from, r.to].sort()].join('|')));
  const runs: Run[] = [];
  let [specks, doubles] = [0, 0];
  for (const l of lines) {
    const use = layers[l.layer];
    if (!use) continue;
    const short = Math.hypot(l.x2 - l.x1, l.y2 - l.y1) * k < SPECK_M;
    const from = short ? '' : nodeNear(l.x1 * k, l.y1 * k);
    const to = short ? '' : nodeNear(l.x2 * k, l.y2 * k);
    if (from === to) {
      specks += 1;
      continue;
    }
    const pair = [use.kind, ...[from, to].sort()].join('|');
    if (pairs.has(pair)) {
      doubles += 1;
      continue;
    }
    pairs.add(pair);
    const id = freeName(RUN_STEM[use.kind], names);
    names.add(id);
    const { kind, type, bottomM } = use;
    const top = use.topM === undefined ? {} : { topM: use.topM };
    runs.push({ id, kind, type, from, to, offsetM: 0, bottomM, ...top, step: null, openings: [] });
  }
  const added = runs.map((r) => r.id);
  return {
    plan: {
      ...plan,
      nodes,
      runs: [...plan.runs, ...runs],
      pours: plan.pours.map((p) =>
        p.code === pour ? { ...p, elements: [...p.elements, ...added] } : p,
      ),
    },
    added,
    specks,
    doubles,
  };
}

/**
 * Finds the node that is near a spot, or makes one there. A grid of the size of the join finds it
 * without looking at all.
 */
function nodeFinder(nodes: { id: string; xM: number; yM: number }[], taken: Set<string>) {
  const cell = (x: number, y: number) => `${Math.floor(x / JOIN_M)}:${Math.floor(y / JOIN_M)}`;
  const grid = new Map<string, typeof nodes>();
  const enter = (n: (typeof nodes)[number]) => {
    const c = cell(n.xM, n.yM);
    grid.set(c, [...(grid.get(c) ?? []), n]);
  };
  nodes.forEach(enter);
  let next = 1;
  const nodeNear = (xM: number, yM: number): string => {
    for (const dx of [-1, 0, 1])
      for (const dy of [-1, 0, 1]) {
        const found = grid
          .get(cell(xM + dx * JOIN_M, yM + dy * JOIN_M))
          ?.find((n) => Math.hypot(n.xM - xM, n.yM - yM) <= JOIN_M);
        if (found) return found.id;
      }
    while (taken.has(`PT${next}`)) next += 1;
    const node = { id: `PT${next}`, xM: roundM(xM), yM: roundM(yM) };
    taken.add(node.id);
    nodes.push(node);
    enter(node);
    return node.id;
  };
  return nodeNear;
}

/** What a layer most likely is, by its name: a type's mark in it, or the words footing and wall. Null leaves it out. */
export function guessLayer(
  layer: string,
  types: { footingTypes: FootingType[]; wallTypes: WallType[] },
): { kind: Run['kind']; type: string } | null {
  const words = layer.toLowerCase().split(/[^a-z0-9]+/);
  const wall = types.wallTypes.find((t) => words.includes(t.mark.toLowerCase()));
  if (wall) return { kind: 'wall', type: wall.mark };
  const footing = types.footingTypes.find((t) => words.includes(t.mark.toLowerCase()));
  if (footing) return { kind: 'footing', type: footing.mark };
  if (words.some((w) => /^walls?$/.test(w)) && types.wallTypes[0])
    return { kind: 'wall', type: types.wallTypes[0].mark };
  if (words.some((w) => /^(footings?|foundations?|strip)$/.test(w)) && types.footingTypes[0])
    return { kind: 'footing', type: types.footingTypes[0].mark };
  return null;
}
