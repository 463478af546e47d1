import type { Verdict } from '../../core/check/judge.ts';

/** Words that stand beside the marks; a verdict never rests on shape or colour alone. */
export const VERDICT_WORD: Record<Verdict, string> = { unread: 'unread', good: 'good', tight: 'tight', out: 'out', held: 'held', waived: 'waived' };
const COLOUR: Record<Verdict, string> = { unread: 'var(--ink)', good: 'var(--good)', tight: 'var(--ochre)', out: 'var(--chalk)', held: 'var(--ochre)', waived: 'var(--ink2)' };
export const VERDICT_TEXT: Record<Verdict, string> = { unread: 'text-ink', good: 'text-good-t', tight: 'text-ochre-t', out: 'text-chalk-t', held: 'text-ochre-t', waived: 'text-ink2' };

/** The shapes of the marks in a 24 box, drawn once and used in text, lists and drawings. */
export function MarkShape({ verdict }: { verdict: Verdict }) {
  const c = COLOUR[verdict];
  switch (verdict) {
    case 'unread': return <circle cx="12" cy="12" r="8.4" fill="none" stroke={c} strokeWidth="2.6" />;
    case 'good': return <circle cx="12" cy="12" r="9.6" fill={c} />;
    case 'tight': return <path d="M21.4 10.1A9.6 9.6 0 1 1 13.9 2.6A5.9 5.9 0 0 0 21.4 10.1Z" fill={c} />;
    case 'out': return <path d="M12 .8L23.2 12L12 23.2L.8 12Z" fill={c} />;
    case 'held': return <path d="M4.6 2.6h5.2v18.8H4.6zM14.2 2.6h5.2v18.8h-5.2z" fill={c} />;
    case 'waived': return <g fill="none" stroke={c}><circle cx="12" cy="12" r="8.4" strokeWidth="2.6" /><path d="M7.4 10.6h9.2v2.8H7.4z" fill={c} stroke="none" /></g>;
  }
}

/** A mark beside text. */
export function Mark({ verdict, size = 18, label }: { verdict: Verdict; size?: number; label?: string }) {
  return <svg width={size} height={size} viewBox="0 0 24 24" className="inline-block shrink-0 align-[-0.18em]" role={label ? 'img' : undefined} aria-label={label} aria-hidden={label ? undefined : true}><MarkShape verdict={verdict} /></svg>;
}

/** A mark in a drawing, centred, with a halo of the ground so that it stands clear of lines. */
export function MarkAt({ verdict, x, y, size = 16 }: { verdict: Verdict; x: number; y: number; size?: number }) {
  return <g transform={`translate(${x - size / 2} ${y - size / 2}) scale(${size / 24})`}><circle cx="12" cy="12" r="13" fill="var(--ground)" /><MarkShape verdict={verdict} /></g>;
}
