import { memo } from 'react';
import { typeChanges } from '../../core/check/points/index.ts';
import { standsOf, typesByElement } from '../../core/model/elements.ts';
import type { SitePlan } from '../../core/model/site.ts';
import { stepFlights } from '../../core/siteplan/steps.ts';
import { distanceText } from '../../core/units/index.ts';
import { TSpans } from '../ui/Text.tsx';
import { flagText } from './flag-text.ts';
import { freeSpot, textWidth, type Box } from './free-spot.ts';
import type { Paper, PlanScale, RunOnPaper } from './plan-paper.ts';

interface Name extends Box {
  id: string;
  type: string;
  size: number;
}
interface FlagOnPaper extends Box {
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

/** Where a run's name may stand: below or right of its middle first, then on its other side, then nearer to its ends. */
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
  const nodes = new Map(site.nodes.map((n) => [n.id, n]));
  const types = typesByElement(site);
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
  const flags = show.flags
    ? typeChanges(site, elements)
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
                ...runs
                  .filter((r) => r.id === c.fromRun || r.id === c.toRun)
                  .map((r) => r.halfWidthPx),
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
        })
    : [];
  if (!show.labels) return { names: [], flags, steps: [], paper: done() };
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
  const steps = stepFlights(site, elements).map((f): StepOnPaper => {
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
  return { names, flags, steps, paper: done() };
}

export const PlanWords = memo(function PlanWords({ words }: { words: PlanText }) {
  return (
    <g pointerEvents="none">
      <g aria-hidden="true">
        {words.steps.flatMap((s) =>
          s.ticks.map(([x1, y1, x2, y2]) => (
            <path
              key={`${x1} ${y1}`}
              d={`M${x1} ${y1}L${x2} ${y2}`}
              stroke="var(--ink)"
              strokeWidth="3"
            />
          )),
        )}
        {words.names.map((n) => (
          <text key={n.id} x={n.x} y={n.y + n.h - 5} className="a halo" fontSize={n.size}>
            {n.id}
            {n.type && (
              <tspan
                className="q"
                fontSize="15"
                dx="6"
                style={{ fontWeight: 400, fontStretch: '100%', fill: 'var(--ink2)' }}
              >
                {n.type}
              </tspan>
            )}
          </text>
        ))}
      </g>
      {words.steps.map(
        (s) =>
          s.words && (
            <text
              key={s.words.text + String(s.words.x)}
              x={s.words.x}
              y={s.words.y + 15}
              fontSize="15"
              className="halo"
            >
              <TSpans>{s.words.text}</TSpans>
            </text>
          ),
      )}
      {words.flags.map((f) => (
        <Flag key={f.id} f={f} />
      ))}
    </g>
  );
});

/** A change flag, swallow-tailed, in ink across the drawing: carrying on with the last detail is the usual mistake. */
function Flag({ f }: { f: FlagOnPaper }) {
  const [near, far] = f.toLeft ? [f.x + f.w, f.x] : [f.x, f.x + f.w];
  const tail = f.toLeft ? 9 : -9;
  const mid = f.y + f.h / 2;
  return (
    <g>
      <path
        d={`M${f.nodeX - 9} ${f.nodeY - 9}L${f.nodeX + 9} ${f.nodeY + 9}`}
        stroke="var(--ink)"
        strokeWidth="3"
      />
      {Math.abs(mid - f.nodeY) > 4 && (
        <path d={`M${f.nodeX} ${f.nodeY}L${near} ${mid}`} stroke="var(--ink)" strokeWidth="1.5" />
      )}
      <path
        d={`M${near} ${f.y}H${far}l${tail} ${f.h / 2}l${-tail} ${f.h / 2}H${near}Z`}
        fill="var(--ink)"
      />
      <text
        x={(near + far) / 2 + (f.toLeft ? 4 : -4)}
        y={mid + 5}
        textAnchor="middle"
        fontSize="14"
        className="b"
        style={{ fill: 'var(--ground)' }}
      >
        <TSpans>{f.text}</TSpans>
      </text>
    </g>
  );
}
