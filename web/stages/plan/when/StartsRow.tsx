import { useRef } from 'react';
import type { Start } from '#core/pourplan';
import { clockText } from '#core/units';
import { ruleWord } from '#core/words';
import type { WhenScale } from './scale.ts';
import { dayOf, type useStarts } from './useStarts.ts';

const HIGH = { good: 34, watch: 22, no: 12 } as const;
const FILL = { good: 'var(--good)', watch: 'var(--ochre)', no: '' } as const;
const STEP = 15;
const ROW = 36;

/** Stretches of starts with the same verdict for the same reasons. */
function stretches(starts: Start[]): { starts: Start[]; word: string }[] {
  const out: { starts: Start[]; word: string }[] = [];
  for (const s of starts) {
    const word = s.reasons[0] ? ruleWord(s.reasons[0].rule) : 'good';
    const last = out.at(-1);
    if (last?.word === word && last.starts.at(-1)?.verdict === s.verdict) last.starts.push(s);
    else out.push({ starts: [s], word });
  }
  return out;
}

/**
 * Every quarter hour as a start: tall and green where nothing speaks against it, hatched where
 * something forbids it.
 */
export function StartsRow({
  scale,
  y,
  when,
  hatch,
  startMin,
  onPick,
}: {
  scale: WhenScale;
  y: number;
  when: ReturnType<typeof useStarts>;
  hatch: string;
  startMin: number | null;
  onPick: (startMin: number) => void;
}) {
  const row = useRef<SVGGElement>(null);
  const shown = when.starts.filter((s) => {
    const at = dayOf(when.days, s.startMin);
    return at && at.min >= 300 && at.min < 1260;
  });
  const wide = scale.bands.find((b) => b.wide);
  const inWide = (s: Start) =>
    wide !== undefined && s.startMin >= wide.day.fromMin && s.startMin < wide.day.toMin;
  return (
    <g ref={row}>
      {shown.map((s) => {
        const x = scale.x(s.startMin);
        const h = HIGH[s.verdict];
        const at = dayOf(when.days, s.startMin);
        return (
          <rect
            key={s.startMin}
            data-start={s.startMin}
            data-verdict={s.verdict}
            x={x}
            y={y + ROW - h}
            width={Math.max(1, scale.x(s.startMin + STEP) - x - (inWide(s) ? 1 : 0))}
            height={h}
            fill={s.verdict === 'no' ? `url(#${hatch})` : FILL[s.verdict]}
            opacity={s.startMin < when.nowMin ? 0.35 : 1}
            style={{ cursor: 'pointer' }}
            role="button"
            tabIndex={s.startMin === startMin ? 0 : -1}
            aria-label={`Start ${at?.date ?? ''} ${clockText(at?.min ?? 0)}, ${s.verdict}`}
            onClick={() => {
              onPick(s.startMin);
            }}
            onKeyDown={(e) => {
              const by = { ArrowRight: STEP, ArrowLeft: -STEP }[e.key] ?? 0;
              if (e.key === 'Enter' || e.key === ' ') onPick(s.startMin);
              if (by !== 0) {
                e.preventDefault();
                row.current
                  ?.querySelector<SVGRectElement>(`[data-start="${s.startMin + by}"]`)
                  ?.focus();
              }
            }}
          />
        );
      })}
      {stretches(shown.filter(inWide)).map((s) => {
        const first = s.starts[0]?.startMin ?? 0;
        const last = s.starts.at(-1)?.startMin ?? first;
        const room = scale.x(last + STEP) - scale.x(first);
        return room > s.word.length * 8 + 6 ? (
          <text
            key={first}
            x={scale.x(first) + 4}
            y={y + ROW - (s.starts[0]?.verdict === 'good' ? 12 : 26)}
            fontSize="14"
            className={s.starts[0]?.verdict === 'good' ? 'b' : 'b halo'}
            style={
              s.starts[0]?.verdict === 'good'
                ? { fill: 'var(--on-fresh)', pointerEvents: 'none' }
                : { pointerEvents: 'none' }
            }
          >
            {s.word}
          </text>
        ) : null;
      })}
    </g>
  );
}
