import { line, scaleLinear } from 'd3';
import { equivalentAgeH } from '../../../core/concrete/equivalent-age.ts';
import { strengthAtMPa, type CementType } from '../../../core/concrete/strength-forecast.ts';
import { clockText, quantityText, volume } from '../../../core/units/index.ts';
import { list, num, text, type DrawProps } from './parts.tsx';

/** The drying of a face as a quarter dial: low, watch, act. */
export function DialDrawing({ input, result, units, width, height }: DrawProps) {
  const rate = num(result, 'rateKgM2H');
  const watch = num(input, 'watchKgM2H') || 0.5;
  const act = num(input, 'actKgM2H') || 1;
  const most = Math.max(act * 1.6, rate * 1.1);
  const r = Math.min(width * 0.42, height * 0.82);
  const [cx, cy] = [width / 2, height - 36];
  const angle = scaleLinear([0, most], [Math.PI, 0]);
  const at = (n: number, k: number) =>
    `${cx + Math.cos(angle(n)) * r * k} ${cy - Math.sin(angle(n)) * r * k}`;
  const band = (a: number, b: number, fill: string) => (
    <path
      d={`M${at(a, 1)}A${r} ${r} 0 0 1 ${at(b, 1)}L${at(b, 0.8)}A${r * 0.8} ${r * 0.8} 0 0 0 ${at(a, 0.8)}Z`}
      fill={fill}
      stroke="var(--ground)"
      strokeWidth="2"
    />
  );
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`Drying ${quantityText(rate, 'KgM2H', units)}`}
    >
      {band(0, watch, 'var(--good-2)')}
      {band(watch, act, 'var(--ochre-2)')}
      {band(act, most, 'var(--chalk-2)')}
      {[watch, act].map((n) => (
        <g key={n}>
          <path d={`M${at(n, 1.04)}L${at(n, 0.76)}`} stroke="var(--chalk)" strokeWidth="2.5" />
          <text
            x={cx + Math.cos(angle(n)) * r * 1.1}
            y={cy - Math.sin(angle(n)) * r * 1.1}
            textAnchor={n === watch ? 'end' : 'start'}
            fontSize="15"
            className="b"
          >
            {n === watch ? 'watch' : 'act'} {quantityText(n, 'KgM2H', units)}
          </text>
        </g>
      ))}
      <path
        d={`M${cx} ${cy}L${at(Math.min(rate, most), 0.94)}`}
        stroke="var(--ink)"
        strokeWidth="6"
      />
      <circle cx={cx} cy={cy} r="12" fill="var(--ink)" />
    </svg>
  );
}

/** The window of a seam on its own clock. */
export function WindowDrawing({ result, width, height }: DrawProps) {
  const opens = num(result, 'stiffenMin');
  const shuts = num(result, 'knitMin');
  const x = scaleLinear([0, shuts * 1.3], [50, width - 50]);
  const y = height * 0.42;
  const band = (a: number, b: number, fill: string, word: string) => (
    <g>
      <rect x={x(a)} y={y - 36} width={x(b) - x(a)} height="72" fill={fill} />
      <text x={(x(a) + x(b)) / 2} y={y + 6} textAnchor="middle" fontSize="17" className="a">
        {word}
      </text>
    </g>
  );
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`Opens after ${opens.toFixed(0)} minutes, shuts after ${shuts.toFixed(0)}`}
    >
      {band(0, opens, 'var(--fresh-2)', 'too soft')}
      {band(opens, shuts, 'var(--good-2)', 'come back now')}
      {band(shuts, shuts * 1.3, 'var(--chalk-2)', 'no longer knits')}
      {[0, opens, shuts].map((m, i) => (
        <g key={i}>
          <path
            d={`M${x(m)} ${y - 46}V${y + 46}`}
            stroke={i === 2 ? 'var(--chalk)' : 'var(--ink)'}
            strokeWidth={i === 2 ? 3 : 2}
          />
          <text x={x(m)} y={y + 70} textAnchor="middle" fontSize="18" className="b">
            {m.toFixed(0)} min
          </text>
        </g>
      ))}
      <text x={x(0)} y={y - 54} fontSize="15" className="q">
        placed
      </text>
    </svg>
  );
}

/** Strength or age against the temperatures of a history. */
export function HistoryDrawing({ id, input, result, units, width, height }: DrawProps) {
  const history = list<{ timeH: number; tempC: number }>(input, 'tempHistory');
  const last = history.at(-1);
  if (!last) return null;
  const reached = typeof result.reachedAtH === 'number' ? result.reachedAtH : null;
  const end = Math.max(last.timeH, reached ?? 0) * 1.08;
  const x = scaleLinear([history[0]?.timeH ?? 0, end], [70, width - 40]);
  const temps = history.map((h) => h.tempC);
  const t = scaleLinear(
    [Math.min(...temps) - 4, Math.max(...temps) + 4],
    [height - 40, height * 0.62],
  );
  const forecast = id === 'strength-forecast';
  // Beyond the last reading its temperature holds. Within an interval age grows evenly, so points between are straight.
  const whole = end > last.timeH ? [...history, { timeH: end, tempC: last.tempC }] : history;
  const ages = whole.map((h, i) => ({
    timeH: h.timeH,
    age: equivalentAgeH(whole.slice(0, i + 1), num(input, 'activationK')),
  }));
  const curve = ages.flatMap((p, i) => {
    const b = ages[i - 1];
    return b
      ? Array.from({ length: 12 }, (_, k) => ({
          timeH: b.timeH + ((p.timeH - b.timeH) * (k + 1)) / 12,
          age: b.age + ((p.age - b.age) * (k + 1)) / 12,
        }))
      : [p];
  });
  const value = (ageH: number) =>
    forecast
      ? strengthAtMPa(num(input, 'f28MPa'), text(input, 'cementType') as CementType, ageH / 24)
      : ageH;
  const y = scaleLinear(
    [
      0,
      Math.max(...curve.map((c) => value(c.age)), forecast ? num(input, 'targetMPa') : 0) * 1.12 ||
        1,
    ],
    [height * 0.54, 34],
  );
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={forecast ? 'Strength and temperatures' : 'Age and temperatures'}
    >
      <path d={`M70 ${height * 0.54}H${width - 40}`} stroke="var(--ink)" />
      <path
        d={
          line<(typeof curve)[number]>()
            .x((c) => x(c.timeH))
            .y((c) => y(value(c.age)))(curve) ?? ''
        }
        fill="none"
        stroke="var(--fresh)"
        strokeWidth="4"
      />
      {forecast && (
        <>
          <path
            d={`M70 ${y(num(input, 'targetMPa'))}H${width - 40}`}
            stroke="var(--chalk)"
            strokeWidth="2"
          />
          <text
            x="76"
            y={y(num(input, 'targetMPa')) - 6}
            fontSize="15"
            className="b halo"
            style={{ fill: 'var(--chalk-t)' }}
          >
            {quantityText(num(input, 'targetMPa'), 'MPa', units)}
          </text>
          {reached !== null && (
            <path
              d={`M${x(reached)} ${y(num(input, 'targetMPa'))}V${height * 0.54}`}
              stroke="var(--chalk)"
              strokeWidth="2"
              strokeDasharray="5 4"
            />
          )}
        </>
      )}
      <path
        d={
          line<(typeof history)[number]>()
            .x((h) => x(h.timeH))
            .y((h) => t(h.tempC))(history) ?? ''
        }
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
      {history.map((h, i) => (
        <g key={i}>
          <circle cx={x(h.timeH)} cy={t(h.tempC)} r="4" fill="var(--ink)" />
          {history.length < 9 && (
            <text
              x={x(h.timeH)}
              y={t(h.tempC) - 10}
              textAnchor="middle"
              fontSize="14"
              className="halo"
            >
              {quantityText(h.tempC, 'C', units)}
            </text>
          )}
        </g>
      ))}
      {x.ticks(6).map((h) => (
        <text key={h} x={x(h)} y={height - 12} textAnchor="middle" fontSize="14" className="q">
          {h} h
        </text>
      ))}
    </svg>
  );
}

/** Hours of a day: loads on the road, weather that allows or not, or daylight. */
export function DayDrawing({ id, input, result, units, width, height }: DrawProps) {
  const loads =
    id === 'truck-plan'
      ? list<{ volumeM3: number; batchMin: number; arriveMin: number }>(result, 'loads')
      : list<{ arriveMin: number; endMin: number | null }>(
          (result.timetable ?? {}) as Record<string, unknown>,
          'loads',
        ).map((l) => ({ volumeM3: 0, batchMin: l.arriveMin, arriveMin: l.endMin ?? l.arriveMin }));
  const hours = list<{ timeMin: number; level: string; reasons: string[] }>(result, 'hours');
  const rate = num(input, 'placingRateM3PerH');
  const sun =
    id === 'daylight'
      ? ([num(result, 'sunriseMin'), num(result, 'sunsetMin'), num(result, 'duskMin')] as const)
      : null;
  const span = (): [number, number] => {
    if (sun) return [0, 1440];
    if (hours.length) return [hours[0]?.timeMin ?? 0, (hours.at(-1)?.timeMin ?? 0) + 60];
    const emptied = (l: (typeof loads)[number]) =>
      l.arriveMin + (rate ? (l.volumeM3 / rate) * 60 : 0);
    return [Math.min(...loads.map((l) => l.batchMin)), Math.max(...loads.map(emptied))];
  };
  const all = span();
  const x = scaleLinear([all[0], Math.max(all[1], all[0] + 1)], [60, width - 30]);
  const step = Math.min(38, (height - 90) / Math.max(1, loads.length));
  const top = 30;
  const FILL: Record<string, string> = {
    go: 'var(--good-2)',
    caution: 'var(--ochre-2)',
    no: 'var(--chalk-2)',
  };
  const [first = 0, last = 0] = all;
  const every = [5, 10, 15, 30, 60, 120, 180, 240].find((m) => (last - first) / m <= 9) ?? 360;
  const ticks = Array.from(
    { length: 12 },
    (_, i) => Math.ceil(first / every) * every + i * every,
  ).filter((m) => m <= last);
  return (
    <svg width={width} height={height} role="img" aria-label="Hours of the day">
      {hours.map((h) => (
        <g key={h.timeMin}>
          <rect
            x={x(h.timeMin)}
            y={top}
            width={x(h.timeMin + 60) - x(h.timeMin)}
            height={height * 0.5}
            fill={FILL[h.level]}
            stroke="var(--ground)"
          />
          <text
            x={(x(h.timeMin) + x(h.timeMin + 60)) / 2}
            y={top + 26}
            textAnchor="middle"
            fontSize="15"
            className="a"
          >
            {h.level}
          </text>
        </g>
      ))}
      {sun && (
        <>
          <rect
            x={x(0)}
            y={top}
            width={x(1440) - x(0)}
            height={height * 0.45}
            fill="var(--stiff)"
          />
          <rect
            x={x(sun[0])}
            y={top}
            width={x(sun[2]) - x(sun[0])}
            height={height * 0.45}
            fill="var(--stiff-2)"
          />
          <rect
            x={x(sun[0])}
            y={top}
            width={x(sun[1]) - x(sun[0])}
            height={height * 0.45}
            fill="var(--sheet)"
            stroke="var(--ink)"
          />
          {(['sunrise', 'sunset', 'dusk'] as const).map((word, i) => (
            <text
              key={word}
              x={x(sun[i] ?? 0)}
              y={top + height * 0.45 + 24 + i * 20}
              textAnchor="middle"
              fontSize="16"
              className="b halo"
            >
              {word} {clockText(sun[i] ?? 0)}
            </text>
          ))}
        </>
      )}
      {loads.map((l, i) => {
        const done =
          id === 'truck-plan' && rate ? l.arriveMin + (l.volumeM3 / rate) * 60 : l.arriveMin;
        const y = top + i * step;
        return (
          <g key={i}>
            <rect
              x={x(l.batchMin)}
              y={y}
              width={Math.max(2, x(l.arriveMin) - x(l.batchMin))}
              height={step * 0.62}
              fill={id === 'truck-plan' ? 'var(--stiff)' : 'var(--fresh)'}
            />
            <rect
              x={x(l.arriveMin)}
              y={y}
              width={Math.max(0, x(done) - x(l.arriveMin))}
              height={step * 0.62}
              fill="var(--fresh)"
            />
            <text x="52" y={y + step * 0.5} textAnchor="end" fontSize="15" className="b">
              L{i + 1}
            </text>
            {id === 'truck-plan' && (
              <text
                x={x(l.arriveMin) + 6}
                y={y + step * 0.5}
                fontSize="14"
                style={{ fill: 'var(--on-fresh)' }}
              >
                {volume(l.volumeM3, units, 1).value}
              </text>
            )}
          </g>
        );
      })}
      {ticks.map((m) => (
        <g key={m}>
          <path d={`M${x(m)} ${height - 40}v8`} stroke="var(--ink)" />
          <text x={x(m)} y={height - 14} textAnchor="middle" fontSize="14" className="q">
            {clockText(m)}
          </text>
        </g>
      ))}
      <path d={`M60 ${height - 40}H${width - 30}`} stroke="var(--ink)" strokeWidth="1.5" />
    </svg>
  );
}
