import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import type { PourAnswer, SiteFile, StoredEvent } from '../../contract/index.ts';
import { fixList, type Fix } from '../../core/check/fixes.ts';
import type { PlaceState, PointState } from '../../core/check/judge.ts';
import { marginText, roundText, wantedText } from '../../core/check/words.ts';
import { HOLD_NAME } from '../../core/model/pour.ts';
import { readingText } from '../../core/log/kinds/reading-value.ts';
import type { AirHour } from '../../core/cure/concrete-temperature.ts';
import { stripWords } from '../../core/cure/strip.ts';
import { kindOf, type LogEvent } from '../../core/log/events.ts';
import type { PourPlan } from '../../core/pourplan/plan.ts';
import { againstRule, type AgainstRule } from '../../core/view/against.ts';
import { FAULT_WORDS, type LoadState } from '../../core/pourlog/loads.ts';
import { pourTasks } from '../../core/pourlog/tasks.ts';
import { calculationNamed } from '../../core/register/index.ts';
import { attempt } from '../../core/kit/calculation.ts';
import { resultRows, stepText } from '../../core/kit/words.ts';
import { ruleText, rulesOf, sourceText } from '../../core/rules/rules.ts';
import { entryText } from '../../core/words/entry-text.ts';
import { entries, isClosed, replay, timeline, type PourState } from '../../core/log/state.ts';
import {
  clockText,
  counted,
  lengthText,
  strength,
  temperatureFigure,
  textOf,
  volume,
  type UnitSystem,
} from '../../core/units/index.ts';
import { checksOf, curingIn, viewOf, type PourView } from '../../core/view/pour-view.ts';
import { localDate, midnightMs } from '../../core/weather/daylight.ts';
import { verifyLines } from '../log/chain.ts';
import { photoSection } from './photo-pages.ts';
import { planDrawing } from './plan-drawing.ts';

export interface ReportInput {
  record: PourAnswer;
  events: StoredEvent[];
  nowMs: number;
  /** Small pictures by their id, as data addresses. */
  photos: Record<string, string>;
  /** Air of the hours since the pour and to come, where it is known. */
  air: AirHour[];
}

type Cell = string | { text: string; bold?: boolean; alignment?: 'right' };
const bold = (text: string): Cell => ({ text, bold: true });
const right = (text: string): Cell => ({ text, alignment: 'right' });

function table(head: string[], widths: (string | number)[], rows: Cell[][]): Content {
  if (rows.length === 0) return { text: 'Nothing logged.', color: '#4A5355', margin: [0, 0, 0, 6] };
  return {
    table: { headerRows: 1, widths, body: [head.map(bold), ...rows] },
    layout: 'rules',
    margin: [0, 2, 0, 8],
  };
}

const WORD = {
  unread: 'unread',
  good: 'good',
  tight: 'tight',
  out: 'OUT',
  held: 'held',
  waived: 'waived',
} as const;

/** A round with nothing to tell is one line: how many, all as wanted, and when the last was read. */
function roundRow(p: PointState, units: UnitSystem, time: (iso: string) => string): Cell[] {
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
function questionRows(state: PourState, time: (iso: string) => string): Cell[][] {
  return entries(state, 'question').map((q) => {
    const a = entries(state, 'answer').findLast((x) => x.body.questionId === q.id);
    return [
      String(q.body.number),
      q.body.elementIds.join(', '),
      `${q.body.text} (${q.actor} ${time(q.at)})`,
      a ? `${a.body.role}: ${a.body.text} (${time(a.at)})` : bold(`open, for the ${q.body.to}`),
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
function fixRows(
  points: PointState[],
  state: PourState,
  site: SiteFile,
  nowMs: number,
  time: (iso: string) => string,
): Cell[][] {
  return fixList(site, points, state, nowMs).map((f) => [
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

function checkRows(
  points: PointState[],
  units: UnitSystem,
  time: (iso: string) => string,
): Cell[][] {
  return points.flatMap((p) =>
    p.point.round && p.places.every((x) => x.verdict === 'good' && x.earlier.length === 0)
      ? [roundRow(p, units, time)]
      : p.places.flatMap((place): Cell[][] => {
          const row = (
            r: LogEvent<'reading'> | LogEvent<'mark'> | null,
            verdict: Cell,
            note: string,
          ): Cell[] => [
            p.point.elementId,
            p.point.title,
            wantedText(p.point.wanted, units),
            r === null ? '' : notedText(r, units),
            verdict,
            note,
            r ? `${r.actor} ${time(r.at)}` : '',
          ];
          const earlier = place.earlier.map((e) => row(e, 'earlier', ''));
          const newest = place.mark ?? place.reading;
          const note =
            place.judged && place.reading && !place.mark && !place.again
              ? marginText(p.point, place.reading.body.value, place.judged, units)
              : '';
          return [...earlier, row(newest, verdictCell(place), note)];
        }),
  );
}

/** What became of a load, with what was said for it. */
function loadFate(l: LoadState): Cell {
  const why = l.reason ? `: ${l.reason}` : '';
  if (l.decision === 'reject') return bold(`sent back${why}`);
  if (l.faults.length === 0) return 'placed';
  return bold(`placed, ${l.faults.map((f) => FAULT_WORDS[f]).join(', ')}${why}`);
}

function loadRows(loads: LoadState[], units: UnitSystem, time: (iso: string) => string): Cell[][] {
  return loads
    .filter((l) => l.arrivedAt !== null)
    .map((l) => [
      l.id,
      l.ticket ?? '',
      right(l.volumeM3 === null ? '' : textOf(volume(l.volumeM3, units))),
      l.batchedAt ? time(l.batchedAt) : '',
      l.arrivedAt ? time(l.arrivedAt) : '',
      l.endedAt ? time(l.endedAt) : '',
      l.slump
        ? `${lengthText(l.slump.measuredMm, units)} at ${l.slump.where}, ${l.slump.verdict}`
        : 'not read',
      l.concreteTempC === null ? '' : textOf(temperatureFigure(l.concreteTempC, units)),
      l.overAge
        ? bold(`${l.ageMin?.toFixed(0) ?? ''} min OLD`)
        : `${l.ageMin?.toFixed(0) ?? ''} min`,
      loadFate(l),
    ]);
}

function planSection(plan: PourPlan, units: UnitSystem, ordered: number): Content[] {
  const v = (m3: number) => textOf(volume(m3, units));
  return [
    { text: 'Take-off and order', style: 'h2' },
    table(
      ['run', 'length', 'concrete', 'forms'],
      ['*', 'auto', 'auto', 'auto'],
      plan.route.legs.map((l) => {
        const e = plan.route.takeoff.elements.find((x) => x.id === l.elementId);
        return [
          l.elementId,
          right(
            units === 'us'
              ? `${((e?.lengthM ?? 0) / 0.3048).toFixed(1)} ft`
              : `${(e?.lengthM ?? 0).toFixed(2)} m`,
          ),
          right(v(l.volumeM3)),
          right(
            units === 'us'
              ? `${((e?.formM2 ?? 0) / 0.09290304).toFixed(0)} ft²`
              : `${(e?.formM2 ?? 0).toFixed(1)} m²`,
          ),
        ];
      }),
    ),
    {
      text: `Neat ${v(plan.route.volumeM3)}, needed ${v(plan.order.result.meanM3)}, ordered ${v(ordered)} in ${plan.loadIds.length} loads, ${plan.trucks.result.spacingMin.toFixed(0)} min apart from ${clockText(plan.trucks.result.loads[0]?.arriveMin ?? 0)}.`,
      margin: [0, 0, 0, 8],
    },
  ];
}

function cureSection(
  input: ReportInput,
  view: PourView,
  state: PourState,
  units: UnitSystem,
  stamp: (ms: number) => string,
): Content[] {
  const { record, nowMs } = input;
  const curing = curingIn(record, view, state, nowMs, input.air);
  if (!curing) return [{ text: 'Curing', style: 'h2' }, { text: 'Placing has not ended.' }];
  return [
    { text: 'Curing', style: 'h2' },
    {
      text: `Placing ended ${stamp(curing.startMs)}. Strength by temperature now ${textOf(strength(curing.strengthMPa, units))} (${curing.measured ? 'temperatures as read, then toward the air' : 'temperatures as expected, none read'}). Wanted ${textOf(strength(curing.stripMPa, units))} and not before ${curing.floorH} h. ${stripWords(curing, stamp, record.pour.elements).sentence}`,
      margin: [0, 0, 0, 4],
    },
    table(
      ['step', 'expression', 'value', 'unit'],
      ['auto', '*', 'auto', 'auto'],
      curing.working.steps.map((s) => [
        s.symbol,
        s.expression,
        right(typeof s.value === 'number' ? s.value.toPrecision(5) : String(s.value)),
        s.unit,
      ]),
    ),
  ];
}

/** Calculations kept with the pour, worked out anew from what was put in, and the site's own values for rules. */
function workedSection(
  site: SiteFile,
  state: PourState,
  units: UnitSystem,
  time: (iso: string) => string,
): Content[] {
  const kept = entries(state, 'worked').flatMap((e): Content[] => {
    const calc = calculationNamed(e.body.calculation);
    if (!calc) return [];
    const { done } = attempt(calc, e.body.input);
    // Kept under an older form of its input: the entry stands, its figures cannot be worked out any more.
    if (!done)
      return [
        {
          text: `${calc.title}: kept by ${e.actor} ${time(e.at)}, no longer to be worked out from what was put in.`,
          margin: [0, 4, 0, 0],
        },
      ];
    const { result, steps } = done;
    const lines: Cell[][] = [
      ...resultRows(calc.id, result, units)
        .filter((r) => r.text !== null)
        .map((r): Cell[] => [r.label, '', right(r.text ?? '')]),
      ...steps.map((s): Cell[] => [
        s.symbol,
        s.expression,
        right(stepText(s, units, site.currency)),
      ]),
    ];
    return [
      {
        text: `${calc.title}${e.body.note ? `: ${e.body.note}` : ''} (${e.actor}, ${time(e.at)}). ${calc.source}.`,
        margin: [0, 4, 0, 0],
      },
      table(['', 'with the numbers put in (SI)', ''], ['auto', '*', 'auto'], lines),
    ];
  });
  const rules = rulesOf(site);
  const changed = [...new Set(site.ruleChanges.map((c) => c.rule))]
    .map((id) => rules.ruled(id))
    .filter((r) => r.change !== null);
  return [
    ...(changed.length
      ? [
          { text: 'Rules changed for this site', style: 'h2' },
          table(
            ['rule', 'value', 'source and change'],
            ['auto', 'auto', '*'],
            changed.map((r) => [
              r.title,
              right(ruleText(r.id, r.value, units)),
              sourceText(r, units),
            ]),
          ),
        ]
      : []),
    ...(kept.length ? [{ text: 'Worked out for this pour', style: 'h2' }, ...kept] : []),
  ];
}

/** What was to be set while the top was fresh, done or not. */
function taskSection(
  site: SiteFile,
  pour: PourAnswer['pour'],
  state: PourState,
  time: (iso: string) => string,
): Content[] {
  const tasks = pourTasks(site, pour, state);
  if (tasks.length === 0) return [];
  const WORDS = { open: 'not said', done: 'set', notDone: 'NOT SET' };
  return [
    { text: 'Set while it was fresh', style: 'h2' },
    table(
      ['run', 'what', '', 'who, when'],
      ['auto', '*', 'auto', 'auto'],
      tasks.map((t) => [
        t.elementId,
        `${t.title}: ${t.anchors.join(', ')}`,
        `${WORDS[t.state]}${t.entry?.body.reason ? `: ${t.entry.body.reason}` : ''}`,
        t.entry ? `${t.entry.actor} ${time(t.entry.at)}` : '',
      ]),
    ),
  ];
}

/** What was done against the rule: nothing is said where nothing was. */
function againstSection(list: AgainstRule[], stamp: (ms: number) => string): Content[] {
  if (list.length === 0) return [];
  return [
    { text: 'Against the rule', style: 'h2' },
    table(
      ['what', 'when', 'who', 'reason given'],
      ['*', 'auto', 'auto', '*'],
      list.map((a) => [
        bold(a.what),
        a.atMs === null ? '' : stamp(a.atMs),
        a.by ?? '',
        a.reason ?? bold('none'),
      ]),
    ),
  ];
}

/** The report of one pour as a pdfmake document: everything planned, checked, placed and cured, from the core. */
export function reportDocument(input: ReportInput): TDocumentDefinitions {
  const { record, events, nowMs } = input;
  const { pour, site } = record;
  const units = site.units;
  const state = replay(events);
  const view = viewOf(record, state, nowMs);
  if (!view) throw new Error(`pour ${record.id} names a mix or plant that its site does not have`);
  const { mix, dayMs, points, gate, plan, loads, progress } = view;
  const stamp = (ms: number): string =>
    `${localDate(ms, site.timeZone)} ${clockText((ms - midnightMs(localDate(ms, site.timeZone), site.timeZone)) / 60000)}`;
  const time = (iso: string): string => {
    const ms = Date.parse(iso);
    return localDate(ms, site.timeZone) === localDate(dayMs, site.timeZone)
      ? clockText((ms - dayMs) / 60000)
      : stamp(ms);
  };
  const chain = verifyLines(events.map((e) => JSON.stringify(e)));
  const waiting = entries(state, 'question').length;
  return {
    pageSize: units === 'us' ? 'LETTER' : 'A4',
    pageMargins: [44, 48, 44, 52],
    defaultStyle: { font: 'Plex', fontSize: 9, lineHeight: 1.15 },
    styles: {
      h1: { fontSize: 20, bold: true },
      h2: { fontSize: 12, bold: true, margin: [0, 10, 0, 3] },
    },
    info: { title: `${pour.code} ${pour.title}`, subject: site.name, creator: 'Jactum' },
    footer: (page, pages) => ({
      columns: [
        { text: `${pour.code} ${pour.title}, ${site.name}` },
        { text: `${page} of ${pages}`, alignment: 'right' },
      ],
      margin: [44, 16, 44, 0],
      fontSize: 8,
      color: '#4A5355',
    }),
    content: [
      { text: `${pour.code} ${pour.title}`, style: 'h1' },
      {
        text: `${site.name}. Pour date ${pour.date ?? 'not set'}. Mix ${mix.label}. Made ${stamp(nowMs)}, ${isClosed(state) ? 'pour closed' : 'pour open'}.`,
        margin: [0, 2, 0, 8],
      },
      {
        svg: planDrawing(site, pour.elements, points),
        width: 500,
        alignment: 'center',
        margin: [0, 0, 0, 6],
      },
      ...planSection(plan, units, plan.orderedM3),
      ...againstSection(
        againstRule({
          site,
          pour,
          mix,
          points: checksOf(record),
          route: plan.route,
          state,
          loads,
          progress,
          air: input.air,
        }),
        stamp,
      ),
      { text: 'Gate', style: 'h2' },
      ...(gate.overridden
        ? [
            {
              text: `Poured against the gate: ${gate.overridden.reason} (${gate.overridden.actor}, ${time(gate.overridden.at)}).`,
              bold: true,
            },
          ]
        : []),
      {
        text: `${gate.ready && !gate.overridden ? 'Ready.' : `${counted(gate.rows.length, 'thing holds it', 'things hold it')}.`} ${gate.read} of ${gate.wanted} read, ${gate.counts.tight} tight, ${gate.counts.out} out, ${gate.counts.waived} waived; ${counted(waiting, 'question')}.`,
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
      { text: 'Questions', style: 'h2' },
      table(['no.', 'on', 'what', 'answer'], ['auto', 'auto', '*', '*'], questionRows(state, time)),
      { text: 'What failed, and was put right', style: 'h2' },
      table(
        ['run', 'check', 'failed', 'done', 'photos', ''],
        ['auto', '*', 'auto', '*', 'auto', 'auto'],
        fixRows(points, state, site, nowMs, time),
      ),
      { text: 'Checks', style: 'h2' },
      table(
        ['run', 'check', 'wanted', 'read', 'verdict', 'margin', 'who, when'],
        ['auto', '*', 'auto', 'auto', 'auto', 'auto', 'auto'],
        checkRows(points, units, time),
      ),
      ...photoSection(state, input.photos, units, time),
      { text: 'Loads', style: 'h2' },
      table(
        ['load', 'ticket', 'volume', 'batched', 'arrived', 'end', 'slump', 'temp', 'age', ''],
        ['auto', 'auto', 'auto', 'auto', 'auto', 'auto', '*', 'auto', 'auto', 'auto'],
        loadRows(loads, units, time),
      ),
      {
        text: `Placed ${textOf(volume(progress.placedM3, units))} of ${textOf(volume(plan.route.volumeM3, units))} neat; ${textOf(volume(progress.dischargedM3, units))} came off the trucks${progress.usedPerNeat === null ? '' : `, ${((progress.usedPerNeat - 1) * 100).toFixed(1)} in 100 over neat`}.`,
        margin: [0, 0, 0, 6],
      },
      ...taskSection(site, pour, state, time),
      { text: 'The day', style: 'h2' },
      table(
        ['when', 'who', 'what', ''],
        ['auto', 'auto', 'auto', '*'],
        timeline(state).flatMap((e) => {
          const { inReport } = kindOf(e.kind);
          return inReport === null ? [] : [[time(e.at), e.actor, inReport, entryText(e, units)]];
        }),
      ),
      ...workedSection(site, state, units, time),
      ...cureSection(input, view, state, units, stamp),
      { text: 'Log', style: 'h2' },
      {
        text: `${events.length} entries, ${chain.ok ? `chain whole, last hash ${chain.lastHash}` : `CHAIN BROKEN at entry ${chain.line}: it ${chain.message}`}. Corrected entries stay in the log; the export can be checked without the server.`,
      },
      {
        text: 'Jactum helps to measure, work out and record. It does not design structures or formwork; engineer, inspector, manufacturers and local code rule where they differ.',
        margin: [0, 10, 0, 0],
        fontSize: 8,
        color: '#4A5355',
      },
    ],
  };
}
