import type { LastStart } from '#core/pourplan';
import { clockText, durationText } from '#core/units';
import { limitWord } from '#core/words';
import type { WhenScale } from './scale.ts';

const ROW = 26;
const HEAD = 30;

/** Backwards from what ends the day: the last start that still ends before each. */
export function Backwards({
  scale,
  width,
  last,
  startMin,
}: {
  scale: WhenScale;
  width: number;
  last: LastStart[];
  startMin: number | null;
}) {
  if (startMin === null || last.length === 0) return null;
  const inOrder = [...last].sort((a, b) => a.lastStartMin - b.lastStartMin);
  return (
    <svg
      width={width}
      height={HEAD + inOrder.length * ROW + 12}
      role="img"
      aria-label={`Backwards: ${inOrder.map((l) => `last start before ${limitWord(l.rule)} ${clockText(((l.lastStartMin % 1440) + 1440) % 1440)}`).join(', ')}`}
    >
      <text x="12" y="20" className="a" fontSize="16">
        Backwards, the last start before each limit
      </text>
      {inOrder.map((l, i) => {
        const y = HEAD + i * ROW + 14;
        const x0 = scale.x(l.lastStartMin);
        const x1 = Math.max(x0 + 4, scale.x(l.limitMin));
        const spare = l.lastStartMin - startMin;
        const late = spare < 0;
        const word = `${limitWord(l.rule)} ${clockText(((l.limitMin % 1440) + 1440) % 1440)}${late ? ', too late' : `, ${durationText(spare)} to spare`}`;
        const right = x1 + 8 + word.length * 8 > width;
        return (
          <g key={l.rule}>
            <path d={`M${x0} ${y}H${x1}`} stroke="var(--chalk)" strokeWidth="2" />
            <path d={`M${x0} ${y - 7}v14`} stroke="var(--ink)" strokeWidth="2" />
            <path d={`M${x1} ${y - 7}v14`} stroke="var(--chalk)" strokeWidth="2.5" />
            <text
              x={Math.max(60, x0 - 6)}
              y={y + 5}
              textAnchor="end"
              fontSize="15"
              className="b halo"
            >
              {clockText(((l.lastStartMin % 1440) + 1440) % 1440)}
            </text>
            <text
              x={right ? x1 - 8 : x1 + 8}
              y={right ? y - 6 : y + 5}
              textAnchor={right ? 'end' : 'start'}
              fontSize="14"
              className="b halo"
              style={{ fill: 'var(--chalk-t)' }}
            >
              {word}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
