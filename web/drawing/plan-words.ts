import { typeChanges } from '#core/check';
import { type SitePlan, type Stand, standsOf, typesByElement } from '#core/model';
import { stepFlights } from '#core/siteplan';
import { distanceText } from '#core/units';
import { flagText } from './flag-text.ts';
import { freeSpot, textWidth, type Box } from './free-spot.ts';
import type { Paper, PlanScale, RunOnPaper } from './plan-paper.ts';

interface Name extends Box {
  id: string;
  type: string;
  size: number;
}

export interface FlagOnPaper extends Box {
  id: string;
  text: string;
  nodeX: number;
  nodeY: number;
  toLeft: boolean;
}

interface StepOnPaper {
  ticks: [number, number, number, number][];
  words: (Box & { text: string }) | null;
}

/** Everything that is written on a plan, each where nothing else stands, and the paper with it. */
export interface PlanText {
  names: Name[];
  flags: FlagOnPaper[];
  steps: StepOnPaper[];
  paper: Paper;
}

/** Flags on one plan at most: more could not be told apart. */
const MOST_FLAGS = 8;

const FLAG_H = 24;

const runBox = (r: RunOnPaper): Box[] => {
  const level = Math.abs(r.along[1]) < 0.02;
  if (!level && Math.abs(r.along[0]) >= 0.02) return [];
  const [x0, y0, x1, y1] = [
    Math.min(r.a[0], r.b[0]),
    Math.min(r.a[1], r.b[1]),
    Math.max(r.a[0], r.b[0]),
    Math.max(r.a[1], r.b[1]),
  ];
  const half = Math.max(3, r.halfWidthPx);
  return [{ x: x0 - half, y: y0 - half, w: x1 - x0 + 2 * half, h: y1 - y0 + 2 * half }];
};

/**
 * Where a run's name may stand: below or right of its middle first, then on its other side, then
 * nearer to its ends.
 */
function nameSpots(r: RunOnPaper, w: number, h: number): Box[] {
  const level = Math.abs(r.along[0]) > 0.7;
  return [0.5, 0.3, 0.7, 0.15, 0.85].flatMap((share) => {
    const [x, y] = [r.a[0] + (r.b[0] - r.a[0]) * share, r.a[1] + (r.b[1] - r.a[1]) * share];
    const off = r.halfWidthPx + 6;
    return level
      ? [
          { x: x - w / 2, y: y + off - 2, w, h },
          { x: x - w / 2, y: y - off - h + 2, w, h },
        ]
      : [
          { x: x + off + 7, y: y - h / 2, w, h },
          { x: x - off - 7 - w, y: y - h / 2, w, h },
        ];
  });
}

/** Changes of type at their joints, each where it hides nothing; `taken` grows by them. */
function flagsOf(
  site: SitePlan,
  elements: string[],
  scale: PlanScale,
  runs: RunOnPaper[],
  taken: Box[],
  sheet: Paper['sheet'],
): FlagOnPaper[] {
  const nodes = new Map(site.nodes.map((n) => [n.id, n]));
  return typeChanges(site, elements)
    .slice(0, MOST_FLAGS)
    .flatMap((c): FlagOnPaper[] => {
      const n = nodes.get(c.nodeId);
      if (!n) return [];
      const [x, y] = [scale.x(n.xM), scale.y(n.yM)];
      const text = flagText(c);
      const w = text.length * 8 + 24;
      // Towards the side the run that takes over lies on, as near to its joint as there is room.
      const to = runs.find((r) => r.id === c.toRun);
      const sign = to && (to.a[1] + to.b[1]) / 2 < y - 2 ? -1 : 1;
      const clear = Math.max(
        12,
        6 +
          Math.max(
            0,
            ...runs.filter((r) => r.id === c.fromRun || r.id === c.toRun).map((r) => r.halfWidthPx),
          ),
      );
      const spots = [0, 1, -1, 2].flatMap((k) =>
        [true, false].map((toLeft) => ({
          x: toLeft ? x - clear - w : x + clear,
          y: y - FLAG_H / 2 + sign * k * (FLAG_H + 3),
          w,
          h: FLAG_H,
          toLeft,
        })),
      );
      const prefer = spots.sort(
        (a, b) =>
          Math.abs(a.y - y + FLAG_H / 2) - Math.abs(b.y - y + FLAG_H / 2) ||
          Number(a.toLeft !== x > sheet.w / 2) - Number(b.toLeft !== x > sheet.w / 2),
      );
      const free = freeSpot(prefer, taken, sheet);
      const spot = free ?? prefer[0];
      if (!free && spot) taken.push(spot);
      return spot ? [{ ...spot, id: c.id, text, nodeX: x, nodeY: y }] : [];
    });
}

/** Names of runs, pads and piers, where there is room for them. */
function namesOf(
  site: SitePlan,
  runs: RunOnPaper[],
  stands: Stand[],
  scale: PlanScale,
  taken: Box[],
  sheet: Paper['sheet'],
): Name[] {
  const types = typesByElement(site);
  const names: Name[] = [];
  for (const r of runs) {
    const type = types.get(r.id) ?? '';
    if (r.lengthPx < 40) continue;
    const w = textWidth(r.id, 21) + textWidth(type, 16) + 4;
    const spot = freeSpot(nameSpots(r, w, 24), taken, sheet);
    if (spot) names.push({ ...spot, id: r.id, type, size: 22 });
  }
  for (const s of stands) {
    const [x, y, half, w] = [
      scale.x(s.xM),
      scale.y(s.yM),
      (s.widthM * scale.pxPerM) / 2,
      textWidth(s.id, 18),
    ];
    const spot = freeSpot(
      [
        { x: x + half + 5, y: y - 10, w, h: 20 },
        { x: x - half - 5 - w, y: y - 10, w, h: 20 },
        { x: x - w / 2, y: y + half + 3, w, h: 20 },
      ],
      taken,
      sheet,
    );
    if (spot) names.push({ ...spot, id: s.id, type: '', size: 18 });
  }
  return names;
}

/** Flights of steps, and how high each step is. */
function stepsOf(
  site: SitePlan,
  elements: string[],
  scale: PlanScale,
  runs: RunOnPaper[],
  taken: Box[],
  sheet: Paper['sheet'],
): StepOnPaper[] {
  const nodes = new Map(site.nodes.map((n) => [n.id, n]));
  return stepFlights(site, elements).map((f): StepOnPaper => {
    const at = f.nodes.flatMap((id) => {
      const n = nodes.get(id);
      const r = runs.find((x) => {
        const run = site.runs.find((y) => y.id === x.id);
        return run?.from === id || run?.to === id;
      });
      return n && r ? [{ x: scale.x(n.xM), y: scale.y(n.yM), r }] : [];
    });
    const text = `${f.nodes.length} step${f.nodes.length === 1 ? '' : 's'}, ${distanceText(f.riseM, site.units).replace(' 0 in', '')}${f.nodes.length > 1 ? ' each' : ''}`;
    const w = textWidth(text, 15);
    const spots = at.flatMap(({ x, y, r }) =>
      Math.abs(r.along[0]) > 0.7
        ? [
            { x: x - 10, y: y + r.halfWidthPx + 10, w, h: 20 },
            { x: x - 10, y: y - r.halfWidthPx - 32, w, h: 20 },
          ]
        : [
            { x: x + r.halfWidthPx + 14, y: y - 10, w, h: 20 },
            { x: x - r.halfWidthPx - 14 - w, y: y - 10, w, h: 20 },
          ],
    );
    const words = freeSpot(spots, taken, sheet);
    return {
      ticks: at.map(({ x, y, r }) => {
        const half = r.halfWidthPx + 7;
        return [x + r.out[0] * half, y + r.out[1] * half, x - r.out[0] * half, y - r.out[1] * half];
      }),
      words: words && { ...words, text },
    };
  });
}

export function planWords(
  site: SitePlan,
  elements: string[],
  scale: PlanScale,
  runs: RunOnPaper[],
  paper: Paper,
  show: { labels: boolean; flags: boolean },
): PlanText {
  if (!show.labels && !show.flags) return { names: [], flags: [], steps: [], paper };
  const mine = new Set(elements);
  const stands = standsOf(site).filter((s) => mine.has(s.id));
  const taken: Box[] = [
    ...paper.taken,
    ...runs.flatMap(runBox),
    ...stands.map((s) => ({
      x: scale.x(s.xM) - (s.widthM * scale.pxPerM) / 2,
      y: scale.y(s.yM) - (s.lengthM * scale.pxPerM) / 2,
      w: s.widthM * scale.pxPerM,
      h: s.lengthM * scale.pxPerM,
    })),
  ];
  const { sheet } = paper;
  const drawn = taken.length;
  const done = (): Paper => ({ sheet, taken, written: taken.slice(drawn) });
  const flags = show.flags ? flagsOf(site, elements, scale, runs, taken, sheet) : [];
  if (!show.labels) return { names: [], flags, steps: [], paper: done() };
  const names = namesOf(site, runs, stands, scale, taken, sheet);
  const steps = stepsOf(site, elements, scale, runs, taken, sheet);
  return { names, flags, steps, paper: done() };
}
