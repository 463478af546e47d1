import { elementIds } from '../../../core/model/elements.ts';
import { drag, pointer, select } from 'd3';
import { memo, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { Drawn } from '../../../core/siteplan/drawn.ts';
import { FIRST_WALL_M, padAt, pierAt } from '../../../core/siteplan/first-sizes.ts';
import { freeName } from '../../../core/siteplan/edit/names.ts';
import { angleOf, lengthOf, type Spot } from '../../../core/model/geometry.ts';
import { snapNode, type Snapped } from '../../../core/siteplan/snap.ts';
import { distanceText } from '../../../core/units/index.ts';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { useStable } from '../../app/useStable.ts';
import type { PlanScale } from '../../drawing/plan-paper.ts';
import { TSpans } from '../../ui/Text.tsx';
import { setTool, useTool } from './useTool.ts';

/** How near a press catches, px. */
const REACH_PX = 14;

/** Over the plan while it is changed: nodes to drag, and a sheet of paper to put runs, pads and piers on. */
export function EditLayer({
  scale,
  width,
  height,
  elements,
}: {
  scale: PlanScale;
  width: number;
  height: number;
  elements: string[];
}) {
  const v = usePour();
  const { plan, apply } = usePlan();
  const { run: selected, set } = useFocus();
  const tool = useTool();
  const [held, setHeld] = useState<(Snapped & { id: string }) | null>(null);
  const [aim, setAim] = useState<Snapped | null>(null);
  if (!plan) return null;
  const reachM = REACH_PX / scale.pxPerM;
  const shown = plan.runs.filter((r) => elements.includes(r.id));
  const nodes = plan.nodes.filter(
    (n) => tool.kind !== 'pick' || shown.some((r) => r.from === n.id || r.to === n.id),
  );
  const spec =
    plan.runs.find((r) => r.id === selected) ?? plan.runs.find((r) => elements.includes(r.id));
  const at = (e: { clientX: number; clientY: number; currentTarget: Element }): Spot => {
    const [px, py] = pointer(e, e.currentTarget);
    return { xM: scale.x.invert(px), yM: scale.y.invert(py) };
  };
  const snap = (id: string | null, spot: Spot) => snapNode(plan, id, spot, reachM, v.units);

  const drop = (id: string, s: Snapped) => {
    setHeld(null);
    if (s.onto) apply({ do: 'joinNodes', id, into: s.onto });
    else {
      const was = plan.nodes.find((n) => n.id === id);
      if (was && Math.hypot(was.xM - s.xM, was.yM - s.yM) > 1e-4)
        apply({ do: 'moveNode', id, to: { xM: s.xM, yM: s.yM } });
    }
  };
  /** Where a node is when it has been dragged so far on the paper, and what it catches there. */
  const moved = (id: string, dx: number, dy: number): (Snapped & { id: string }) | null => {
    const n = plan.nodes.find((x) => x.id === id);
    return n
      ? { id, ...snap(id, { xM: n.xM + dx / scale.pxPerM, yM: n.yM - dy / scale.pxPerM }) }
      : null;
  };
  const press = (spot: Spot) => {
    const s = snap(null, spot);
    const where = s.onto ?? { xM: s.xM, yM: s.yM };
    if (tool.kind === 'pier' || tool.kind === 'pad') {
      const id = freeName(tool.kind === 'pier' ? 'PR' : 'K', elementIds(plan));
      const levelM = spec?.bottomM ?? 0;
      const made =
        tool.kind === 'pier'
          ? ({ list: 'piers', item: pierAt(plan, v.units, id, s, levelM) } as const)
          : ({ list: 'pads', item: padAt(plan, v.units, id, s, levelM) } as const);
      if (apply({ do: 'put', pour: v.record.pour.code, ...made })) set({ run: id });
      setTool({ kind: 'pick' });
    }
    if (tool.kind !== 'run') return;
    if (tool.from === null) {
      setTool({ kind: 'run', from: where });
      return;
    }
    // Nothing is drawn yet: what there are types for, footings first.
    const kind = spec?.kind ?? (plan.footingTypes.length > 0 ? 'footing' : 'wall');
    const types = kind === 'wall' ? plan.wallTypes : plan.footingTypes;
    const type = spec?.type ?? types[0]?.mark;
    if (!type) {
      toast.error('There is no type to give it. Add one on the schedule first.');
      return;
    }
    const firstTopM = kind === 'wall' ? (spec?.bottomM ?? 0) + FIRST_WALL_M : undefined;
    const topM = spec?.topM ?? firstTopM;
    if (
      apply({
        do: 'addRun',
        kind,
        type,
        from: tool.from,
        to: where,
        bottomM: spec?.bottomM ?? 0,
        ...(topM === undefined ? {} : { topM }),
        pour: v.record.pour.code,
      })
    )
      setTool({ kind: 'run', from: where });
  };
  const from = tool.kind === 'run' ? tool.from : null;
  const fromSpot = typeof from === 'string' ? plan.nodes.find((n) => n.id === from) : from;
  return (
    <g>
      {tool.kind !== 'pick' && (
        <rect
          width={width}
          height={height}
          fill="transparent"
          role="button"
          tabIndex={-1}
          aria-label={
            tool.kind === 'run'
              ? 'Paper: press the ends of the run'
              : `Paper: press where the ${tool.kind} stands`
          }
          style={{ cursor: 'crosshair' }}
          onMouseMove={(e) => {
            setAim(snap(null, at(e)));
          }}
          onClick={(e) => {
            press(at(e));
          }}
        />
      )}
      {fromSpot && aim && <Stretch from={fromSpot} to={aim} scale={scale} />}
      {aim && tool.kind !== 'pick' && (
        <circle
          cx={scale.x(aim.xM)}
          cy={scale.y(aim.yM)}
          r={aim.onto ? 9 : 4}
          fill="none"
          stroke="var(--press)"
          strokeWidth="2.5"
          pointerEvents="none"
        />
      )}
      {held &&
        shown
          .filter((r) => r.from === held.id || r.to === held.id)
          .map((r) => {
            const far = plan.nodes.find((n) => n.id === (r.from === held.id ? r.to : r.from));
            return far ? <Stretch key={r.id} from={far} to={held} scale={scale} /> : null;
          })}
      {tool.kind === 'pick' && (
        <Handles
          nodes={nodes}
          scale={scale}
          held={held}
          onMove={(id, dx, dy) => {
            setHeld(moved(id, dx, dy));
          }}
          onDrop={(id, dx, dy) => {
            const m = moved(id, dx, dy);
            if (m) drop(id, m);
          }}
          onNudge={(id, dx, dy, far) => {
            const n = plan.nodes.find((x) => x.id === id);
            const step = (v.units === 'us' ? 0.0254 : 0.01) * (far ? 12 : 1);
            if (n)
              apply({ do: 'moveNode', id, to: { xM: n.xM + dx * step, yM: n.yM + dy * step } });
          }}
        />
      )}
      {height > 240 && spec && tool.kind === 'pick' && !held && selected && (
        <text x={12} y={height - 12} fontSize="15" className="halo">
          <TSpans>{`${spec.id}: ${distanceText(lengthOf(plan, spec), v.units)}, ${angleOf(plan, spec).toFixed(1)}° from east`}</TSpans>
        </text>
      )}
    </g>
  );
}

/** A run as it will be, with its length. */
function Stretch({ from, to, scale }: { from: Spot; to: Spot; scale: PlanScale }) {
  const { units } = usePour();
  const [x1, y1, x2, y2] = [scale.x(from.xM), scale.y(from.yM), scale.x(to.xM), scale.y(to.yM)];
  return (
    <g pointerEvents="none">
      <path
        d={`M${x1} ${y1}L${x2} ${y2}`}
        stroke="var(--press)"
        strokeWidth="2.5"
        strokeDasharray="6 4"
      />
      <text x={(x1 + x2) / 2 + 8} y={(y1 + y2) / 2 - 8} fontSize="16" className="b halo">
        <TSpans>{distanceText(Math.hypot(to.xM - from.xM, to.yM - from.yM), units)}</TSpans>
      </text>
    </g>
  );
}

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

/** Nodes: dragged by pointer, or moved an inch (a centimetre) at a press of an arrow; with Shift twelve. One listener serves them all: a large site has hundreds. */
function Handles({ nodes, scale, held, onMove, onDrop, onNudge }: HandlesProps) {
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
