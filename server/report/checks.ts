import type { Content } from 'pdfmake/interfaces.js';
import {
  type Fix,
  fixList,
  marginText,
  type PlaceState,
  type PointState,
  roundText,
  wantedText,
} from '#core/check';
import { answeredBy, entries, type LogEvent, questionsOf, readingText } from '#core/log';
import { HOLD_NAME } from '#core/model';
import { counted, type UnitSystem } from '#core/units';
import type { ReportContext } from './context.ts';
import { bold, table, type Cell } from './table.ts';

const WORD = {
  unread: 'unread',
  good: 'good',
  tight: 'tight',
  out: 'OUT',
  held: 'held',
  waived: 'waived',
} as const;

/** A round with nothing to tell is one line: how many, all as wanted, and when the last was read. */
function roundRow(p: PointState, { units, time }: ReportContext): Cell[] {
  const last = p.places
    .flatMap((x) => (x.reading ? [x.reading] : []))
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at))[0];
  return [
    p.point.elementId,
    p.point.title,
    wantedText(p.point.wanted, units),
    roundText(p, units),
    WORD.good,
    '',
    last ? `${last.actor} ${time(last.at)}` : '',
  ];
}

/** Questions with who answered them and what. */
function questionRows({ state, time }: ReportContext): Cell[][] {
  return questionsOf(state).map(({ entry: q, answer: a }) => {
    return [
      String(q.body.number),
      q.body.elementIds.join(', '),
      `${q.body.text} (${q.actor} ${time(q.at)})`,
      a
        ? `${answeredBy(a.body)}: ${a.body.text} (${time(a.at)})`
        : bold(`open, for the ${q.body.to}`),
    ];
  });
}

const FIX_WORDS: Record<Fix['state'], Cell> = {
  open: bold('open'),
  fixed: 'fixed',
  closed: 'good since',
  waived: 'waived',
};

/** What failed and what was done about it, with how many photos show it. */
function fixRows({ record, view, state, nowMs, time }: ReportContext): Cell[][] {
  return fixList(record.site, view.points, state, nowMs).map((f) => [
    f.point.point.elementId,
    f.point.point.title,
    `${f.failedBy} ${time(f.failedAt)}`,
    f.fixes.map((x) => `${x.body.what} (${x.actor} ${time(x.at)})`).join('; ') || 'nothing yet',
    f.photos.length ? String(f.photos.length) : '',
    FIX_WORDS[f.state],
  ]);
}

function verdictCell({ verdict, again }: PlaceState): Cell {
  if (again) return 'to read again';
  return verdict === 'out' ? bold(WORD.out) : WORD[verdict];
}

/** What was read or looked at, as it stands in the list. */
function notedText(r: LogEvent<'reading'> | LogEvent<'mark'>, units: UnitSystem): string {
  if (r.kind === 'reading') return readingText(r.body.value, units);
  return r.body.result === 'pass' ? 'seen' : (r.body.reason ?? '');
}

/** Every reading of one place, the newest last. */
function placeRows({ point }: PointState, place: PlaceState, c: ReportContext): Cell[][] {
  const { units, time } = c;
  const row = (
    r: LogEvent<'reading'> | LogEvent<'mark'> | null,
    verdict: Cell,
    note: string,
  ): Cell[] => [
    point.elementId,
    point.title,
    wantedText(point.wanted, units),
    r === null ? '' : notedText(r, units),
    verdict,
    note,
    r ? `${r.actor} ${time(r.at)}` : '',
  ];
  const earlier = place.earlier.map((e) => row(e, 'earlier', ''));
  const newest = place.mark ?? place.reading;
  const note =
    place.judged && place.reading && !place.mark && !place.again
      ? marginText(point, place.reading.body.value, place.judged, units)
      : '';
  return [...earlier, row(newest, verdictCell(place), note)];
}

const untouched = (x: PlaceState): boolean =>
  x.verdict === 'unread' && !x.reading && !x.mark && x.earlier.length === 0;

/** What was read of a point, and in one line how much of it was not. */
function pointRows(p: PointState, c: ReportContext): Cell[][] {
  if (p.point.round && p.places.every((x) => x.verdict === 'good' && x.earlier.length === 0))
    return [roundRow(p, c)];
  const read = p.places.filter((x) => !untouched(x));
  const unread = p.places.length - read.length;
  const { elementId, title, wanted } = p.point;
  return [
    ...read.flatMap((place) => placeRows(p, place, c)),
    ...(unread > 0
      ? [[elementId, title, wantedText(wanted, c.units), '', `${unread} ${WORD.unread}`, '', '']]
      : []),
  ];
}

/** What of an element nobody has begun with, in words. */
const unreadText = (points: readonly PointState[]): { titles: string; places: string } => ({
  titles: [...new Set(points.map((p) => p.point.title))].join(', '),
  places: `${points.reduce((n, p) => n + p.places.length, 0)} ${WORD.unread}`,
});

/** Lists by what they have in common, in the order in which that is met first. */
function byKey<T>(list: readonly T[], keyOf: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of list) {
    const own = groups.get(keyOf(item));
    if (own) own.push(item);
    else groups.set(keyOf(item), [item]);
  }
  return groups;
}

/** Elements that nobody has begun with: those that lack the same stand in one line. */
function unreadRows(points: readonly PointState[]): Cell[][] {
  const elements = [...byKey(points, (p) => p.point.elementId)].map(([id, own]) => ({
    id,
    ...unreadText(own),
  }));
  return [...byKey(elements, (e) => JSON.stringify([e.titles, e.places]))].map(([, alike]) => [
    alike.map((e) => e.id).join(', '),
    alike[0]?.titles ?? '',
    '',
    '',
    `${alike[0]?.places ?? ''}${alike.length > 1 ? ' each' : ''}`,
    '',
    '',
  ]);
}

/** Every reading, and of each element what was not read. */
function checkRows(c: ReportContext): Cell[][] {
  const isOpen = (p: PointState) => p.places.every(untouched);
  return [
    ...c.view.points.filter((p) => !isOpen(p)).flatMap((p) => pointRows(p, c)),
    ...unreadRows(c.view.points.filter(isOpen)),
  ];
}

/** What held the pour, how it was signed, and whether it was poured against it. */
export function gateSection({ view: { gate }, state, time }: ReportContext): Content[] {
  const { overridden, counts } = gate;
  const waiting = entries(state, 'question').length;
  const holds =
    gate.ready && !overridden ? 'Ready.' : `${counted(gate.rows.length, 'thing')} to fix first.`;
  return [
    { text: 'Gate', style: 'h2' },
    ...(overridden
      ? [
          {
            text: `Poured against the gate: ${overridden.reason} (${overridden.actor}, ${time(overridden.at)}).`,
            bold: true,
          },
        ]
      : []),
    {
      text: `${holds} ${gate.read} of ${gate.wanted} read, ${counts.tight} tight, ${counts.out} out, ${counts.waived} waived; ${counted(waiting, 'question')}.`,
      margin: [0, 0, 0, 4],
    },
    table(
      ['hold point', 'state', 'who', 'when', 'why'],
      ['auto', 'auto', 'auto', 'auto', '*'],
      gate.signs.map((s) => [
        HOLD_NAME[s.hold].toLowerCase(),
        s.state,
        s.actor ?? '',
        s.at ? time(s.at) : '',
        s.reason ?? '',
      ]),
    ),
  ];
}

/** Names of runs that have the same in common run on over several lines. */
const RUN_WIDTH = 64;

/** Questions, what failed and was put right, and every reading. */
export const checkSections = (c: ReportContext): Content[] => [
  { text: 'Questions', style: 'h2' },
  table(['no.', 'on', 'what', 'answer'], ['auto', 'auto', '*', '*'], questionRows(c)),
  { text: 'What failed, and was put right', style: 'h2' },
  table(
    ['run', 'check', 'failed', 'done', 'photos', ''],
    ['auto', '*', 'auto', '*', 'auto', 'auto'],
    fixRows(c),
  ),
  { text: 'Checks', style: 'h2' },
  table(
    ['run', 'check', 'wanted', 'read', 'verdict', 'margin', 'who, when'],
    [RUN_WIDTH, '*', 'auto', 'auto', 'auto', 'auto', 'auto'],
    checkRows(c),
  ),
];
