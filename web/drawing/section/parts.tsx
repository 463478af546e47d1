import type { SitePlan } from '#core/model';
import { type CheckPoint, judgeReading } from '#core/check';

/** A cover reading as it stands or is being typed, to be drawn where it was measured. */
export interface CoverReading {
  point: CheckPoint;
  mm: number | null;
  short: boolean;
  shortText: string;
}

/** What a section needs of a cover reading: the face, what is wanted there, and the least that passes. */
export interface CoverShown {
  face: 'bottom' | 'side' | 'top' | 'inside' | 'outside';
  specifiedMm: number;
  leastMm: number;
  bar: string;
  mm: number | null;
  short: boolean;
  text: string;
}

export function coverShown(site: SitePlan, r: CoverReading | null): CoverShown | null {
  const w = r?.point.wanted;
  if (!r || w?.type !== 'cover') return null;
  return {
    face: w.face,
    specifiedMm: w.specifiedMm,
    leastMm:
      judgeReading(site, r.point, { type: 'length', mm: w.specifiedMm }).lowMm ?? w.specifiedMm,
    bar: w.bar,
    mm: r.mm,
    short: r.short,
    text: r.shortText,
  };
}

/** Hatches of soil and form boards. */
export function Hatches() {
  return (
    <defs>
      <pattern
        id="soil"
        width="12"
        height="12"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0 3h7M3 9h7" stroke="var(--line)" strokeWidth="1" />
      </pattern>
      <pattern id="board" width="5" height="5" patternUnits="userSpaceOnUse">
        <path d="M1 0v5" stroke="var(--line)" strokeWidth="1" />
      </pattern>
      <pattern id="foam" width="10" height="10" patternUnits="userSpaceOnUse">
        <circle cx="2.5" cy="2.5" r="1.6" fill="none" stroke="var(--line)" />
        <circle cx="7.5" cy="7.5" r="1.6" fill="none" stroke="var(--line)" />
      </pattern>
    </defs>
  );
}

export const Board = ({
  x,
  y,
  w,
  h,
  foam = false,
}: {
  x: number;
  y: number;
  w: number;
  h: number;
  foam?: boolean;
}) => (
  <rect
    x={x}
    y={y}
    width={w}
    height={h}
    fill={foam ? 'url(#foam)' : 'url(#board)'}
    stroke="var(--line)"
  />
);

/** A ragged edge from left to right: what is drawn goes on beyond it. */
export function ragged(x1: number, x2: number, y: number): string {
  const n = Math.max(2, Math.round(Math.abs(x2 - x1) / 9));
  return Array.from(
    { length: n + 1 },
    (_, i) => `${i ? 'L' : ''}${x1 + ((x2 - x1) * i) / n} ${y + (i % 2 ? -4 : 4)}`,
  ).join('');
}

/**
 * The bar as it was measured: its part inside the strip no steel may enter is in chalk. `strip`: px
 * of that strip along x or y.
 */
export function MeasuredBar({
  cx,
  cy,
  r,
  strip,
  id,
}: {
  cx: number;
  cy: number;
  r: number;
  strip: { x: number; y: number; w: number; h: number } | null;
  id: string;
}) {
  return (
    <g>
      <circle cx={cx} cy={cy} r={r} fill="var(--ink)" stroke="var(--ground)" strokeWidth="1.5" />
      {strip && (
        <>
          <clipPath id={id}>
            <rect x={strip.x} y={strip.y} width={strip.w} height={strip.h} />
          </clipPath>
          <circle cx={cx} cy={cy} r={r} fill="var(--chalk)" clipPath={`url(#${id})`} />
        </>
      )}
    </g>
  );
}
