import { line, scaleLinear } from 'd3';
import { quantityText } from '#core/units';
import { TSpans } from '../../ui/Text.tsx';
import { Dimension } from '../Dimension.tsx';
import { Arrow, list, num, type DrawProps } from './parts.tsx';

/** Four corners as they stand, the error drawn forty times larger, and what to move. */
export function SquareDrawing({ input, result, units, width, height }: DrawProps) {
  const a = (num(input, 's12M') + num(input, 's34M')) / 2;
  const b = (num(input, 's23M') + num(input, 's41M')) / 2;
  const px = Math.min((width - 220) / a, (height - 110) / b);
  const [x0, y0] = [(width - a * px) / 2, (height + b * px) / 2];
  const rack = num(result, 'rackM');
  const shift = Math.max(-70, Math.min(70, rack * 40 * px));
  const p = [
    [x0, y0],
    [x0 + a * px, y0],
    [x0 + a * px + shift, y0 - b * px],
    [x0 + shift, y0 - b * px],
  ] as const;
  const path = `M${p.map((q) => q.join(' ')).join('L')}Z`;
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`Out of square by ${quantityText(Math.abs(rack) * 1000, 'Mm', units)}`}
    >
      <rect
        x={x0}
        y={y0 - b * px}
        width={a * px}
        height={b * px}
        fill="none"
        stroke="var(--line)"
        strokeDasharray="6 5"
      />
      <path d={path} fill="var(--fresh-2)" fillOpacity="0.4" stroke="var(--ink)" strokeWidth="3" />
      <path
        d={`M${p[0].join(' ')}L${p[2].join(' ')}M${p[1].join(' ')}L${p[3].join(' ')}`}
        stroke="var(--chalk)"
        strokeWidth="1.5"
      />
      {p.map(([x, y], i) => (
        <text
          key={i}
          x={x + (i === 1 || i === 2 ? 12 : -12)}
          y={y + (i < 2 ? 20 : -8)}
          textAnchor={i === 1 || i === 2 ? 'start' : 'end'}
          className="a"
          fontSize="20"
        >
          {i + 1}
        </text>
      ))}
      {Math.abs(shift) > 8 && (
        <>
          <Arrow
            x1={p[2][0]}
            y1={p[2][1] - 20}
            x2={p[2][0] - shift}
            y2={p[2][1] - 20}
            colour="var(--chalk)"
            thick={3}
          />
          <text
            x={x0 + a * px}
            y={p[2][1] - 34}
            textAnchor="end"
            fontSize="16"
            className="b halo"
            style={{ fill: 'var(--chalk-t)' }}
          >
            <TSpans>{`3 and 4 go ${quantityText(Math.abs(rack) * 1000, 'Mm', units)} ${rack > 0 ? 'toward 1' : 'away from 1'}`}</TSpans>
          </text>
        </>
      )}
      <Dimension
        x1={x0}
        y1={y0 + 26}
        x2={x0 + a * px}
        y2={y0 + 26}
        text={quantityText(a, 'M', units)}
      />
    </svg>
  );
}

interface ProfilePoint {
  x: number;
  y: number;
  label: string;
  bad: boolean;
}

/** The stations of a pipe, of a line, or the points levelled, with what is written at each. */
function profilePoints({ id, input, result, units }: DrawProps): ProfilePoint[] {
  if (id === 'drain-pitch')
    return list<{ atM: number; levelM: number }>(input, 'inverts').map((p) => ({
      x: p.atM,
      y: p.levelM,
      label: quantityText(p.levelM, 'M', units),
      bad: false,
    }));
  if (id === 'straightness')
    return list<{ stationM: number; deviationMm: number; ok: boolean }>(result, 'points').map(
      (p) => ({
        x: p.stationM,
        y: p.deviationMm,
        label: quantityText(p.deviationMm, 'Mm', units),
        bad: !p.ok,
      }),
    );
  return list<{ id: string; elevationM: number; deviationMm: number | null }>(result, 'points').map(
    (p, i) => {
      const off = p.deviationMm;
      const words =
        off === null ? quantityText(p.elevationM, 'M', units) : quantityText(off, 'Mm', units);
      return { x: i, y: off ?? 0, label: `${p.id} ${words}`, bad: false };
    },
  );
}

/** Levels off the drawing, or a pipe's fall: stations across, heights enlarged. */
export function ProfileDrawing(props: DrawProps) {
  const { id, input, result, width, height } = props;
  const points = profilePoints(props);
  if (points.length === 0) return null;
  const ys = points.map((p) => p.y);
  const zero = id === 'drain-pitch' ? [] : [0];
  const pad = (Math.max(...ys, ...zero) - Math.min(...ys, ...zero)) * 0.3 || 1;
  const xs = points.map((p) => p.x);
  const x = scaleLinear([Math.min(...xs), Math.max(...xs, Math.min(...xs) + 1)], [70, width - 70]);
  const y = scaleLinear(
    [Math.min(...ys, ...zero) - pad, Math.max(...ys, ...zero) + pad],
    [height - 50, 40],
  );
  const path = line<(typeof points)[number]>()
    .x((p) => x(p.x))
    .y((p) => y(p.y));
  const spans = list<{ fromM: number; toM: number; verdict: string; pitchRatio: number }>(
    result,
    'spans',
  );
  const tol = num(input, 'toleranceMm');
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={points.map((p) => p.label).join(', ')}
    >
      {id === 'straightness' && (
        <rect
          x="50"
          y={y(tol)}
          width={width - 100}
          height={y(-tol) - y(tol)}
          fill="var(--good-2)"
        />
      )}
      {zero.length > 0 && (
        <path
          d={`M50 ${y(0)}H${width - 50}`}
          stroke="var(--ink)"
          strokeWidth="1.5"
          strokeDasharray="8 5"
        />
      )}
      <path d={path(points) ?? ''} fill="none" stroke="var(--fresh)" strokeWidth="4" />
      {spans
        .filter((s) => s.verdict !== 'ok')
        .map((s) => {
          const a = points.find((p) => p.x === s.fromM);
          const b = points.find((p) => p.x === s.toM);
          return a && b ? (
            <g key={s.fromM}>
              <path
                d={`M${x(a.x)} ${y(a.y)}L${x(b.x)} ${y(b.y)}`}
                stroke="var(--chalk)"
                strokeWidth="6"
              />
              <text
                x={(x(a.x) + x(b.x)) / 2}
                y={(y(a.y) + y(b.y)) / 2 + 30}
                textAnchor="middle"
                fontSize="15"
                className="b halo"
                style={{ fill: 'var(--chalk-t)' }}
              >
                {s.verdict === 'back' ? 'runs back' : 'too flat'}
              </text>
            </g>
          ) : null;
        })}
      {points.map((p, i) => (
        <g key={i}>
          <circle cx={x(p.x)} cy={y(p.y)} r="6" fill={p.bad ? 'var(--chalk)' : 'var(--ink)'} />
          <text x={x(p.x)} y={y(p.y) - 14} textAnchor="middle" fontSize="15" className="b halo">
            <TSpans>{p.label}</TSpans>
          </text>
        </g>
      ))}
    </svg>
  );
}
