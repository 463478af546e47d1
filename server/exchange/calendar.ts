import ical, { type ICalEventData } from 'ical-generator';
import type { PourAnswer } from '../../contract/index.ts';
import { HOLD_NAME } from '#core/model';
import { supplierOf } from '#core/pourplan';
import { counted, textOf, volume } from '#core/units';
import type { Lane } from '#core/view';
import { pourDayMs } from '#core/weather';

const MIN = 60_000;
const DAY = 1440;
/** Ages at which cylinders are broken, days. */
const BREAK_DAYS = [7, 28];

/** Entries of one pour, by what they are of. */
const entryOf =
  ({ pour, site, id }: PourAnswer, nowMs: number) =>
  (
    what: string,
    title: string,
    ms: number,
    minutes: number,
    description?: string,
  ): ICalEventData => ({
    id: `${id}-${what}@jactum`,
    summary: `${pour.code}: ${title}`,
    start: new Date(ms),
    end: new Date(ms + Math.max(1, Math.round(minutes)) * MIN),
    stamp: new Date(nowMs),
    location: site.name,
    ...(description === undefined ? {} : { description }),
  });

/** What has to be thought of for one pour: inspections, order, pour, stripping, breaks. */
function entriesOf(record: PourAnswer, plan: Lane['plan'], nowMs: number): ICalEventData[] {
  const { pour, site } = record;
  if (pour.date === null) return [];
  const dayMs = pourDayMs(pour.date, pour.settings.firstLoadMin, site.timeZone);
  const at = (min: number) => dayMs + min * MIN;
  const plant = supplierOf(site, pour);
  const order = textOf(volume(plan.orderedM3, site.units));
  const own = entryOf(record, nowMs);
  const { finishMin } = plan;
  return [
    ...pour.holds.map((h) =>
      own(
        `hold-${h}`,
        HOLD_NAME[h],
        at(plan.firstBatchMin - 120),
        60,
        'Before the first load leaves the plant.',
      ),
    ),
    own(
      'order',
      plant?.mixer ? `fetch what is mixed for ${order}` : `order ${order} by now`,
      at(plan.firstBatchMin - (plant?.noticeMin ?? 60)) - 15 * MIN,
      15,
      `${plant?.label ?? ''} ${plant?.contact ?? ''}`.trim(),
    ),
    own(
      'pour',
      `pour ${pour.title}`,
      at(pour.settings.firstLoadMin),
      finishMin - pour.settings.firstLoadMin,
      `${order} in ${plant?.mixer ? counted(plan.loads, 'batch', 'batches') : counted(plan.loads, 'load')}.`,
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

/** A pour with its plan as a list of pours has it. */
export interface PlannedPour {
  record: PourAnswer;
  plan: Lane['plan'];
}

/** The calendar of a site's pours (iCalendar, RFC 5545). Pours without a day are left out. */
export function calendarOf(name: string, pours: readonly PlannedPour[], nowMs: number): string {
  return ical({
    name: escaped(name),
    prodId: { company: 'jactum', product: 'jactum', language: 'EN' },
    events: pours.flatMap(({ record, plan }) => entriesOf(record, plan, nowMs)),
  }).toString();
}
