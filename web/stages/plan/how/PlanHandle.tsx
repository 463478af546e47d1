import { useRef, type PointerEvent as Press } from 'react';
import type { PourSettings } from '#core/model';
import type { PlanScale } from '../../../drawing/plan-paper.ts';
import { usePlanned } from '../planned.tsx';

interface Spot {
  xM: number;
  yM: number;
}
/** How far one press of an arrow key moves it, m. */
const STEP_M = 0.5;
const ARROWS: Record<string, readonly [number, number]> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** Something that stands on the plan: dragged about, or moved by arrow key. */
export function PlanHandle({
  s,
  at,
  name,
  handle,
  changeTo,
}: {
  s: PlanScale;
  at: Spot;
  name: string;
  handle: string;
  changeTo: (at: Spot) => Partial<PourSettings>;
}) {
  const p = usePlanned();
  const held = useRef<{ x: number; y: number; from: Spot } | null>(null);
  const dragged = (e: Press) => {
    const h = held.current;
    return (
      h &&
      changeTo({
        xM: h.from.xM + (e.clientX - h.x) / s.pxPerM,
        yM: h.from.yM - (e.clientY - h.y) / s.pxPerM,
      })
    );
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuenow={Math.round(at.xM * 10) / 10}
      aria-valuetext={`${at.xM.toFixed(1)} east, ${at.yM.toFixed(1)} north`}
      data-handle={handle}
      className="absolute cursor-move"
      style={{ left: s.x(at.xM) - 26, top: s.y(at.yM) - 26, width: 52, height: 52 }}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        held.current = { x: e.clientX, y: e.clientY, from: at };
      }}
      onPointerMove={(e) => {
        if (held.current) p.tryOut(dragged(e));
      }}
      onPointerUp={(e) => {
        const change = dragged(e);
        held.current = null;
        if (change) void p.change(change);
      }}
      onKeyDown={(e) => {
        const step = ARROWS[e.key];
        if (!step) return;
        e.preventDefault();
        void p.change(changeTo({ xM: at.xM + step[0] * STEP_M, yM: at.yM + step[1] * STEP_M }));
      }}
    />
  );
}
