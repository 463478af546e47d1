import { drag, select } from 'd3';
import { useRef, useEffect, memo } from 'react';
import type { Drawn, Snapped } from '#core/siteplan';
import { useStable } from '../../app/useStable.ts';
import type { PlanScale } from '../../drawing/plan-paper.ts';

const CAUGHT: Record<string, string> = {
  node: 'joins',
  upright: 'upright',
  level: 'level',
  length: 'round length',
};
/** From so many nodes on they lie close: each is caught where it is drawn, and not from further off. */
const CROWDED = 60;
const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};
interface HandlesProps {
  nodes: Drawn['nodes'];
  scale: PlanScale;
  held: (Snapped & { id: string }) | null;
  onMove: (id: string, dx: number, dy: number) => void;
  onDrop: (id: string, dx: number, dy: number) => void;
  onNudge: (id: string, dx: number, dy: number, far: boolean) => void;
}

/**
 * Nodes: dragged by pointer, or moved an inch (a centimetre) at a press of an arrow; with Shift
 * twelve. One listener serves them all: a large site has hundreds.
 */
export function Handles({ nodes, scale, held, onMove, onDrop, onNudge }: HandlesProps) {
  const ref = useRef<SVGGElement>(null);
  const acts = useRef({ onMove, onDrop });
  useEffect(() => {
    acts.current = { onMove, onDrop };
  });
  useEffect(() => {
    if (!ref.current) return;
    let [id, sx, sy] = ['', 0, 0];
    const behaviour = drag<SVGGElement, unknown>()
      .container(function () {
        return this.ownerSVGElement ?? this;
      })
      .on('start', (e: { x: number; y: number; sourceEvent: Event }) => {
        id =
          (e.sourceEvent.target as Element | null)?.closest<SVGGElement>('[data-node]')?.dataset
            .node ?? '';
        [sx, sy] = [e.x, e.y];
      })
      .on('drag', (e: { x: number; y: number }) => {
        if (id) acts.current.onMove(id, e.x - sx, e.y - sy);
      })
      .on('end', (e: { x: number; y: number }) => {
        if (id && Math.hypot(e.x - sx, e.y - sy) > 2) acts.current.onDrop(id, e.x - sx, e.y - sy);
      });
    select(ref.current).call(behaviour);
  }, []);
  const nudge = useStable(onNudge);
  const caught = held && held.caught.length > 0 ? held : null;
  return (
    <g ref={ref} style={{ touchAction: 'none' }}>
      {nodes.map((n) => (
        <Handle
          key={n.id}
          id={n.id}
          x={scale.x(held?.id === n.id ? held.xM : n.xM)}
          y={scale.y(held?.id === n.id ? held.yM : n.yM)}
          crowded={nodes.length > CROWDED}
          onNudge={nudge}
        />
      ))}
      {caught && (
        <text
          x={scale.x(caught.xM) + 14}
          y={scale.y(caught.yM) + 22}
          fontSize="14"
          className="b halo"
          style={{ fill: 'var(--press)' }}
        >
          {caught.caught.map((c) => CAUGHT[c]).join(', ')}
        </text>
      )}
    </g>
  );
}
const Handle = memo(function Handle({
  id,
  x,
  y,
  crowded,
  onNudge,
}: {
  id: string;
  x: number;
  y: number;
  crowded: boolean;
  onNudge: HandlesProps['onNudge'];
}) {
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`Node ${id}: drag it, or move it with the arrow keys`}
      data-node={id}
      style={{ cursor: 'grab' }}
      onKeyDown={(e) => {
        const a = ARROWS[e.key];
        if (a) {
          e.preventDefault();
          onNudge(id, a[0], a[1], e.shiftKey);
        }
      }}
    >
      {!crowded && <circle cx={x} cy={y} r="20" fill="transparent" />}
      <circle
        cx={x}
        cy={y}
        r={crowded ? 6 : 8}
        fill="var(--sheet)"
        stroke="var(--press)"
        strokeWidth={crowded ? 2.5 : 3}
      />
    </g>
  );
});
