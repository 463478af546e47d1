import { pointer } from 'd3';
import { useMemo, useState } from 'react';
import type { SitePlan } from '#core/model';
import { outlinesOf, type Outline } from '#core/takeoff';
import { textWidth, type Box as BoxAt } from '../drawing/free-spot.ts';
import { fitted, type PlanScale } from '../drawing/plan-paper.ts';
import { useSize } from '../drawing/useSize.ts';

interface Box {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}
/** Shorter than this a drag is a press, px. */
const DRAG_PX = 8;

const middleOf = (o: Outline, scale: PlanScale) => ({
  x: scale.x(o.ring.reduce((s, p) => s + p.x, 0) / o.ring.length),
  y: scale.y(o.ring.reduce((s, p) => s + p.y, 0) / o.ring.length),
});

/** The whole site in plan, to choose from: a press takes a run, a drag takes all that lies within. */
export function PickGround({
  site,
  chosen,
  taken,
  onPress,
  onBox,
}: {
  site: SitePlan;
  chosen: ReadonlySet<string>;
  /** Which pour has an element already. */
  taken: ReadonlyMap<string, string>;
  onPress: (id: string) => void;
  onBox: (ids: string[]) => void;
}) {
  const [boxRef, size] = useSize();
  const [drag, setDrag] = useState<Box | null>(null);
  const outlines = useMemo(() => outlinesOf(site), [site]);
  const scale = fitted(
    outlines.flatMap((o) => o.ring),
    { ...size, pad: size.width > 520 ? 56 : 24, foot: 0, marginM: 0 },
  );
  const far = drag && Math.hypot(drag.x1 - drag.x0, drag.y1 - drag.y0) > DRAG_PX;
  const within = (b: Box) =>
    outlines.filter((o) => {
      const m = middleOf(o, scale);
      const between = (v: number, a: number, c: number) =>
        v >= Math.min(a, c) && v <= Math.max(a, c);
      return between(m.x, b.x0, b.x1) && between(m.y, b.y0, b.y1);
    });
  const end = () => {
    if (drag && far) onBox(within(drag).map((o) => o.id));
    setDrag(null);
  };
  // Walls stand on footings: they are drawn last, and so pressed first.
  const order = [...outlines].sort((a, b) => Number(a.kind === 'wall') - Number(b.kind === 'wall'));
  return (
    <div ref={boxRef} className="h-full min-h-[200px] touch-none">
      {size.width > 20 && (
        <svg
          width={size.width}
          height={size.height}
          role="group"
          aria-label="Plan of the site, to choose from"
          onPointerDown={(e) => {
            const [x, y] = pointer(e);
            setDrag({ x0: x, y0: y, x1: x, y1: y });
          }}
          onPointerMove={(e) => {
            const [x, y] = pointer(e);
            if (drag) setDrag({ ...drag, x1: x, y1: y });
          }}
          onPointerUp={end}
          onPointerLeave={end}
        >
          {order.map((o) => (
            <Shape
              key={o.id}
              outline={o}
              scale={scale}
              on={chosen.has(o.id)}
              code={taken.get(o.id)}
              onPress={() => {
                if (!far) onPress(o.id);
              }}
            />
          ))}
          <Names outlines={order} scale={scale} chosen={chosen} taken={taken} />
          {drag && far && (
            <rect
              x={Math.min(drag.x0, drag.x1)}
              y={Math.min(drag.y0, drag.y1)}
              width={Math.abs(drag.x1 - drag.x0)}
              height={Math.abs(drag.y1 - drag.y0)}
              fill="var(--press)"
              fillOpacity="0.1"
              stroke="var(--press)"
              strokeWidth="2"
              pointerEvents="none"
            />
          )}
        </svg>
      )}
    </div>
  );
}

/** Names over the runs, as far as there is room: what is chosen first, then what no pour has. */
function Names({
  outlines,
  scale,
  chosen,
  taken,
}: {
  outlines: Outline[];
  scale: PlanScale;
  chosen: ReadonlySet<string>;
  taken: ReadonlyMap<string, string>;
}) {
  const rank = (o: Outline) => Number(!chosen.has(o.id)) * 2 + Number(taken.has(o.id));
  const boxes: BoxAt[] = [];
  return [...outlines]
    .sort((a, b) => rank(a) - rank(b))
    .map((o) => {
      const m = middleOf(o, scale);
      const w = textWidth(o.id, NAME_PX) + 8;
      const box = { x: m.x - w / 2, y: m.y - 10, w, h: 20 };
      if (boxes.some((b) => overlap(b, box))) return null;
      boxes.push(box);
      const on = chosen.has(o.id);
      return (
        <text
          key={o.id}
          x={m.x}
          y={m.y + 5}
          textAnchor="middle"
          fontSize={NAME_PX}
          className={on ? 'b' : 'b halo'}
          style={on ? ON_INK : undefined}
          pointerEvents="none"
        >
          {o.id}
        </text>
      );
    });
}
const NAME_PX = 14;
const overlap = (a: BoxAt, b: BoxAt): boolean =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/** A name over a run that may be narrower than it. */
const ON_INK = {
  fill: 'var(--ground)',
  stroke: 'var(--ink)',
  strokeWidth: 4,
  paintOrder: 'stroke',
} as const;

/** One element: in ink when chosen, plain when it is still free, faint when another pour has it. */
function Shape({
  outline,
  scale,
  on,
  code,
  onPress,
}: {
  outline: Outline;
  scale: PlanScale;
  on: boolean;
  code: string | undefined;
  onPress: () => void;
}) {
  const free = code === undefined ? 'var(--fresh-2)' : 'var(--ground)';
  return (
    <g
      role="checkbox"
      tabIndex={0}
      aria-checked={on}
      aria-label={`${outline.id}${code ? `, in ${code}` : ''}`}
      className="cursor-pointer"
      onClick={onPress}
      onKeyDown={(e) => {
        if (e.key === ' ' || e.key === 'Enter') {
          e.preventDefault();
          onPress();
        }
      }}
    >
      <polygon
        points={outline.ring.map((p) => `${scale.x(p.x)},${scale.y(p.y)}`).join(' ')}
        fill={on ? 'var(--ink)' : free}
        stroke={on || !code ? 'var(--ink)' : 'var(--line)'}
        strokeWidth={on ? 2.5 : 1.25}
        strokeDasharray={code && !on ? '4 3' : undefined}
      />
    </g>
  );
}
