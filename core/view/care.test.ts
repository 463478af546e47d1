import { expect, test } from '@jest/globals';
import { curingOf } from '../cure/curing.ts';
import { replay } from '../log/state.ts';
import { rulesOf } from '../rules/rules.ts';
import { entriesFrom } from '../testdata/entries.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import { careIn } from './care.ts';

const { entry, ms } = entriesFrom(Date.parse('2026-10-07T00:00:00Z'), 'I. Brandvold');
const winter = job({ elements: ['WA'], runs: L_RUNS, ground: { gradeM: 1, frostDepthM: 0.8 } });
const record = {
  site: { ...winter.site, mixes: [], plants: [] },
  pour: winter.pour,
  duskMin: 1100,
};
const warm = [{ at: new Date(ms(700)).toISOString(), airTempC: 12 }];

/** Placed by noon, looked at an hour later, with a forecast of 12 °C. */
function isProtected(airTempC: number, readMin: number): boolean {
  const state = replay([entry('weather', { airTempC, sky: 'clear' }, readMin)]);
  const curing = curingOf({
    ...winter,
    state,
    finishedMs: ms(720),
    placedC: 12,
    nowMs: ms(780),
    air: warm,
  });
  if (!curing) throw new Error('it does not cure');
  const view = { mix: winter.mix, rules: rulesOf(winter.site) };
  return careIn(record, view, curing, warm, state).protect !== null;
}

test('air read cold on the day asks for protection, whatever was forecast', () => {
  expect([isProtected(4.3, 690), isProtected(4.4, 690)]).toEqual([true, false]);
  // Of the day before placing ended, and no older.
  expect([isProtected(-3, 720 - 1439), isProtected(-3, 720 - 1440)]).toEqual([true, false]);
});
