// A second figure, given before the first is drawn: a busy device, or a quick hand.
import { expect, test } from '@jest/globals';
import { putCagedPier, renderChanging } from '../../testing/changing.tsx';
import { press, type } from '../../testing/hand.ts';
import { FormSystems } from './FormSystems.tsx';
import { GroundForm } from './GroundForm.tsx';
import { ObjectsPanel } from './ObjectsPanel.tsx';
import { PierForm } from './PierForm.tsx';

const FOOT_M = 0.3048;

test('of a pier and its cage leaves the first as it was given', async () => {
  const told = renderChanging(
    ({ piers: [pier] }) => (pier ? <PierForm pier={pier} /> : <p>gone</p>),
    { file: 'kestrel', code: 'K1', late: true, done: putCagedPier },
  );
  await type(/^Ties/, '8 mm at 150');
  await type(/^Cover/, '65 mm');
  await type(/^North/, '4');
  await type(/^Uprights/, '6 × 12 mm');
  expect(told.plan.piers[0]).toMatchObject({
    yM: 4,
    steel: { coverMm: 65, ties: { spacingM: 0.15 }, vertical: { count: 6 } },
  });
});
test('of a bolt and a window leaves the first; and three put in at once are three', async () => {
  const told = renderChanging(() => <ObjectsPanel elementId="N" />, { late: true });
  const [bolt] = told.plan.anchors.filter((a) => a.elementId === 'N');
  await press(`bolt ${bolt?.id ?? ''}`);
  await type(/^at/, "3'");
  await type(/^out/, '3 in');
  const now = told.plan.anchors.find((a) => a.id === bolt?.id);
  expect(now?.atM).toBeCloseTo(3 * FOOT_M, 6);
  expect(now?.projectionMm).toBeCloseTo(76.2, 6);
  const had = told.plan.anchors.length;
  for (let i = 0; i < 3; i += 1) await press('bolt');
  expect(told.plan.anchors).toHaveLength(had + 3);
  expect(new Set(told.plan.anchors.map((a) => a.id)).size).toBe(had + 3);
  await press(/^window V1/);
  await type(/^sill/, "2' 9");
  await type(/^head/, "6' 9");
  const window = () =>
    told.plan.runs.find((r) => r.id === 'N')?.openings.find((o) => o.mark === 'V1');
  expect(window()?.sillM).toBeCloseTo(2.75 * FOOT_M, 6);
  expect(window()?.headM).toBeCloseTo(6.75 * FOOT_M, 6);
});
test('of the ground, the benchmark and the forms leaves the first', async () => {
  const told = renderChanging(
    () => (
      <>
        <GroundForm />
        <FormSystems />
      </>
    ),
    { late: true },
  );
  await type(/^Ground outside/, '103');
  await type(/^Frost reaches/, '40 in');
  await type(/^Benchmark$/, 'BM7');
  await type(/^stands at/, '102');
  expect(told.plan.ground?.gradeM).toBeCloseTo(103 * FOOT_M, 6);
  expect(told.plan.ground?.frostDepthM).toBeCloseTo(40 * 0.0254, 6);
  expect(told.plan.benchmark?.id).toBe('BM7');
  expect(told.plan.benchmark?.elevationM).toBeCloseTo(102 * FOOT_M, 6);
  await press('Change A3');
  await type(/^One every/, "5' 6");
  await type(/^Held at/, "6' 6");
  const brace = told.plan.formSystems.find((f) => f.mark === 'A3')?.brace;
  expect(brace?.spacingM).toBeCloseTo(5.5 * FOOT_M, 6);
  expect(brace?.attachM).toBeCloseTo(6.5 * FOOT_M, 6);
});
