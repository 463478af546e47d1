import { quantityText } from '#core/units';
import { TSpans } from '../../ui/Text.tsx';
import { Dimension } from '../Dimension.tsx';
import { type DrawProps, num, text, Ground, Arrow } from './parts.tsx';

/** A wall and its brace: where it stands, its angle, and what it carries or which way it turns. */
export function BraceDrawing({ id, input, result, units, width, height }: DrawProps) {
  const h = num(input, 'wallHeightM');
  const a = num(input, 'attachHeightM');
  const rad = (num(input, 'angleDeg') * Math.PI) / 180;
  const run = a / Math.tan(rad);
  const base = height - 46;
  const px = Math.min((height - 110) / h, (width - 260) / Math.max(run, 0.3));
  const wallX = width / 2 - (run * px) / 2 - 20;
  const off = num(input, 'offsetMm');
  // What the wall is off is drawn forty times larger than the wall, so that it can be seen.
  const lean = id === 'brace-turn' ? -Math.max(-60, Math.min(60, (off / 1000) * px * 40)) : 0;
  const direction = text(result, 'direction');
  const turnText =
    direction === 'none' ? 'leave it' : `${num(result, 'turns').toFixed(2)} turns ${direction}`;
  return (
    <svg width={width} height={height} role="img" aria-label="Wall and brace">
      <Ground x1={wallX - 90} x2={wallX + run * px + 90} y={base} />
      {id === 'brace-turn' && (
        <path
          d={`M${wallX} ${base}V${base - h * px - 24}`}
          stroke="var(--line)"
          strokeDasharray="6 5"
        />
      )}
      <path d={`M${wallX} ${base}l${lean} ${-h * px}`} stroke="var(--ink)" strokeWidth="9" />
      <path
        d={`M${wallX + (lean * a) / h} ${base - a * px}L${wallX + run * px} ${base}`}
        stroke="var(--fresh)"
        strokeWidth="6"
      />
      <text
        x={wallX + run * px * 0.56 + 14}
        y={base - a * px * 0.46 - 12}
        className="a halo"
        fontSize="26"
      >
        {id === 'brace-load' ? quantityText(num(result, 'braceAxialKN'), 'KN', units) : turnText}
      </text>
      {id === 'brace-load' && (
        <>
          <Arrow
            x1={wallX - 80}
            y1={base - h * px}
            x2={wallX - 8}
            y2={base - h * px}
            colour="var(--chalk)"
            thick={3}
          />
          <text x={wallX - 86} y={base - h * px - 10} fontSize="15" className="b halo">
            {quantityText(num(result, 'topLoadKNM'), 'KNM', units)}
          </text>
          <Arrow
            x1={wallX + run * px}
            y1={base + 4}
            x2={wallX + run * px}
            y2={base - 52}
            colour="var(--chalk)"
            thick={3}
          />
          <text x={wallX + run * px + 10} y={base - 40} fontSize="15" className="b halo">
            up {quantityText(num(result, 'upliftKN'), 'KN', units)}
          </text>
        </>
      )}
      {id === 'brace-turn' && (
        <text
          x={wallX + lean}
          y={base - h * px - 18}
          textAnchor={lean > 0 ? 'start' : 'end'}
          fontSize="15"
          className="b halo"
        >
          <TSpans>{`${quantityText(Math.abs(off), 'Mm', units)} ${off > 0 ? 'out' : 'in'}`}</TSpans>
        </text>
      )}
      <Dimension
        x1={wallX - 60}
        y1={base - a * px}
        x2={wallX - 60}
        y2={base}
        text={quantityText(a, 'M', units)}
      />
      <text x={wallX + run * px - 54} y={base - 10} fontSize="15" className="q halo">
        {num(input, 'angleDeg').toFixed(0)}°
      </text>
    </svg>
  );
}

/** Plywood between its supports, bending, with the widest they may stand. */
export function SheathingDrawing({ input, result, units, width, height }: DrawProps) {
  const l = num(input, 'supportSpacingM');
  const most = typeof result.maxSpacingM === 'number' ? result.maxSpacingM : l;
  const px = (width - 160) / (3 * Math.max(l, most));
  const x0 = width / 2 - 1.5 * l * px;
  const y = height * 0.42;
  const ok = result.ok === true;
  return (
    <svg width={width} height={height} role="img" aria-label="Plywood over its supports">
      {Array.from({ length: 18 }, (_, i) => (
        <Arrow
          key={i}
          x1={x0 + ((i + 0.5) * 3 * l * px) / 18}
          y1={y - 62}
          x2={x0 + ((i + 0.5) * 3 * l * px) / 18}
          y2={y - 12}
          colour="var(--fresh)"
        />
      ))}
      <path
        d={[0, 1, 2]
          .map((i) => `${i === 0 ? `M${x0} ${y}` : ''}q${(l * px) / 2} ${ok ? 12 : 34} ${l * px} 0`)
          .join('')}
        fill="none"
        stroke={ok ? 'var(--ink)' : 'var(--chalk)'}
        strokeWidth={Math.max(5, num(input, 'thicknessIn') * 14)}
      />
      {[0, 1, 2, 3].map((i) => (
        <rect
          key={i}
          x={x0 + i * l * px - 10}
          y={y + 8}
          width="20"
          height="44"
          fill="var(--void)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
      ))}
      <Dimension
        x1={x0}
        y1={y + 84}
        x2={x0 + l * px}
        y2={y + 84}
        text={quantityText(l, 'M', units)}
      />
      <Dimension
        x1={x0}
        y1={y + 126}
        x2={x0 + most * px}
        y2={y + 126}
        text={`at most ${quantityText(most, 'M', units)}`}
        colour="var(--chalk)"
        bold
      />
      <text x={x0} y={y - 74} fontSize="15" className="b">
        {quantityText(num(input, 'pressureKPa'), 'KPa', units)}, bears{' '}
        {quantityText(num(result, 'allowablePressureKPa'), 'KPa', units)}
      </text>
    </svg>
  );
}
