import { curveMonotoneY, line as d3line, scaleLinear } from 'd3';
import { quantityText, temperatureFigure } from '#core/units';
import type { March } from './scales.ts';

type Shown = March['weather'];
/** Least room between two readings of the column, px. */
const APART_PX = 34;

/** Hours of the forecast that lie on the chart; none of those that are folded away. */
const shownOf = (m: March): Shown =>
  m.weather.filter(
    (w) =>
      w.min >= m.tFrom &&
      w.min <= (m.fold?.endMin ?? m.tTo) &&
      !(m.fold && w.min > m.fold.fromMin && w.min < m.fold.laterMin),
  );

/** Air, wind and rain of the day, down the left side of the chart. */
export default function WeatherColumn({ m }: { m: March }) {
  if (m.narrow) return null;
  const shown = shownOf(m);
  if (m.weather.length === 0)
    return (
      <text x="12" y={m.top + 20} fontSize="14" className="q">
        no forecast
      </text>
    );
  return (
    <g>
      <Rain m={m} />
      {shown.length > 1 && <Air m={m} shown={shown} />}
    </g>
  );
}

/** Rain as bars from the axis to the left. */
function Rain({ m }: { m: March }) {
  const end = m.fold?.endMin ?? m.tTo;
  const wet = m.weather.filter((w) => w.hour.rainMmH > 0 && w.min + 60 > m.tFrom && w.min < end);
  const most = Math.max(2.5, ...wet.map((w) => w.hour.rainMmH));
  const width = scaleLinear([0, most], [0, m.weatherW - 34]);
  return wet
    .filter((w) => !(m.fold && w.min > m.fold.fromMin && w.min + 60 < m.fold.laterMin))
    .map((w) => {
      const y = m.t(Math.max(w.min, m.tFrom));
      return (
        <rect
          key={w.min}
          x={m.weatherW - width(w.hour.rainMmH)}
          y={y}
          width={width(w.hour.rainMmH)}
          height={Math.max(2, m.t(Math.min(w.min + 60, end)) - y - 2)}
          fill="var(--fresh)"
        />
      );
    });
}

/** Readings that stand far enough from each other to be read. */
function apart(m: March, shown: Shown): Shown {
  const out: Shown = [];
  for (const w of shown) {
    const last = out.at(-1);
    const y = m.t(w.min);
    if (y <= m.foot - 6 && (!last || y - m.t(last.min) >= APART_PX)) out.push(w);
  }
  return out;
}

function Air({ m, shown }: { m: March; shown: Shown }) {
  const temps = shown.map((w) => w.hour.airTempC);
  const tx = scaleLinear([Math.min(...temps, 0), Math.max(...temps, 20)], [8, m.weatherW - 62]);
  const line = d3line<Shown[number]>()
    .x((w) => tx(w.hour.airTempC))
    .y((w) => m.t(w.min))
    .curve(curveMonotoneY);
  return (
    <g>
      <path d={line(shown) ?? ''} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      {apart(m, shown).map((w) => {
        const y = m.t(w.min);
        return (
          <g key={w.min}>
            <circle cx={tx(w.hour.airTempC)} cy={y} r="3.5" fill="var(--ink)" />
            <text x={tx(w.hour.airTempC) + 8} y={y + 4} className="b halo" fontSize="15">
              {temperatureFigure(w.hour.airTempC, m.units).value}°
            </text>
            <text x={tx(w.hour.airTempC) + 8} y={y + 19} className="q halo" fontSize="14">
              {quantityText(w.hour.windKmH, 'KmH', m.units)}
            </text>
          </g>
        );
      })}
    </g>
  );
}
