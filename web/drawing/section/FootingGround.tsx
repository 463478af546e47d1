import { barNamed } from '#core/model';
import { barText, lengthText, type UnitSystem } from '#core/units';
import { TSpans } from '../../ui/Text.tsx';
import { type Box, LETTER_PX, LINE_PX } from './footing-box.ts';
import { ragged } from './parts.tsx';

export const BOARD = 14;
/** Room to work between the form and the side of the hole, px. */
const ROOM = 9;

/** Ground under and beside it. Where grade lies higher than the drawing, the sides end ragged. */
export function Soil({
  s,
  x,
  y,
  w,
  h,
  width,
  height,
  belowGradeM,
  px,
  roomy,
}: Box & {
  width: number;
  height: number;
  belowGradeM: number | null;
  px: number;
  roomy: boolean;
}) {
  const base = y + h;
  const low = `M0 ${base}V${height - 20}H${width}V${base}Z`;
  if (!roomy || belowGradeM === null || belowGradeM <= 0.02)
    return <path d={low} fill="url(#soil)" />;
  const gap = s.unformed ? 0 : BOARD + ROOM;
  const grade = base - belowGradeM * px;
  const [hidden, top] = [grade < 42, Math.max(42, grade)];
  const sides: [number, number][] = [
    [0, x - gap],
    [x + w + gap, width],
  ];
  return (
    <g>
      <path d={low} fill="url(#soil)" />
      {sides.map(([a, b]) => (
        <g key={a}>
          <path
            d={`M${hidden ? ragged(a, b, top) : `${a} ${top}L${b} ${top}`}V${base}H${a}Z`}
            fill="url(#soil)"
          />
          <path
            d={`M${hidden ? ragged(a, b, top) : `${a} ${top}L${b} ${top}`}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1"
          />
          <path d={`M${a === 0 ? b : a} ${top}V${base}`} stroke="var(--line)" strokeWidth="1" />
        </g>
      ))}
    </g>
  );
}

/** The wall or pier that comes on it, standing, and its uprights with their feet on the mat. */
export function Above({
  s,
  x,
  y,
  w,
  h,
  mm,
  units,
  width,
}: Box & { units: UnitSystem; width: number }) {
  const a = s.above;
  if (!a) return null;
  const centre = x + w / 2 - mm(a.leftMm);
  const half = mm(a.thickMm / 2);
  const d = barNamed(a.bar).diameterMm;
  const lying =
    s.bottomMm + (s.across ? barNamed(s.across).diameterMm : 0) + barNamed(s.along.bar).diameterMm;
  const footY = y + h - mm(lying + d / 2);
  const thick = Math.max(2, mm(d));
  const words = [
    `${barText(a.bar)}${a.spacingM === null ? '' : ` at ${lengthText(a.spacingM * 1000, units)}`} up`,
    `${a.id}, ${lengthText(a.thickMm, units)}`,
  ];
  const wide = Math.max(...words.map((t) => t.length)) * (LETTER_PX + 0.4);
  return (
    <g>
      <path
        d={`M${centre - half} ${y}V6M${centre + half} ${y}V6`}
        stroke="var(--ink)"
        strokeWidth="1.5"
        strokeDasharray="5 4"
      />
      {a.uprights.map((u, i) => {
        const ux = centre + mm(u.atMm);
        return (
          <path
            key={i}
            d={`M${ux} 10V${footY}h${mm(a.legMm) * u.leg}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={thick}
            strokeLinejoin="round"
          />
        );
      })}
      {words.map((t, i) => (
        <text
          key={t}
          x={Math.min(centre + half + 12, width - wide)}
          y={14 + i * LINE_PX}
          fontSize={i ? 14 : 15}
          className={`halo-sheet ${i ? 'q' : ''}`}
        >
          <TSpans>{t}</TSpans>
        </text>
      ))}
    </g>
  );
}
