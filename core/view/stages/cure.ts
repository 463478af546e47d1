import { stripWords } from '#core/cure';
import { strength, temperatureFigure, textOf } from '#core/units';
import { acceptanceText } from '#core/words';
import { momentText } from './moment.ts';
import type { NextLine, PourNow, Stage } from './stage.ts';

const cureLine = (sentence: string, label: string, sheet: string): NextLine => ({
  sentence,
  label,
  stage: 'cure',
  focus: { sheet },
});
const READ = 'Read temperature';

function next(v: PourNow): NextLine | null {
  const c = v.curing;
  if (!c || v.closed) return null;
  const moment = (ms: number) => momentText(v, ms);
  if (!c.measured)
    return cureLine(
      `No temperature read since placing. Strength is reckoned at ${textOf(strength(c.strengthMPa, v.units))} from what was expected.`,
      READ,
      'probe',
    );
  const off = c.stripped.length >= v.record.pour.elements.length;
  if (off && c.acceptance && !c.acceptance.ok)
    return cureLine(acceptanceText(c.acceptance, v.units), 'Log a test', 'break');
  if (off) return cureLine('Forms are off. Close the pour and keep its report.', 'Close', 'close');
  if (c.frost?.what === 'close')
    return cureLine(
      `Concrete at ${textOf(temperatureFigure(c.frost.tempC, v.units))}, ${textOf(strength(c.frost.strengthMPa, v.units))}: keep it from freezing until it has ${textOf(strength(c.frost.leastMPa, v.units))}. Cover it, warm it.`,
      READ,
      'probe',
    );
  if (c.strip === 'forecast')
    return cureLine(stripWords(c, moment, v.record.pour.elements, v.units).sentence, READ, 'probe');
  if (c.strip === 'may')
    return cureLine(
      `Past ${textOf(strength(c.stripMPa, v.units))} and past ${c.floorH} h. Forms may come off.`,
      'Strip',
      'strip',
    );
  if (c.frost)
    return cureLine(stripWords(c, moment, v.record.pour.elements, v.units).sentence, READ, 'probe');
  const until = c.stripMs === null ? 'the strength is proved by test' : moment(c.stripMs);
  return cureLine(`Forms stay on until ${until}. Keep reading temperatures.`, READ, 'probe');
}

function figure(v: PourNow): { text: string; done: number } {
  const c = v.curing;
  if (v.closed) return { text: 'closed', done: 1 };
  if (!c) return { text: 'not yet', done: 0 };
  const all = c.stripped.length >= v.record.pour.elements.length;
  return {
    text: stripWords(c, (ms) => momentText(v, ms), v.record.pour.elements, v.units).short,
    done: all ? 0.9 : Math.min(0.8, c.strengthMPa / c.stripMPa / 1.25),
  };
}

export const cure: Stage = { id: 'cure', name: 'Cure', figure, next };
