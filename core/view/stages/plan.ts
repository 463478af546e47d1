import {
  clockText,
  counted,
  distanceText,
  loadVolume,
  quantityText,
  textOf,
  volume,
} from '#core/units';
import { apartOrderText, coldSentence } from '#core/words';
import { planningOf } from '../planning.ts';
import { dayText, momentText } from './moment.ts';
import type { NextLine, PourNow, Stage } from './stage.ts';

/** Firm, where calling the balance looks cheaper and leaves a seam to shut. */
function orderSentence({ plan: p, record, units }: PourNow): string {
  const firm = `${textOf(volume(p.order.result.orderM3, units))} in ${counted(p.loadIds.length, 'load')}`;
  const call = planningOf(record)?.ways.find((w) => w.way === 'call');
  if (call?.worst && p.order.result.cheaper === 'callBalance')
    return `Calling the balance leaves a seam open for ${Math.round(call.worst.gapMaxMin)} min, it shuts at ${Math.round(call.worst.knitMin)}. Order firm, ${firm}.`;
  return `Order ${firm}, first at ${clockText(record.pour.settings.firstLoadMin)}.`;
}

function coldLine({ record, units }: PourNow): NextLine | null {
  const planning = planningOf(record);
  const [worst] = planning?.cold ?? [];
  if (!planning || !worst) return null;
  return {
    sentence: coldSentence(worst, planning.saver, units),
    label: planning.saver ? 'Save it' : 'Way round',
    stage: 'plan',
    focus: { tab: 'way' },
  };
}

/** Mixed on the site there is nothing to order, but bags to fetch. */
function mixingLine({ plan: p, record, plant, units }: PourNow): NextLine | null {
  if (!plant.mixer || record.pour.settings.orderM3 !== null) return null;
  const batches = counted(p.loadIds.length, 'batch', 'batches');
  return {
    sentence: `Mix it here: ${batches} of ${textOf(loadVolume(plant.mixer.batchM3, units))}, first at ${clockText(record.pour.settings.firstLoadMin)}.`,
    label: 'What it takes',
    stage: 'plan',
    focus: { sheet: 'order' },
  };
}

/** The forms would take more than they hold: said before anything is ordered. */
function formsLine({ gate, record, units }: PourNow): NextLine | null {
  const row = gate.rows.find((r) => r.kind === 'pressure');
  if (!row) return null;
  const over = quantityText(row.amount ?? 0, 'KPa', units);
  const rated = quantityText(record.pour.settings.ratingKPa, 'KPa', units);
  return {
    sentence: `${row.elementId ?? ''}: ${over} on forms rated ${rated}. Slower, or a wait between lifts.`,
    label: 'Within the forms',
    stage: 'plan',
    focus: { tab: 'way' },
  };
}

/** Something of the pour is out of the pump's reach. */
function reachLine({ gate, units }: PourNow): NextLine | null {
  const row = gate.rows.find((r) => r.kind === 'reach');
  return row
    ? {
        sentence: `${distanceText(row.amount ?? 0, units)} of ${row.elementId ?? ''} is out of the pump’s reach. Move it.`,
        label: 'Move the pump',
        stage: 'plan',
        focus: { tab: 'how' },
      }
    : null;
}

/** Nothing is ordered, or not what is planned. */
function orderLine(v: PourNow): NextLine | null {
  const focus = { sheet: 'order' };
  if (v.order.state === 'none') {
    if (v.soonestMin !== null)
      return {
        sentence: `Not ordered, and too late for ${clockText(v.record.pour.settings.firstLoadMin)}. First load from ${clockText(v.soonestMin)}.`,
        label: 'Move it',
        stage: 'plan',
        focus: { tab: 'when' },
      };
    const off = v.order.ended === 'put-off' ? 'Put off' : 'Called off';
    const stands = v.order.ended === null ? 'Not ordered.' : `${off}. Nothing is coming.`;
    return {
      sentence: `${stands} ${orderSentence(v)}`,
      label: 'Order',
      stage: 'plan',
      focus,
    };
  }
  if (!v.orderApart || v.progress.startedMs !== null) return null;
  return {
    sentence: apartOrderText(v.orderApart, v.units, (ms) => momentText(v, ms), dayText),
    label: 'Change the order',
    stage: 'plan',
    focus,
  };
}

export const plan: Stage = {
  id: 'plan',
  name: 'Plan',
  figure: ({ plan: p, plant, record, units, order }) => ({
    text: plant.mixer
      ? counted(p.loadIds.length, 'batch', 'batches')
      : `${textOf(volume(order.orderedM3 ?? p.orderedM3, units, 1))}, ${order.state === 'none' ? 'not ordered' : counted(order.loads.length, 'load')}`,
    done: (plant.mixer ? record.pour.settings.orderM3 === null : order.state === 'none') ? 0.6 : 1,
  }),
  next: (v) =>
    formsLine(v) ?? reachLine(v) ?? coldLine(v) ?? (v.plant.mixer ? mixingLine(v) : orderLine(v)),
};
