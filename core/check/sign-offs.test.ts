import { describe, expect, test } from '@jest/globals';
import type { LogEvent } from '../log/events.ts';
import type { PlanChange } from '../model/objects.ts';
import type { Hold } from '../model/pour.ts';
import { replay } from '../log/state.ts';
import { drawnOf, type Drawn } from '../siteplan/drawn.ts';
import { applyEdit } from '../siteplan/edit/apply.ts';
import { type PlanEdit } from '../siteplan/edit/acts.ts';
import { elementState, elementStates } from '../siteplan/element-state.ts';
import { planDiff } from '../siteplan/changes.ts';
import { demoPour } from '../testdata/demo.ts';
import { gateOf, gateWhen } from './gate.ts';
import { coveredBy } from './signs.ts';

/** What opens a sign-off: a change within what it covers, and only as long as that stands otherwise. */

const { site, pour } = demoPour('quillback', 'P2');
const drawn = drawnOf(site, [pour]);
const sign = (hold: Hold): LogEvent => ({
  id: `s-${hold}`,
  at: '2026-09-22T10:00:00Z',
  actor: 'R. Halloran',
  kind: 'sign',
  body: { hold, result: 'pass', planVersion: 1 },
});

/** Plans one after another as the server would keep their changes. */
function changesOf(plans: Drawn[]): PlanChange[] {
  return plans.slice(1).map((after, i) => {
    const before = plans[i] as Drawn;
    const { elements } = planDiff(before, after, 'us');
    return {
      version: i + 2,
      at: '2026-09-22T12:00:00Z',
      by: 'I. Brandvold',
      what: `change ${i + 1}`,
      elements,
      states: elementStates(before, after, elements),
    };
  });
}
const edit = (plan: Drawn, e: PlanEdit) => applyEdit(site, plan, e);
const lower = (plan: Drawn, id: string, topM: number) =>
  edit(plan, { do: 'setRun', id, change: { topM } });
const signsAfter = (plans: Drawn[]) => {
  const state = replay(['own', 'dowels', 'inspection'].map((h) => sign(h as Hold)));
  const changed = { ...site, planChanges: changesOf(plans) };
  return Object.fromEntries(gateOf(changed, pour, [], state).signs.map((s) => [s.hold, s.state]));
};
const lowered = lower(drawn, 'E1', 30.6);

describe('a sign-off', () => {
  test('of dowels covers the walls they are drilled into, and no change elsewhere opens it', () => {
    expect(coveredBy(site, pour, 'dowels')).toEqual(['N']);
    expect(signsAfter([drawn, lowered])).toEqual({
      own: 'reopened',
      dowels: 'passed',
      inspection: 'reopened',
    });
    expect(signsAfter([drawn, lower(drawn, 'N', 30.6)])).toMatchObject({ dowels: 'reopened' });
  });
  test('is whole again when what it covers stands as it was, to the last figure', () => {
    const back = lower(lowered, 'E1', 30.6324);
    expect(signsAfter([drawn, lowered, back])).toEqual({
      own: 'passed',
      dowels: 'passed',
      inspection: 'passed',
    });
    const nearly = lower(lowered, 'E1', 30.6325);
    expect(signsAfter([drawn, lowered, nearly])).toMatchObject({ own: 'reopened' });
  });
  test('a change from before there were fingerprints opens it, whatever came after', () => {
    const [first] = changesOf([drawn, lowered]);
    const { states: _none, ...old } = first as PlanChange;
    const changed = { ...site, planChanges: [old] };
    const { signs } = gateOf(changed, pour, [], replay([sign('own')]));
    expect(signs[0]).toMatchObject({ hold: 'own', state: 'reopened' });
  });
  test('as it stood at a moment knows nothing of later changes', () => {
    const changed = { ...site, planChanges: changesOf([drawn, lowered]) };
    const then = gateWhen(changed, pour, [], [sign('own')], Date.parse('2026-09-22T11:00:00Z'));
    expect(then.signs[0]).toMatchObject({ state: 'passed' });
  });
});

describe('the state of an element', () => {
  test('hangs on its own figures, ends, type, what is on it and its forms; not on its name or its neighbours', () => {
    const at = (plan: Drawn, id = 'E1') => elementState(plan, id);
    expect(at(lowered)).not.toBe(at(drawn));
    expect(at(lowered, 'N')).toBe(at(drawn, 'N'));
    const named = edit(drawn, { do: 'setRun', id: 'E1', change: { label: 'East wall' } });
    expect(at(named)).toBe(at(drawn));
    const type = drawn.wallTypes.find((t) => t.mark === 'W2');
    if (!type) throw new Error('W2');
    const thicker = edit(drawn, {
      do: 'putType',
      list: 'wallTypes',
      type: { ...type, thicknessM: 0.3 },
    });
    expect(at(thicker)).not.toBe(at(drawn));
    expect(at(thicker, 'E2')).toBe(at(drawn, 'E2'));
    expect(at(drawn, 'nothing')).toBe('');
  });
  test('an opening that reached the top goes with it', () => {
    const pocket = (plan: Drawn) =>
      plan.runs.find((r) => r.id === 'N')?.openings.find((o) => o.kind === 'pocket');
    const was = pocket(drawn);
    const is = pocket(lower(drawn, 'N', 30.6));
    expect((is?.headM ?? 0) - (was?.headM ?? 0)).toBeCloseTo(30.6 - 30.6324, 4);
    expect((is?.headM ?? 0) - (is?.sillM ?? 0)).toBeCloseTo(
      (was?.headM ?? 0) - (was?.sillM ?? 0),
      6,
    );
  });
});
