import { describe, expect, jest, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { lengthOf } from '../../../core/model/index.ts';
import { type Changing, putCagedPier, renderChanging } from '../../testing/changing.tsx';
import { press, type } from '../../testing/hand.ts';
import { FormSystems } from './FormSystems.tsx';
import { GroundForm } from './GroundForm.tsx';
import { ScheduleImport } from './import/ScheduleImport.tsx';
import { PierForm } from './PierForm.tsx';
import { RunForm } from './RunForm.tsx';

const FOOT_M = 0.3048;

describe('a run that is changed by typing', () => {
  const found = (told: Changing, id: string) => {
    const run = told.plan.runs.find((r) => r.id === id);
    if (!run) throw new Error(`no run ${id}`);
    return run;
  };
  const open = (id: string, code = 'P2') =>
    renderChanging(
      (plan) => {
        const run = plan.runs.find((r) => r.id === id);
        return run ? <RunForm run={run} /> : <p>gone</p>;
      },
      { code },
    );
  const feet = (told: Changing, id: string) => lengthOf(told.plan, found(told, id)) / FOOT_M;

  test('takes a length in feet and inches, and a level in feet', async () => {
    const told = open('R', 'P4');
    await type(/^Length/, "21' 6");
    expect(feet(told, 'R')).toBeCloseTo(21.5, 6);
    await type(/^Top/, '100.5');
    expect(found(told, 'R').topM).toBeCloseTo(100.5 * FOOT_M, 6);
  });

  test('refuses what is no measure, and what no run can be, and keeps what stood there', async () => {
    const told = open('R', 'P4');
    const before = feet(told, 'R');
    await type(/^Length/, 'long');
    expect(screen.getByRole('alert').textContent).toMatch(/Write it as/);
    await type(/^Length/, '90000');
    expect(screen.getByRole('alert').textContent).toMatch(/ft/);
    expect(feet(told, 'R')).toBeCloseTo(before, 9);
    expect(told.acts).toEqual([]);
  });

  test('is cut in two where it is said, and both parts are there', async () => {
    const told = open('R', 'P4');
    const whole = feet(told, 'R');
    await type(/^Cut it at/, '9');
    await press('Cut');
    expect(feet(told, 'R')).toBeCloseTo(9, 6);
    expect(feet(told, 'R.1')).toBeCloseTo(whole - 9, 6);
    expect(told.plan.pours.find((p) => p.code === 'P4')?.elements).toEqual(['R', 'R.1']);
  });

  test('is not cut past its end', async () => {
    const told = open('R', 'P4');
    await type(/^Cut it at/, '900');
    await press('Cut');
    expect(told.plan.runs.map((r) => r.id)).not.toContain('R.1');
    expect(told.refused).toMatch(/./);
  });

  test('has a crawl space as high as the rule wants, whose joists stay above its ground', async () => {
    const told = open('N');
    await press('crawl space inside');
    const { crawl, topM = 0 } = found(told, 'N');
    // 18 in below the joists, which lie on the wall.
    expect(crawl?.joistsM).toBeCloseTo(topM, 9);
    expect((crawl?.joistsM ?? 0) - (crawl?.groundM ?? 0)).toBeCloseTo(1.5 * FOOT_M, 6);
    const acts = told.acts.length;
    await type(/^Crawl ground/, '101');
    expect(told.acts).toHaveLength(acts);
    await type(/^Crawl ground/, '99.25');
    expect(found(told, 'N').crawl?.groundM).toBeCloseTo(99.25 * FOOT_M, 6);
    await press('no crawl space');
    expect(found(told, 'N').crawl).toBeUndefined();
  });

  test('is another type by a press, has a name of its own, and goes with a press', async () => {
    const told = open('N');
    const other = told.plan.wallTypes.find((t) => t.mark !== found(told, 'N').type)?.mark ?? '';
    await press(other);
    expect(found(told, 'N').type).toBe(other);
    const called = screen.getByLabelText('Called');
    await userEvent.clear(called);
    await userEvent.type(called, 'Street side');
    await userEvent.tab();
    expect(found(told, 'N').label).toBe('Street side');
    await press('Remove N');
    expect(told.plan.runs.map((r) => r.id)).not.toContain('N');
    expect(screen.getByText('gone').textContent).toBe('gone');
  });
});

describe('what every level stands on', () => {
  test('a benchmark, frost and a surveyor’s point are given in feet', async () => {
    const told = renderChanging(() => <GroundForm />, { code: 'P4' });
    await type(/^stands at/, '102.5');
    await type(/^Frost reaches/, '42 in');
    await press(/surveyor’s point/);
    await type(/^Level/, '101.2');
    await type(/^East/, '-4');
    expect(told.plan.benchmark?.elevationM).toBeCloseTo(102.5 * FOOT_M, 6);
    expect(told.plan.ground?.frostDepthM).toBeCloseTo(3.5 * FOOT_M, 6);
    const [point] = told.plan.points;
    expect(point?.id).toBe('CP1');
    expect(point?.zM).toBeCloseTo(101.2 * FOOT_M, 6);
    expect(point?.xM).toBeCloseTo(-4 * FOOT_M, 6);
    await press('Remove point CP1');
    expect(told.plan.points).toEqual([]);
  });

  test('the ground may be unknown, and be said again', async () => {
    const told = renderChanging(() => <GroundForm />);
    await press('Not known');
    expect(told.plan.ground).toBeUndefined();
    await press(/^Say how high the ground lies/);
    expect(told.plan.ground?.gradeM).toBeCloseTo(told.plan.benchmark?.elevationM ?? 0, 9);
  });

  test('a benchmark without a name is refused beside its field', async () => {
    const told = renderChanging(() => <GroundForm />);
    const { id } = told.plan.benchmark ?? { id: '' };
    await type(/^Benchmark$/, ' ');
    expect(screen.getByText('Give it a name.').textContent).toMatch(/name/);
    expect(told.plan.benchmark?.id).toBe(id);
  });
});

describe('a pier', () => {
  const withPier = () =>
    renderChanging(({ piers: [pier] }) => (pier ? <PierForm pier={pier} /> : <p>gone</p>), {
      file: 'kestrel',
      code: 'K1',
      done: putCagedPier,
    });

  test('is round or square; its cage is read from words, and bad words say how', async () => {
    const told = withPier();
    await press('square');
    expect(told.plan.piers[0]?.diameterM).toBeUndefined();
    await press('round');
    await type(/^Across/, '350 mm');
    expect(told.plan.piers[0]?.diameterM).toBeCloseTo(0.35, 9);
    await type(/^Uprights/, '4 of 12');
    expect(screen.getByRole('alert').textContent).toContain('as 4 × 12 mm');
    await type(/^Uprights/, '4 12 mm');
    await type(/^Ties/, '8 mm at 200');
    expect(told.plan.piers[0]?.steel).toMatchObject({
      vertical: { count: 4 },
      ties: { spacingM: 0.2 },
    });
    await type(/^Uprights/, 'none');
    expect(told.plan.piers[0]?.steel).toBeUndefined();
  });
});

describe('form systems', () => {
  test('are described, given to the pour, and none that it stands in is removed', async () => {
    const told = renderChanging(() => <FormSystems />);
    const forms = within(screen.getByRole('region', { name: 'Forms' }));
    expect(forms.queryByRole('button', { name: 'Remove A3' })).toBeNull();
    await press('forms');
    await type(/^What A1 is/, 'Steel ply, 2 ft');
    await type(/^Ties a joint/, '4');
    await type(/^Holds/, '750');
    const a1 = () => told.plan.formSystems.find((f) => f.mark === 'A1');
    expect(a1()).toMatchObject({ label: 'Steel ply, 2 ft', tiesPerJoint: 4 });
    expect(a1()?.ratingKPa).toBeCloseTo(750 * 0.0478803, 3);
    await type(/^Walers/, '1.5');
    expect(told.refused).toMatch(/A1 walers must be a whole number/);
    expect(a1()?.walers).toBe(2);
    await userEvent.click(
      forms.getAllByRole('button', { name: 'P2 stands in these' })[1] as HTMLElement,
    );
    expect(told.plan.pours.find((p) => p.code === 'P2')?.forms).toBe('A1');
    // Another pour stands in them still.
    await press('Remove A3');
    expect(told.refused).toMatch(/A3/);
    expect(told.plan.formSystems.map((f) => f.mark)).toEqual(['A3', 'A1']);
  });

  test('foam stays: it has courses, no ties and no walers, and lifts of four feet to begin with', async () => {
    const told = renderChanging(() => <FormSystems />);
    await press('Change A3');
    await press('foam that stays');
    expect(told.plan.formSystems[0]).toMatchObject({ kind: 'foam', tiesPerJoint: 0, walers: 0 });
    expect(told.plan.formSystems[0]?.greatestLiftM).toBeCloseTo(4 * FOOT_M, 6);
    expect(screen.getAllByLabelText(/^Courses high/)).toHaveLength(1);
    expect(screen.queryByLabelText(/^Ties a joint/)).toBeNull();
    await press('braces');
    expect(told.plan.formSystems[0]?.brace).toBeNull();
  });
});

describe('a schedule that is pasted', () => {
  const TABLE = [
    ['mark', 'width', 'depth', 'along', 'across'],
    ['F1', '22', '10', '2 No. 5', ''],
    ['F9', 'wide', '12', '3 No. 5', 'No. 5 at 12'],
    ['F10', '30', '14', '4 No. 6', 'No. 5 at 10'],
  ];
  const open = (table: string[][]) => {
    const done = jest.fn<() => void>();
    const back = jest.fn<() => void>();
    const told = renderChanging(() => <ScheduleImport table={table} onBack={back} onDone={done} />);
    return { told, done, back };
  };
  const take = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Take 2 types' });

  test('says what is wrong with each row, and takes none until told to leave the bad ones out', async () => {
    const { told, done } = open(TABLE);
    expect(document.querySelectorAll('[data-row="good"]')).toHaveLength(2);
    expect(document.querySelector('[data-row="bad"]')?.textContent).toContain(
      'width: “wide” cannot be read as a measure',
    );
    expect(take().disabled).toBe(true);
    await userEvent.click(screen.getByLabelText(/Leave the 1 bad row out/));
    await userEvent.click(take());
    expect(told.plan.footingTypes.map((t) => t.mark)).toEqual(['F1', 'F2', 'F3', 'F10']);
    expect(told.plan.footingTypes[0]?.widthM).toBeCloseTo(22 * 0.0254, 9);
    expect(done).toHaveBeenCalledTimes(1);
  });

  test('says which row takes the place of one that is there', () => {
    open(TABLE.filter((row) => row[0] !== 'F9'));
    const [first, second] = [...document.querySelectorAll('[data-row="good"]')];
    expect(first?.textContent).toMatch(/replaces what is there/);
    expect(second?.textContent).not.toMatch(/replaces/);
    expect(take().disabled).toBe(false);
  });

  test('a wall may not take the mark of a footing: nothing is stored', async () => {
    const { told, done } = open([
      ['mark', 'thickness', 'vertical', 'horizontal'],
      ['F1', '8', 'No. 4 at 12', 'No. 4 at 12'],
    ]);
    const before = told.plan;
    await press('Take 1 type');
    expect(told.plan).toBe(before);
    expect(done).not.toHaveBeenCalled();
  });

  test('without a known column it says so, and goes back', async () => {
    const { back } = open([
      ['colour', 'shape'],
      ['red', 'round'],
    ]);
    expect(screen.getByRole('alert').textContent).toMatch(/./);
    await press('Back');
    expect(back).toHaveBeenCalledTimes(1);
  });
});
