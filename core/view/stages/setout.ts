import { elementsText } from '#core/model';
import { counted } from '#core/units';
import type { Stage } from './stage.ts';

export const setout: Stage = {
  id: 'setout',
  name: 'Set out',
  figure: ({ gate, record }) => {
    const open = gate.rows.filter((r) => r.kind === 'question').length;
    return open
      ? { text: `${counted(open, 'question')} open`, done: 0.8 }
      : { text: elementsText(record.site, record.pour.elements), done: 1 };
  },
  next: () => null,
};
