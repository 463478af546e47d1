import {
  countedFromText,
  countedText,
  isNone,
  lapFromText,
  lapText,
  ledgeFromText,
  ledgeText,
  metres,
  type Spaced,
  spacedFromText,
  spacedText,
} from '#core/exchange';
import type { FootingType, Hooks, WallType } from '#core/model';
import { lengthText, parseMeasure, type UnitSystem } from '#core/units';

/** A cell: how it reads, and the type with another text in it; a sentence when it cannot be read. */
export interface Cell<Type> {
  id: string;
  head: string;
  text: (t: Type, u: UnitSystem) => string;
  read: (t: Type, text: string, u: UnitSystem) => Type | string;
}
const size = <Type>(
  id: string,
  head: string,
  get: (t: Type) => number,
  set: (t: Type, mm: number) => Type,
): Cell<Type> => ({
  id,
  head,
  text: (t, u) => lengthText(get(t), u),
  read: (t, text, u) => {
    const p = parseMeasure(text, u);
    return p.ok ? set(t, p.mm) : p.message;
  },
});
const spaced = <Type>(
  id: string,
  head: string,
  get: (t: Type) => { bar: string; spacingM: number; hooks?: Hooks } | null,
  set: (t: Type, v: Spaced | null) => Type | string,
): Cell<Type> => ({
  id,
  head,
  text: (t, u) => {
    const v = get(t);
    return v ? spacedText(v, u) : 'none';
  },
  read: (t, text, u) => {
    const v = isNone(text) ? null : spacedFromText(text, u);
    return typeof v === 'string' ? v : set(t, v);
  },
});
const lapCell = <Type extends { lap?: FootingType['lap'] }>(): Cell<Type> => ({
  id: 'lap',
  head: 'lap',
  text: (t, u) => lapText(t.lap, u),
  read: (t, text, u) => {
    const lap = lapFromText(text, u);
    return typeof lap === 'string' ? lap : { ...t, lap };
  },
});
export const FOOTING: Cell<FootingType>[] = [
  size(
    'width',
    'wide',
    (t) => t.widthM * 1000,
    (t, mm) => ({ ...t, widthM: metres(mm) }),
  ),
  size(
    'depth',
    'deep',
    (t) => t.depthM * 1000,
    (t, mm) => ({ ...t, depthM: metres(mm) }),
  ),
  {
    id: 'along',
    head: 'along',
    text: (t) => countedText(t.continuous),
    read: (t, text, u) => {
      const v = countedFromText(text, u);
      return typeof v === 'string' ? v : { ...t, continuous: { ...t.continuous, ...v } };
    },
  },
  spaced(
    'across',
    'across',
    (t) => t.transverse,
    (t, v) => ({ ...t, transverse: v }),
  ),
  size(
    'cover',
    'cover below',
    (t) => t.coverBottomMm,
    (t, mm) => ({ ...t, coverBottomMm: mm, coverUsual: undefined }),
  ),
  lapCell(),
];
export const WALL: Cell<WallType>[] = [
  size(
    'thickness',
    'thick',
    (t) => t.thicknessM * 1000,
    (t, mm) => ({ ...t, thicknessM: metres(mm) }),
  ),
  {
    id: 'mats',
    head: 'mats',
    text: (t) => String(t.mats),
    read: (t, text) =>
      text.trim() === '1' || text.trim() === '2'
        ? { ...t, mats: Number(text) as 1 | 2 }
        : 'One mat or two.',
  },
  spaced(
    'upright',
    'upright',
    (t) => t.vertical,
    (t, v) => ({ ...t, vertical: v }),
  ),
  spaced(
    'level',
    'across',
    (t) => t.horizontal,
    (t, v) => ({ ...t, horizontal: v }),
  ),
  size(
    'inside',
    'cover inside',
    (t) => t.coverInsideMm,
    (t, mm) => ({ ...t, coverInsideMm: mm, coverUsual: undefined }),
  ),
  {
    id: 'ledge',
    head: 'ledge',
    text: (t, u) => ledgeText(t.ledge, u),
    read: (t, text, u) => {
      const ledge = ledgeFromText(text, u);
      return typeof ledge === 'string' ? ledge : { ...t, ledge };
    },
  },
  lapCell(),
];

/** Words of one line, where the drawing is named; empty for none. */
const drawingCell = <Type extends { drawing?: string | undefined }>(): Cell<Type> => ({
  id: 'drawing',
  head: 'drawing',
  text: (t) => t.drawing ?? 'not said',
  read: (t, text) => {
    const { drawing: _had, ...rest } = t;
    const said = text.trim();
    if (said === '' || said === 'not said') return rest as Type;
    return said.length > 80 ? 'Longer than 80 characters.' : ({ ...rest, drawing: said } as Type);
  },
});

/** Cells that are seldom looked at and have to be set somewhere: they stand there while cells are changed. */
export const FOOTING_MORE: Cell<FootingType>[] = [
  {
    id: 'top',
    head: 'more on top',
    text: (t) => String(t.continuous.topCount),
    read: (t, text) => {
      const topCount = Number(text.trim());
      return Number.isInteger(topCount) && topCount >= 0
        ? { ...t, continuous: { ...t.continuous, topCount } }
        : 'How many bars: 0, 2, 3…';
    },
  },
  size(
    'coverSide',
    'cover at sides',
    (t) => t.coverSideMm,
    (t, mm) => ({ ...t, coverSideMm: mm, coverUsual: undefined }),
  ),
  size(
    'coverTop',
    'cover above',
    (t) => t.coverTopMm,
    (t, mm) => ({ ...t, coverTopMm: mm, coverUsual: undefined }),
  ),
  {
    id: 'sides',
    head: 'sides',
    text: (t) => (t.unformed ? 'earth' : 'forms'),
    read: (t, text) => {
      const said = text.trim().toLowerCase();
      if (said !== 'earth' && said !== 'forms') return 'Sides are forms or earth.';
      return { ...t, unformed: said === 'earth' };
    },
  },
  drawingCell(),
];
export const WALL_MORE: Cell<WallType>[] = [
  size(
    'outside',
    'cover outside',
    (t) => t.coverOutsideMm,
    (t, mm) => ({ ...t, coverOutsideMm: mm, coverUsual: undefined }),
  ),
  drawingCell(),
];
