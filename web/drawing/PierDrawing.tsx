import { barNamed, type Pier, pierHeightM, pierWidthM } from '#core/model';
import { tieLevels } from '#core/steel';
import { barText, distanceText, lengthText, type UnitSystem } from '#core/units';
import type { Verdict } from '#core/check';
import { MarkAt, VERDICT_WORD } from '../ui/Mark.tsx';
import { TSpans } from '../ui/Text.tsx';
import { Dimension } from './Dimension.tsx';

interface SectionProps {
  pier: Pier;
  units: UnitSystem;
  width: number;
  height: number;
  /** Cover as read or being typed, mm. */ readMm: number | null;
  short: boolean;
}

/** Bars of a cage spread round it: round in a ring, square along the sides from corner to corner. */
function cage(pier: Pier, insetM: number, n: number): [number, number][] {
  if (pier.diameterM !== undefined)
    return Array.from({ length: n }, (_, i) => {
      const a = (2 * Math.PI * i) / n - Math.PI / 2;
      const r = (pier.diameterM ?? 0) / 2 - insetM;
      return [r * Math.cos(a), r * Math.sin(a)];
    });
  const [w, l] = [(pier.widthM ?? 0) - 2 * insetM, (pier.lengthM ?? 0) - 2 * insetM];
  return Array.from({ length: n }, (_, i): [number, number] => {
    let s = (2 * (w + l) * i) / n;
    for (const [x, y, dx, dy, side] of [
      [-w / 2, -l / 2, 1, 0, w],
      [w / 2, -l / 2, 0, 1, l],
      [w / 2, l / 2, -1, 0, w],
      [-w / 2, l / 2, 0, -1, l],
    ] as const) {
      if (s <= side + 1e-9) return [x + dx * s, y + dy * s];
      s -= side;
    }
    return [-w / 2, -l / 2];
  });
}

/** A pier cut level, to scale: bars at true diameter within their tie, the strip no steel may enter tinted. */
export function PierSection({ pier, units, width, height, readMm, short }: SectionProps) {
  const [w, l] = [pierWidthM(pier), pier.diameterM ?? pier.lengthM ?? 0];
  const px = Math.min((width - 90) / w, (height - 60) / l);
  const [cx, cy] = [width / 2 + 12, (height - 40) / 2 + 4];
  const round = pier.diameterM !== undefined;
  const shape = (
    insetM: number,
    look: { fill?: string; stroke?: string; strokeWidth?: number },
  ) => {
    const [a, b] = [Math.max(0, w - 2 * insetM) * px, Math.max(0, l - 2 * insetM) * px];
    return round ? (
      <circle cx={cx} cy={cy} r={a / 2} fill="none" {...look} />
    ) : (
      <rect x={cx - a / 2} y={cy - b / 2} width={a} height={b} fill="none" {...look} />
    );
  };
  const s = pier.steel;
  const tieMm = s?.ties ? barNamed(s.ties.bar).diameterMm : 0;
  const barMm = s ? barNamed(s.vertical.bar).diameterMm : 0;
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`Section of ${pier.id}: ${lengthText(w * 1000, units)}${round ? ' across' : ` by ${lengthText(l * 1000, units)}`}`}
    >
      {shape(0, { fill: s ? 'var(--chalk-2)' : 'var(--ground)' })}
      {s && shape(s.coverMm / 1000, { fill: 'var(--ground)' })}
      {s?.ties &&
        shape((s.coverMm + tieMm / 2) / 1000, {
          stroke: 'var(--ink)',
          strokeWidth: Math.max(1.5, (tieMm / 1000) * px),
        })}
      {s &&
        cage(pier, (s.coverMm + tieMm + barMm / 2) / 1000, s.vertical.count).map(([x, y], i) => (
          <circle
            key={i}
            cx={cx + x * px}
            cy={cy + y * px}
            r={Math.max(2.5, (barMm / 2000) * px)}
            fill="var(--ink)"
          />
        ))}
      {shape(0, { stroke: 'var(--ink)', strokeWidth: 3 })}
      {s && (
        <text x={4} y={16} fontSize="15" className="halo">
          <TSpans>{`${s.vertical.count} × ${barText(s.vertical.bar)} up${s.ties ? `, ${barText(s.ties.bar)} ties` : ''}`}</TSpans>
        </text>
      )}
      {readMm !== null && (
        <Dimension
          x1={cx - (w * px) / 2}
          y1={cy - 16}
          x2={cx - (w * px) / 2 + (readMm / 1000) * px}
          y2={cy - 16}
          text={lengthText(readMm, units)}
          colour={short ? 'var(--chalk)' : 'var(--ink)'}
          bold
        />
      )}
      <Dimension
        x1={cx - (w * px) / 2}
        y1={cy + (l * px) / 2 + 28}
        x2={cx + (w * px) / 2}
        y2={cy + (l * px) / 2 + 28}
        text={lengthText(w * 1000, units)}
        halo="sheet"
      />
      {!round && (
        <Dimension
          x1={cx - (w * px) / 2 - 16}
          y1={cy - (l * px) / 2}
          x2={cx - (w * px) / 2 - 16}
          y2={cy + (l * px) / 2}
          text={lengthText(l * 1000, units)}
          halo="sheet"
        />
      )}
    </svg>
  );
}

interface ElevationProps {
  pier: Pier;
  units: UnitSystem;
  width: number;
  height: number;
  marks: { key: string; label: string; verdict: Verdict; chosen: boolean }[];
  markSize: number;
  onPick?: ((key: string) => void) | undefined;
}

/** A pier from the side, to scale, with its ties. What is read anywhere on it is marked in a column. */
export function PierElevation({
  pier,
  units,
  width,
  height,
  marks,
  markSize,
  onPick,
}: ElevationProps) {
  const [w, h] = [pierWidthM(pier), pierHeightM(pier)];
  if (width < 60 || height < 60) return null;
  const px = Math.min((width - 100) / w, (height - 50) / h);
  const [left, top] = [(width - w * px) / 2 + 10, (height - 30 - h * px) / 2];
  const base = top + h * px;
  return (
    <svg
      width={width}
      height={height}
      role="group"
      aria-label={`${pier.id} from the side, ${distanceText(h, units)} high`}
    >
      <rect
        x={left}
        y={top}
        width={w * px}
        height={h * px}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
      {tieLevels(pier).map((upM) => (
        <path
          key={upM}
          d={`M${left + 4} ${base - upM * px}h${w * px - 8}`}
          stroke="var(--line)"
          strokeWidth="1"
        />
      ))}
      <Dimension
        x1={left}
        y1={base + 24}
        x2={left + w * px}
        y2={base + 24}
        text={lengthText(w * 1000, units)}
      />
      <Dimension x1={left - 20} y1={top} x2={left - 20} y2={base} text={distanceText(h, units)} />
      {marks.map((m, i) => {
        const [x, y] = [left + (w * px) / 2, top + (h * px * (i + 1)) / (marks.length + 1)];
        return (
          <g
            key={m.key}
            role={onPick ? 'button' : undefined}
            tabIndex={onPick ? -1 : undefined}
            aria-label={`${m.label}: ${VERDICT_WORD[m.verdict]}`}
            onClick={() => {
              onPick?.(m.key);
            }}
          >
            <MarkAt verdict={m.verdict} x={x} y={y} size={markSize} />
            {m.chosen && (
              <circle
                cx={x}
                cy={y}
                r={markSize * 0.85}
                fill="none"
                stroke="var(--ink)"
                strokeWidth="2.5"
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}
