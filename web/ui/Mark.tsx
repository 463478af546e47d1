import type { Verdict } from '#core/check';

/** Words that stand beside the marks; a verdict never rests on shape or colour alone. */
export const VERDICT_WORD: Record<Verdict, string> = {
  unread: 'unread',
  good: 'good',
  tight: 'tight',
  out: 'out',
  held: 'held',
  waived: 'waived',
};
const COLOUR: Record<Verdict, string> = {
  unread: 'var(--ink)',
  good: 'var(--good)',
  tight: 'var(--ochre)',
  out: 'var(--chalk)',
  held: 'var(--ochre)',
  waived: 'var(--ink2)',
};
export const VERDICT_TEXT: Record<Verdict, string> = {
  unread: 'text-ink',
  good: 'text-good-t',
  tight: 'text-ochre-t',
  out: 'text-chalk-t',
  held: 'text-ochre-t',
  waived: 'text-ink2',
};

/**
 * The shapes of the marks, drawn once and used in text, lists and drawings: in a square of `size`
 * with its corner at `x`, `y`. They are worked out where they stand and not moved there: a plan of
 * hundreds is painted anew at every press.
 */
export function MarkShape({
  verdict,
  x = 0,
  y = 0,
  size = 24,
}: {
  verdict: Verdict;
  x?: number;
  y?: number;
  size?: number;
}) {
  const c = COLOUR[verdict];
  const k = size / 24;
  const [px, py, r] = [(v: number) => x + v * k, (v: number) => y + v * k, (v: number) => v * k];
  const p = (u: number, v: number) => `${px(u)} ${py(v)}`;
  switch (verdict) {
    case 'unread':
      return (
        <circle cx={px(12)} cy={py(12)} r={r(8.4)} fill="none" stroke={c} strokeWidth={r(2.6)} />
      );
    case 'good':
      return <circle cx={px(12)} cy={py(12)} r={r(9.6)} fill={c} />;
    case 'tight':
      return (
        <path
          d={`M${p(21.4, 10.1)}A${r(9.6)} ${r(9.6)} 0 1 1 ${p(13.9, 2.6)}A${r(5.9)} ${r(5.9)} 0 0 0 ${p(21.4, 10.1)}Z`}
          fill={c}
        />
      );
    case 'out':
      return <path d={`M${p(12, 0.8)}L${p(23.2, 12)}L${p(12, 23.2)}L${p(0.8, 12)}Z`} fill={c} />;
    case 'held':
      return (
        <path
          d={[4.6, 14.2].map((u) => `M${p(u, 2.6)}H${px(u + 5.2)}V${py(21.4)}H${px(u)}Z`).join('')}
          fill={c}
        />
      );
    case 'waived':
      return (
        <g fill="none" stroke={c}>
          <circle cx={px(12)} cy={py(12)} r={r(8.4)} strokeWidth={r(2.6)} />
          <path d={`M${p(7.4, 10.6)}H${px(16.6)}V${py(13.4)}H${px(7.4)}Z`} fill={c} stroke="none" />
        </g>
      );
  }
}

/** A mark beside text. */
export function Mark({
  verdict,
  size = 18,
  label,
}: {
  verdict: Verdict;
  size?: number;
  label?: string;
}) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 24 24"
      className="inline-block shrink-0 align-[-0.18em]"
      role={label ? 'img' : undefined}
      aria-label={label}
      aria-hidden={label ? undefined : true}
    >
      <MarkShape verdict={verdict} />
    </svg>
  );
}

/** A mark in a drawing, centred, with a halo of the ground so that it stands clear of lines. */
export function MarkAt({
  verdict,
  x,
  y,
  size = 16,
}: {
  verdict: Verdict;
  x: number;
  y: number;
  size?: number;
}) {
  return (
    <>
      <circle cx={x} cy={y} r={(size * 13) / 24} fill="var(--ground)" />
      <MarkShape verdict={verdict} x={x - size / 2} y={y - size / 2} size={size} />
    </>
  );
}
