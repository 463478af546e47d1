import { curveMonotoneX, line as d3line, scaleLinear } from 'd3';
import { useId } from 'react';
import { COLD_AIR_C } from '#core/concrete';
import { FINISH_MIN, type DayHour } from '#core/pourplan';
import { quantityText, temperatureFigure, type UnitSystem } from '#core/units';
import { dateName } from './dates.ts';
import { StartsRow } from './StartsRow.tsx';
import type { DayBand, WhenScale } from './scale.ts';
import type { useStarts } from './useStarts.ts';

interface ChartProps {
  scale: WhenScale;
  width: number;
  height: number;
  when: ReturnType<typeof useStarts>;
  units: UnitSystem;
  startMin: number | null;
  placingMin: number;
  /** Wind that stops what conveys it, km/h. */
  windNo: number | undefined;
  onPick: (startMin: number) => void;
}
const TOP = 34;
/** Where the rules of cold weather begin, and the wind that stops the boom. */
function Limits({
  band: { x0, x1, wide },
  coldY,
  windY,
  windNo,
  units,
}: {
  band: DayBand;
  coldY: number;
  windY: number | null;
  windNo: number;
  units: UnitSystem;
}) {
  const lines: [number, string][] = [
    [coldY, `cold rules at ${temperatureFigure(COLD_AIR_C, units).value}°`],
    ...(windY === null
      ? []
      : [[windY, `no boom over ${quantityText(windNo, 'KmH', units)}`] as [number, string]]),
  ];
  return lines.map(([y, words]) => (
    <g key={words}>
      <path
        d={`M${x0} ${y}H${x1}`}
        stroke="var(--chalk)"
        strokeWidth="1.25"
        strokeDasharray="2 4"
      />
      {wide && x1 - x0 > 300 && (
        <text
          x={x1 - 4}
          y={y - 5}
          textAnchor="end"
          fontSize="14"
          className="halo"
          style={{ fill: 'var(--chalk-t)' }}
        >
          {words}
        </text>
      )}
    </g>
  ));
}

/** Night, air, wind and rain of one day. */
function DayWeather({ band, hours, foot, units, windNo }: DayProps) {
  const { day, x, x0, x1, wide } = band;
  const own = hours.filter((h) => h.min >= day.fromMin + 240 && h.min <= day.fromMin + 1320);
  const temps = hours.map((h) => h.airTempC);
  const high = (foot - TOP) * 0.45;
  const ty = scaleLinear([Math.min(...temps, 0), Math.max(...temps, 20)], [TOP + high, TOP + 16]);
  const wy = scaleLinear([0, 70], [foot - 34, TOP + high]);
  const ry = scaleLinear([0, 6], [0, 40]).clamp(true);
  const air = d3line<DayHour>()
    .x((h) => x(h.min))
    .y((h) => ty(h.airTempC))
    .curve(curveMonotoneX);
  const wind = d3line<DayHour>()
    .x((h) => x(h.min))
    .y((h) => wy(h.windKmH))
    .curve(curveMonotoneX);
  const warmest = own.reduce((a, b) => (b.airTempC > a.airTempC ? b : a), own[0] as DayHour);
  const windiest = own.reduce((a, b) => (b.windKmH > a.windKmH ? b : a), own[0] as DayHour);
  return (
    <g>
      <rect
        x={x0}
        y={TOP}
        width={Math.max(0, x(day.sunriseMin) - x0)}
        height={foot - TOP}
        fill="var(--void)"
      />
      <rect
        x={x(day.duskMin)}
        y={TOP}
        width={Math.max(0, x1 - x(day.duskMin))}
        height={foot - TOP}
        fill="var(--void)"
      />
      {own
        .filter((h) => h.rainMmH > 0)
        .map((h) => (
          <rect
            key={h.min}
            x={x(h.min)}
            y={foot - ry(h.rainMmH)}
            width={Math.max(2, x(h.min + 60) - x(h.min) - 1)}
            height={ry(h.rainMmH)}
            fill="var(--fresh)"
          />
        ))}
      <Limits
        band={band}
        coldY={ty(COLD_AIR_C)}
        windY={windNo === undefined || windNo >= 70 ? null : wy(windNo)}
        windNo={windNo ?? 0}
        units={units}
      />
      <path d={air(own) ?? ''} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      <path d={wind(own) ?? ''} fill="none" stroke="var(--ink2)" strokeWidth="1.75" />
      {own.length > 0 && (
        <>
          <text
            x={Math.min(Math.max(x(warmest.min), x0 + 16), x1 - 16)}
            y={ty(warmest.airTempC) - 6}
            textAnchor="middle"
            fontSize="14"
            className="b halo"
          >
            {temperatureFigure(warmest.airTempC, units).value}°
          </text>
          {wide && (
            <text
              x={x(windiest.min)}
              y={wy(windiest.windKmH) - 6}
              textAnchor="middle"
              fontSize="14"
              className="q halo"
            >
              {quantityText(windiest.windKmH, 'KmH', units)}
            </text>
          )}
        </>
      )}
    </g>
  );
}
interface DayProps {
  band: DayBand;
  hours: DayHour[];
  foot: number;
  units: UnitSystem;
  windNo: number | undefined;
}

/** The pour itself under the hours: placing, then finishing. */
function PourBar({
  scale,
  startMin,
  placingMin,
  y,
}: {
  scale: WhenScale;
  startMin: number;
  placingMin: number;
  y: number;
}) {
  const [a, b, c] = [startMin, startMin + placingMin, startMin + placingMin + FINISH_MIN].map(
    scale.x,
  );
  if (a === undefined || b === undefined || c === undefined) return null;
  return (
    <g>
      {[a, c].map((x) => (
        <path key={x} d={`M${x} ${TOP}V${y + 30}`} stroke="var(--ink)" strokeWidth="2" />
      ))}
      <rect x={a} y={y} width={Math.max(2, b - a)} height="30" fill="var(--fresh)" />
      <rect x={b} y={y} width={Math.max(0, c - b)} height="30" fill="var(--fresh-2)" />
      <rect
        x={a}
        y={y}
        width={Math.max(2, c - a)}
        height="30"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      {b - a > 44 && (
        <text x={a + 6} y={y + 20} fontSize="14" className="b" style={{ fill: 'var(--on-fresh)' }}>
          place
        </text>
      )}
      {c - b > 48 && (
        <text x={b + 5} y={y + 20} fontSize="14" className="b">
          finish
        </text>
      )}
    </g>
  );
}

/** Days of weather side by side, the chosen one wide; under them every quarter hour by its verdict, and the pour. */
export function DaysChart({
  scale,
  width,
  height,
  when,
  units,
  startMin,
  placingMin,
  windNo,
  onPick,
}: ChartProps) {
  const id = useId();
  const foot = height - 104;
  return (
    <svg width={width} height={height} role="group" aria-label="Five days of weather and starts">
      <defs>
        <pattern
          id={`${id}no`}
          width="9"
          height="9"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 0V9" stroke="var(--ink)" strokeWidth="1.2" opacity=".4" />
        </pattern>
      </defs>
      {scale.bands.map((band) => (
        <g key={band.day.date}>
          <text x={band.x0 + 2} y="20" className="a" fontSize={band.wide ? 18 : 15}>
            {band.wide
              ? dateName(band.day.date)
              : dateName(band.day.date).slice(0, width < 560 ? 3 : 6)}
          </text>
          <DayWeather band={band} hours={when.hours} foot={foot} units={units} windNo={windNo} />
          {[480, 720, 960].map((m) => (
            <g key={m}>
              {(band.wide || m === 720) && (
                <text
                  x={band.x(band.day.fromMin + m)}
                  y={foot + 16}
                  textAnchor="middle"
                  fontSize="14"
                  className="q"
                >
                  {String(m / 60).padStart(2, '0')}
                </text>
              )}
            </g>
          ))}
        </g>
      ))}
      <path d={`M0 ${foot}H${width}`} stroke="var(--line)" strokeWidth="1" />
      <StartsRow
        scale={scale}
        y={foot + 22}
        when={when}
        hatch={`${id}no`}
        startMin={startMin}
        onPick={onPick}
      />
      {startMin !== null && (
        <PourBar scale={scale} startMin={startMin} placingMin={placingMin} y={foot + 68} />
      )}
    </svg>
  );
}
