import { useRef, type PointerEvent as Press } from 'react';
import { sequenceOf } from '#core/pourplan';
import { clockText, counted } from '#core/units';
import { liftNames } from '../../../drawing/march/bars.ts';
import { type March, marchOf, type MarchProps } from '../../../drawing/march/scales.ts';
import { usePlanned } from '../planned.tsx';
import { firstLoad, type Handle, laterLoad, liftLine, startAtOf, startCorner } from './drags.ts';

interface Spot {
  handle: Handle;
  x: number;
  y: number;
  w: number;
  h: number;
  /** How the value changes with the pointer: from where it was pressed, px. */
  at: (dx: number, dy: number) => number;
  text: string;
  across?: boolean;
}

/** Minutes to a px of the chart, over the pour. */
const minPerPx = (m: March): number => (m.tTo - m.tFrom) / Math.max(1, m.t(m.tTo) - m.t(m.tFrom));

/** Where each of what can be dragged lies on the chart. */
function spotsOf(m: March, p: ReturnType<typeof usePlanned>): Spot[] {
  const { settings: s, plan, record } = p;
  const elements = sequenceOf(record.pour);
  const per = minPerPx(m);
  const pitch = Math.min(40, (m.loadsW - 14) / plan.loadIds.length);
  const loads = plan.trucks.result.loads.map((l, i): Spot => {
    const handle = i === 0 ? firstLoad(s) : laterLoad(s, plan, i);
    const y = m.t(l.batchMin);
    return {
      handle,
      x: m.x1 + 14 + pitch * i,
      y,
      w: pitch,
      h: Math.max(24, m.t(l.arriveMin + 20) - y),
      at: (_, dy) => l.arriveMin + dy * per,
      text: clockText(handle.value),
    };
  });
  const lift = liftLine(s, plan);
  const names = liftNames(m.planned, m.t).slice(1);
  const lifts = lift
    ? names.map(({ bar }): Spot => ({
        handle: lift,
        x: m.x0,
        y: m.t(bar.t0) - 14,
        w: 90,
        h: 28,
        at: (_, dy) => s.liftWaitMin + dy * per,
        text: `${s.liftWaitMin} min`,
      }))
    : [];
  const start: Spot = {
    handle: startCorner(s, elements),
    x: m.x0 - 12,
    y: 44,
    w: 24,
    h: 44,
    at: (dx) => startAtOf(plan, elements, m.metreAt(m.x0 + Math.max(0, dx))),
    text: elements[s.startAt] ?? '',
    across: true,
  };
  return [...loads, ...lifts.slice(0, 1), ...(elements.length > 1 ? [start] : [])];
}

/** What is dragged on the chart, by pointer, finger or arrow key: tried at once, kept when it is let go. */
export function MarchHandles({ chart }: { chart: MarchProps }) {
  const p = usePlanned();
  const m = marchOf(chart);
  // Pressed on the chart as it stood: what is tried moves under the pointer.
  const held = useRef<{ spot: Spot; x: number; y: number } | null>(null);
  if (!m) return null;
  const valueAt = (e: Press) => {
    const h = held.current;
    return h ? h.spot.handle.change(h.spot.at(e.clientX - h.x, e.clientY - h.y)) : null;
  };
  return (
    <div className="no-print" role="group" aria-label="Drag on the chart">
      {spotsOf(m, p).map((spot) => (
        <div
          key={spot.handle.id}
          role="slider"
          tabIndex={0}
          aria-label={spot.handle.label}
          aria-valuemin={spot.handle.least}
          aria-valuemax={spot.handle.most}
          aria-valuenow={Math.round(spot.handle.value)}
          aria-valuetext={spot.text}
          aria-orientation={spot.across ? 'horizontal' : 'vertical'}
          data-handle={spot.handle.id}
          className={`march-handle absolute touch-none ${spot.across ? 'cursor-ew-resize' : 'cursor-ns-resize'}`}
          style={{ left: spot.x, top: spot.y, width: spot.w, height: spot.h }}
          onPointerDown={(e) => {
            e.currentTarget.setPointerCapture(e.pointerId);
            held.current = { spot, x: e.clientX, y: e.clientY };
          }}
          onPointerMove={(e) => {
            if (held.current) p.tryOut(valueAt(e));
          }}
          onPointerUp={(e) => {
            const moved =
              held.current &&
              Math.hypot(e.clientX - held.current.x, e.clientY - held.current.y) > 3;
            const change = valueAt(e);
            held.current = null;
            if (moved && change) void p.change(change);
            else p.tryOut(null);
          }}
          onPointerCancel={() => {
            held.current = null;
            p.tryOut(null);
          }}
          onKeyDown={(e) => {
            const by = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[e.key];
            if (e.key === 'Escape') {
              held.current = null;
              p.tryOut(null);
            }
            if (by === undefined) return;
            e.preventDefault();
            void p.change(spot.handle.change(spot.handle.value + by * spot.handle.step));
          }}
        />
      ))}
      <p className="sr-only" role="status">
        {p.trying
          ? `Done ${clockText(p.plan.timetable.finishMin)}, ${counted(p.cold.length, 'cold seam')}`
          : ''}
      </p>
    </div>
  );
}
