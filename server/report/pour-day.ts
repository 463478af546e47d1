import type { Content } from 'pdfmake/interfaces.js';
import { kindOf, timeline, writtenLateMs } from '#core/log';
import { FAULT_WORDS, type LoadState } from '#core/pourlog';
import { lengthText, quantityText, temperatureFigure, textOf, volume } from '#core/units';
import { liftName } from '#core/pourplan';
import { againstRule, checksOf, placedWhere, planHolds, tasksOf } from '#core/view';
import { entryText } from '#core/words';
import type { ReportContext } from './context.ts';
import { bold, right, table, type Cell } from './table.ts';

/** What of a load lies in the forms though it went back, in words; nothing where none does. */
function inForms({ view, units }: ReportContext, id: string): string {
  const parts = placedWhere(view, id).map(
    (p) =>
      `${textOf(volume(p.volumeM3, units))} in ${liftName(view.plan.route, p.elementId, p.lift)}`,
  );
  return parts.length ? `; ${parts.join(', ')} of it is placed, the rest went back` : '';
}

/** What became of a load, with what was said for it. */
function loadFate(l: LoadState, c: ReportContext): Cell {
  const why = l.reason ? `: ${l.reason}` : '';
  if (l.decision === 'reject') return bold(`sent back${why}${inForms(c, l.id)}`);
  if (l.faults.length === 0) return 'placed';
  return bold(`placed, ${l.faults.map((f) => FAULT_WORDS[f]).join(', ')}${why}`);
}

function loadRows(c: ReportContext): Cell[][] {
  const { view, units, time } = c;
  return view.loads
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
      loadFate(l, c),
    ]);
}

/** The most that pressed on the forms as they were placed, against what they are rated for. */
function pressureText({ view, record, units }: ReportContext): string {
  const worst = [...view.progress.pressure].sort((a, b) => b.maxKPa - a.maxKPa)[0];
  if (!worst) return '';
  const rated = quantityText(record.pour.settings.ratingKPa, 'KPa', units);
  return `Most on the forms: ${quantityText(worst.maxKPa, 'KPa', units)} at ${worst.elementId}, rated ${rated}. `;
}

/** Loads as they came, and how much of them was used. */
export function loadSection(c: ReportContext): Content[] {
  const { plan, progress } = c.view;
  const v = (m3: number) => textOf(volume(m3, c.units));
  const over =
    progress.usedPerNeat === null
      ? ''
      : `, ${((progress.usedPerNeat - 1) * 100).toFixed(1)} in 100 over neat`;
  return [
    { text: 'Loads', style: 'h2' },
    table(
      ['load', 'ticket', 'volume', 'batched', 'arrived', 'end', 'slump', 'temp', 'age', ''],
      ['auto', 'auto', 'auto', 'auto', 'auto', 'auto', '*', 'auto', 'auto', 'auto'],
      loadRows(c),
    ),
    {
      text: `${pressureText(c)}Placed ${v(progress.placedM3)} of ${v(plan.route.volumeM3)} neat; ${v(progress.dischargedM3)} came off the trucks${over}.`,
      margin: [0, 0, 0, 6],
    },
  ];
}

/** What was to be set while the top was fresh, done or not. */
export function taskSection({ record, view, state, nowMs, time }: ReportContext): Content[] {
  const tasks = tasksOf(record, view, state, nowMs);
  if (tasks.length === 0) return [];
  const WORDS = { open: 'not said', done: 'done', notDone: 'NOT DONE' };
  return [
    { text: 'Set while it was fresh', style: 'h2' },
    table(
      ['run', 'what', '', 'who, when'],
      ['auto', '*', 'auto', 'auto'],
      tasks.map((t) => [
        t.elementId,
        t.anchors.length ? `${t.title}: ${t.anchors.join(', ')}` : t.title,
        t.state === 'open' && t.late
          ? bold('MISSED')
          : `${WORDS[t.state]}${t.late && t.state === 'done' ? ', late' : ''}${t.entry?.body.reason ? `: ${t.entry.body.reason}` : ''}`,
        t.entry ? `${t.entry.actor} ${time(t.entry.at)}` : '',
      ]),
    ),
  ];
}

/** What was done against the rule: nothing is said where nothing was. */
export function againstSection({ record, view, state, air, stamp }: ReportContext): Content[] {
  const { site, pour } = record;
  const { mix, loads, progress } = view;
  const { route } = view.plan;
  const points = checksOf(record);
  const held = planHolds(record, view.plan, view.stand);
  const list = againstRule({
    site,
    pour,
    mix,
    points,
    route,
    state,
    loads,
    progress,
    air,
    held,
  });
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

/** What was written down in the course of the day, in its order. */
export const daySection = ({ state, time, stamp, units }: ReportContext): Content[] => [
  { text: 'The day', style: 'h2' },
  table(
    ['when', 'who', 'what', ''],
    ['auto', 'auto', 'auto', '*'],
    timeline(state).flatMap((e) => {
      const { inReport } = kindOf(e.kind);
      if (inReport === null) return [];
      const late = writtenLateMs(e);
      const written = late === null ? '' : ` (written down ${stamp(late)})`;
      return [[time(e.at), e.actor, inReport, `${entryText(e, units)}${written}`]];
    }),
  ),
];
