import { describe, expect, test } from '@jest/globals';
import type { EventBody, EventKind, LogEvent } from '../log/events.ts';
import type { ReadingValue } from '../log/kinds/reading-value.ts';
import { replay } from '../log/state.ts';
import { asWanted } from '../testdata/as-wanted.ts';
import { demoPour } from '../testdata/demo.ts';
import { cautionOf } from './cautions.ts';
import { fixList } from './fixes.ts';
import { gateOf } from './gate.ts';
import { holdsOf } from './signs.ts';
import { judgeAll, judgeAt } from './judge.ts';
import { judgeReading } from './judge-reading.ts';
import { checkList, type Wanted, typeChanges, WHOLE_POUR, withAdded } from './points/index.ts';
import { bracePlaces } from '../formwork/forms-layout.ts';
import { putOffOf } from './put-off.ts';
import { nextStop, walkOrder } from './walk.ts';

/** The list of the basement walls: rounds, changes, holds, and the walk. */
const p2 = demoPour('quillback', 'P2');
const { site, pour, mix } = p2;
const points = checkList(p2);
const kindsOf = (id: string, list = points) =>
  list.filter((p) => p.elementId === id).map((p) => p.kind);
const point = (id: string) => {
  const p = points.find((x) => x.id === id);
  if (!p) throw new Error(id);
  return p;
};
let n = 0;
function entry<K extends EventKind>(kind: K, body: EventBody<K>, minute = n): LogEvent<K> {
  n += 1;
  return {
    id: `e${String(n).padStart(5, '0')}`,
    at: new Date(Date.UTC(2026, 8, 23, 6, minute)).toISOString(),
    actor: 'T. Oakes',
    kind,
    body,
  };
}
const read = (checkId: string, place: number, value: ReadingValue, minute?: number) =>
  entry('reading', { checkId, place, value }, minute);
const judged = (log: LogEvent[]) => judgeAll(site, points, replay(log), null);
const of = (log: LogEvent[], id: string) => {
  const p = judged(log).find((x) => x.point.id === id);
  if (!p) throw new Error(id);
  return p;
};

describe('the list is derived from the model', () => {
  test('each opening of a wall, its ties where a corner is close, and each sleeve', () => {
    expect(point('N/bucks').places.map((p) => p.label)).toEqual(['V1', 'BP1', 'V2']);
    expect(point('W/sleeves').places.map((p) => p.label)).toEqual(['water', 'sewer', 'power']);
    // V3 stands 0.5 m from C1; the windows of N stand 2.7 m and more from theirs.
    expect(kindsOf('W')).toContain('ties-V3');
    expect(kindsOf('N').filter((k) => k.startsWith('ties-'))).toEqual([]);
  });
  test('a corner once, with the run that comes first; a free end is a bulkhead', () => {
    const corners = points
      .filter((p) => p.kind === 'corner')
      .flatMap((p) => p.places.map((x) => x.label));
    expect(corners.sort()).toEqual(['A1', 'A3', 'B3', 'C1', 'C3']);
    expect(points.filter((p) => p.kind === 'bulkhead')).toEqual([]);
    const ramp = checkList(demoPour('quillback', 'P4'));
    expect(ramp.find((p) => p.kind === 'bulkhead')?.places.map((x) => x.label)).toEqual([
      'B5',
      'R1',
    ]);
  });
  test('a deep bottom asks for its trench, a shallow one does not; a step asks for its step', () => {
    const stem = checkList(demoPour('quillback', 'P3'));
    expect(kindsOf('SN2', stem)).toContain('step');
    expect(kindsOf('SN1', stem)).not.toContain('step');
    expect(kindsOf('FN', checkList(demoPour('quillback', 'P1')))).toEqual(
      expect.arrayContaining(['trench', 'verts', 'verts-capped', 'keyway']),
    );
    // The milk pump pad lies 0.2 m under grade.
    expect(kindsOf('PUMP', checkList(demoPour('kestrel', 'K3')))).not.toContain('trench');
  });
  test('the form system gives ties by joint, walers and braces; without one there is no round', () => {
    expect(bracePlaces(9, 3)).toEqual([1.5, 4.5, 7.5]);
    expect(bracePlaces(2, 3)).toHaveLength(2);
    expect(point('N/ties')).toMatchObject({
      round: 'forms',
      wanted: { type: 'count', wanted: 5 },
      // Eleven between its panels, and a corner piece at either end.
      places: { length: 13 },
    });
    const bare = checkList({ site, pour: { ...pour, forms: undefined }, mix });
    expect(bare.filter((p) => p.round === 'forms')).toEqual([]);
  });
  test('a push-only brace starts leaning in, one that pulls stands on the string', () => {
    const lean = (mm: number) =>
      judgeReading(site, point('N/braces'), { type: 'length', mm }).verdict;
    expect([lean(-6.35), lean(-12.7), lean(0), lean(2), lean(-14)]).toEqual([
      'good',
      'tight',
      'tight',
      'out',
      'out',
    ]);
    const both = demoPour('kestrel', 'K2');
    expect(checkList(both).find((p) => p.kind === 'braces')?.wanted).toMatchObject({
      what: 'plumb',
      wantedMm: 0,
    });
  });
  test('what belongs to the whole pour comes last, and lights only when it may run past dusk', () => {
    expect(points.at(-1)?.elementId).toBe(WHOLE_POUR);
    expect(kindsOf(WHOLE_POUR)).not.toContain('lights');
    expect(
      kindsOf(
        WHOLE_POUR,
        checkList({
          site,
          pour: { ...pour, settings: { ...pour.settings, firstLoadMin: 16 * 60 } },
          mix,
          duskMin: 19 * 60,
        }),
      ),
    ).toContain('lights');
  });
  test('release agent is kept face by face; the form is read against its string; long runs want their laps staggered', () => {
    expect(point('N/oiled').places.map((p) => p.label)).toEqual(['inside face', 'outside face']);
    expect(point('N/line')).toMatchObject({
      wanted: { what: 'line', wantedMm: 0 },
      places: { length: 2 },
    });
    expect(kindsOf('N')).toContain('stagger');
    // E2 is 10 ft: shorter than a bar.
    expect(kindsOf('E2')).not.toContain('stagger');
  });
  test('a wall in the ground wants room beside its forms and its top above the ground, more so where no grade is given', () => {
    const verdict = (id: string, mm: number) =>
      judgeReading(site, point(id), { type: 'length', mm }).verdict;
    expect([
      verdict('N/above-grade', 203.2),
      verdict('N/above-grade', 250),
      verdict('N/above-grade', 200),
    ]).toEqual(['good', 'good', 'out']);
    expect([verdict('N/room', 500), verdict('N/room', 609.6)]).toEqual(['out', 'good']);
    expect(
      kindsOf('N', checkList({ site: { ...site, ground: undefined }, pour, mix })).filter(
        (k) => k === 'room' || k === 'above-grade',
      ),
    ).toEqual(['room', 'above-grade']);
  });
  test('a wall over a crawl space wants its height inside; where the drawing leaves too little, it says to ask', () => {
    const crawlOf = (crawl: { groundM: number; joistsM: number }) =>
      checkList({
        site: { ...site, runs: site.runs.map((r) => (r.id === 'N' ? { ...r, crawl } : r)) },
        pour,
        mix,
      }).find((p) => p.id === 'N/crawl');
    const n = site.runs.find((r) => r.id === 'N');
    const topM = n?.topM ?? 0;
    const roomy = crawlOf({ groundM: topM - 0.6, joistsM: topM });
    if (!roomy) throw new Error('no check');
    expect(['good', 'good', 'out']).toEqual(
      [460, 457.2, 450].map((mm) => judgeReading(site, roomy, { type: 'length', mm }).verdict),
    );
    expect(roomy).toMatchObject({
      source: expect.stringContaining('R317.1') as unknown,
      places: [
        { across: 'left', upM: expect.closeTo(topM - 0.6 - (n?.bottomM ?? 0), 6) as unknown },
      ],
    });
    expect(roomy.advice).toContain('dig down');
    expect(crawlOf({ groundM: topM - 0.3, joistsM: topM })?.advice).toContain('ask before');
    expect(points.map((p) => p.kind)).not.toContain('crawl');
  });
  test('a rectangle is read across, once a pour; its diagonals may differ by the rule and no more', () => {
    const square = point(`${WHOLE_POUR}/square`);
    expect(square.source).toContain('45 ft 7');
    const verdict = (mm: number) => judgeReading(site, square, { type: 'length', mm }).verdict;
    expect([verdict(0), verdict(12.7), verdict(13)]).toEqual(['good', 'tight', 'out']);
    expect(kindsOf(WHOLE_POUR, checkList(demoPour('quillback', 'P4')))).not.toContain('square');
  });
  test('bars drawn with hooks want their legs measured against a standard hook', () => {
    const hooked = {
      ...site,
      wallTypes: site.wallTypes.map((t) =>
        t.mark === 'W2' && t.vertical
          ? { ...t, vertical: { ...t.vertical, hooks: 'one' as const } }
          : t,
      ),
    };
    const leg = checkList({ site: hooked, pour, mix }).find((p) => p.id === 'N/hook-up');
    // No. 5, 5/8 in: 12 db, half of a bend of 6 db, and the bar itself: 16 db.
    expect(leg?.wanted).toMatchObject({ type: 'size', plusMm: null });
    expect(leg?.wanted.type === 'size' && leg.wanted.wantedMm).toBeCloseTo(16 * 0.625 * 25.4, 6);
    expect(kindsOf('N')).not.toContain('hook-up');
  });
  test('machine anchors on a pad ask for their template, bolts for their size', () => {
    expect(kindsOf('SILO', checkList(demoPour('kestrel', 'K3')))).toEqual(
      expect.arrayContaining(['template', 'bolts-coating']),
    );
    expect(point('N/bolts-coating').title).toBe('Bolts 5/8 in and 7/8 in, coated');
  });
  test('bolts of two sizes on one pad, and dowels of two depths, are each measured against their own', () => {
    const k3 = demoPour('kestrel', 'K3');
    const bolts = k3.site.anchors.filter((a) => a.elementId === 'SILO');
    const thick = new Set(bolts.slice(-3).map((a) => a.id));
    const list = checkList({
      ...k3,
      site: {
        ...k3.site,
        anchors: k3.site.anchors.map((a) =>
          thick.has(a.id) ? { ...a, diameterMm: 30, embedmentMm: 640 } : a,
        ),
      },
    }).filter((p) => p.elementId === 'SILO' && p.kind.endsWith('-embedment'));
    expect(list.map((p) => [p.kind, p.wanted.type === 'size' && p.wanted.wantedMm, p.why])).toEqual(
      [
        ['bolts-embedment', bolts[0]?.embedmentMm, `3 of ${bolts.length - 3}`],
        ['bolts-2-embedment', 640, '3 of 3'],
      ],
    );
    expect(list[1]?.places.map((p) => p.label)).toEqual([...thick]);
    const [one] = site.anchors.filter((a) => a.drilled);
    const deep = checkList({
      ...p2,
      site: {
        ...site,
        anchors: site.anchors.map((a) =>
          a.id === one?.id ? { ...a, embedmentMm: a.embedmentMm + 100 } : a,
        ),
      },
    });
    const holes = deep.filter((p) => p.kind.startsWith('dowels-depth'));
    expect(
      holes.map((p) => p.wanted.type === 'size' && p.wanted.wantedMm - (one?.embedmentMm ?? 0)),
    ).toEqual([100, 0]);
    expect(deep.filter((p) => p.kind === 'dowels-clean')).toHaveLength(1);
  });
  test('ground and banks looked at before rain are to be looked at again, and count once they are', () => {
    const look = (minute: number) =>
      entry('mark', { checkId: 'N/trench', place: 0, result: 'pass' }, minute);
    const rain = entry('weather', { airTempC: 12, sky: 'rain' }, 40);
    expect(of([look(5)], 'N/trench').verdict).toBe('good');
    expect(of([look(5), rain], 'N/trench')).toMatchObject({
      verdict: 'unread',
      read: 0,
      places: [{ again: 'rain' }],
    });
    expect(of([look(5), rain, look(55)], 'N/trench')).toMatchObject({
      verdict: 'good',
      places: [{ again: null }],
    });
    // What rain does not undo stays.
    expect(
      of([entry('mark', { checkId: 'N/braced', place: 0, result: 'pass' }, 5), rain], 'N/braced')
        .verdict,
    ).toBe('good');
  });
  test('every place of every check says why it is there, and lies on its run', () => {
    expect(points.every((p) => p.why.length > 0 && p.places.length > 0)).toBe(true);
    expect(new Set(points.map((p) => p.id)).size).toBe(points.length);
  });
  test('an item added by hand is read and judged like any other', () => {
    const add = entry('item', {
      elementId: 'N',
      title: 'Gas sleeve off the floor',
      trade: 'forms',
      wanted: { type: 'size', wantedMm: 300, minusMm: 10, plusMm: 10 },
      places: 2,
    });
    const list = withAdded(points, replay([add]));
    const mine = list.at(-1);
    expect(mine).toMatchObject({
      elementId: 'N',
      title: 'Gas sleeve off the floor',
      addedBy: add.id,
      places: { length: 2 },
    });
    expect(
      judgeReading(site, mine as (typeof list)[number], { type: 'length', mm: 312 }),
    ).toMatchObject({ verdict: 'out', margin: -2 });
  });
});

describe('changes of type', () => {
  test('stand where two types meet, and say what changes', () => {
    expect(typeChanges(site, pour.elements)).toEqual([
      expect.objectContaining({
        nodeId: 'C3',
        fromRun: 'S',
        toRun: 'E2',
        words: ['12 in thick, was 10 in'],
      }),
      expect.objectContaining({
        nodeId: 'B3',
        fromRun: 'E2',
        toRun: 'E1',
        words: ['10 in thick, was 12 in'],
      }),
    ]);
    const stem = demoPour('quillback', 'P3');
    expect(typeChanges(site, stem.pour.elements).find((c) => c.toRun === 'SE2')?.words).toEqual([
      '24 in wide, was 20 in',
      '12 in deep, was 10 in',
      '3 No. 5 along, was 2 No. 5',
      'across No. 5 at 12 in, was none',
    ]);
  });
  test('hold the gate until somebody has seen them, once', () => {
    const held = (log: LogEvent[]) =>
      gateOf(site, pour, judged(log), replay(log))
        .rows.filter((r) => r.kind === 'change')
        .map((r) => r.ref);
    expect(held([])).toEqual(['C3:W2>W2T', 'B3:W2T>W2']);
    expect(held([entry('seen', { change: 'C3:W2>W2T' })])).toEqual(['B3:W2T>W2']);
  });
});

describe('the bolt round', () => {
  const bolt = (place: number, there: boolean, atMm: number | null = null) =>
    read('N/bolts', place, { type: 'bolt', there, atMm });
  const verdicts = (log: LogEvent[]) => of(log, 'N/bolts').places.map((p) => p.verdict);
  const round = points.find((p) => p.id === 'N/bolts')?.wanted as Extract<
    Wanted,
    { type: 'bolts' }
  >;
  const measured = (place: number, deeperMm = 0, higherMm = 0) =>
    read('N/bolts', place, {
      type: 'bolt',
      there: true,
      atMm: null,
      embedmentMm: (round.bolts[place]?.depth?.leastMm ?? 0) + deeperMm,
      projectionMm: (round.bolts[place]?.depth?.projectionMm ?? 0) + higherMm,
    });
  test('bolts at their marks are good; three of them are read only once they are measured', () => {
    expect(round.measured).toEqual([1, 5, 8]);
    const marks = Array.from({ length: 10 }, (_, i) => bolt(i, true));
    expect(verdicts(marks).flatMap((v, i) => (v === 'unread' ? [i] : []))).toEqual([1, 5, 8]);
    expect(verdicts([...marks, measured(1), measured(5), measured(8)])).toEqual(
      Array(10).fill('good'),
    );
  });
  test('a measured bolt is out when it is too shallow, or stands too low or too high, by how much', () => {
    const said = (log: LogEvent[], place: number) => of(log, 'N/bolts').places[place]?.judged;
    expect(said([measured(1, 10)], 1)).toMatchObject({ verdict: 'good' });
    expect(said([measured(1, -5)], 1)).toMatchObject({
      verdict: 'out',
      texts: ['embedment'],
      margin: -5,
    });
    expect(said([measured(1, 0, 20)], 1)).toMatchObject({ texts: ['projection'] });
    expect(said([measured(1, 0, 20)], 1)?.margin).toBeCloseTo(-7.3, 6);
    expect(said([measured(2, 0, -20)], 2)).toMatchObject({ verdict: 'out', texts: ['projection'] });
  });
  test('each measured bolt has the depth and height of its own drawing', () => {
    const deeper = {
      ...site,
      anchors: site.anchors.map((a) =>
        a.elementId === 'N' && a.kind === 'bolt' && a.id === round.bolts[5]?.id
          ? { ...a, embedmentMm: a.embedmentMm + 50, projectionMm: a.projectionMm + 25 }
          : a,
      ),
    };
    const p = checkList({ site: deeper, pour, mix }).filter((x) => x.id === 'N/bolts');
    const log = [measured(1), measured(5)];
    const places = judgeAll(deeper, p, replay(log), null)[0]?.places;
    expect(places?.[1]?.verdict).toBe('good');
    expect(places?.[5]).toMatchObject({
      verdict: 'out',
      judged: { texts: ['embedment', 'projection'], margin: -50 },
    });
  });
  test('what is typed at a bolt is judged with its neighbours before it is taken', () => {
    const say = (log: LogEvent[], place: number, value: ReadingValue) =>
      judgeAt(site, of(log, 'N/bolts'), place, value).verdict;
    const there = { type: 'bolt', there: true, atMm: null } as const;
    expect(say([], 5, there)).toBe('good');
    expect(say([bolt(4, false)], 5, there)).toBe('out');
    expect(say([], 2, { ...there, embedmentMm: 0 })).toBe('out');
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
    expect(of([bolt(0, true, 320)], 'N/bolts').places[0]?.judged).toMatchObject({
      texts: ['end'],
      calculation: 'anchor-verdict',
    });
    expect(of([bolt(0, true, 320)], 'N/bolts').places[0]?.judged?.margin).toBeCloseTo(-15.2, 1);
  });
  test('a bolt keeps from the end of its plate by its own thickness', () => {
    // Seven times the bolt: 4 in is far enough for ½ in, too near for ⅝ in (4⅜ in).
    const end = (diameterMm: number) => {
      const other = {
        ...site,
        anchors: site.anchors.map((a) => (a.id === round.bolts[0]?.id ? { ...a, diameterMm } : a)),
      };
      const p = checkList({ site: other, pour, mix }).filter((x) => x.id === 'N/bolts');
      return judgeAll(other, p, replay([bolt(0, true, round.fromM * 1000 + 101.6)]), null)[0]
        ?.places[0]?.judged;
    };
    expect(end(12.7)?.texts).toEqual([]);
    expect(end(15.875)).toMatchObject({ verdict: 'out', texts: ['end'] });
    expect(end(15.875)?.margin).toBeCloseTo(101.6 - 7 * 15.875, 6);
  });
  test('a plate whose bolts no drawing shows takes the layout of the calculation', () => {
    const bare = checkList({ site: { ...site, anchors: [] }, pour, mix }).find(
      (p) => p.id === 'N/bolts',
    );
    expect(bare).toMatchObject({ source: 'anchor-layout, no bolts on the drawing' });
    // 36 ft of plate, ends within 12 in, 6 ft apart at most: 7 bolts.
    expect(bare?.places).toHaveLength(7);
  });
  test('a door cuts the plate: each piece has a round of its own', () => {
    expect(kindsOf('S').filter((k) => /^bolts-\d$/.test(k))).toEqual(['bolts-1', 'bolts-2']);
  });
});

describe('holds, put-off, cautions', () => {
  test('drilled dowels bring their own hold point; a pour without them has none', () => {
    expect(holdsOf(site, { ...pour, holds: ['own', 'inspection'] })).toEqual([
      'own',
      'dowels',
      'inspection',
    ]);
    expect(holdsOf(site, demoPour('quillback', 'P1').pour)).toEqual(['own', 'inspection']);
  });
  test('free until the first notice runs out; then each costs its own', () => {
    // First load 07:30; plant 42 min, pump 40, finishers 20 before it.
    expect(putOffOf(pour, 400)).toMatchObject({ freeUntilMin: 408, costNow: 0, costLater: 865 });
    expect(putOffOf(pour, 408).costNow).toBe(0);
    expect(putOffOf(pour, 409).costNow).toBe(185);
    expect(putOffOf(pour, 500).costNow).toBe(865);
    expect(putOffOf({ ...pour, callOff: [] }, 500)).toMatchObject({
      freeUntilMin: null,
      costNow: 0,
    });
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
    const key = (list: ReturnType<typeof walkOrder>) =>
      list.map((s) => `${s.point.point.id}#${s.place}`);
    const [kind, route] = [key(walkOrder(states, 'kind')), key(walkOrder(states, 'route'))];
    expect(new Set(route)).toEqual(new Set(kind));
    expect(route).not.toEqual(kind);
  });
  test('along the route never steps back on a run, and ends with the whole pour', () => {
    const spots = walkOrder(states, 'route')
      .filter((s) => s.point.point.elementId === 'N')
      .map((s) => s.point.point.places[s.place]?.atM ?? -1);
    for (let i = 1; i < spots.length; i += 1)
      expect(spots[i] as number).toBeGreaterThan((spots[i - 1] as number) - 0.6);
    expect(walkOrder(states, 'route').at(-1)?.point.point.elementId).toBe(WHOLE_POUR);
  });
  test('follows the list it is given: another pour, a check added by hand, and back', () => {
    const ramp = demoPour('quillback', 'P4');
    const order = (list: typeof states) => walkOrder(list, 'route').map((s) => s.point.point.id);
    const first = order(states);
    expect(order(judgeAll(ramp.site, checkList(ramp), replay([]), null))).not.toEqual(first);
    const item = entry('item', {
      elementId: 'N',
      title: 'Drain board',
      trade: 'forms',
      wanted: { type: 'eye' },
      places: 1,
    });
    const added = judgeAll(site, withAdded(points, replay([item])), replay([item]), null);
    expect(order(added).filter((id) => !first.includes(id))).toEqual([`N/added-${item.id}`]);
    expect(order(states)).toEqual(first);
  });
  test('goes on from the place in hand, and back to what was fixed first', () => {
    expect(nextStop(states, 'kind', null)).toMatchObject({
      point: { point: { id: 'N/trench' } },
      place: 0,
    });
    expect(
      nextStop(judged([read('N/thickness', 0, { type: 'length', mm: 254 })]), 'kind', {
        check: 'N/thickness',
        place: 0,
      }),
    ).toMatchObject({ point: { point: { id: 'N/thickness' } }, place: 1 });
    const log = [
      read('S/lap', 0, { type: 'length', mm: 100 }),
      entry('fix', { checkId: 'S/lap', place: 0, what: 'spliced' }),
    ];
    expect(nextStop(judged(log), 'kind', { check: 'N/level', place: 0 })).toMatchObject({
      point: { point: { id: 'S/lap' } },
    });
    const all = points.flatMap((p) =>
      p.places.map((_, i) => {
        const v = asWanted(p, i);
        return v ? read(p.id, i, v) : entry('mark', { checkId: p.id, place: i, result: 'pass' });
      }),
    );
    expect(nextStop(judged(all), 'route', null)).toBeNull();
  });
});

test('what nobody has touched stays the same thing from entry to entry, what is touched is judged anew', () => {
  const before = judged([]);
  const first = read('N/thickness', 0, { type: 'length', mm: 254 });
  const after = judged([first]);
  const changed = after.flatMap((p, i) => (p === before[i] ? [] : [p.point.id]));
  expect(changed).toEqual(['N/thickness']);
  // Taken back again, it is what it was.
  expect(judged([first, { ...entry('supersede', {}), supersedes: first.id }])).toEqual(before);
  // Rain undoes a look at the ground, though nothing was noted there since.
  const looked = entry('mark', { checkId: 'N/trench', place: 0, result: 'pass' }, 30);
  expect(of([looked], 'N/trench').verdict).toBe('good');
  expect(
    of([looked, entry('weather', { airTempC: 12, sky: 'rain' }, 40)], 'N/trench'),
  ).toMatchObject({ verdict: 'unread', places: [{ again: 'rain' }] });
});

describe('the fix list', () => {
  const lap = (mm: number, minute: number) => read('S/lap', 0, { type: 'length', mm }, minute);
  const list = (log: LogEvent[], nowMinute = 60) =>
    fixList(site, judged(log), replay(log), Date.UTC(2026, 8, 23, 6, nowMinute)).map((f) => ({
      id: f.point.point.id,
      state: f.state,
      ageMin: f.ageMin,
      by: f.failedBy,
      fixes: f.fixes.map((x) => x.body.what),
    }));
  const fix = entry('fix', { checkId: 'S/lap', place: 0, what: 'Slid on' }, 40);
  test('goes from open to fixed to closed, with its age and who', () => {
    expect(list([lap(100, 30)])).toEqual([
      { id: 'S/lap', state: 'open', ageMin: 30, by: 'T. Oakes', fixes: [] },
    ]);
    expect(list([lap(100, 30), fix])).toMatchObject([{ state: 'fixed', fixes: ['Slid on'] }]);
    expect(list([lap(100, 30), fix, lap(900, 45)])).toMatchObject([
      { state: 'closed', ageMin: null },
    ]);
    expect(list([lap(900, 45)])).toEqual([]);
  });
  test('lists a mark that failed, and one waived with its reason', () => {
    const fail = entry(
      'mark',
      { checkId: 'S/braced', place: 0, result: 'fail', reason: 'wedge out' },
      10,
    );
    expect(list([fail])).toMatchObject([{ id: 'S/braced', state: 'open', ageMin: 50 }]);
    expect(
      list([
        fail,
        entry(
          'mark',
          { checkId: 'S/braced', place: 0, result: 'na', reason: 'no wedge there' },
          20,
        ),
      ]),
    ).toMatchObject([{ state: 'waived' }]);
  });
  test('keeps a bolt that was too shallow after it was set deeper', () => {
    const deep = (mm: number, minute: number) =>
      read(
        'N/bolts',
        1,
        { type: 'bolt', there: true, atMm: null, embedmentMm: mm, projectionMm: 76.2 },
        minute,
      );
    expect(list([deep(100, 30)])).toMatchObject([{ id: 'N/bolts', state: 'open' }]);
    expect(list([deep(100, 30), deep(180, 40)])).toMatchObject([
      { id: 'N/bolts', state: 'closed' },
    ]);
  });
  test('puts the open ones first', () => {
    const other = read('N/lap', 0, { type: 'length', mm: 50 }, 50);
    expect(list([lap(100, 30), fix, other]).map((f) => f.id)).toEqual(['N/lap', 'S/lap']);
  });
});
