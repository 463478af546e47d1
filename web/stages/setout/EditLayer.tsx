import {
  type Drawn,
  FIRST_WALL_M,
  freeName,
  padAt,
  pierAt,
  type PlanEdit,
  snapNode,
  type Snapped,
} from '#core/siteplan';
import { angleOf, elementIds, lengthOf, padUnder, type Run, type Spot } from '#core/model';
import { pointer } from 'd3';
import { useState } from 'react';
import { sayWrong } from '../../ui/say.ts';
import { distanceText, type UnitSystem } from '#core/units';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { useFocus } from '../../app/useFocus.ts';
import type { PlanScale } from '../../drawing/plan-paper.ts';
import { TSpans } from '../../ui/Text.tsx';
import type { UnderlayTool } from '../../underlay/UnderlayPanel.tsx';
import { setTool, type Tool, useTool } from './useTool.ts';
import { Handles } from './Handles.tsx';

/** How near a press catches, px. */
const REACH_PX = 14;

/** What letting a node go does: joined to another, moved, or nothing where it stands as it stood. */
function dropAct(plan: Drawn, id: string, s: Snapped): PlanEdit | null {
  if (s.onto) return { do: 'joinNodes', id, into: s.onto };
  const was = plan.nodes.find((n) => n.id === id);
  if (!was || Math.hypot(was.xM - s.xM, was.yM - s.yM) <= 1e-4) return null;
  return { do: 'moveNode', id, to: { xM: s.xM, yM: s.yM } };
}

/** A node moved by so much. */
function nudgeAct(plan: Drawn, id: string, dxM: number, dyM: number): PlanEdit | null {
  const n = plan.nodes.find((x) => x.id === id);
  return n ? { do: 'moveNode', id, to: { xM: n.xM + dxM, yM: n.yM + dyM } } : null;
}

/** A pier pressed near the middle of a pad stands on its middle. */
function onPad(plan: Drawn, at: Spot): Spot {
  const pad = padUnder(plan.pads, at);
  if (!pad) return at;
  const offM = Math.hypot(pad.xM - at.xM, pad.yM - at.yM);
  return offM <= Math.min(pad.widthM, pad.lengthM) / 4 ? { xM: pad.xM, yM: pad.yM } : at;
}

/** A pad or pier put on the paper. */
const standAct = (
  plan: Drawn,
  units: UnitSystem,
  kind: 'pad' | 'pier',
  id: string,
  at: Spot,
  levelM: number,
) =>
  kind === 'pier'
    ? ({
        do: 'put',
        list: 'piers',
        item: pierAt(plan, units, id, onPad(plan, at), levelM),
      } as const)
    : ({ do: 'put', list: 'pads', item: padAt(plan, units, id, at, levelM) } as const);

/** A run drawn on, like the one in hand; where nothing is drawn yet, of what there are types for, footings first. */
function runAct(plan: Drawn, like: Run | undefined, from: string | Spot, to: string | Spot) {
  const kind = like?.kind ?? (plan.footingTypes.length > 0 ? 'footing' : 'wall');
  const types = kind === 'wall' ? plan.wallTypes : plan.footingTypes;
  const type = like?.type ?? types[0]?.mark;
  if (!type) return 'no type';
  const bottomM = like?.bottomM ?? 0;
  const topM = like?.topM ?? (kind === 'wall' ? bottomM + FIRST_WALL_M : undefined);
  const top = topM === undefined ? {} : { topM };
  return { do: 'addRun' as const, kind, type, from, to, bottomM, ...top };
}

/** A press on the drawing under the plan, when that is what presses are for. */
function pressedUnder(tool: Tool, spot: Spot): boolean {
  if (tool.kind !== 'underlay') return false;
  setTool(tool.from && !tool.to ? { ...tool, to: spot } : { ...tool, from: spot, to: null });
  return true;
}

/** The run that is in hand: the one picked, else the first of the pour. */
const inHand = (plan: Drawn, selected: string | null, elements: string[]): Run | undefined =>
  plan.runs.find((r) => r.id === selected) ?? plan.runs.find((r) => elements.includes(r.id));

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
  const spec = inHand(plan, selected, elements);
  const at = (e: { clientX: number; clientY: number; currentTarget: Element }): Spot => {
    const [px, py] = pointer(e, e.currentTarget);
    return { xM: scale.x.invert(px), yM: scale.y.invert(py) };
  };
  const snap = (id: string | null, spot: Spot) => snapNode(plan, id, spot, reachM, v.units);

  const drop = (id: string, s: Snapped) => {
    setHeld(null);
    const act = dropAct(plan, id, s);
    if (act) apply(act);
  };
  /** Where a node is when it has been dragged so far on the paper, and what it catches there. */
  const moved = (id: string, dx: number, dy: number): (Snapped & { id: string }) | null => {
    const n = plan.nodes.find((x) => x.id === id);
    return n
      ? { id, ...snap(id, { xM: n.xM + dx / scale.pxPerM, yM: n.yM - dy / scale.pxPerM }) }
      : null;
  };
  const press = (spot: Spot) => {
    if (pressedUnder(tool, spot)) return;
    const s = snap(null, spot);
    if (tool.kind === 'pier' || tool.kind === 'pad') {
      const { kind } = tool;
      const id = freeName(kind === 'pier' ? 'PR' : 'K', elementIds(plan));
      const made = standAct(plan, v.units, kind, id, s, spec?.bottomM ?? 0);
      if (apply({ ...made, pour: v.record.pour.code })) set({ run: id });
      setTool({ kind: 'pick' });
    }
    if (tool.kind !== 'run') return;
    const where = s.onto ?? { xM: s.xM, yM: s.yM };
    const act = tool.from === null ? null : runAct(plan, spec, tool.from, where);
    if (act === 'no type') sayWrong('There is no type to give it. Add one on the schedule first.');
    else if (act === null || apply({ ...act, pour: v.record.pour.code }))
      setTool({ kind: 'run', from: where });
  };
  const from = tool.kind === 'run' ? tool.from : null;
  const fromSpot = typeof from === 'string' ? plan.nodes.find((n) => n.id === from) : from;
  return (
    <g>
      <PaperToPress
        width={width}
        height={height}
        setAim={setAim}
        snap={snap}
        at={at}
        press={press}
      />
      {tool.kind === 'underlay' && <UnderlayMarks tool={tool} scale={scale} />}
      {fromSpot && aim && <Stretch from={fromSpot} to={aim} scale={scale} />}
      {aim && tool.kind !== 'pick' && tool.kind !== 'underlay' && (
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
            const step = (v.units === 'us' ? 0.0254 : 0.01) * (far ? 12 : 1);
            // Of the plan as it stands: keys that are held come faster than it is drawn.
            apply((now) => nudgeAct(now, id, dx * step, dy * step));
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

/** The points that were pressed on the drawing under the plan. */
function UnderlayMarks({ tool, scale }: { tool: UnderlayTool; scale: PlanScale }) {
  return [tool.from, tool.to].map(
    (spot) =>
      spot && (
        <path
          key={`${spot.xM} ${spot.yM}`}
          d={`M${scale.x(spot.xM) - 9} ${scale.y(spot.yM)}h18m-9 -9v18`}
          stroke="var(--press)"
          strokeWidth="2.5"
          pointerEvents="none"
        />
      ),
  );
}

/** The sheet that is pressed to put something on it. */
function PaperToPress({
  width,
  height,
  setAim,
  snap,
  at,
  press,
}: {
  width: number;
  height: number;
  setAim: (aim: Snapped | null) => void;
  snap: (id: string | null, spot: Spot) => Snapped;
  at: (e: { clientX: number; clientY: number; currentTarget: Element }) => Spot;
  press: (spot: Spot) => void;
}) {
  const tool = useTool();
  return (
    tool.kind !== 'pick' && (
      <rect
        width={width}
        height={height}
        fill="transparent"
        role="button"
        tabIndex={-1}
        aria-label={tool.kind === 'run' ? 'Paper: press the ends of the run' : PRESSED[tool.kind]}
        style={{ cursor: 'crosshair' }}
        onMouseMove={(e) => {
          setAim(snap(null, at(e)));
        }}
        onClick={(e) => {
          press(at(e));
        }}
      />
    )
  );
}

const PRESSED = {
  pad: 'Paper: press where the pad stands',
  pier: 'Paper: press where the pier stands',
  underlay: 'Paper: press two points of the drawing',
};

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
