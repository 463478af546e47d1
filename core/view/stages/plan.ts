import { clockText, counted, textOf, volume } from '#core/units';
import { coldSentence } from '#core/words';
import { planningOf } from '../planning.ts';
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
    sentence: `Mix it here: ${batches} of ${textOf(volume(plant.mixer.batchM3, units))}, first at ${clockText(record.pour.settings.firstLoadMin)}.`,
    label: 'What it takes',
    stage: 'plan',
    focus: { sheet: 'order' },
  };
}

export const plan: Stage = {
  id: 'plan',
  name: 'Plan',
  figure: ({ plan: p, plant, record, units }) => ({
    text: plant.mixer
      ? counted(p.loadIds.length, 'batch', 'batches')
      : `${textOf(volume(p.orderedM3, units, 1))}, ${counted(p.loadIds.length, 'load')}`,
    done: record.pour.settings.orderM3 === null ? 0.6 : 1,
  }),
  next: (v) => {
    const cold = coldLine(v);
    if (cold) return cold;
    const mixed = mixingLine(v);
    if (mixed) return mixed;
    return v.record.pour.settings.orderM3 === null
      ? {
          sentence: orderSentence(v),
          label: 'Order',
          stage: 'plan',
          focus: { sheet: 'order' },
        }
      : null;
  },
};
