import { describe, expect, test } from '@jest/globals';
import { replay } from '../log/state.ts';
import { pourTasks } from '../pourlog/tasks.ts';
import { tiesAtJoint } from '../formwork/forms-layout.ts';
import { formSystemSchema } from '../model/objects.ts';
import { materialsOf } from '../takeoff/materials.ts';
import { job } from '../testdata/jobs.ts';
import { judgeAll } from './judge.ts';
import { checkList, pointsOf } from './points/index.ts';

/** A wall with a jog of 0.8 m in it: 6 m, 0.8 m, 3 m, and round the corner 9 m more, 2.4 m high. */
const NODES = [
  ['A', 0, 0],
  ['B', 6, 0],
  ['C', 6, 0.8],
  ['D', 9, 0.8],
  ['E', 9, 9.8],
].map(([id, xM, yM]) => ({ id, xM, yM }));
const wall = (id: string, from: string, to: string, more: object = {}) => ({
  id,
  kind: 'wall',
  type: 'W1',
  from,
  to,
  bottomM: 0,
  topM: 2.4,
  ...more,
});
const RUNS = [
  wall('W1', 'A', 'B'),
  wall('J', 'B', 'C', {
    openings: [{ kind: 'sleeve', atM: 0.3, widthM: 0.1, sillM: 1, headM: 1.1 }],
  }),
  wall('W2', 'C', 'D'),
  wall('W3', 'D', 'E'),
];
const FORMS = {
  mark: 'A',
  ratingKPa: 60,
  panelWidthM: 0.9,
  panelHeightM: 2.7,
  tiesPerJoint: 3,
  walers: 2,
};
const jogged = (more: object = {}) =>
  job({ nodes: NODES, runs: RUNS, elements: ['W1', 'J', 'W2', 'W3'], ...more });
const kindsOf = (id: string, j = jogged()) => pointsOf(j, id).map((p) => p.kind);

describe('checks go by type and stretch', () => {
  test('a jog takes only what is special to it; what goes by type is read on the longest run, for all of them', () => {
    expect(kindsOf('J')).toEqual(['count-up', 'sleeves', 'corner']);
    expect(kindsOf('W2')).toEqual(['count-up', 'corner']);
    const cover = pointsOf(jogged(), 'W1').find((p) => p.kind === 'cover-inside');
    expect(cover?.covers).toEqual(['W1', 'J', 'W2']);
    expect(cover?.why).toMatch(/for W1, J, W2 together$/);
    // 9.8 m are read like one run of 9.8 m: one every 6 m.
    expect(cover?.places).toHaveLength(2);
    for (const p of cover?.places ?? []) expect(p.atM).toBeLessThanOrEqual(6);
    // Nine metres more would be over ten: they are read by themselves.
    expect(kindsOf('W3')).toContain('cover-inside');
    expect(pointsOf(jogged(), 'W3').find((p) => p.kind === 'plumb')?.covers).toBeUndefined();
  });
  test('another type, height or place in the order is another stretch; the rule says how long one may be', () => {
    const taller = RUNS.map((r) => (r.id === 'W2' ? { ...r, topM: 2.7 } : r));
    expect(kindsOf('W2', jogged({ runs: taller }))).toContain('cover-inside');
    const apart = jogged({ elements: ['W1', 'W3', 'W2', 'J'] });
    expect(kindsOf('W2', apart)).toContain('cover-inside');
    const ruleChanges = [
      { rule: 'stretch', value: 6, by: 'P. Winder', at: '2026-10-01T00:00:00Z' },
    ];
    expect(kindsOf('W2', jogged({ ruleChanges }))).toContain('cover-inside');
  });
  test('a short run asks for no more spaces than it has', () => {
    const short = job({
      nodes: NODES,
      wallTypes: [
        {
          mark: 'W1',
          thicknessM: 0.25,
          mats: 1,
          vertical: { bar: '12mm', spacingM: 0.6 },
          horizontal: { bar: '12mm', spacingM: 0.9 },
          coverInsideMm: 35,
          coverOutsideMm: 35,
        },
      ],
      runs: [wall('J', 'B', 'C', { topM: 0.7 })],
      elements: ['J'],
    });
    const up = pointsOf(short, 'J').find((p) => p.kind === 'spacing-up')?.wanted;
    expect(up).toMatchObject({ type: 'spacing', spaces: 1 });
    expect(kindsOf('J', short)).not.toContain('spacing-across');
  });
});

describe('the forms of the wall in hand', () => {
  test('ties by its height, at every joint, corner piece and straight seam', () => {
    const j = jogged({ formSystems: [FORMS], pour: { forms: 'A' } });
    const ties = pointsOf(j, 'W1').find((p) => p.kind === 'ties');
    // Three for 2.7 m: 2.4 m takes three too. 6 m less one corner leg in panels of 0.9 m: 7, with 6
    // joints and a corner.
    expect(ties?.wanted).toMatchObject({ wanted: 3 });
    expect(ties?.places.map((p) => p.label)).toEqual([
      'joint 1',
      'joint 2',
      'joint 3',
      'joint 4',
      'joint 5',
      'joint 6',
      'corner B',
    ]);
    const low = formSystemSchema.parse(FORMS);
    expect([0.8, 1.8, 2.7, 3.6].map((h) => tiesAtJoint(low, h))).toEqual([2, 2, 3, 4]);
    expect(materialsOf(j.site, j.pour).find((m) => m.item === 'ties')?.amount).toBe(21);
  });
  test('foam stays: no ply, no release agent, no ties; courses, blocks and its own way of working', () => {
    const foam = {
      mark: 'F',
      kind: 'foam',
      ratingKPa: 30,
      greatestLiftM: 1.2,
      courseM: 0.4,
      foamMm: 63,
      panelWidthM: 1.2,
      tiesPerJoint: 0,
      walers: 0,
      consolidation: 'rod',
    };
    const j = jogged({ formSystems: [foam], pour: { forms: 'F' } });
    const kinds = kindsOf('W1', j);
    expect(kinds).toContain('courses');
    expect(kinds).not.toContain('oiled');
    expect(kinds).not.toContain('ties');
    const crew = checkList(j).find((p) => p.kind === 'crew');
    expect(crew?.advice).toMatch(/no vibrator inside/);
    const items = materialsOf(j.site, j.pour).filter((m) => m.elementId === 'W1');
    // Six courses of 0.4 m, five blocks of 1.2 m each.
    expect(items.find((m) => m.item === 'foam blocks')?.amount).toBe(30);
    expect(items.map((m) => m.item)).not.toContain('release agent');
    expect(items.map((m) => m.item)).not.toContain('panels');
  });
});

describe('bolts that are pushed into the fresh top', () => {
  const bolt = (id: string, atM: number, wetSet: boolean) => ({
    id,
    elementId: 'W1',
    atM,
    kind: 'bolt',
    diameterMm: 16,
    embedmentMm: 200,
    projectionMm: 50,
    wetSet,
  });
  const plated = (wet: boolean[]) =>
    jogged({
      plates: [{ id: 'P1', elementId: 'W1', fromM: 0, toM: 6 }],
      anchors: [0.2, 1.6, 3, 4.4, 5.8].map((m, i) => bolt(`B${i + 1}`, m, wet[i] ?? false)),
    });
  test('are no check before the pour but a task of its day, and no computed bolts stand in for them', () => {
    const all = plated([true, true, true, true, true]);
    expect(kindsOf('W1', all).filter((k) => k.startsWith('bolt'))).toEqual([]);
    const [task, ...rest] = pourTasks(all.site, all.pour, replay([]));
    expect(rest).toEqual([]);
    expect(task).toMatchObject({
      id: 'W1/wet-bolt',
      title: '5 bolts 16 mm',
      anchors: ['B1', 'B2', 'B3', 'B4', 'B5'],
      state: 'open',
    });
  });
  test('are done, or not and why', () => {
    const all = plated([true, true, true, true, true]);
    const say = (result: 'done' | 'notDone', reason: string | undefined, minute: number) => ({
      id: `t${minute}`,
      at: new Date(Date.UTC(2026, 9, 7, 9, minute)).toISOString(),
      actor: 'P. Winder',
      kind: 'task' as const,
      body: { taskId: 'W1/wet-bolt', result, reason },
    });
    const stateAfter = (...log: ReturnType<typeof say>[]) =>
      pourTasks(all.site, all.pour, replay(log))[0]?.state;
    expect(stateAfter(say('notDone', 'too stiff', 1))).toBe('notDone');
    expect(stateAfter(say('notDone', 'too stiff', 1), say('done', undefined, 2))).toBe('done');
  });
  test('among bolts that are tied in they count for the spacing', () => {
    const some = plated([false, true, true, true, false]);
    const point = pointsOf(some, 'W1').find((p) => p.kind === 'bolts');
    expect(point?.places.map((p) => p.label)).toEqual(['B1', 'B5']);
    const read = [0, 1].map((place) => ({
      id: `r${place}`,
      at: '2026-10-07T06:00:00Z',
      actor: 'P. Winder',
      kind: 'reading' as const,
      body: {
        checkId: 'W1/bolts',
        place,
        value: {
          type: 'bolt' as const,
          there: true,
          atMm: null,
          embedmentMm: 210,
          projectionMm: 50,
        },
      },
    }));
    const judged = point && judgeAll(some.site, [point], replay(read), null)[0];
    expect(judged?.places.map((p) => p.verdict)).toEqual(['good', 'good']);
  });
});
