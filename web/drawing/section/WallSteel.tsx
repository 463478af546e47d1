import type { WallType } from '#core/model';
import { barText, lengthText, type UnitSystem } from '#core/units';
import { TSpans } from '../../ui/Text.tsx';
import type { CoverShown } from './parts.tsx';

/** About how wide a letter of the words is, px. */
const LETTER_PX = 7.6;

/** How far from a single mat its words begin, px. */
export const WORDS_OFF_PX = 12;

/** Its steel in words, each broken in two or three where it would not stand in the concrete. */
export function steelWordsOf(type: WallType, units: UnitSystem, roomPx: number): string[] {
  const said = (layer: WallType['vertical'], way: string) =>
    layer ? [`${barText(layer.bar)} at ${lengthText(layer.spacingM * 1000, units)} ${way}`] : [];
  const words = [...said(type.vertical, 'up'), ...said(type.horizontal, 'across')];
  if (words.length === 0) return ['no bars'];
  const wide = (lines: string[]) => Math.max(...lines.map((t) => t.length)) * LETTER_PX;
  const broken = words.flatMap((t) => t.split(/ (?=at )/));
  return (
    [words, broken].find((lines) => wide(lines) <= roomPx) ??
    words.flatMap((t) => t.split(/ (?=at |up$|across$)/))
  );
}
/**
 * A wall cut level, from above, inside at the left: uprights as circles, bars across along the
 * faces, the strip no steel may enter tinted.
 */
/** A mat, and its cover from the face it belongs to. */
export interface FaceMat {
  face: 'inside' | 'outside';
  coverMm: number;
}

export function SteelWords({
  reading,
  roomy,
  mats,
  steelWords,
  left,
  right,
  from,
  type,
  d,
  hd,
  top,
  h,
  at,
}: {
  reading: CoverShown | null;
  roomy: boolean;
  mats: FaceMat[];
  steelWords: string[];
  left: number;
  right: number;
  from: (face: 'inside' | 'outside', mm: number) => number;
  type: WallType;
  d: number;
  hd: number;
  top: number;
  h: number;
  at: number;
}) {
  return (
    !reading &&
    roomy && (
      <g textAnchor={mats.length > 1 ? 'middle' : 'start'}>
        {steelWords.map((t, i) => (
          <text
            key={i}
            x={
              mats.length > 1
                ? (left + right) / 2
                : from('inside', type.coverInsideMm + d + hd) + WORDS_OFF_PX
            }
            y={
              mats.length > 1
                ? top + h * 0.72 + (i + 1 - steelWords.length / 2) * 19
                : at + 5 + (i - (steelWords.length - 1) / 2) * 20
            }
            fontSize="15"
            className={i < steelWords.length / 2 ? 'b halo' : 'halo'}
          >
            <TSpans>{t}</TSpans>
          </text>
        ))}
      </g>
    )
  );
}

/** The bars of each mat. */
export function Mats({
  mats,
  from,
  d,
  hd,
  reading,
  top,
  px,
  h,
  at,
}: {
  mats: FaceMat[];
  from: (face: 'inside' | 'outside', mm: number) => number;
  d: number;
  hd: number;
  reading: CoverShown | null;
  top: number;
  px: number;
  h: number;
  at: number;
}) {
  return mats.map((m) => {
    const dir = m.face === 'inside' ? 1 : -1;
    const strip = from(m.face, m.coverMm + d + (dir < 0 ? hd : 0));
    const hide = reading?.face === m.face && reading.mm !== null;
    return (
      <g key={m.face}>
        {hd > 0 && (
          <rect
            x={strip}
            y={top}
            width={Math.max(2, hd * px)}
            height={h}
            fill="var(--stiff-2)"
            stroke="var(--ink)"
            strokeWidth="1"
          />
        )}
        {d > 0 && (
          <circle
            cx={from(m.face, m.coverMm + d / 2)}
            cy={at}
            r={Math.max(2.5, (d / 2) * px)}
            fill={hide ? 'none' : 'var(--ink)'}
            stroke={hide ? 'var(--ink)' : 'none'}
            strokeWidth="1.25"
            strokeDasharray={hide ? '3 3' : undefined}
          />
        )}
      </g>
    );
  });
}
