import { clockText } from '#core/units';
import type { March } from './scales.ts';

/** Night before the sun and after dusk, shaded across the whole chart. */
function Dark({ m }: { m: March }) {
  if (!m.light) return null;
  const end = m.fold?.endMin ?? m.tTo;
  const bands = [
    { from: m.tFrom, to: Math.min(m.light.sunriseMin, m.tTo), word: 'sun', at: m.light.sunriseMin },
    { from: Math.max(m.light.duskMin, m.tFrom), to: end, word: 'dusk', at: m.light.duskMin },
  ].filter((b) => b.to > b.from && b.at > m.tFrom && b.at < end);
  return bands.map((b) => (
    <g key={b.word}>
      <rect
        x="0"
        y={m.t(b.from)}
        width={m.width}
        height={Math.max(0, m.t(b.to) - m.t(b.from))}
        fill="var(--void)"
      />
      {!m.narrow && (
        <text
          x={m.x0 + 8}
          y={m.t(b.at) + (b.word === 'sun' ? -5 : 16)}
          fontSize="14"
          className="q halo"
        >
          {b.word} {clockText(b.at)}
        </text>
      )}
    </g>
  ));
}

/** The hours that the pour does not touch, torn out. */
function Folded({ m }: { m: March }) {
  if (!m.fold) return null;
  const { y0, y1 } = m.fold;
  const mid = (y0 + y1) / 2;
  const teeth = Math.ceil(m.width / 16);
  const zigzag = Array.from({ length: teeth + 1 }, (_, i) => `${i * 16} ${mid + (i % 2 ? 5 : -5)}`);
  return (
    <g data-fold>
      <rect x="0" y={y0} width={m.width} height={y1 - y0} fill="var(--ground)" />
      <path d={`M${zigzag.join('L')}`} fill="none" stroke="var(--line)" strokeWidth="1.5" />
    </g>
  );
}

/** What is folded away, in words: over the windows that reach into it. */
export const FoldWords = ({ m }: { m: March }) =>
  m.fold && (
    <text x={m.x0 + 8} y={(m.fold.y0 + m.fold.y1) / 2 - 9} fontSize="14" className="q halo">
      {clockText(m.fold.fromMin)} to {clockText(m.fold.laterMin)} folded
    </text>
  );

/** Light and dark, the hours that are ruled out with their reason, and what is folded away. */
export function DayShade({ m, hatch }: { m: March; hatch: string }) {
  const end = m.fold?.endMin ?? m.tTo;
  const shown = (m.noGo ?? []).filter((g) => g.toMin > m.tFrom && g.fromMin < end);
  return (
    <g>
      <Dark m={m} />
      <Folded m={m} />
      {shown.map((g) => {
        const y = m.t(Math.max(g.fromMin, m.tFrom));
        const h = Math.max(0, m.t(Math.min(g.toMin, end)) - y);
        return (
          <g key={g.fromMin} data-no-go>
            <rect x="0" y={y} width={m.width} height={h} fill={`url(#${hatch})`} />
            <path d={`M0 ${y}H${m.width}`} stroke="var(--chalk)" strokeWidth="1.5" />
            <text
              x={m.x0 + 8}
              y={y + 19}
              fontSize="15"
              className="b halo"
              style={{ fill: 'var(--chalk-t)' }}
            >
              {g.reason.charAt(0).toUpperCase() + g.reason.slice(1)}: nothing is placed
            </text>
          </g>
        );
      })}
    </g>
  );
}
