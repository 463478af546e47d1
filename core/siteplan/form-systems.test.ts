import { describe, expect, test } from '@jest/globals';
import { checkList } from '../check/points/index.ts';
import { formSystemSchema, type FormSystem } from '../model/objects.ts';
import { demoPour } from '../testdata/demo.ts';
import { planDiff } from './changes.ts';
import { drawnOf, pourDrawn, withDrawn, type Drawn } from './drawn.ts';
import { applyEdit } from './edit/apply.ts';
import { EditRefused, type PlanEdit } from './edit/acts.ts';
import { nextForms } from './first-sizes.ts';

const { site, pour, mix } = demoPour('quillback', 'P2');
const p4 = demoPour('quillback', 'P4').pour;
const plan = drawnOf(site, [pour, p4]);
const after = (edit: PlanEdit, from: Drawn = plan) => applyEdit(site, from, edit);
const WALLS = ['E1', 'E2', 'N', 'S', 'W'];
const light: FormSystem = {
  ...nextForms(plan, 'us', 'B1'),
  ratingKPa: 30,
  tiesPerJoint: 3,
  brace: null,
};
const both = after({ do: 'putForms', system: light });
const inLight = after({ do: 'setForms', pour: 'P2', forms: 'B1' }, both);

describe('form systems on the plan', () => {
  test('a first one is whole in either unit, a next one like the last but for its name', () => {
    for (const units of ['us', 'metric'] as const)
      expect(formSystemSchema.safeParse(nextForms({ formSystems: [] }, units, 'A1')).success).toBe(
        true,
      );
    expect(nextForms(plan, 'us', 'A4')).toMatchObject({
      mark: 'A4',
      tiesPerJoint: site.formSystems.at(-1)?.tiesPerJoint,
      label: undefined,
    });
  });
  test('one is put in, changed in its place, and taken out where no pour stands in it', () => {
    expect(both.formSystems.map((f) => f.mark)).toEqual(['A3', 'B1']);
    const changed = after({ do: 'putForms', system: { ...light, walers: 3 } }, both);
    expect(changed.formSystems.map((f) => [f.mark, f.walers])).toEqual([
      ['A3', 2],
      ['B1', 3],
    ]);
    expect(after({ do: 'removeForms', mark: 'B1' }, both)).toEqual(plan);
    expect(() => after({ do: 'removeForms', mark: 'A3' })).toThrow('P2 stands in A3');
  });
  test.each([
    ['a pressure of nothing', { ratingKPa: 0 }],
    ['half a tie', { tiesPerJoint: 2.5 }],
    ['a waler and a half', { walers: 1.5 }],
    [
      'a brace that stands upright',
      { brace: { spacingM: 2, attachM: 1.8, angleDeg: 90, pitchMmPerTurn: 6, pushOnly: true } },
    ],
  ])('%s is refused', (_, change) => {
    expect(() => after({ do: 'putForms', system: { ...light, ...change } })).toThrow(EditRefused);
  });
  test('what is refused is said in words, not by the name of a field', () => {
    expect(() => after({ do: 'putForms', system: { ...light, ratingKPa: 0 } })).toThrow(
      'B1 rating must be above 0.',
    );
  });
  test('a pour cannot stand in forms that are not there', () => {
    expect(() => after({ do: 'setForms', pour: 'P2', forms: 'Z9' })).toThrow(
      'There are no forms Z9.',
    );
  });
  test('other forms bring their rating, ties and braces to the pour, and to no other', () => {
    const moved = pourDrawn(site, pour, inLight);
    expect([moved.forms, moved.settings.ratingKPa]).toEqual(['B1', 30]);
    expect(pourDrawn(site, p4, inLight)).toEqual(p4);
    const list = checkList({ site: withDrawn(site, inLight), pour: moved, mix });
    expect(list.find((c) => c.id === 'N/ties')?.wanted).toMatchObject({ wanted: 3 });
    expect(list.some((c) => c.kind === 'braces')).toBe(false);
  });
  test('what the drawing leaves of a pour stays, to the letter', () => {
    expect(JSON.stringify(pourDrawn(site, pour, plan))).toBe(JSON.stringify(pour));
    expect(
      JSON.stringify(
        pourDrawn(site, pour, {
          ...plan,
          pours: plan.pours.map(({ code, elements }) => ({ code, elements })),
        }),
      ),
    ).toBe(JSON.stringify(pour));
    expect(
      pourDrawn(site, pour, after({ do: 'setForms', pour: 'P2', forms: null })),
    ).not.toHaveProperty('forms');
  });
  test('forms rated anew bring it to the pour that stands in them', () => {
    const [a3] = plan.formSystems;
    const weaker = after({ do: 'putForms', system: { ...(a3 as FormSystem), ratingKPa: 40 } });
    expect(pourDrawn(site, pour, weaker).settings.ratingKPa).toBe(40);
  });
  test('a change says what and bears on the walls that stand in them', () => {
    expect(planDiff(plan, both, 'us')).toEqual({ words: ['forms B1 added'], elements: [] });
    const said = planDiff(both, inLight, 'us');
    expect([said.words, said.elements.sort()]).toEqual([['P2 stands in B1'], WALLS]);
    const rated = planDiff(
      inLight,
      after({ do: 'putForms', system: { ...light, ratingKPa: 28 } }, inLight),
      'us',
    );
    expect([rated.words, rated.elements.sort()]).toEqual([['forms B1 changed'], WALLS]);
    expect(planDiff(plan, after({ do: 'setForms', pour: 'P2', forms: null }), 'us').words).toEqual([
      'P2 stands in no forms that are named',
    ]);
  });
});
