import { clockText, counted, textOf, volume } from '#core/units';
import type { Stage } from './stage.ts';

export const plan: Stage = {
  id: 'plan',
  name: 'Plan',
  figure: ({ plan: p, record, units }) => ({
    text: `${textOf(volume(p.orderedM3, units, 1))}, ${counted(p.loadIds.length, 'load')}`,
    done: record.pour.settings.orderM3 === null ? 0.6 : 1,
  }),
  next: ({ plan: p, record, units }) =>
    record.pour.settings.orderM3 === null
      ? {
          sentence: `Order ${textOf(volume(p.order.result.orderM3, units))} in ${counted(p.loadIds.length, 'load')}, first at ${clockText(record.pour.settings.firstLoadMin)}.`,
          label: 'Order',
          stage: 'plan',
          focus: { sheet: 'order' },
        }
      : null,
};
