import { barNamed } from '#core/model';
import { barText, quantityText } from '#core/units';
import { TSpans } from '../../ui/Text.tsx';
import { Dimension } from '../Dimension.tsx';
import { num, text, type DrawProps } from './parts.tsx';

/** Two bars that lap, to scale along and across. */
export function LapDrawing({ input, result, units, width, height }: DrawProps) {
  const lap = num(result, 'lapMm');
  const bar = text(input, 'bar');
  const db = barNamed(bar).diameterMm;
  const px = (width - 120) / (lap * 1.9);
  const x0 = 60 + lap * 0.45 * px;
  const y = height * 0.4;
  const thick = Math.max(7, db * px);
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`Lap of ${quantityText(lap, 'Mm', units)}`}
    >
      <rect
        x="60"
        y={y - thick - 1}
        width={lap * 1.45 * px}
        height={thick}
        fill="var(--ink)"
        rx="1"
      />
      <rect x={x0} y={y + 1} width={lap * 1.45 * px} height={thick} fill="var(--ink2)" rx="1" />
      <Dimension
        x1={x0}
        y1={y - thick - 26}
        x2={x0 + lap * px}
        y2={y - thick - 26}
        text={quantityText(lap, 'Mm', units)}
        bold
      />
      <Dimension
        x1={x0}
        y1={y + thick + 44}
        x2={x0 + num(result, 'leastMm') * px}
        y2={y + thick + 44}
        text={`least allowed ${quantityText(num(result, 'leastMm'), 'Mm', units)}`}
        colour="var(--chalk)"
      />
      <Dimension
        x1={x0}
        y1={y + thick + 88}
        x2={x0 + num(result, 'developmentMm') * px}
        y2={y + thick + 88}
        text={`development ${quantityText(num(result, 'developmentMm'), 'Mm', units)}`}
      />
      <text x="60" y={y - thick - 60} fontSize="15" className="b">
        {barText(bar)}, {num(result, 'lapDiameters').toFixed(0)} bar diameters
      </text>
    </svg>
  );
}

/** A bar's round section, or its standard hook, to scale. */
export function BarDrawing({ id, input, result, units, width, height }: DrawProps) {
  const bar = barNamed(text(input, 'bar'));
  if (id === 'bar') {
    const r = Math.min(width, height) * 0.28;
    return (
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`${barText(bar.name)}, ${quantityText(bar.diameterMm, 'Mm', units)} across`}
      >
        <circle
          cx={width / 2}
          cy={height / 2}
          r={r}
          fill="var(--ink2)"
          stroke="var(--ink)"
          strokeWidth="3"
        />
        {Array.from({ length: 9 }, (_, i) => (
          <path
            key={i}
            d={`M${width / 2 - r * 0.7 + i * r * 0.17} ${height / 2 - r * 0.6}l${r * 0.2} ${r * 1.2}`}
            stroke="var(--line)"
            strokeWidth="2"
          />
        ))}
        <Dimension
          x1={width / 2 - r}
          y1={height / 2 + r + 28}
          x2={width / 2 + r}
          y2={height / 2 + r + 28}
          text={quantityText(bar.diameterMm, 'Mm', units)}
          bold
        />
      </svg>
    );
  }
  const bend = num(result, 'bendDiameterMm');
  const ext = num(result, 'extensionMm');
  const px = Math.min(
    (height - 120) / (ext + bend + bar.diameterMm * 2),
    (width - 220) / (ext + bend + 200),
  );
  const t = bar.diameterMm * px;
  const r = (bend / 2 + bar.diameterMm / 2) * px;
  const x = width / 2 + 40;
  const y = height - 60;
  return (
    <svg width={width} height={height} role="img" aria-label="Standard hook">
      <path
        d={`M${x - r - ext * 0.9 * px} ${y}H${x - r}A${r} ${r} 0 0 0 ${x} ${y - r}v${-ext * px}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={t}
      />
      <circle
        cx={x - r}
        cy={y - r}
        r={(bend / 2) * px}
        fill="none"
        stroke="var(--line)"
        strokeDasharray="5 4"
      />
      <Dimension
        x1={x + t + 26}
        y1={y - r}
        x2={x + t + 26}
        y2={y - r - ext * px}
        text={`extension ${quantityText(ext, 'Mm', units)}`}
        side={-1}
      />
      <Dimension
        x1={x + t + 74}
        y1={y + t / 2}
        x2={x + t + 74}
        y2={y - r - ext * px}
        text={`leg ${quantityText(num(result, 'legMm'), 'Mm', units)}`}
        side={-1}
        bold
      />
      <text x={x - r - 14} y={y - r + 4} textAnchor="end" fontSize="15" className="halo">
        <TSpans>{`bend ${quantityText(bend, 'Mm', units)}`}</TSpans>
      </text>
    </svg>
  );
}
