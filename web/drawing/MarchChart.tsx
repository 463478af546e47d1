import { namedNodes } from './route-nodes.ts';
import { curveMonotoneY, line as d3line, scaleLinear } from 'd3';
import type { WeatherHour } from '../../contract/index.ts';
import type { LoadState } from '../../core/pourlog/loads.ts';
import { faceKey, type ActualPlacement } from '../../core/pourlog/placements.ts';
import type { PourPlan } from '../../core/pourplan/plan.ts';
import {
  clockText,
  distanceText,
  temperatureFigure,
  volume,
  type UnitSystem,
} from '../../core/units/index.ts';

/** Where the route's axis begins and ends across a chart of this width; what stands over it uses the same. */
export function marchAxis(
  width: number,
  loads: number,
): { x0: number; x1: number; weatherW: number; loadsW: number } {
  const narrow = width < 560;
  const weatherW = narrow ? 0 : 92;
  const loadsW = Math.max(narrow ? 70 : 96, Math.min(narrow ? 90 : 170, loads * 38 + 20));
  return { x0: weatherW + 62, x1: width - loadsW - 14, weatherW, loadsW };
}

interface Props {
  width: number;
  height: number;
  plan: PourPlan;
  units: UnitSystem;
  maxAgeMin: number;
  /** Minutes after local midnight; null leaves out the chalk line. */
  nowMin: number | null;
  weather: { min: number; hour: WeatherHour }[];
  /** Names and numbers over the axis; left out where the live route stands over it. */
  strip?: boolean;
  /** What happened, drawn solid over the plan's outline. */
  actual?: {
    placements: ActualPlacement[];
    loads: LoadState[];
    minuteOf: (ms: number) => number;
    seamShutsMin: number | null;
    knitMin: number;
  };
}

/** Stretches of one pass without a stand, joined for drawing: straight bars along the route. */
interface Bar {
  lift: number;
  /** Something of this pour is placed on it: it has a window of its own. */
  covered: boolean;
  x0: number;
  x1: number;
  t0: number;
  t1: number;
}

/** Runs and lifts on which something of the same pour is placed. */
function coveredFaces({ cells }: PourPlan): ReadonlySet<string> {
  const byId = new Map(cells.map((c) => [c.id, faceKey(c.elementId, c.lift)]));
  return new Set(cells.flatMap((c) => (c.below === undefined ? [] : [byId.get(c.below) ?? ''])));
}

function plannedBars(plan: PourPlan): Bar[] {
  const out: Bar[] = [];
  const faces = coveredFaces(plan);
  for (const p of plan.placements) {
    const covered = faces.has(faceKey(p.elementId, p.lift));
    const last = out.at(-1);
    if (
      last &&
      last.lift === p.lift &&
      last.covered === covered &&
      Math.abs(last.x1 - p.fromM) < 1e-6 &&
      Math.abs(last.t1 - p.fromMin) < 0.02
    ) {
      last.x1 = p.toM;
      last.t1 = p.toMin;
    } else out.push({ lift: p.lift, covered, x0: p.fromM, x1: p.toM, t0: p.fromMin, t1: p.toMin });
  }
  return out;
}

function actualBars(
  plan: PourPlan,
  placements: ActualPlacement[],
  minuteOf: (ms: number) => number,
): Bar[] {
  const faces = coveredFaces(plan);
  return placements.flatMap((p) => {
    const leg = plan.route.legs.find((l) => l.elementId === p.elementId);
    if (!leg) return [];
    // While a run is being filled its end is not known yet: the bar stands at its start.
    return [
      {
        lift: p.lift,
        covered: faces.has(faceKey(p.elementId, p.lift)),
        x0: leg.fromM + leg.lengthM * p.fromRatio,
        x1: leg.fromM + leg.lengthM * p.toRatio,
        t0: minuteOf(p.fromMs),
        t1: minuteOf(p.toMs),
      },
    ];
  });
}

/** Lifts by where each begins; those that begin within a line of each other share their words. */
function liftNames(planned: Bar[], t: (min: number) => number): { bar: Bar; names: number[] }[] {
  const out: { bar: Bar; names: number[] }[] = [];
  for (const [i, bar] of planned.entries()) {
    if (planned[i - 1]?.lift === bar.lift) continue;
    const before = out.at(-1);
    if (before && Math.abs(t(bar.t0) - t(before.bar.t0)) < 18) before.names.push(bar.lift + 1);
    else out.push({ bar, names: [bar.lift + 1] });
  }
  return out;
}

const STEPS = [5, 10, 15, 30, 60, 120, 240];

/**
 * The march chart: time runs down, the route runs across; weather on the left and loads on the right share the
 * time axis. Behind each pass stands the window in which the next one knits.
 */
export function MarchChart({
  width,
  height,
  plan,
  units,
  maxAgeMin,
  nowMin,
  weather,
  actual,
  strip = true,
}: Props) {
  const narrow = width < 560;
  const top = strip ? 74 : 30;
  const bottom = 14;
  const { x0, x1, weatherW, loadsW } = marchAxis(width, plan.loadIds.length);
  if (width < 200 || height < 160) return null;
  const planned = plannedBars(plan);
  // The last lift has nothing to come on it: only lower ones show their window (a single lift keeps its own, for the ring's end).
  const anyCovered = planned.some((b) => b.covered);
  const lastOpen = planned.findLast((b) => b.covered || !anyCovered);
  const done = actual ? actualBars(plan, actual.placements, actual.minuteOf) : [];
  const loadTimes = plan.simulation.loads.map((l) => l.batchMin + l.plantDelay.medianMin);
  const actualTimes = actual
    ? actual.loads.flatMap((l) =>
        [l.batchedAt, l.arrivedAt, l.endedAt].flatMap((t) =>
          t ? [actual.minuteOf(Date.parse(t))] : [],
        ),
      )
    : [];
  const finish = Math.max(plan.timetable.finishMin, ...done.map((b) => b.t1));
  const begin = Math.min(...loadTimes, ...actualTimes, ...planned.map((b) => b.t0)) - 6;
  const end = finish + Math.min(plan.knitMin, 40) + 8;
  const near = nowMin !== null && nowMin > begin - 60 && nowMin < end + 60;
  const t = scaleLinear(
    [
      near && nowMin !== null ? Math.min(begin, nowMin - 4) : begin,
      near && nowMin !== null ? Math.max(end, nowMin + 6) : end,
    ],
    [top, height - bottom],
  );
  const [tFrom = 0, tTo = 1] = t.domain();
  const x = scaleLinear([0, plan.route.lengthM], [x0, x1]);
  const step = STEPS.find((s) => t(tFrom + s) - t(tFrom) >= 30) ?? 480;
  const ticks: number[] = [];
  for (let m = Math.ceil(tFrom / step) * step; m <= tTo; m += step) ticks.push(m);
  const legs = plan.route.legs;
  const shown = weather.filter((w) => w.min >= tFrom - 60 && w.min <= tTo);
  const rain = shown.filter((w) => w.hour.rainMmH > 0.5);
  const temps = shown.map((w) => w.hour.airTempC);
  const tx = scaleLinear([Math.min(...temps, 0), Math.max(...temps, 20)], [10, weatherW - 34]);
  const tempLine = d3line<(typeof shown)[number]>()
    .x((w) => tx(w.hour.airTempC))
    .y((w) => t(w.min))
    .curve(curveMonotoneY);
  const showWindow = (bars: Bar[], knit: number, stiffen: number, strength: number) =>
    bars.map((b, i) => {
      const pts = (from: number, to: number) =>
        `${x(b.x0)},${t(b.t0 + from)} ${x(b.x1)},${t(b.t1 + from)} ${x(b.x1)},${t(b.t1 + to)} ${x(b.x0)},${t(b.t0 + to)}`;
      return (
        <g key={i}>
          <polygon points={pts(stiffen, knit)} fill="var(--fresh-2)" opacity={strength} />
          <polygon points={pts(stiffen, knit)} fill="url(#knit)" opacity={strength + 0.15} />
          <path
            d={`M${x(b.x0)} ${t(b.t0 + stiffen)}L${x(b.x1)} ${t(b.t1 + stiffen)}`}
            stroke="var(--fresh)"
            strokeWidth="1.25"
          />
          <path
            d={`M${x(b.x0)} ${t(b.t0 + knit)}L${x(b.x1)} ${t(b.t1 + knit)}`}
            stroke="var(--chalk)"
            strokeWidth="2"
          />
        </g>
      );
    });
  const cold = plan.timetable.seams.filter((s) => s.verdict === 'cold');
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`March chart: ${planned.length} stretches planned from ${clockText(plan.timetable.placements[0]?.fromMin ?? 0)} to ${clockText(plan.timetable.finishMin)}, ${cold.length} cold seams${actual ? `, ${done.length} stretches placed` : ''}`}
    >
      <defs>
        <pattern
          id="knit"
          width="7"
          height="7"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 0V7" stroke="var(--fresh)" strokeWidth="1" />
        </pattern>
        <pattern
          id="nogo"
          width="10"
          height="10"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 0V10" stroke="var(--ink)" strokeWidth="1.4" opacity=".34" />
        </pattern>
        <filter id="chalkline">
          <feTurbulence type="fractalNoise" baseFrequency="0.9" numOctaves="2" seed="3" />
          <feDisplacementMap in="SourceGraphic" scale="3.5" />
        </filter>
        <clipPath id="march">
          <rect
            x={x0}
            y={top}
            width={Math.max(0, x1 - x0)}
            height={Math.max(0, height - bottom - top)}
          />
        </clipPath>
      </defs>
      {!narrow && strip && (
        <text x="12" y="22" className="a" fontSize="16">
          Weather
        </text>
      )}
      {strip && (
        <text x={x0} y="22" className="a" fontSize="16">
          Along the pour{legs[0]?.startNode ? ` from ${legs[0].startNode}` : ''},{' '}
          {distanceText(plan.route.lengthM, units)}
        </text>
      )}
      {strip && (
        <text x={x1 + 14} y="22" className="a" fontSize="16">
          Loads
        </text>
      )}
      {/* the pour itself over the same axis */}
      {legs.map((l, i) => {
        const w = x(l.fromM + l.lengthM) - x(l.fromM);
        return (
          <g key={l.elementId}>
            {strip && (
              <>
                <rect
                  x={x(l.fromM)}
                  y={48}
                  width={w}
                  height="18"
                  fill={i % 2 ? 'var(--stiff-2)' : 'var(--sheet)'}
                  stroke="var(--ink)"
                  strokeWidth="1.5"
                />
                {w > l.elementId.length * 9 + 6 && (
                  <text
                    x={x(l.fromM) + w / 2}
                    y="62"
                    textAnchor="middle"
                    fontSize="14"
                    className="b"
                  >
                    {l.elementId}
                  </text>
                )}
              </>
            )}
            <path
              d={`M${x(l.fromM)} ${top - 8}V${height - bottom}`}
              stroke="var(--line)"
              strokeWidth="1"
            />
          </g>
        );
      })}
      {strip &&
        namedNodes(plan.route, x).map((n) => (
          <text key={n.x} x={n.x} y="42" textAnchor={n.anchor} fontSize="14" className="b">
            {n.name}
          </text>
        ))}
      <path d={`M${x1} ${top - 8}V${height - bottom}`} stroke="var(--line)" />
      {ticks
        .filter((m) => !near || nowMin === null || Math.abs(t(m) - t(nowMin) + 6) > 15)
        .map((m) => (
          <g key={m}>
            <path d={`M${x0 - 4} ${t(m)}H${width}`} stroke="var(--hair)" strokeWidth="1" />
            <text
              x={x0 - 8}
              y={t(m) + 5}
              textAnchor="end"
              className="m"
              fontSize={m % 60 === 0 ? 16 : 14}
              style={{
                fontWeight: m % 60 === 0 ? 700 : 400,
                fill: m % 60 === 0 ? undefined : 'var(--ink2)',
              }}
            >
              {clockText(m)}
            </text>
          </g>
        ))}
      {rain.map((w) => (
        <rect
          key={w.min}
          x={0}
          y={Math.max(top, t(w.min))}
          width={width}
          height={Math.max(0, Math.min(height - bottom, t(w.min + 60)) - Math.max(top, t(w.min)))}
          fill="url(#nogo)"
        />
      ))}
      {rain[0] && (
        <text x={x0 + 8} y={Math.max(top, t(rain[0].min)) + 18} className="b halo" fontSize="14">
          Rain from {clockText(rain[0].min)}: no open face
        </text>
      )}
      {!narrow && shown.length > 1 && (
        <g>
          <path
            d={tempLine(shown.filter((w) => w.min >= tFrom && w.min <= tTo)) ?? ''}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="2.5"
          />
          {shown
            .filter((w) => w.min >= tFrom && w.min <= tTo)
            .map((w) => (
              <g key={w.min}>
                <circle cx={tx(w.hour.airTempC)} cy={t(w.min)} r="3.5" fill="var(--ink)" />
                <text x={tx(w.hour.airTempC) + 9} y={t(w.min) + 5} className="b halo" fontSize="15">
                  {temperatureFigure(w.hour.airTempC, units).value}°
                </text>
              </g>
            ))}
        </g>
      )}
      {!narrow && shown.length === 0 && (
        <text x="12" y={top + 20} fontSize="14" className="q">
          no forecast
        </text>
      )}
      <g clipPath="url(#march)">
        {showWindow(
          (actual && done.length ? done.filter((b) => b.t1 > b.t0) : planned).filter(
            (b) => b.covered || !anyCovered,
          ),
          actual && done.length ? actual.knitMin : plan.knitMin,
          plan.stiffenMin,
          0.42,
        )}
        {planned.map((b, i) =>
          actual ? (
            <path
              key={i}
              d={`M${x(b.x0)} ${t(b.t0)}L${x(b.x1)} ${t(b.t1)}`}
              stroke="var(--ink2)"
              strokeWidth="1.5"
              strokeDasharray="6 4"
              fill="none"
            />
          ) : (
            <path
              key={i}
              d={`M${x(b.x0)} ${t(b.t0)}L${x(b.x1)} ${t(b.t1)}`}
              stroke="var(--fresh)"
              strokeWidth="11"
              fill="none"
            />
          ),
        )}
        {planned.slice(1).map((b, i) => {
          const a = planned[i] as Bar;
          return a.lift === b.lift && b.t0 - a.t1 > 1 ? (
            <path
              key={i}
              d={`M${x(b.x0)} ${t(a.t1)}V${t(b.t0)}`}
              stroke="var(--ink)"
              strokeWidth={actual ? 1 : 2.5}
              strokeDasharray="2 4"
            />
          ) : null;
        })}
        {done.map((b, i) => (
          <path
            key={i}
            d={`M${x(b.x0)} ${t(b.t0)}L${b.x1 === b.x0 ? x(b.x0) + 0.01 : x(b.x1)} ${t(b.t1)}`}
            stroke="var(--fresh)"
            strokeWidth="11"
            strokeLinecap="butt"
            fill="none"
            data-actual
          />
        ))}
        {!actual &&
          liftNames(planned, t).map(({ bar, names }) => (
            <text
              key={bar.lift}
              x={x(bar.x0) + 6}
              y={t(bar.t0) - 10}
              className="b halo"
              fontSize="15"
            >
              {plan.cells.some((c) => c.lift > 0) ? `lift ${names.join(', ')}` : 'placing'}
            </text>
          ))}
        {actual && planned[0] && done.length === 0 && (
          <text
            x={x((planned[0].x0 + planned[0].x1) / 2) + 10}
            y={t((planned[0].t0 + planned[0].t1) / 2) - 8}
            className="halo q"
            fontSize="14"
          >
            as planned
          </text>
        )}
      </g>
      {planned[0] && !anyCovered && t(planned[0].t0 + plan.stiffenMin) + 34 < height - bottom && (
        <text
          x={x0 + 8}
          y={t((actual && done[0] ? done[0].t0 : planned[0].t0) + plan.stiffenMin) + 34}
          className="halo q"
          fontSize="14"
        >
          open for the next from +{Math.round(plan.stiffenMin)} min
        </text>
      )}
      {lastOpen &&
        !(actual && done.length) &&
        t(lastOpen.t1 + plan.knitMin) + 20 < height - bottom && (
          <text
            x={x1 - 6}
            y={t(lastOpen.t1 + plan.knitMin) + 18}
            textAnchor="end"
            className="halo"
            fontSize="15"
            style={{ fill: 'var(--chalk-t)', fontWeight: 600 }}
          >
            shuts +{Math.round(plan.knitMin)} min
          </text>
        )}
      {plan.loadIds.map((id, i) => (
        <LoadBar
          key={id}
          index={i}
          of={plan.loadIds.length}
          x={x1 + 14}
          width={loadsW}
          id={id}
          plan={plan}
          t={t}
          units={units}
          maxAgeMin={maxAgeMin}
          actual={actual?.loads.find((l) => l.id === id)}
          minuteOf={actual?.minuteOf}
          nowMin={nowMin}
          bottom={height - bottom}
          strip={strip}
        />
      ))}
      {near && nowMin !== null && (
        <g>
          <rect
            x="0"
            y={t(nowMin) - 2}
            width={width}
            height="4"
            fill="var(--chalk)"
            filter="url(#chalkline)"
          />
          <text
            x={x0 - 8}
            y={t(nowMin) - 7}
            textAnchor="end"
            className="m halo"
            fontSize={narrow ? 15 : 18}
            style={{ fontWeight: 700, fill: 'var(--chalk-t)' }}
          >
            {clockText(nowMin)}
          </text>
          {actual?.seamShutsMin !== null &&
            actual?.seamShutsMin !== undefined &&
            actual.seamShutsMin > nowMin &&
            actual.seamShutsMin < tTo && (
              <g stroke="var(--chalk)" strokeWidth="2.5" fill="none">
                <path d={`M${x0 + 14} ${t(nowMin) + 4}V${t(actual.seamShutsMin)}`} />
                <path
                  d={`M${x0 + 6} ${t(actual.seamShutsMin)}H${x1}`}
                  strokeWidth="1.5"
                  strokeDasharray="5 4"
                />
              </g>
            )}
        </g>
      )}
    </svg>
  );
}

interface LoadBarProps {
  index: number;
  of: number;
  x: number;
  width: number;
  id: string;
  plan: PourPlan;
  t: (m: number) => number;
  units: UnitSystem;
  maxAgeMin: number;
  actual: LoadState | undefined;
  minuteOf: ((ms: number) => number) | undefined;
  nowMin: number | null;
  bottom: number;
  strip: boolean;
}

/** One load from batching to its end: on the road hollow, discharging solid, its age limit struck in chalk. */
function LoadBar({
  index,
  of,
  x,
  width,
  id,
  plan,
  t,
  units,
  maxAgeMin,
  actual,
  minuteOf,
  nowMin,
  bottom,
  strip,
}: LoadBarProps) {
  const pitch = Math.min(40, (width - 14) / of);
  const cx = x + pitch * (index + 0.5);
  const planned = plan.timetable.loads.find((l) => l.id === id);
  const sim = plan.simulation.loads[index];
  if (!planned || !sim) return null;
  const ms = (iso: string | null | undefined) =>
    iso && minuteOf ? minuteOf(Date.parse(iso)) : null;
  const batch = ms(actual?.batchedAt) ?? sim.batchMin + sim.plantDelay.medianMin;
  const arrive = ms(actual?.arrivedAt) ?? planned.arriveMin;
  const here = actual?.arrivedAt !== null && actual?.arrivedAt !== undefined;
  const start = ms(actual?.firstPlacedAt) ?? (here ? null : planned.startMin);
  const end = ms(actual?.endedAt) ?? (here ? nowMin : planned.endMin);
  const w = Math.min(22, pitch * 0.6);
  const solid = !actual || here;
  const age = batch + maxAgeMin;
  return (
    <g>
      <text x={cx} y={strip ? 40 : 12} textAnchor="middle" className="a" fontSize="17">
        {id.replace(/^L/, '')}
      </text>
      {pitch >= 28 && (
        <text x={cx} y={strip ? 60 : 26} textAnchor="middle" fontSize="14">
          {volume(actual?.volumeM3 ?? sim.volumeM3, units, 1).value}
        </text>
      )}
      <rect
        x={cx - w / 4}
        y={t(batch)}
        width={w / 2}
        height={Math.max(0, t(arrive) - t(batch))}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="1.25"
        strokeDasharray={solid ? undefined : '4 3'}
      />
      {start !== null && (
        <path d={`M${cx} ${t(arrive)}V${t(start)}`} stroke="var(--ink)" strokeWidth="1.5" />
      )}
      {start !== null && end !== null && (
        <rect
          x={cx - w / 2}
          y={t(start)}
          width={w}
          height={Math.max(1, t(end) - t(start))}
          fill={solid ? 'var(--fresh)' : 'none'}
          stroke={solid ? 'none' : 'var(--fresh)'}
          strokeWidth="1.5"
        />
      )}
      {actual?.decision === 'reject' && (
        <path
          d={`M${cx - 8} ${t(arrive)}l16 16M${cx + 8} ${t(arrive)}l-16 16`}
          stroke="var(--chalk)"
          strokeWidth="3"
        />
      )}
      {t(age) < bottom && (
        <g>
          <path
            d={`M${cx - w * 0.7} ${t(age)}H${cx + w * 0.7}`}
            stroke="var(--chalk)"
            strokeWidth="2.5"
          />
          {index === of - 1 && (
            <text
              x={cx}
              y={t(age) + 15}
              textAnchor="middle"
              fontSize="14"
              style={{ fill: 'var(--chalk-t)' }}
            >
              {maxAgeMin} min
            </text>
          )}
        </g>
      )}
    </g>
  );
}
