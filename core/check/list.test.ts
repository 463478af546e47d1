import { describe, expect, test } from '@jest/globals';
import type { EventBody, EventKind, LogEvent, ReadingValue } from '../model/events.ts';
import { replay } from '../pourlog/state.ts';
import { asWanted } from '../testdata/as-wanted.ts';
import { demoPour } from '../testdata/demo.ts';
import { cautionOf } from './cautions.ts';
import { fixList } from './fixes.ts';
import { gateOf, holdsOf } from './gate.ts';
import { judgeAll, judgeReading } from './judge.ts';
import { checkList, type Wanted, typeChanges, WHOLE_POUR, withAdded } from './points/index.ts';
import { bracePlaces, panelJoints } from './points/forms.ts';
import { putOffOf } from './put-off.ts';
import { nextStop, walkOrder } from './walk.ts';

/** The list of the basement walls: rounds, changes, holds, and the walk. */
const p2 = demoPour('quillback', 'P2');
const { site, pour, mix } = p2;
const points = checkList(p2);
const kindsOf = (id: string, list = points) => list.filter((p) => p.elementId === id).map((p) => p.kind);
const point = (id: string) => { const p = points.find((x) => x.id === id); if (!p) throw new Error(id); return p; };
let n = 0;
function entry<K extends EventKind>(kind: K, body: EventBody<K>, minute = n): LogEvent<K> { n += 1; return { id: `e${String(n).padStart(5, '0')}`, at: new Date(Date.UTC(2026, 8, 23, 6, minute)).toISOString(), actor: 'T. Oakes', kind, body }; }
const read = (checkId: string, place: number, value: ReadingValue, minute?: number) => entry('reading', { checkId, place, value }, minute);
const judged = (log: LogEvent[]) => judgeAll(site, points, replay(log));
const of = (log: LogEvent[], id: string) => { const p = judged(log).find((x) => x.point.id === id); if (!p) throw new Error(id); return p; };

describe('the list is derived from the model', () => {
  test('each opening of a wall, its ties where a corner is close, and each sleeve', () => {
    expect(point('N/bucks').places.map((p) => p.label)).toEqual(['V1', 'BP1', 'V2']);
    expect(point('W/sleeves').places.map((p) => p.label)).toEqual(['water', 'sewer', 'power']);
    // V3 stands 0.5 m from C1; the windows of N stand 2.7 m and more from theirs.
    expect(kindsOf('W')).toContain('ties-V3');
    expect(kindsOf('N').filter((k) => k.startsWith('ties-'))).toEqual([]);
  });
  test('a corner once, with the run that comes first; a free end is a bulkhead', () => {
    const corners = points.filter((p) => p.kind === 'corner').flatMap((p) => p.places.map((x) => x.label));
    expect(corners.sort()).toEqual(['A1', 'A3', 'B3', 'C1', 'C3']);
    expect(points.filter((p) => p.kind === 'bulkhead')).toEqual([]);
    const ramp = checkList(demoPour('quillback', 'P4'));
    expect(ramp.find((p) => p.kind === 'bulkhead')?.places.map((x) => x.label)).toEqual(['B5', 'R1']);
  });
  test('a deep bottom asks for its trench, a shallow one does not; a step asks for its step', () => {
    const stem = checkList(demoPour('quillback', 'P3'));
    expect(kindsOf('SN2', stem)).toContain('step');
    expect(kindsOf('SN1', stem)).not.toContain('step');
    expect(kindsOf('FN', checkList(demoPour('quillback', 'P1')))).toEqual(expect.arrayContaining(['trench', 'verts', 'verts-capped', 'keyway']));
    // The milk pump pad lies 0.2 m under grade.
    expect(kindsOf('PUMP', checkList(demoPour('kestrel', 'K3')))).not.toContain('trench');
  });
  test('the form system gives ties by joint, walers and braces; without one there is no round', () => {
    expect(panelJoints(10, 3)).toEqual([3, 6, 9]);
    expect(panelJoints(9, 3)).toEqual([3, 6]);
    expect(bracePlaces(9, 3)).toEqual([1.5, 4.5, 7.5]);
    expect(bracePlaces(2, 3)).toHaveLength(2);
    expect(point('N/ties')).toMatchObject({ round: 'forms', wanted: { type: 'count', wanted: 5 }, places: { length: 11 } });
    const bare = checkList({ site, pour: { ...pour, forms: undefined }, mix });
    expect(bare.filter((p) => p.round === 'forms')).toEqual([]);
  });
  test('a push-only brace starts leaning in, one that pulls stands on the string', () => {
    const lean = (mm: number) => judgeReading(site, point('N/braces'), { type: 'length', mm }).verdict;
    expect([lean(-6.35), lean(-12.7), lean(0), lean(2), lean(-14)]).toEqual(['good', 'tight', 'tight', 'out', 'out']);
    const both = demoPour('kestrel', 'K2');
    expect(checkList(both).find((p) => p.kind === 'braces')?.wanted).toMatchObject({ what: 'plumb', wantedMm: 0 });
  });
  test('what belongs to the whole pour comes last, and lights only when it may run past dusk', () => {
    expect(points.at(-1)?.elementId).toBe(WHOLE_POUR);
    expect(kindsOf(WHOLE_POUR)).not.toContain('lights');
    expect(kindsOf(WHOLE_POUR, checkList({ site, pour: { ...pour, settings: { ...pour.settings, firstLoadMin: 16 * 60 } }, mix }))).toContain('lights');
  });
  test('every place of every check says why it is there, and lies on its run', () => {
    expect(points.every((p) => p.why.length > 0 && p.places.length > 0)).toBe(true);
    expect(new Set(points.map((p) => p.id)).size).toBe(points.length);
  });
  test('an item added by hand is read and judged like any other', () => {
    const add = entry('item', { elementId: 'N', title: 'Gas sleeve off the floor', trade: 'forms', wanted: { type: 'size', wantedMm: 300, minusMm: 10, plusMm: 10 }, places: 2 });
    const list = withAdded(points, replay([add]));
    const mine = list.at(-1);
    expect(mine).toMatchObject({ elementId: 'N', title: 'Gas sleeve off the floor', addedBy: add.id, places: { length: 2 } });
    expect(judgeReading(site, mine as (typeof list)[number], { type: 'length', mm: 312 })).toMatchObject({ verdict: 'out', margin: -2 });
  });
});

describe('changes of type', () => {
  test('stand where two types meet, and say what changes', () => {
    expect(typeChanges(site, pour.elements)).toEqual([
      expect.objectContaining({ nodeId: 'C3', fromRun: 'S', toRun: 'E2', words: ['12 in thick, was 10 in'] }),
      expect.objectContaining({ nodeId: 'B3', fromRun: 'E2', toRun: 'E1', words: ['10 in thick, was 12 in'] }),
    ]);
    const stem = demoPour('quillback', 'P3');
    expect(typeChanges(site, stem.pour.elements).find((c) => c.toRun === 'SE2')?.words).toEqual(['24 in wide, was 20 in', '12 in deep, was 10 in', '3 No. 5 along, was 2 No. 5', 'across No. 5 at 12 in, was none']);
  });
  test('hold the gate until somebody has seen them, once', () => {
    const held = (log: LogEvent[]) => gateOf(site, pour, judged(log), replay(log)).rows.filter((r) => r.kind === 'change').map((r) => r.ref);
    expect(held([])).toEqual(['C3:W2>W2T', 'B3:W2T>W2']);
    expect(held([entry('seen', { change: 'C3:W2>W2T' })])).toEqual(['B3:W2T>W2']);
  });
});

describe('the bolt round', () => {
  const bolt = (place: number, there: boolean, atMm: number | null = null) => read('N/bolts', place, { type: 'bolt', there, atMm });
  const verdicts = (log: LogEvent[]) => of(log, 'N/bolts').places.map((p) => p.verdict);
  const round = points.find((p) => p.id === 'N/bolts')?.wanted as Extract<Wanted, { type: 'bolts' }>;
  const measured = (place: number, deeperMm = 0, higherMm = 0) => read('N/bolts', place, { type: 'bolt', there: true, atMm: null, embedmentMm: (round.depth?.embedmentMm ?? 0) + deeperMm, projectionMm: (round.depth?.projectionMm ?? 0) + higherMm });
  test('bolts at their marks are good; three of them are read only once they are measured', () => {
    expect(round.measured).toEqual([1, 5, 8]);
    const marks = Array.from({ length: 10 }, (_, i) => bolt(i, true));
    expect(verdicts(marks).flatMap((v, i) => (v === 'unread' ? [i] : []))).toEqual([1, 5, 8]);
    expect(verdicts([...marks, measured(1), measured(5), measured(8)])).toEqual(Array(10).fill('good'));
  });
  test('a measured bolt is out when it is too shallow, or stands too low or too high, by how much', () => {
    const said = (log: LogEvent[], place: number) => of(log, 'N/bolts').places[place]?.judged;
    expect(said([measured(1, 10)], 1)).toMatchObject({ verdict: 'good' });
    expect(said([measured(1, -5)], 1)).toMatchObject({ verdict: 'out', texts: ['embedment'], margin: -5 });
    expect(said([measured(1, 0, 20)], 1)).toMatchObject({ texts: ['projection'] });
    expect(said([measured(1, 0, 20)], 1)?.margin).toBeCloseTo(-7.3, 6);
    expect(said([measured(2, 0, -20)], 2)).toMatchObject({ verdict: 'out', texts: ['projection'] });
  });
  test('a missing bolt is out, and so is its neighbour when the gap gets too wide', () => {
    const all = verdicts([bolt(4, false), bolt(5, true)]);
    expect(all[4]).toBe('out');
    // Bolts stand 4 ft apart: one missing leaves 8 ft, and 6 ft is the most.
    expect(all[5]).toBe('out');
    expect(all[3]).toBe('unread');
    // A bolt that is missing is no longer wanted deep.
    expect(verdicts([bolt(5, false)])[5]).toBe('out');
  });
  test('the end distance is judged where the bolt was found', () => {
    expect(verdicts([bolt(0, true, 250)])[0]).toBe('good');
    expect(verdicts([bolt(0, true, 320)])[0]).toBe('out');
    expect(of([bolt(0, true, 320)], 'N/bolts').places[0]?.judged).toMatchObject({ texts: ['end'], calculation: 'anchor-verdict' });
    expect(of([bolt(0, true, 320)], 'N/bolts').places[0]?.judged?.margin).toBeCloseTo(-15.2, 1);
  });
  test('a plate whose bolts no drawing shows takes the layout of the calculation', () => {
    const bare = checkList({ site: { ...site, anchors: [] }, pour, mix }).find((p) => p.id === 'N/bolts');
    expect(bare).toMatchObject({ source: 'anchor-layout, no bolts on the drawing' });
    // 36 ft of plate, ends within 12 in, 6 ft apart at most: 7 bolts.
    expect(bare?.places).toHaveLength(7);
  });
  test('a door cuts the plate: each piece has a round of its own', () => { expect(kindsOf('S').filter((k) => /^bolts-\d$/.test(k))).toEqual(['bolts-1', 'bolts-2']); });
});

describe('holds, put-off, cautions', () => {
  test('drilled dowels bring their own hold point; a pour without them has none', () => {
    expect(holdsOf(site, { ...pour, holds: ['own', 'inspection'] })).toEqual(['own', 'dowels', 'inspection']);
    expect(holdsOf(site, demoPour('quillback', 'P1').pour)).toEqual(['own', 'inspection']);
  });
  test('free until the first notice runs out; then each costs its own', () => {
    // First load 07:30; plant 42 min, pump 40, finishers 20 before it.
    expect(putOffOf(pour, 400)).toMatchObject({ freeUntilMin: 408, costNow: 0, costLater: 865 });
    expect(putOffOf(pour, 408).costNow).toBe(0);
    expect(putOffOf(pour, 409).costNow).toBe(185);
    expect(putOffOf(pour, 500).costNow).toBe(865);
    expect(putOffOf({ ...pour, callOff: [] }, 500)).toMatchObject({ freeUntilMin: null, costNow: 0 });
  });
  test('a caution stands at the step where it still prevents harm', () => {
    expect(cautionOf(point('N/trench'))).toMatch(/bury/);
    expect(cautionOf(point('N/ties'))).toMatch(/Forms fail/);
    expect(cautionOf(point('N/size-up'))).toBeNull();
  });
});

describe('the walk', () => {
  const states = judged([]);
  test('holds every place once, by kind and along the route', () => {
    const key = (list: ReturnType<typeof walkOrder>) => list.map((s) => `${s.point.point.id}#${s.place}`);
    const [kind, route] = [key(walkOrder(states, 'kind')), key(walkOrder(states, 'route'))];
    expect(new Set(route)).toEqual(new Set(kind));
    expect(route).not.toEqual(kind);
  });
  test('along the route never steps back on a run, and ends with the whole pour', () => {
    const spots = walkOrder(states, 'route').filter((s) => s.point.point.elementId === 'N').map((s) => s.point.point.places[s.place]?.atM ?? -1);
    for (let i = 1; i < spots.length; i += 1) expect(spots[i] as number).toBeGreaterThan((spots[i - 1] as number) - 0.6);
    expect(walkOrder(states, 'route').at(-1)?.point.point.elementId).toBe(WHOLE_POUR);
  });
  test('goes on from the place in hand, and back to what was fixed first', () => {
    expect(nextStop(states, 'kind', null)).toMatchObject({ point: { point: { id: 'N/trench' } }, place: 0 });
    expect(nextStop(judged([read('N/thickness', 0, { type: 'length', mm: 254 })]), 'kind', { check: 'N/thickness', place: 0 })).toMatchObject({ point: { point: { id: 'N/thickness' } }, place: 1 });
    const log = [read('S/lap', 0, { type: 'length', mm: 100 }), entry('fix', { checkId: 'S/lap', place: 0, what: 'spliced' })];
    expect(nextStop(judged(log), 'kind', { check: 'N/level', place: 0 })).toMatchObject({ point: { point: { id: 'S/lap' } } });
    const all = points.flatMap((p) => p.places.map((_, i) => { const v = asWanted(p, i); return v ? read(p.id, i, v) : entry('mark', { checkId: p.id, place: i, result: 'pass' }); }));
    expect(nextStop(judged(all), 'route', null)).toBeNull();
  });
});

describe('the fix list', () => {
  const lap = (mm: number, minute: number) => read('S/lap', 0, { type: 'length', mm }, minute);
  const list = (log: LogEvent[], nowMinute = 60) => fixList(judged(log), replay(log), (p, r) => judgeReading(site, p.point, r.body.value).verdict !== 'out', Date.UTC(2026, 8, 23, 6, nowMinute)).map((f) => ({ id: f.point.point.id, state: f.state, ageMin: f.ageMin, by: f.failedBy, fixes: f.fixes.map((x) => x.body.what) }));
  const fix = entry('fix', { checkId: 'S/lap', place: 0, what: 'Slid on' }, 40);
  test('goes from open to fixed to closed, with its age and who', () => {
    expect(list([lap(100, 30)])).toEqual([{ id: 'S/lap', state: 'open', ageMin: 30, by: 'T. Oakes', fixes: [] }]);
    expect(list([lap(100, 30), fix])).toMatchObject([{ state: 'fixed', fixes: ['Slid on'] }]);
    expect(list([lap(100, 30), fix, lap(900, 45)])).toMatchObject([{ state: 'closed', ageMin: null }]);
    expect(list([lap(900, 45)])).toEqual([]);
  });
  test('lists a mark that failed, and one waived with its reason', () => {
    const fail = entry('mark', { checkId: 'S/braced', place: 0, result: 'fail', reason: 'wedge out' }, 10);
    expect(list([fail])).toMatchObject([{ id: 'S/braced', state: 'open', ageMin: 50 }]);
    expect(list([fail, entry('mark', { checkId: 'S/braced', place: 0, result: 'na', reason: 'no wedge there' }, 20)])).toMatchObject([{ state: 'waived' }]);
  });
  test('puts the open ones first', () => {
    const other = read('N/lap', 0, { type: 'length', mm: 50 }, 50);
    expect(list([lap(100, 30), fix, other]).map((f) => f.id)).toEqual(['N/lap', 'S/lap']);
  });
});
