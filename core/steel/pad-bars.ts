import { barNamed, type Pad } from '#core/model';
import { barsRequired } from './spacing-verdict.ts';

/**
 * The bars of one mat of a pad that run one way. `lengthwise` run along the pad's length and are
 * counted over its width.
 */
export interface PadBars {
  mat: 'bottom' | 'top';
  way: 'lengthwise' | 'crosswise';
  bar: string;
  count: number;
  /** As the drawing spaces them; null where it gives a count. */
  spacingM: number | null;
  /** How long each is in the work, straight, m. */
  barLengthM: number;
  hooks: 'one' | 'both' | undefined;
}

/**
 * All bars of a pad, mat by mat and way by way: each by its own count or spacing over what it is
 * spread over, cover at both ends.
 */
export function padBars(pad: Pad): PadBars[] {
  if (!pad.steel) return [];
  const { coverSideMm, eachWay, topEachWay } = pad.steel;
  const mats = [
    { mat: 'bottom' as const, m: eachWay },
    ...(topEachWay ? [{ mat: 'top' as const, m: topEachWay }] : []),
  ];
  return mats.flatMap(({ mat, m }) =>
    (
      [
        ['lengthwise', pad.widthM, pad.lengthM],
        ['crosswise', pad.lengthM, pad.widthM],
      ] as const
    ).map(([way, overM, alongM]): PadBars => ({
      mat,
      way,
      bar: m.bar,
      count:
        m.count ?? (m.spacingM ? barsRequired(overM * 1000, coverSideMm, m.spacingM * 1000) : 0),
      spacingM: m.count === undefined ? (m.spacingM ?? null) : null,
      barLengthM: alongM - (2 * coverSideMm) / 1000,
      hooks: m.hooks,
    })),
  );
}

/** What the straight bars of one mat of a pad weigh, kg. */
export const padMatKg = (pad: Pad, mat: PadBars['mat']): number =>
  padBars(pad)
    .filter((b) => b.mat === mat)
    .reduce((kg, b) => kg + b.count * b.barLengthM * barNamed(b.bar).massKgM, 0);
