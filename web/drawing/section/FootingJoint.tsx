import { TSpans } from '../../ui/Text.tsx';
import type { Box } from './footing-box.ts';

/**
 * A strip for a keyway is a board laid flat, mm (1½ by 3½ in); a waterstop stands half in and half
 * out, mm (6 in in all). Drawings seldom say more.
 */
export const KEY_MM = { wide: 88.9, deep: 38.1 };
const WATERSTOP_MM = 152.4;

/** What the top of the footing has for its joint with the wall, in the middle of the wall. */
export function Joint({ s, x, y, w, mm, px }: Box & { px: number }) {
  const centre = x + w / 2 - mm(s.above?.leftMm ?? 0);
  const [half, deep] = [mm(KEY_MM.wide / 2), mm(KEY_MM.deep)];
  return (
    <g>
      {s.joint.includes('keyway') && (
        <path
          d={`M${centre - half} ${y}L${centre - half * 0.8} ${y + deep}H${centre + half * 0.8}L${centre + half} ${y}Z`}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      )}
      {s.joint.includes('waterstop') && (
        <path
          d={`M${centre} ${y - mm(WATERSTOP_MM / 2)}V${y + mm(WATERSTOP_MM / 2)}`}
          stroke="var(--press)"
          strokeWidth={Math.max(3, 0.01 * px)}
        />
      )}
      <text x={centre - half + 2} y={y - 6} fontSize="14" className="q halo-sheet">
        <TSpans>{s.joint.join(', ')}</TSpans>
      </text>
    </g>
  );
}
