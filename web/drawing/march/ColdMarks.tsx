import type { ColdStretch } from '#core/pourplan';
import { coldStretchText } from '#core/words';
import { MarkShape } from '../../ui/Mark.tsx';
import type { March } from './scales.ts';

interface Stretch {
  a: number;
  z: number;
  ta: number;
  tz: number;
}

/** Where a cold stretch lies on the passes of its lift. */
function partsOf({ planned, rest }: March, c: ColdStretch): Stretch[] {
  return (rest.length ? rest : planned)
    .filter((b) => b.lift === c.lift && b.x1 > c.fromM - 1e-6 && b.x0 < c.toM + 1e-6)
    .map((b) => {
      const at = (xM: number) => b.t0 + ((b.t1 - b.t0) * (xM - b.x0)) / Math.max(1e-9, b.x1 - b.x0);
      const [a, z] = [Math.max(b.x0, c.fromM), Math.min(b.x1, Math.max(c.toM, c.fromM))];
      return { a, z, ta: at(a), tz: at(z) };
    });
}

/** Between two lines of words, px. */
const LINE_PX = 30;

/** Each cold stretch with its place, and where it is named: one under the other, as far as there is room. */
function namedStretches(m: March): { c: ColdStretch; parts: Stretch[]; y: number | null }[] {
  const foot = m.fold?.y0 ?? m.foot;
  const out: { c: ColdStretch; parts: Stretch[]; y: number | null }[] = [];
  for (const c of m.cold ?? []) {
    const parts = partsOf(m, c);
    const [first] = parts;
    if (!first) continue;
    const taken = Math.max(-Infinity, ...out.map((o) => (o.y ?? -Infinity) + LINE_PX));
    const y = Math.max(m.t(first.ta) + 26, taken);
    out.push({ c, parts, y: !m.narrow && y + 8 < foot ? y : null });
  }
  return out;
}

/** Seams that leave their window: drawn leaving it, and named in place. */
export function ColdMarks({ m }: { m: March }) {
  const { x, t } = m;
  return (
    <g data-cold>
      {namedStretches(m).map(({ c, parts, y }, i) => {
        const left = Math.min(Math.max(m.x0 + 6, x(parts[0]?.a ?? 0)), m.x1 - 300);
        return (
          <g key={i}>
            {parts.map((p, k) => (
              <path
                key={k}
                d={`M${x(p.a)} ${t(p.ta)}L${Math.max(x(p.a) + 3, x(p.z))} ${t(p.tz)}`}
                stroke="var(--chalk)"
                strokeWidth="11"
                fill="none"
              />
            ))}
            {c.kind === 'beside' && (
              <path
                d={`M${x(c.fromM)} ${t(c.shutsAtMin)}V${t(parts[0]?.ta ?? c.shutsAtMin)}`}
                stroke="var(--chalk)"
                strokeWidth="3"
              />
            )}
            {y !== null && (
              <g>
                <MarkShape verdict="out" x={left} y={y - 12} size={14} />
                <text
                  x={left + 20}
                  y={y}
                  fontSize="15"
                  className="b halo"
                  style={{ fill: 'var(--chalk-t)' }}
                >
                  {c.kind === 'below' ? `lift ${c.lift + 1}, ` : ''}
                  {coldStretchText(c, m.units)}
                </text>
              </g>
            )}
          </g>
        );
      })}
    </g>
  );
}
