import { memo, useMemo, type ReactNode } from 'react';
import { useStable } from '../app/useStable.ts';
import type { SitePlan } from '#core/model';
import { outlinesOf } from '#core/takeoff';
import { GridBubbles } from './GridBubbles.tsx';
import { gridLines } from './grid-lines.ts';
import { dimensionStrings, PlanDimensions } from './PlanDimensions.tsx';
import { fitted, runsOnPaper, type Paper, type PlanScale, type RunOnPaper } from './plan-paper.ts';
import { PlanWords } from './PlanWords.tsx';
import { planWords } from './plan-words.ts';
import { useZoom } from './useZoom.ts';

interface Props {
  site: SitePlan;
  elements: string[];
  width: number;
  height: number;
  selected: string | null;
  onSelect: (id: string) => void;
  /** Drawn under the plan: a picture of the drawing. */
  under?: (scale: PlanScale) => ReactNode;
  /** Drawn over the plan: marks at their places. */
  overlay?: (scale: PlanScale, runs: RunOnPaper[], paper: Paper) => ReactNode;
  /** Room round the pour in metres, at its scale: for faces that lie down beside it. */
  marginM?: number;
  /** Wheel, pinch and drag look closer. */
  zoomable?: boolean;
  /** Grid lines, where nodes are named by them (A1, C3). */
  grid?: boolean;
  /** Room at the foot of the sheet that is kept clear, px. */
  foot?: number;
  pad?: number;
  labels?: boolean;
  dimensions?: boolean;
  flags?: boolean;
}

const pointsText = (ring: { x: number; y: number }[], s: PlanScale) =>
  ring.map((p) => `${s.x(p.x)},${s.y(p.y)}`).join(' ');

/** From this size on the paper a picked pad is framed: filled it would be a black field, px. */
const BROAD_PX = 60;
const broadOn = (ring: { x: number; y: number }[], s: PlanScale): boolean =>
  [ring.map((p) => s.x(p.x)), ring.map((p) => s.y(p.y))].every(
    (along) => Math.max(...along) - Math.min(...along) > BROAD_PX,
  );

/** How strong an outline is, px. */
function strokeOf(selected: boolean, broad: boolean): number {
  if (!selected) return 1.5;
  return broad ? 7 : 2.5;
}

/** One outline; drawn anew only when it moves or is picked. */
const RunShape = memo(function RunShape({
  id,
  points,
  broad,
  selected,
  onSelect,
}: {
  id: string;
  points: string;
  broad: boolean;
  selected: boolean;
  onSelect: (id: string) => void;
}) {
  return (
    <polygon
      points={points}
      role="button"
      tabIndex={0}
      aria-pressed={selected}
      aria-label={`Run ${id}`}
      data-run={id}
      fill={selected && !broad ? 'var(--ink)' : 'var(--stiff-2)'}
      stroke="var(--ink)"
      strokeWidth={strokeOf(selected, broad)}
      strokeLinejoin="miter"
      onClick={() => {
        onSelect(id);
      }}
      onKeyDown={(e) => {
        if (e.key === 'Enter' || e.key === ' ') {
          e.preventDefault();
          onSelect(id);
        }
      }}
    />
  );
});

/** The pour in plan, to scale: its own elements strong, what stands beside them faint, types and dimensions marked. */
export function PlanDrawing({
  site,
  elements,
  width,
  height,
  selected,
  onSelect,
  under,
  overlay,
  marginM = 0,
  pad = 64,
  foot = 0,
  labels = true,
  dimensions = true,
  flags = true,
  zoomable = false,
  grid = false,
}: Props) {
  const [zoomRef, t, showWhole] = useZoom(width, height, zoomable);
  const outlines = useMemo(() => outlinesOf(site), [site]);
  const mine = useMemo(() => new Set(elements), [elements]);
  const select = useStable(onSelect);
  const own = useMemo(() => outlines.filter((o) => mine.has(o.id)), [outlines, mine]);
  const scale = useMemo(
    () =>
      fitted(
        own.flatMap((o) => o.ring),
        { width, height, pad, foot, marginM, closer: t },
      ),
    [own, marginM, width, height, pad, foot, t],
  );
  const shapes = useMemo(
    () =>
      own.map((o) => ({
        id: o.id,
        points: pointsText(o.ring, scale),
        broad: o.kind === 'pad' && broadOn(o.ring, scale),
      })),
    [own, scale],
  );
  const runs = useMemo(() => runsOnPaper(site, mine, scale), [site, mine, scale]);
  const close = t.k > 1.01;
  const strings = useMemo(
    () =>
      dimensions && pad > 40
        ? dimensionStrings(site, elements, scale, { width, height: height - foot, pad, close })
        : [],
    [dimensions, pad, site, elements, scale, width, height, foot, close],
  );
  const words = useMemo(
    () =>
      planWords(
        site,
        elements,
        scale,
        runs,
        {
          sheet: { x: 0, y: 0, w: width, h: height - foot },
          taken: [
            ...strings.flatMap((s) => [s.box, s.line]),
            ...(grid
              ? [
                  { x: 0, y: 0, w: 29, h: height },
                  { x: 0, y: 0, w: width, h: 29 },
                ]
              : []),
          ],
          written: [],
        },
        { labels, flags },
      ),
    [site, elements, scale, runs, strings, width, height, foot, grid, labels, flags],
  );
  const lines = useMemo(() => (grid ? gridLines(site, elements) : null), [grid, site, elements]);
  if (width < 20 || height < 20) return null;
  return (
    <svg ref={zoomRef} width={width} height={height} role="group" aria-label="Plan of the pour">
      {under?.(scale)}
      {lines && (
        <GridBubbles
          lines={lines}
          scale={scale}
          left={18}
          top={16}
          right={width - 8}
          bottom={height - 8}
        />
      )}
      {outlines
        .filter((o) => !mine.has(o.id))
        .map((o) => (
          <polygon
            key={o.id}
            points={pointsText(o.ring, scale)}
            fill="none"
            stroke="var(--line)"
            strokeWidth="0.75"
            strokeDasharray="2 4"
          />
        ))}
      {shapes.map((o) => (
        <RunShape
          key={o.id}
          id={o.id}
          points={o.points}
          broad={o.broad}
          selected={o.id === selected}
          onSelect={select}
        />
      ))}
      <PlanDimensions strings={strings} />
      <PlanWords words={words} />
      {overlay?.(scale, runs, words.paper)}
      <ZoomOut close={close} showWhole={showWhole} width={width} height={height} />
    </svg>
  );
}

function ZoomOut({
  close,
  showWhole,
  width,
  height,
}: {
  close: boolean;
  showWhole: () => void;
  width: number;
  height: number;
}) {
  return (
    close && (
      <g
        role="button"
        tabIndex={0}
        aria-label="Show the whole plan"
        onClick={showWhole}
        onKeyDown={(e) => {
          if (e.key === 'Enter' || e.key === ' ') {
            e.preventDefault();
            showWhole();
          }
        }}
      >
        <rect x={width - 118} y={height - 50} width="106" height="40" fill="var(--press-2)" />
        <text
          x={width - 65}
          y={height - 25}
          textAnchor="middle"
          fontSize="16"
          className="b"
          style={{ fill: 'var(--press)' }}
        >
          whole plan
        </text>
      </g>
    )
  );
}
