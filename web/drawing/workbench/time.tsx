import { line, scaleLinear } from 'd3';
import { type CementType, equivalentAgeH, strengthAtMPa } from '#core/concrete';
import { quantityText } from '#core/units';
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

/** Strength at an equivalent age, MPa, as the input says it. */
const strengthOf = (input: DrawProps['input'], ageH: number): number =>
  strengthAtMPa(
    num(input, 'f28MPa'),
    text(input, 'cementType') as CementType,
    ((num(input, 'paceRatio') || 1) * ageH) / 24,
  );

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
  const value = (ageH: number) => (forecast ? strengthOf(input, ageH) : ageH);
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
