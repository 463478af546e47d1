import { scaleLinear, type ScaleLinear } from 'd3';
import { quantityText, type UnitSystem } from '#core/units';
import { TSpans } from '../../ui/Text.tsx';
import { Dimension } from '../Dimension.tsx';
import { type DrawProps, list, num } from './parts.tsx';

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
      <Stretches sections={sections} x={x} y={y} units={units} />
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

function Stretches({
  sections,
  x,
  y,
  units,
}: {
  sections: { startM: number; endM: number; positionsM: number[] }[];
  x: ScaleLinear<number, number>;
  y: number;
  units: UnitSystem;
}) {
  return sections.map((s, i) => (
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
  ));
}
