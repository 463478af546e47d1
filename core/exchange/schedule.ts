import {
  countedFromText,
  isNone,
  lapFromText,
  ledgeFromText,
  metres,
  spacedFromText,
} from './bar-text.ts';
import {
  type FootingType,
  footingTypeSchema,
  type SitePlan,
  type WallType,
  wallTypeSchema,
} from '#core/model';
import { usualCoverMm } from '#core/steel';
import { parseMeasure, type UnitSystem } from '#core/units';

type RuleProfile = SitePlan['ruleProfile'];

/** One row of a schedule as it was read: a type, or what is wrong with which cell. */
export interface ScheduleRow {
  line: number;
  mark: string;
  type: { list: 'footingTypes'; type: FootingType } | { list: 'wallTypes'; type: WallType } | null;
  problems: { column: string; message: string }[];
}
export interface Schedule {
  rows: ScheduleRow[];
  /** What is wrong with the table as a whole. */ problem: string | null;
  /** Columns that are not known and were left out. */ ignored: string[];
}

/** Columns by the names people give them; the first is ours. */
const COLUMNS = {
  mark: ['mark', 'type', 'id'],
  kind: ['kind', 'what'],
  width: ['width', 'thickness', 'wide', 'thick'],
  depth: ['depth', 'deep'],
  along: ['along', 'continuous', 'bars along', 'longitudinal'],
  across: ['across', 'transverse', 'bars across'],
  top: ['top bars', 'top'],
  upright: ['upright', 'uprights', 'vertical', 'up'],
  level: ['level bars', 'horizontal', 'horizontals'],
  mats: ['mats', 'mat'],
  coverBottom: ['cover bottom', 'bottom cover'],
  coverSide: ['cover side', 'side cover'],
  coverTop: ['cover top', 'top cover'],
  coverInside: ['cover inside', 'inside cover'],
  coverOutside: ['cover outside', 'outside cover'],
  ledge: ['ledge', 'brick ledge'],
  lap: ['lap', 'laps', 'splice'],
  drawing: ['drawing', 'detail'],
} as const;
type Column = keyof typeof COLUMNS;
export const SCHEDULE_COLUMNS = Object.values(COLUMNS).map(([name]) => name);

class Cells {
  readonly problems: ScheduleRow['problems'] = [];
  readonly #cells: string[];
  readonly #at: Map<Column, number>;
  readonly #units: UnitSystem;
  constructor(cells: string[], at: Map<Column, number>, units: UnitSystem) {
    this.#cells = cells;
    this.#at = at;
    this.#units = units;
  }

  text(c: Column): string {
    const i = this.#at.get(c);
    return i === undefined ? '' : (this.#cells[i] ?? '').trim();
  }
  #say(c: Column, message: string): null {
    this.problems.push({ column: COLUMNS[c][0], message });
    return null;
  }

  mm(c: Column, fallback: number | null): number | null {
    const text = this.text(c);
    if (text === '') return fallback ?? this.#say(c, 'is empty');
    const p = parseMeasure(text, this.#units);
    if (!p.ok) return this.#say(c, p.message);
    return p.mm > 0 ? p.mm : this.#say(c, `${text} is not above 0`);
  }
  /** Whether a cell says that there are none: an empty one says nothing. */
  none(c: Column): boolean {
    return this.text(c) !== '' && isNone(this.text(c));
  }
  /** A cell read by one of the readers of bar texts; what it cannot read is said. */
  read<Value>(
    c: Column,
    reader: (text: string, units: UnitSystem) => Value | string,
  ): Value | null {
    const text = this.text(c);
    if (text === '') return this.#say(c, 'is empty');
    const got = reader(text, this.#units);
    return typeof got === 'string' ? this.#say(c, got) : got;
  }
}

/** Cover as it is given, or as the code asks for by the bar and what the face stands against. */
function coversOf(
  c: Cells,
  profile: RuleProfile,
  bar: string | null | undefined,
  faces: readonly (readonly [Column, 'ground' | 'weather'])[],
) {
  // Without bars there is nothing to be covered.
  const given = (against: 'ground' | 'weather') => (bar ? usualCoverMm(profile, against, bar) : 0);
  const mm = faces.map(([column, against]) =>
    c.mm(column, bar === undefined ? null : given(against)),
  );
  const usual = bar !== null && faces.some(([column]) => c.text(column) === '');
  return { mm, ...(usual ? { coverUsual: true } : {}) };
}

/** Nothing along: the bar is what one would be, and there is none of it. */
const NO_BARS = { bar: '#4', count: 0 } as const;

function footing(c: Cells, mark: string, profile: RuleProfile): ScheduleRow['type'] {
  const [width, depth, along] = [
    c.mm('width', null),
    c.mm('depth', null),
    c.none('along') ? NO_BARS : c.read('along', countedFromText),
  ];
  const across = isNone(c.text('across')) ? null : c.read('across', spacedFromText);
  const top = c.text('top') === '' ? 0 : (c.read('top', countedFromText)?.count ?? 0);
  const lap = c.text('lap') === '' ? null : c.read('lap', lapFromText);
  if (c.problems.length || along === null) return null;
  const { mm: covers, ...marked } = coversOf(c, profile, along.count + top > 0 ? along.bar : null, [
    ['coverBottom', 'ground'],
    ['coverSide', 'ground'],
    ['coverTop', 'weather'],
  ]);
  if (c.problems.length || width === null || depth === null) return null;
  const type = {
    mark,
    widthM: metres(width),
    depthM: metres(depth),
    continuous: { ...along, topCount: top },
    transverse: across,
    coverBottomMm: covers[0],
    coverSideMm: covers[1],
    coverTopMm: covers[2],
    ...marked,
    unformed: false,
    ...(lap ? { lap } : {}),
    ...(c.text('drawing') ? { drawing: c.text('drawing') } : {}),
  };
  return { list: 'footingTypes', type: footingTypeSchema.parse(type) };
}

function wall(c: Cells, mark: string, profile: RuleProfile): ScheduleRow['type'] {
  const [thickness, vertical, horizontal] = [
    c.mm('width', null),
    c.none('upright') ? null : c.read('upright', spacedFromText),
    c.none('level') ? null : c.read('level', spacedFromText),
  ];
  const plain = c.none('upright') && c.none('level');
  const mats = c.text('mats') === '' ? 1 : Number(c.text('mats'));
  if (mats !== 1 && mats !== 2)
    c.problems.push({ column: 'mats', message: `“${c.text('mats')}” is not 1 or 2` });
  const { mm: covers, ...marked } = coversOf(
    c,
    profile,
    plain ? null : (vertical ?? horizontal)?.bar,
    [
      ['coverInside', 'weather'],
      ['coverOutside', 'weather'],
    ],
  );
  const lap = c.text('lap') === '' ? null : c.read('lap', lapFromText);
  const ledge = isNone(c.text('ledge')) ? null : c.read('ledge', ledgeFromText);
  if (c.problems.length || thickness === null) return null;
  return {
    list: 'wallTypes',
    type: wallTypeSchema.parse({
      mark,
      thicknessM: metres(thickness),
      mats,
      vertical,
      horizontal,
      coverInsideMm: covers[0],
      coverOutsideMm: covers[1],
      ...marked,
      ledge,
      ...(lap ? { lap } : {}),
      ...(c.text('drawing') ? { drawing: c.text('drawing') } : {}),
    }),
  };
}

/**
 * Reads a schedule of footings and walls off a table: the first row names the columns, every
 * further one is a type. A row with a `thickness`, uprights or a kind of wall is a wall. Nothing is
 * stored here; each row says what is wrong with it.
 */
export function readSchedule(table: string[][], units: UnitSystem, profile: RuleProfile): Schedule {
  const [head = [], ...body] = table.filter((r) => r.some((c) => c.trim() !== ''));
  const at = new Map<Column, number>();
  const ignored: string[] = [];
  head.forEach((h, i) => {
    const name = h
      .trim()
      .toLowerCase()
      .replace(/[_\s]+/g, ' ')
      .replace(/\s*\((in|mm|ft|m)\)$/, '');
    const column = (Object.keys(COLUMNS) as Column[]).find((k) =>
      (COLUMNS[k] as readonly string[]).includes(name),
    );
    if (column && !at.has(column)) at.set(column, i);
    else if (name) ignored.push(h.trim());
  });
  if (!at.has('mark'))
    return {
      rows: [],
      ignored,
      problem: `The first row must name the columns, with “mark” among them. Known are: ${SCHEDULE_COLUMNS.join(', ')}.`,
    };
  if (body.length === 0)
    return { rows: [], ignored, problem: 'There are no rows under the names of the columns.' };
  const seen = new Set<string>();
  const rows = body.map((cells, i): ScheduleRow => {
    const c = new Cells(cells, at, units);
    const mark = c.text('mark');
    if (mark === '') c.problems.push({ column: 'mark', message: 'is empty' });
    else if (mark.length > 40)
      c.problems.push({ column: 'mark', message: 'is longer than 40 characters' });
    else if (seen.has(mark)) c.problems.push({ column: 'mark', message: `${mark} stands twice` });
    seen.add(mark);
    const kind = c.text('kind').toLowerCase();
    if (kind && !/wall|footing|grade|strip/.test(kind))
      c.problems.push({ column: 'kind', message: `“${c.text('kind')}” is not footing or wall` });
    const isWall = kind ? /wall/.test(kind) : c.text('upright') !== '';
    const line = { line: i + 2, mark, problems: c.problems };
    if (c.problems.length) return { ...line, type: null };
    const type = isWall ? wall(c, mark, profile) : footing(c, mark, profile);
    return { ...line, type: c.problems.length ? null : type };
  });
  return { rows, ignored, problem: null };
}
