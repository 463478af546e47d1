import { scaleLinear } from 'd3';
import { barNamed } from '../../../core/model/bars.ts';
import { barText, quantityText } from '../../../core/units/index.ts';
import { TSpans } from '../../ui/Text.tsx';
import { Dimension } from '../Dimension.tsx';
import { list, num, text, type DrawProps } from './parts.tsx';

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

/** The stretches of a line and where something stands on each. */
function sectionsOf({ id, input, result }: DrawProps) {
  if (id === 'anchor-layout')
    return list<{ startM: number; endM: number; positionsM: number[] }>(result, 'sections');
  if (id === 'anchor-verdict')
    return [
      {
        startM: num(input, 'startM'),
        endM: num(input, 'endM'),
        positionsM: list<{ atM: number }>(input, 'bolts').map((b) => b.atM),
      },
    ];
  const positionsM = list<number>(result, 'positionsM');
  return [{ startM: 0, endM: num(input, 'lengthM'), positionsM }];
}

/** Uprights or bolts along their line, to scale, with openings, keep-outs and what is wrong. */
export function AlongDrawing(props: DrawProps) {
  const { id, input, result, units, width, height } = props;
  const sections = sectionsOf(props);
  const blocked = [
    ...list<{ fromM: number; toM: number }>(input, 'openings'),
    ...list<{ fromM: number; toM: number }>(input, 'keepOuts'),
  ];
  const ends = [
    ...sections.flatMap((s) => [s.startM, s.endM]),
    ...blocked.flatMap((b) => [b.fromM, b.toM]),
  ];
  const low = Math.min(...ends);
  const high = Math.max(...ends, low + 0.1);
  const x = scaleLinear([low, high], [50, width - 50]);
  const y = height * 0.42;
  const wrong = new Set(list<{ bolt: number | null }>(result, 'failures').map((f) => f.bolt));
  const extras = list<number>(result, 'extrasM');
  const gaps = sections.flatMap((s) =>
    s.positionsM.slice(1).map((p, i) => [s.positionsM[i] as number, p] as const),
  );
  const roomy = gaps.length > 0 && (width - 100) / gaps.length > 84;
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`${sections.reduce((n, s) => n + s.positionsM.length, 0)} along ${quantityText(high - low, 'M', units)}`}
    >
      {blocked.map((b, i) => (
        <rect
          key={i}
          x={x(b.fromM)}
          y={y - 34}
          width={Math.max(2, x(b.toM) - x(b.fromM))}
          height="68"
          fill="var(--chalk-2)"
          stroke="var(--chalk)"
          strokeDasharray="5 4"
        />
      ))}
      {sections.map((s, i) => (
        <g key={i}>
          <rect
            x={x(s.startM)}
            y={y - 14}
            width={x(s.endM) - x(s.startM)}
            height="28"
            fill="var(--stiff-2)"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
          <Dimension
            x1={x(s.startM)}
            y1={y + 78}
            x2={x(s.endM)}
            y2={y + 78}
            text={quantityText(s.endM - s.startM, 'M', units)}
          />
        </g>
      ))}
      {sections.flatMap((s, k) =>
        s.positionsM.map((p, i) =>
          id === 'vert-layout' ? (
            <path
              key={`${k}.${i}`}
              d={`M${x(p)} ${y - 30}V${y + 30}`}
              stroke="var(--ink)"
              strokeWidth="3.5"
            />
          ) : (
            <g key={`${k}.${i}`}>
              <circle
                cx={x(p)}
                cy={y}
                r={wrong.has(i) ? 9 : 7}
                fill={wrong.has(i) ? 'var(--chalk)' : 'var(--ink)'}
              />
              <text x={x(p)} y={y - 24} textAnchor="middle" fontSize="14" className="halo">
                {i + 1}
              </text>
            </g>
          ),
        ),
      )}
      {extras.map((p) => (
        <path key={p} d={`M${x(p)} ${y - 30}V${y + 30}`} stroke="var(--fresh)" strokeWidth="3.5" />
      ))}
      {roomy &&
        gaps.map(([a, b], i) => (
          <text
            key={i}
            x={(x(a) + x(b)) / 2}
            y={y + 34}
            textAnchor="middle"
            fontSize="14"
            className="q"
          >
            <TSpans>{quantityText(b - a, 'M', units)}</TSpans>
          </text>
        ))}
      {list<{ text: string; bolt: number | null }>(result, 'failures')
        .slice(0, 6)
        .map((f, i) => (
          <text
            key={i}
            x="50"
            y={y + 116 + i * 22}
            fontSize="15"
            className="b"
            style={{ fill: 'var(--chalk-t)' }}
          >
            {f.bolt === null ? '' : `Bolt ${f.bolt + 1}: `}
            {f.text}
          </text>
        ))}
      {!roomy && gaps[0] && (
        <text x="50" y={y + 116} fontSize="15" className="q">
          <TSpans>{`${id === 'vert-layout' ? 'bars' : 'bolts'} ${quantityText(gaps[0][1] - gaps[0][0], 'M', units)} apart${extras.length ? `, ${extras.length} extra beside openings` : ''}`}</TSpans>
        </text>
      )}
    </svg>
  );
}
