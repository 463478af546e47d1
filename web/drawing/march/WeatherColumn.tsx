import { curveMonotoneY, line as d3line, scaleLinear } from 'd3';
import { clockText, temperatureFigure } from '#core/units';
import type { March } from './scales.ts';

/** Rain from this on keeps an open face from being left, mm/h. */
const RAIN_MM_H = 0.5;

/** Hours of rain across the chart, and the air of the day down its left side. */
export function WeatherColumn({ m, hatch }: { m: March; hatch: string }) {
  const shown = m.weather.filter((w) => w.min >= m.tFrom - 60 && w.min <= m.tTo);
  const rain = shown.filter((w) => w.hour.rainMmH > RAIN_MM_H);
  return (
    <g>
      {rain.map((w) => (
        <rect
          key={w.min}
          x={0}
          y={Math.max(m.top, m.t(w.min))}
          width={m.width}
          height={Math.max(0, Math.min(m.foot, m.t(w.min + 60)) - Math.max(m.top, m.t(w.min)))}
          fill={`url(#${hatch})`}
        />
      ))}
      {rain[0] && (
        <text
          x={m.x0 + 8}
          y={Math.max(m.top, m.t(rain[0].min)) + 18}
          className="b halo"
          fontSize="14"
        >
          Rain from {clockText(rain[0].min)}: no open face
        </text>
      )}
      {!m.narrow && shown.length > 1 && <Air m={m} shown={shown} />}
      {!m.narrow && shown.length === 0 && (
        <text x="12" y={m.top + 20} fontSize="14" className="q">
          no forecast
        </text>
      )}
    </g>
  );
}

function Air({ m, shown }: { m: March; shown: March['weather'] }) {
  const temps = shown.map((w) => w.hour.airTempC);
  const tx = scaleLinear([Math.min(...temps, 0), Math.max(...temps, 20)], [10, m.weatherW - 34]);
  const within = shown.filter((w) => w.min >= m.tFrom && w.min <= m.tTo);
  const line = d3line<(typeof shown)[number]>()
    .x((w) => tx(w.hour.airTempC))
    .y((w) => m.t(w.min))
    .curve(curveMonotoneY);
  return (
    <g>
      <path d={line(within) ?? ''} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      {within.map((w) => (
        <g key={w.min}>
          <circle cx={tx(w.hour.airTempC)} cy={m.t(w.min)} r="3.5" fill="var(--ink)" />
          <text x={tx(w.hour.airTempC) + 9} y={m.t(w.min) + 5} className="b halo" fontSize="15">
            {temperatureFigure(w.hour.airTempC, m.units).value}°
          </text>
        </g>
      ))}
    </g>
  );
}
