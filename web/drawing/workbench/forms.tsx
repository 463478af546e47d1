import { scaleLinear } from 'd3';
import { quantityText } from '#core/units';
import { TSpans } from '../../ui/Text.tsx';
import { Dimension } from '../Dimension.tsx';
import { Arrow, Ground, list, num, type DrawProps } from './parts.tsx';

/** The pressure envelope beside the form, with its rating, ties or walers where they are given. */
export function PressureDrawing({ id, input, result, units, width, height }: DrawProps) {
  const heightM = num(input, id === 'waler-layout' ? 'wallHeightM' : 'placementHeightM');
  const fullKPa = num(result, id === 'waler-layout' ? 'fullHeadKPa' : 'hydrostaticKPa');
  const maxKPaOf: Record<string, () => number> = {
    'form-pressure': () => num(result, 'maxPressureKPa'),
    'waler-layout': () => num(input, 'maxPressureKPa'),
  };
  const maxKPa = maxKPaOf[id]?.() ?? Math.min(fullKPa, num(input, 'ratedPressureKPa'));
  const ratedKPa = id === 'max-rate-of-rise' ? num(input, 'ratedPressureKPa') : null;
  const top = 40;
  const base = height - 48;
  const y = scaleLinear([0, heightM], [base, top]);
  const formX = Math.min(width * 0.3, 220);
  const x = scaleLinear([0, Math.max(fullKPa, ratedKPa ?? 0) * 1.06], [formX + 22, width - 110]);
  const headM = Math.min(heightM, (maxKPa / fullKPa) * heightM);
  const walers = list<{ heightM: number; tieKN: number }>(result, 'walers');
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`Pressure ${quantityText(maxKPa, 'KPa', units)} on a form ${quantityText(heightM, 'M', units)} high`}
    >
      <Ground x1={formX - 120} x2={width - 60} y={base} />
      <rect x={formX - 70} y={top} width="70" height={base - top} fill="var(--fresh-2)" />
      <path d={`M${formX} ${top - 14}V${base}`} stroke="var(--ink)" strokeWidth="7" />
      <path
        d={`M${x(0)} ${top}L${x(fullKPa)} ${base}`}
        stroke="var(--line)"
        strokeDasharray="6 5"
        strokeWidth="1.5"
      />
      {fullKPa > maxKPa * 1.001 && (
        <text x={x(fullKPa) - 6} y={base - 10} textAnchor="end" fontSize="14" className="q halo">
          full head {quantityText(fullKPa, 'KPa', units)}
        </text>
      )}
      <path
        d={`M${x(0)} ${top}L${x(maxKPa)} ${y(heightM - headM)}V${base}H${x(0)}Z`}
        fill="var(--fresh)"
        fillOpacity="0.22"
        stroke="var(--fresh)"
        strokeWidth="3"
      />
      {Array.from({ length: 6 }, (_, i) => {
        const z = (heightM * (i + 0.6)) / 6.3;
        const p = Math.min(maxKPa, ((heightM - z) / heightM) * fullKPa);
        return x(p) - x(0) > 24 ? (
          <Arrow key={i} x1={x(p) - 4} y1={y(z)} x2={x(0) + 3} y2={y(z)} colour="var(--fresh)" />
        ) : null;
      })}
      <text
        x={x(maxKPa) + 10}
        y={Math.min((y(heightM - headM) + base) / 2, base - 26)}
        className="a halo"
        fontSize="26"
      >
        {quantityText(maxKPa, 'KPa', units)}
      </text>
      <Dimension
        x1={formX - 84}
        y1={top}
        x2={formX - 84}
        y2={base}
        text={quantityText(heightM, 'M', units)}
        side={1}
      />
      {headM < heightM - 1e-6 && (
        <>
          <path
            d={`M${x(0)} ${y(heightM - headM)}H${x(maxKPa)}`}
            stroke="var(--fresh)"
            strokeDasharray="2 4"
          />
          <text x={x(maxKPa) + 10} y={y(heightM - headM) + 5} fontSize="15" className="halo">
            <TSpans>{`${quantityText(headM, 'M', units)} down`}</TSpans>
          </text>
        </>
      )}
      {ratedKPa !== null && (
        <g>
          <path d={`M${x(ratedKPa)} ${top - 20}V${base}`} stroke="var(--chalk)" strokeWidth="2.5" />
          <text
            x={x(ratedKPa) + (x(ratedKPa) > width * 0.6 ? -6 : 6)}
            y={top - 8}
            textAnchor={x(ratedKPa) > width * 0.6 ? 'end' : 'start'}
            fontSize="15"
            className="b halo"
            style={{ fill: 'var(--chalk-t)' }}
          >
            rating {quantityText(ratedKPa, 'KPa', units)}
          </text>
        </g>
      )}
      {walers.map((w, i) => (
        <g key={i}>
          <rect x={formX - 4} y={y(w.heightM) - 7} width="24" height="14" fill="var(--ink)" />
          <text x={formX - 12} y={y(w.heightM) + 5} textAnchor="end" fontSize="14" className="halo">
            <TSpans>{quantityText(w.heightM, 'M', units)}</TSpans>
          </text>
        </g>
      ))}
    </svg>
  );
}

/** A tie between its walers, with the area of wall it holds. */
export function TieDrawing({ input, result, units, width, height }: DrawProps) {
  const a = num(input, 'walerSpacingM');
  const b = num(input, 'tieSpacingM');
  const px = Math.min((width - 200) / (3 * b), (height - 120) / (3 * a));
  const cx = width / 2;
  const cy = height / 2;
  const at = (i: number, k: number) => [cx + i * b * px, cy + k * a * px] as const;
  const ok = result.ok === true;
  return (
    <svg width={width} height={height} role="img" aria-label="Area of wall on one tie">
      <rect
        x={cx - 1.5 * b * px}
        y={cy - 1.5 * a * px}
        width={3 * b * px}
        height={3 * a * px}
        fill="var(--void)"
      />
      <rect
        x={cx - (b * px) / 2}
        y={cy - (a * px) / 2}
        width={b * px}
        height={a * px}
        fill="var(--fresh)"
        fillOpacity="0.35"
        stroke={ok ? 'var(--fresh)' : 'var(--chalk)'}
        strokeWidth="2.5"
      />
      {[-1, 0, 1].map((k) => (
        <rect
          key={k}
          x={cx - 1.5 * b * px}
          y={at(0, k)[1] - 6}
          width={3 * b * px}
          height="12"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      ))}
      {[-1, 0, 1].flatMap((i) =>
        [-1, 0, 1].map((k) => (
          <circle
            key={`${i}${k}`}
            cx={at(i, k)[0]}
            cy={at(i, k)[1]}
            r={i === 0 && k === 0 ? 9 : 5}
            fill={i === 0 && k === 0 && !ok ? 'var(--chalk)' : 'var(--ink)'}
          />
        )),
      )}
      <Dimension
        x1={cx - (b * px) / 2}
        y1={cy + 1.5 * a * px + 22}
        x2={cx + (b * px) / 2}
        y2={cy + 1.5 * a * px + 22}
        text={quantityText(b, 'M', units)}
      />
      <Dimension
        x1={cx - 1.5 * b * px - 22}
        y1={cy - (a * px) / 2}
        x2={cx - 1.5 * b * px - 22}
        y2={cy + (a * px) / 2}
        text={quantityText(a, 'M', units)}
      />
      <text x={cx + 14} y={cy - 14} className="a halo" fontSize="24">
        {quantityText(num(result, 'loadKN'), 'KN', units)}
      </text>
    </svg>
  );
}
