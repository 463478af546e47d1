import { lengthText, type UnitSystem } from '#core/units';
import { TSpans } from '../ui/Text.tsx';

/** The cone is 300 mm high, 200 across its foot and 100 across its top (12, 8 and 4 in). */
const CONE = { height: 304.8, foot: 203.2, top: 101.6 };

/** A slump drawn at its true proportions, beside the range allowed. The heap keeps the cone's volume. */
export function SlumpCone({
  width,
  height,
  measuredMm,
  lowMm,
  highMm,
  targetMm,
  units,
  good,
}: {
  width: number;
  height: number;
  measuredMm: number | null;
  lowMm: number;
  highMm: number;
  targetMm: number;
  units: UnitSystem;
  good: boolean;
}) {
  const px = (height - 16) / CONE.height;
  const base = height - 6;
  const cx = width * 0.36;
  const h = Math.max(20, CONE.height - (measuredMm ?? targetMm));
  const volume =
    (Math.PI * CONE.height * (CONE.foot ** 2 + CONE.foot * CONE.top + CONE.top ** 2)) / 12;
  // A frustum of the slumped height with the cone's volume and a top a little wider than before.
  const top = CONE.top * (1 + 0.35 * (1 - h / CONE.height));
  const k = (12 * volume) / (Math.PI * h) - top ** 2;
  const foot = (-top + Math.sqrt(top ** 2 + 4 * k)) / 2;
  const yOf = (slump: number) => base - (CONE.height - slump) * px;
  const half = (d: number) => (d / 2) * px;
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={measuredMm === null ? 'Slump not read' : `Slump ${lengthText(measuredMm, units)}`}
    >
      <path
        d={`M${cx - half(CONE.foot)} ${base}L${cx - half(CONE.top)} ${base - CONE.height * px}H${cx + half(CONE.top)}L${cx + half(CONE.foot)} ${base}`}
        fill="none"
        stroke="var(--line)"
        strokeDasharray="5 4"
      />
      {measuredMm !== null && (
        <path
          d={`M${cx - half(foot)} ${base}Q${cx - half(top) - 4} ${base - h * px} ${cx - half(top) + 6} ${base - h * px}H${cx + half(top) - 6}Q${cx + half(top) + 4} ${base - h * px} ${cx + half(foot)} ${base}Z`}
          fill="var(--fresh)"
        />
      )}
      <path d={`M4 ${base}H${width - 58}`} stroke="var(--ink)" strokeWidth="2" />
      {measuredMm !== null && (
        <path
          d={`M${cx - half(top) - 26} ${yOf(measuredMm)}H${cx + half(top) + 20}`}
          stroke={good ? 'var(--good)' : 'var(--chalk)'}
          strokeWidth="2.5"
        />
      )}
      <rect
        x={width - 54}
        y={yOf(lowMm)}
        width="22"
        height={Math.max(2, yOf(highMm) - yOf(lowMm))}
        fill="var(--good-2)"
        stroke="var(--chalk)"
        strokeWidth="2"
      />
      <text x={width - 50 + 24} y={yOf(lowMm) + 4} fontSize="15" className="b">
        <TSpans>{lengthText(lowMm, units).replace(/ (in|mm)$/, '')}</TSpans>
      </text>
      <text x={width - 50 + 24} y={yOf(highMm) + 8} fontSize="15" className="b">
        <TSpans>{lengthText(highMm, units).replace(/ (in|mm)$/, '')}</TSpans>
      </text>
    </svg>
  );
}
