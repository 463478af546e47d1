import { lengthText, type UnitSystem } from '#core/units';
import { TSpans } from '../../ui/Text.tsx';
import { Dimension } from '../Dimension.tsx';
import { type CoverShown, MeasuredBar } from './parts.tsx';
import { noUnit } from './no-unit.ts';

/** Least, wanted, the bar where it was read, and what was read: one under the other, each with its words beside it. */
export function CoverRows({
  r,
  units,
  top,
  h,
  from,
  at,
  clearMm,
  barMm,
  px,
}: {
  r: CoverShown;
  units: UnitSystem;
  top: number;
  h: number;
  from: (face: 'inside' | 'outside', mm: number) => number;
  at: number;
  clearMm: number;
  barMm: number;
  px: number;
}) {
  const face = r.face === 'outside' ? 'outside' : 'inside';
  const inward = face === 'inside' ? 1 : -1;
  const zero = from(face, 0);
  const tx = from(face, Math.max(clearMm, (r.mm ?? 0) + barMm + 4)) + inward * 12;
  const row = (y: number, mm: number, word: string, chalk: boolean) => {
    const edge = from(face, mm);
    return (
      <g key={word}>
        <Dimension
          x1={Math.min(zero, edge)}
          y1={y}
          x2={Math.max(zero, edge)}
          y2={y}
          text=""
          colour={chalk ? 'var(--chalk)' : 'var(--ink)'}
        />
        <path
          d={`M${edge} ${y}H${tx - inward * 3}`}
          stroke={chalk ? 'var(--chalk)' : 'var(--ink)'}
          strokeWidth="0.75"
        />
        <text
          x={tx}
          y={y + 5}
          textAnchor={inward > 0 ? 'start' : 'end'}
          fontSize="16"
          className="b halo"
          style={{ fill: chalk ? 'var(--chalk-t)' : undefined }}
        >
          <TSpans>{`${word} ${noUnit(lengthText(mm, units))}`}</TSpans>
        </text>
      </g>
    );
  };
  const strip = { x: Math.min(zero, from(face, r.leastMm)), y: top, w: r.leastMm * px, h };
  return (
    <g>
      {row(top + h * 0.14, r.leastMm, 'least', true)}
      {row(top + h * 0.31, r.specifiedMm, 'wanted', false)}
      {r.mm !== null && (
        <>
          <MeasuredBar
            id={`cut-${face}`}
            cx={from(face, Math.max(0, r.mm) + barMm / 2)}
            cy={at}
            r={Math.max(4, (barMm / 2) * px)}
            strip={strip}
          />
          {r.short && (
            <text
              x={tx}
              y={at + 6}
              textAnchor={inward > 0 ? 'start' : 'end'}
              fontSize="18"
              className="b halo"
              style={{ fill: 'var(--chalk-t)' }}
            >
              <TSpans>{r.text.replace(/ (in|mm) /, ' ')}</TSpans>
            </text>
          )}
          {row(top + h * 0.8, Math.max(0, r.mm), 'read', r.short)}
        </>
      )}
    </g>
  );
}
