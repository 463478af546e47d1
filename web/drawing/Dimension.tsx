import { TSpans } from '../ui/Text.tsx';

interface Props {
  x1: number;
  y1: number;
  x2: number;
  y2: number;
  text: string;
  colour?: string;
  halo?: 'ground' | 'sheet';
  side?: 1 | -1;
  bold?: boolean;
}

/** A dimension: thin line, a slash at each end, the figure over it. */
export function Dimension({
  x1,
  y1,
  x2,
  y2,
  text,
  colour = 'var(--ink)',
  halo = 'ground',
  side = 1,
  bold = false,
}: Props) {
  const length = Math.hypot(x2 - x1, y2 - y1) || 1;
  const ux = (x2 - x1) / length;
  const uy = (y2 - y1) / length;
  const slash = (x: number, y: number) => <path d={`M${x - 4} ${y + 4}L${x + 4} ${y - 4}`} />;
  const upright = Math.abs(uy) > Math.abs(ux);
  const mx = (x1 + x2) / 2;
  const my = (y1 + y2) / 2;
  return (
    <g>
      <g stroke={colour} strokeWidth="1" fill="none">
        <path d={`M${x1} ${y1}L${x2} ${y2}`} />
        {slash(x1, y1)}
        {slash(x2, y2)}
      </g>
      <text
        className={`halo${halo === 'sheet' ? '-sheet' : ''} ${bold ? 'b' : ''}`}
        textAnchor="middle"
        fontSize="15"
        style={{ fill: colour === 'var(--ink)' ? undefined : 'var(--chalk-t)' }}
        transform={
          upright
            ? `translate(${mx - 6 * side} ${my}) rotate(-90)`
            : `translate(${mx} ${my - 6 * side})`
        }
        dy={side < 0 ? 10 : 0}
      >
        <TSpans>{text}</TSpans>
      </text>
    </g>
  );
}
