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

const checkRows = (c: ReportContext): Cell[][] =>
  c.view.points.flatMap((p) =>
    p.point.round && p.places.every((x) => x.verdict === 'good' && x.earlier.length === 0)
      ? [roundRow(p, c)]
      : p.places.flatMap((place) => placeRows(p, place, c)),
  );

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
    ['auto', '*', 'auto', 'auto', 'auto', 'auto', 'auto'],
    checkRows(c),
  ),
];
