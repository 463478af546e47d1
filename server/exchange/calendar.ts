import { createEvents, type EventAttributes } from 'ics';
import type { PourAnswer } from '../../contract/index.ts';
import { HOLD_NAME } from '#core/model';
import { supplierOf } from '#core/pourplan';
import { counted, textOf, volume } from '#core/units';
import { planOf } from '#core/view';
import { pourDayMs } from '#core/weather';

const MIN = 60_000;
const DAY = 1440;
/** Ages at which cylinders are broken, days. */
const BREAK_DAYS = [7, 28];

/** An entry of the calendar, its times in the calendar's own universal time. */
const entry = (
  uid: string,
  title: string,
  startMs: number,
  minutes: number,
  more: Partial<EventAttributes> = {},
): EventAttributes => {
  const t = new Date(startMs);
  return {
    uid: `${uid}@jactum`,
    title,
    start: [
      t.getUTCFullYear(),
      t.getUTCMonth() + 1,
      t.getUTCDate(),
      t.getUTCHours(),
      t.getUTCMinutes(),
    ],
    startInputType: 'utc',
    startOutputType: 'utc',
    duration: { minutes: Math.max(1, Math.round(minutes)) },
    ...more,
  };
};

/** What has to be thought of for one pour: inspections, order, pour, stripping, breaks. */
function entriesOf(record: PourAnswer, nowMs: number): EventAttributes[] {
  const { pour, site, id } = record;
  const plan = planOf(record);
  if (pour.date === null || !plan) return [];
  const dayMs = pourDayMs(pour.date, pour.settings.firstLoadMin, site.timeZone);
  const at = (min: number) => dayMs + min * MIN;
  const { simulation, timetable } = plan;
  const plant = supplierOf(site, pour);
  const first = simulation.loads[0]?.batchMin ?? pour.settings.firstLoadMin;
  const order = textOf(volume(plan.orderedM3, site.units));
  const stamp = new Date(nowMs);
  const own = (what: string, title: string, ms: number, minutes: number, text?: string) =>
    entry(`${id}-${what}`, `${pour.code}: ${title}`, ms, minutes, {
      location: site.name,
      created: [
        stamp.getUTCFullYear(),
        stamp.getUTCMonth() + 1,
        stamp.getUTCDate(),
        stamp.getUTCHours(),
        stamp.getUTCMinutes(),
      ],
      ...(text === undefined ? {} : { description: text }),
    });
  const { finishMin } = timetable;
  return [
    ...pour.holds.map((h) =>
      own(
        `hold-${h}`,
        HOLD_NAME[h],
        at(first - 120),
        60,
        'Before the first load leaves the plant.',
      ),
    ),
    own(
      'order',
      plant?.mixer ? `fetch what is mixed for ${order}` : `order ${order} by now`,
      at(first - (plant?.noticeMin ?? 60)) - 15 * MIN,
      15,
      `${plant?.label ?? ''} ${plant?.contact ?? ''}`.trim(),
    ),
    own(
      'pour',
      `pour ${pour.title}`,
      at(pour.settings.firstLoadMin),
      finishMin - pour.settings.firstLoadMin,
      `${order} in ${plant?.mixer ? counted(plan.loadIds.length, 'batch', 'batches') : counted(plan.loadIds.length, 'load')}.`,
    ),
    own(
      'strip',
      'forms not before',
      at(finishMin + pour.stripping.floorH * 60),
      30,
      'By the clock; strength and cold may ask for longer.',
    ),
    ...BREAK_DAYS.map((d) =>
      own(`break-${d}`, `cylinders due, ${d} days`, at(finishMin + d * DAY), 30),
    ),
  ];
}

/** A text as RFC 5545 §3.3.11 writes it; the library does so for all but the name of the calendar. */
const escaped = (text: string): string => text.replace(/[\\;,]/g, '\\$&').replace(/\r?\n/g, '\\n');

/** The calendar of a site's pours (iCalendar, RFC 5545). Pours without a day are left out. */
export function calendarOf(records: PourAnswer[], nowMs: number): string {
  const { error, value } = createEvents(
    records.flatMap((r) => entriesOf(r, nowMs)),
    { productId: 'jactum', calName: escaped(records[0]?.site.name ?? 'Jactum') },
  );
  if (error) throw error;
  return value ?? '';
}
