import { extent, scaleLinear, type ScaleLinear } from 'd3';
import { memo, useMemo, type ReactNode } from 'react';
import { useStable } from '../app/useStable.ts';
import { GridBubbles } from './GridBubbles.tsx';
import { useZoom } from './useZoom.ts';
import { typeChanges } from '../../core/check/points/index.ts';
import { pierWidthM, type SitePlan } from '../../core/model/site.ts';
import { outlinesOf } from '../../core/takeoff/outline.ts';
import { distanceText } from '../../core/units/index.ts';
import { Dimension } from './Dimension.tsx';
import { flagText } from './flag-text.ts';

export interface PlanScale { x: ScaleLinear<number, number>; y: ScaleLinear<number, number>; pxPerM: number }
/** A run as it lies on the paper: its two ends in pixels, and the unit vectors along it and to its outside (right). */
export interface RunOnPaper { id: string; lengthM: number; a: [number, number]; b: [number, number]; along: [number, number]; out: [number, number]; lengthPx: number; halfWidthPx: number }

interface Props {
  site: SitePlan; elements: string[]; width: number; height: number; selected: string | null; onSelect: (id: string) => void;
  /** Drawn over the plan: marks at their places. */
  overlay?: (scale: PlanScale, runs: RunOnPaper[]) => ReactNode;
  /** Room round the pour in metres, at its scale: for faces that lie down beside it. */
  marginM?: number;
  /** Wheel, pinch and drag look closer. */
  zoomable?: boolean;
  /** Grid lines, where nodes are named by them (A1, C3). */
  grid?: boolean;
  pad?: number; labels?: boolean; dimensions?: boolean; flags?: boolean;
}

const pointsText = (ring: { x: number; y: number }[], s: PlanScale) => ring.map((p) => `${s.x(p.x)},${s.y(p.y)}`).join(' ');

/** One outline; drawn anew only when it moves or is picked. */
const RunShape = memo(function RunShape({ id, points, selected, onSelect }: { id: string; points: string; selected: boolean; onSelect: (id: string) => void }) {
  return (
    <polygon points={points} role="button" tabIndex={0} aria-pressed={selected} aria-label={`Run ${id}`} data-run={id} fill={selected ? 'var(--ink)' : 'var(--stiff-2)'} stroke="var(--ink)" strokeWidth={selected ? 2.5 : 1.5} strokeLinejoin="miter"
      onClick={() => { onSelect(id); }} onKeyDown={(e) => { if (e.key === 'Enter' || e.key === ' ') { e.preventDefault(); onSelect(id); } }} />
  );
});

/** The pour in plan, to scale: its own elements strong, what stands beside them faint, types and dimensions marked. */
export function PlanDrawing({ site, elements, width, height, selected, onSelect, overlay, marginM = 0, pad = 64, labels = true, dimensions = true, flags = true, zoomable = false, grid = false }: Props) {
  const [zoomRef, t, showWhole] = useZoom(width, height, zoomable);
  const outlines = useMemo(() => outlinesOf(site), [site]);
  const mine = useMemo(() => new Set(elements), [elements]);
  const changes = useMemo(() => (flags ? typeChanges(site, elements).slice(0, 8) : []), [site, elements, flags]);
  const select = useStable(onSelect);
  const own = outlines.filter((o) => mine.has(o.id));
  const [ex0 = 0, ex1 = 1] = extent(own.flatMap((o) => o.ring.map((p) => p.x)));
  const [ey0 = 0, ey1 = 1] = extent(own.flatMap((o) => o.ring.map((p) => p.y)));
  const [x0, x1, y0, y1] = [ex0 - marginM, ex1 + marginM, ey0 - marginM, ey1 + marginM];
  const pxPerM = Math.max(0.1, Math.min((width - 2 * pad) / Math.max(0.1, x1 - x0), (height - 2 * pad) / Math.max(0.1, y1 - y0)));
  const left = (width - (x1 - x0) * pxPerM) / 2;
  const top = (height - (y1 - y0) * pxPerM) / 2;
  const scale: PlanScale = { x: t.rescaleX(scaleLinear([x0, x1], [left, left + (x1 - x0) * pxPerM])), y: t.rescaleY(scaleLinear([y1, y0], [top, top + (y1 - y0) * pxPerM])), pxPerM: pxPerM * t.k };
  const nodes = useMemo(() => new Map(site.nodes.map((n) => [n.id, n])), [site]);
  const widths = useMemo(() => new Map<string, number>([...site.footingTypes.map((x) => [x.mark, x.widthM] as const), ...site.wallTypes.map((x) => [x.mark, x.thicknessM] as const)]), [site]);
  const runs = site.runs.filter((r) => mine.has(r.id)).flatMap((r): RunOnPaper[] => {
    const a = nodes.get(r.from);
    const b = nodes.get(r.to);
    if (!a || !b) return [];
    const pa: [number, number] = [scale.x(a.xM), scale.y(a.yM)];
    const pb: [number, number] = [scale.x(b.xM), scale.y(b.yM)];
    const lengthPx = Math.hypot(pb[0] - pa[0], pb[1] - pa[1]) || 1;
    const along: [number, number] = [(pb[0] - pa[0]) / lengthPx, (pb[1] - pa[1]) / lengthPx];
    const widthM = widths.get(r.type) ?? 0;
    return [{ id: r.id, lengthM: lengthPx / scale.pxPerM, a: pa, b: pb, along, out: [-along[1], along[0]], lengthPx, halfWidthPx: (widthM * scale.pxPerM) / 2 }];
  });
  // Dimensions stand outside whichever side of the plan is nearer the edge.
  const nx = extent(site.runs.filter((r) => mine.has(r.id)).flatMap((r) => [nodes.get(r.from)?.xM ?? 0, nodes.get(r.to)?.xM ?? 0]));
  const ny = extent(site.runs.filter((r) => mine.has(r.id)).flatMap((r) => [nodes.get(r.from)?.yM ?? 0, nodes.get(r.to)?.yM ?? 0]));
  if (width < 20 || height < 20) return null;
  const far = Math.min(30, pad * 0.52);
  return (
    <svg ref={zoomRef} width={width} height={height} role="group" aria-label="Plan of the pour">
      {grid && <GridBubbles site={site} elements={elements} scale={scale} left={14} top={14} right={width - 8} bottom={height - 8} />}
      {outlines.filter((o) => !mine.has(o.id)).map((o) => <polygon key={o.id} points={pointsText(o.ring, scale)} fill="none" stroke="var(--line)" strokeWidth="0.75" strokeDasharray="2 4" />)}
      {own.map((o) => <RunShape key={o.id} id={o.id} points={pointsText(o.ring, scale)} selected={o.id === selected} onSelect={select} />)}
      {dimensions && pad > 40 && nx[0] !== undefined && nx[1] !== undefined && nx[1] - nx[0] > 0.5 && <Dimension x1={scale.x(nx[0])} y1={t.k > 1.01 ? 24 : top - far} x2={scale.x(nx[1])} y2={t.k > 1.01 ? 24 : top - far} text={distanceText(nx[1] - nx[0], site.units)} />}
      {dimensions && pad > 40 && ny[0] !== undefined && ny[1] !== undefined && ny[1] - ny[0] > 0.5 && <Dimension x1={t.k > 1.01 ? 34 : left - far} y1={scale.y(ny[0])} x2={t.k > 1.01 ? 34 : left - far} y2={scale.y(ny[1])} text={distanceText(ny[1] - ny[0], site.units)} />}
      {labels && <RunLabels site={site} runs={runs} elements={elements} scale={scale} />}
      {overlay?.(scale, runs)}
      {changes.map((c, i) => {
        const n = nodes.get(c.nodeId);
        return n ? <Flag key={i} x={scale.x(n.xM)} y={scale.y(n.yM)} text={flagText(c)} toLeft={scale.x(n.xM) > width / 2} /> : null;
      })}
      {t.k > 1.01 && <g role="button" tabIndex={0} aria-label="Show the whole plan" onClick={showWhole} onKeyDown={(e) => { if (e.key === 'Enter' || e.key === ' ') { e.preventDefault(); showWhole(); } }}><rect x={width - 118} y={height - 50} width="106" height="40" fill="var(--press-2)" /><text x={width - 65} y={height - 25} textAnchor="middle" fontSize="16" className="b" style={{ fill: 'var(--press)' }}>whole plan</text></g>}
    </svg>
  );
}

/** A change flag, swallow-tailed, in ink across the drawing: carrying on with the last detail is the usual mistake. */
function Flag({ x, y, text, toLeft }: { x: number; y: number; text: string; toLeft: boolean }) {
  const w = text.length * 8 + 22;
  const dir = toLeft ? -1 : 1;
  return (
    <g transform={`translate(${x} ${y})`}>
      <path d="M-13 0H13" stroke="var(--ink)" strokeWidth="3" transform="rotate(45)" />
      <path d={`M${dir * 12} -12H${dir * (12 + w)}l${-dir * 9} 11l${dir * 9} 11H${dir * 12}Z`} fill="var(--ink)" />
      <text x={dir * (12 + w / 2 - 4)} y="4" textAnchor="middle" fontSize="14" className="b" style={{ fill: 'var(--ground)' }}>{text}</text>
    </g>
  );
}

function RunLabels({ site, runs, elements, scale }: { site: SitePlan; runs: RunOnPaper[]; elements: string[]; scale: PlanScale }) {
  const types = useMemo(() => new Map(site.runs.map((x) => [x.id, x.type])), [site]);
  return (
    <g aria-hidden="true">
      {runs.map((r) => {
        const type = types.get(r.id);
        if (type === undefined || r.lengthPx < 40) return null;
        const mx = (r.a[0] + r.b[0]) / 2;
        const my = (r.a[1] + r.b[1]) / 2;
        // Names keep clear of the dimension strings: below level runs and right of upright ones.
        const level = Math.abs(r.along[0]) > 0.7;
        const outward: [number, number] = level ? [0, 1] : [1, 0];
        const off = r.halfWidthPx + (level ? 20 : 14);
        const tx = mx + outward[0] * off;
        const ty = my + outward[1] * off + 7;
        return <text key={r.id} x={tx} y={ty} textAnchor={level ? 'middle' : 'start'} className="a halo" fontSize="22">{r.id}<tspan className="q" fontSize="15" dx="6" style={{ fontWeight: 400, fontStretch: '100%', fill: 'var(--ink2)' }}>{type}</tspan></text>;
      })}
      {[...site.pads, ...site.piers].filter((p) => elements.includes(p.id)).map((p) => <text key={p.id} x={scale.x(p.xM) + (('depthM' in p ? p.widthM : pierWidthM(p)) * scale.pxPerM) / 2 + 6} y={scale.y(p.yM) + 6} className="a halo" fontSize="18">{p.id}</text>)}
    </g>
  );
}
