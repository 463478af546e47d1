import { scaleLinear, type ScaleLinear } from 'd3';
import type { SitePlan } from '#core/model';
import { type Progress, seamUrgent } from '#core/pourlog';
import type { Leg, Route } from '#core/pourplan';
import { RouteHoles } from './RouteHoles.tsx';
import { namedNodes } from './route-nodes.ts';

/** The pour unrolled along its route, lifts stacked, each filled as far as it has been logged. */
export default function LiveRoute({
  width,
  height,
  site,
  route,
  progress,
  nowMs,
  onPick,
  axis,
}: {
  width: number;
  height: number;
  site: Pick<SitePlan, 'runs'>;
  route: Route;
  progress: Progress;
  nowMs: number;
  onPick: (elementId: string) => void;
  /** Left and right ends of the route, to stand over another chart's axis. */ axis?: {
    x0: number;
    x1: number;
  };
}) {
  const m = { l: 14, r: 14, t: 26, b: 6 };
  if (width < 80) return null;
  const x = scaleLinear([0, route.lengthM], [axis?.x0 ?? m.l, axis?.x1 ?? width - m.r]);
  return (
    <svg
      width={width}
      height={height}
      className="shrink-0"
      role="group"
      aria-label="Pour as placed"
    >
      {axis && (
        <>
          <text x={axis.x0 - 8} y={height - 14} textAnchor="end" fontSize="14" className="q">
            placed
          </text>
          <text x={axis.x1 + 14} y={height - 14} className="a" fontSize="16">
            Loads
          </text>
        </>
      )}
      {route.legs.map((leg) => {
        const w = x(leg.fromM + leg.lengthM) - x(leg.fromM);
        const rowH = (height - m.t - m.b) / leg.lifts;
        return (
          <g
            key={leg.elementId}
            role="button"
            tabIndex={0}
            aria-label={`${leg.elementId}`}
            onClick={() => {
              onPick(leg.elementId);
            }}
            onKeyDown={(e) => {
              if (e.key === 'Enter') onPick(leg.elementId);
            }}
          >
            {Array.from({ length: leg.lifts }, (_, lift) => {
              const f =
                progress.filled.find((y) => y.elementId === leg.elementId && y.lift === lift)
                  ?.ratio ?? 0;
              const y = m.t + (leg.lifts - 1 - lift) * rowH;
              const min = (nowMs - lastPlacedMs(progress, leg.elementId, lift)) / 60_000;
              const stiff = f > 0 && min > progress.stiffenMin;
              const onFill = stiff ? 'var(--on-stiff)' : 'var(--on-fresh)';
              const now =
                progress.current?.elementId === leg.elementId && progress.current.lift === lift;
              return (
                <LiftBar
                  lift={lift}
                  x={x}
                  leg={leg}
                  y={y}
                  w={w}
                  rowH={rowH}
                  now={now}
                  f={f}
                  stiff={stiff}
                  clocked={progress.clocks.some(
                    (c) => c.elementId === leg.elementId && c.lift === lift,
                  )}
                  m={m}
                  onFill={onFill}
                />
              );
            })}
          </g>
        );
      })}
      <RouteHoles site={site} route={route} x={x} top={m.t} foot={height - m.b} />
      <Clocks route={route} progress={progress} nowMs={nowMs} x={x} top={m.t} foot={height - m.b} />
      {namedNodes(route, x).map((n) => (
        <text key={n.x} x={n.x} y="18" textAnchor={n.anchor} fontSize="15" className="b">
          {n.name}
        </text>
      ))}
    </svg>
  );
}

/** One lift of a run: how much of it stands filled, and how stiff that is. */
function LiftBar({
  lift,
  x,
  leg,
  y,
  w,
  rowH,
  now,
  f,
  stiff,
  clocked,
  m,
  onFill,
}: {
  lift: number;
  x: ScaleLinear<number, number>;
  leg: Leg;
  y: number;
  w: number;
  rowH: number;
  now: boolean;
  f: number;
  stiff: boolean;
  /** Its cells carry their minutes: there is no room for its name. */
  clocked: boolean;
  m: { l: number; r: number; t: number; b: number };
  onFill: 'var(--on-stiff)' | 'var(--on-fresh)';
}) {
  return (
    <g key={lift}>
      <rect
        x={x(leg.fromM)}
        y={y}
        width={w}
        height={rowH}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth={now ? 3 : 1.5}
        strokeDasharray={f > 0 || now ? undefined : '6 4'}
      />
      <rect
        x={x(leg.fromM)}
        y={y}
        width={w * f}
        height={rowH}
        fill={stiff ? 'var(--stiff)' : 'var(--fresh)'}
      />
      {now && <path d={`M${x(leg.fromM) + w * f} ${m.t - 12}l-9 -10h18Z`} fill="var(--chalk)" />}
      {w > 44 && rowH > 17 && (
        <text
          x={x(leg.fromM) + w / 2}
          y={y + rowH / 2 + 6}
          textAnchor="middle"
          fontSize="17"
          className="a"
          style={{ fill: f > 0.55 ? onFill : undefined }}
        >
          {lift === 0 && !clocked ? leg.elementId : ''}
          {f > 0 && f < 1 ? ` ${Math.round(f * 100)}` : ''}
        </text>
      )}
    </g>
  );
}

/** A number needs so much room, px. */
const CLOCK_PX = 34;

/**
 * Minutes till each waiting cell no longer knits, on the cell itself; where cells are narrow the
 * first of a row that fits.
 */
function Clocks({
  route,
  progress,
  nowMs,
  x,
  top,
  foot,
}: {
  route: Route;
  progress: Progress;
  nowMs: number;
  x: ScaleLinear<number, number>;
  top: number;
  foot: number;
}) {
  return (
    <g aria-hidden="true" data-clocks>
      {clockMarks(route, progress, x, top, foot).map((c) => {
        const left = Math.floor((c.shutsMs - nowMs) / 60_000);
        return (
          <text
            key={`${c.x} ${c.y}`}
            x={c.x}
            y={c.y}
            textAnchor="middle"
            fontSize="19"
            className="a"
            style={{ fill: clockFill(left, nowMs - c.placedMs > progress.stiffenMin * 60_000) }}
          >
            {left < 0 ? 'cold' : left}
          </text>
        );
      })}
    </g>
  );
}

/** Figures on fresh concrete are light, on stiff dark, and in the last minutes chalk. */
function clockFill(left: number, stiff: boolean): string {
  if (!stiff) return 'var(--on-fresh)';
  return seamUrgent({ cold: left < 0, minutesLeft: left }) ? 'var(--chalk-t)' : 'var(--on-stiff)';
}

/** When a run and lift was placed last, ms. */
const lastPlacedMs = (progress: Progress, elementId: string, lift: number): number =>
  Math.max(
    0,
    ...progress.placements
      .filter((p) => p.elementId === elementId && p.lift === lift)
      .map((p) => p.toMs),
  );

/** A clock on the wall: where, when it shuts, and when its lift was placed. */
interface ClockMark {
  x: number;
  y: number;
  shutsMs: number;
  placedMs: number;
}

/** Where the clocks stand: one a cell, left out where the one before it takes the room. */
function clockMarks(
  route: Route,
  progress: Progress,
  x: ScaleLinear<number, number>,
  top: number,
  foot: number,
): ClockMark[] {
  const out: ClockMark[] = [];
  for (const c of [...progress.clocks].sort((a, b) => a.lift - b.lift || a.fromM - b.fromM)) {
    const leg = route.legs.find((l) => l.elementId === c.elementId);
    if (!leg) continue;
    const rowH = (foot - top) / leg.lifts;
    const y = top + (leg.lifts - 1 - c.lift + 0.5) * rowH + 7;
    const ratio =
      progress.filled.find((f) => f.elementId === c.elementId && f.lift === c.lift)?.ratio ?? 1;
    // On what is filled of it.
    const endM = Math.max(c.fromM, Math.min(c.toM, leg.fromM + leg.lengthM * ratio));
    const at = (x(c.fromM) + x(endM)) / 2;
    const before = out.at(-1);
    const taken = before !== undefined && Math.abs(before.y - y) < 1 && at - before.x < CLOCK_PX;
    // One that has hardly begun has no room for it.
    const wide = endM - c.fromM > 0.7 * (c.toM - c.fromM);
    if (rowH >= 20 && wide && !taken)
      out.push({
        x: at,
        y,
        shutsMs: c.shutsMs,
        placedMs: lastPlacedMs(progress, c.elementId, c.lift),
      });
  }
  return out;
}
