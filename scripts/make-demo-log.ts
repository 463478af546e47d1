/**
 * Writes the demo's ready-made logs (demo/logs/*.jsonl) from its sites: P1 with a complete record, P2 partly
 * checked, P3 being set out. Run `npm run demo:log` after a change of the check points or the demo sites.
 */
import fs from 'node:fs';
import { siteFileSchema, type SiteFile } from '../contract/index.ts';
import { Script } from './demo-script.ts';
import { checkList, type CheckPoint, levelTargets, lineStations, WHOLE_POUR } from '#core/check';
import { asWanted } from '../core/testdata/as-wanted.ts';
import { type LogEvent, type ReadingValue, replay } from '#core/log';
import type { PourDoc } from '#core/model';
import { curingIn, mixNamed, type PourRecord, tasksOf, viewOf } from '#core/view';
import { planPour } from '#core/pourplan';
import { celsiusOf, MM_PER_IN } from '#core/units';
import { midnightMs } from '#core/weather';

const site: SiteFile = siteFileSchema.parse(
  JSON.parse(fs.readFileSync('demo/sites/quillback.json', 'utf8')),
);
const pourOf = (code: string): PourDoc => {
  const p = site.pours.find((x) => x.code === code);
  if (!p) throw new Error(code);
  return p;
};

/** A small repeatable scatter, so that readings look read: eighths of an inch round what is wanted. */
let turn = 12345;
const scatter = (eighths: number): number => {
  turn = (turn * 48271) % 2147483647;
  return (Math.round((turn / 2147483647 - 0.5) * 2 * eighths) / 8) * MM_PER_IN;
};

function goodReading(p: CheckPoint, place: number): ReadingValue | null {
  const w = p.wanted;
  if (w.type === 'cover') return { type: 'length', mm: w.specifiedMm + scatter(2) };
  if (w.type === 'size') {
    if (w.what === 'lap')
      return { type: 'length', mm: Math.ceil(w.wantedMm / MM_PER_IN) * MM_PER_IN };
    if (w.what === 'lean') return { type: 'length', mm: w.wantedMm + scatter(1) };
    if (w.what === 'room')
      return { type: 'length', mm: w.wantedMm + 2 * MM_PER_IN + Math.abs(scatter(8)) };
    if (w.what === 'depth' || w.what === 'embedment')
      return { type: 'length', mm: w.wantedMm + Math.abs(scatter(4)) };
    return { type: 'length', mm: w.wantedMm + scatter(1) };
  }
  if (w.type === 'count') return { type: 'count', count: w.wanted };
  if (w.type === 'bar') return { type: 'bar', bar: w.wanted };
  if (w.type === 'spacing')
    return { type: 'spacing', overMm: w.specifiedMm * w.spaces + scatter(6), spaces: w.spaces };
  return asWanted(p, place);
}

const MIN = 60_000;
function check(
  s: Script,
  points: CheckPoint[],
  fromMs: number,
  who: string[],
  skip: (p: CheckPoint, place: number) => boolean,
  stepMs = 45_000,
): number {
  let t = fromMs;
  for (const p of points)
    p.places.forEach((_, place) => {
      if (skip(p, place)) return;
      t += stepMs;
      const actor = who[Math.floor((t - fromMs) / (20 * MIN)) % who.length] ?? 'I. Brandvold';
      const value = goodReading(p, place);
      if (value) s.log(t, actor, 'reading', { checkId: p.id, place, value });
      else s.log(t, actor, 'mark', { checkId: p.id, place, result: 'pass' });
    });
  return t;
}
const inches = (n: number): ReadingValue => ({ type: 'length', mm: n * MM_PER_IN });

/** From when on the forms may come off, ms, by what the log says so far. */
function stripFrom(record: PourRecord, log: LogEvent[], nowMs: number): number {
  const state = replay(log);
  const view = viewOf(record, state, nowMs);
  const curing = view && curingIn(record, view, state, nowMs, []);
  if (curing?.stripMs == null) throw new Error('these forms never come off');
  return curing.stripMs;
}

/** Every task of the day, done in good time. */
function doTasks(s: Script, record: PourRecord, nowMs: number): void {
  const state = replay(s.events);
  const view = viewOf(record, state, nowMs);
  if (!view) throw new Error('no view');
  for (const t of tasksOf(record, view, state, nowMs)) {
    const byMs = t.dueMs ?? t.fromMs;
    const atMs = t.fromMs === null || byMs === null ? null : t.fromMs + (byMs - t.fromMs) / 2;
    if (atMs !== null && t.state !== 'done')
      s.log(atMs, t.who ?? 'I. Brandvold', 'task', { taskId: t.id, result: 'done' });
  }
}

function completeP1(): void {
  const pour = pourOf('P1');
  const mix = mixNamed(site, pour.mix);
  const plant = site.plants[0];
  if (!mix || !plant || !pour.date) throw new Error('demo site');
  const s = new Script();
  const day = midnightMs(pour.date, site.timeZone);
  const at = (h: number, m = 0) => day + (h * 60 + m) * MIN;
  const points = checkList({ site, pour, mix });
  const hard = 'FS/cover-bottom';
  check(
    s,
    points,
    at(-9),
    ['I. Brandvold', 'T. Oakes'],
    (p, place) => p.id === hard && place === 0,
  );
  s.log(at(-9) + 62 * MIN, 'T. Oakes', 'reading', {
    checkId: hard,
    place: 0,
    value: inches(2.375),
  });
  s.log(at(-9) + 70 * MIN, 'T. Oakes', 'fix', {
    checkId: hard,
    place: 0,
    what: 'Two 3 in chairs under the bar, 4 ft from C1',
  });
  s.log(at(-9) + 74 * MIN, 'T. Oakes', 'reading', { checkId: hard, place: 0, value: inches(3) });
  s.log(at(-7, 50), 'I. Brandvold', 'sign', { hold: 'own', result: 'pass', planVersion: 1 });
  // On the morning of the pour the form tops are shot again: forms move over night.
  const tops = points.filter((p) => p.kind === 'level');
  check(s, tops, at(6, 5), ['T. Oakes'], () => false);
  s.log(at(6, 40), 'R. Halloran', 'sign', { hold: 'inspection', result: 'pass', planVersion: 1 });
  s.log(at(7, 5), 'P. Winder', 'weather', {
    airTempC: celsiusOf(58),
    humidity: 0.7,
    windKmH: 9,
    sky: 'clear',
  });
  const plan = planPour(site, pour, mix, plant, 1190);
  s.log(at(-10), 'I. Brandvold', 'order', {
    act: 'order',
    volumeM3: plan.orderedM3,
    loads: plan.plannedLoads.map((l, i) => ({
      ...l,
      batchAt: new Date(day + (plan.trucks.result.loads[i]?.batchMin ?? 0) * MIN).toISOString(),
    })),
    mix: pour.mix,
    plant: pour.plant,
    number: 'P1-2207',
    turn: 1,
    said: `Taken by ${plant.label}.`,
  });
  const late = [6, 11];
  const loads = plan.trucks.result.loads;
  let free = 0;
  let ends: [string, number, number] | null = null;
  const legs = plan.route.legs;
  const rate = (pour.settings.placingRateM3PerH / 60) * 0.94;
  const use = 1.035;
  let leg = 0;
  let ratio = 0;
  loads.forEach((l, i) => {
    const id = plan.loadIds[i] as string;
    const arrive = Math.round(l.arriveMin + (late[i] ?? 8));
    s.log(day + arrive * MIN, 'P. Winder', 'load-arrived', {
      loadId: id,
      ticket: String(88107 + i * 3),
      volumeM3: l.volumeM3,
      batchedAt: new Date(day + (arrive - 38) * MIN).toISOString(),
      concreteTempC: celsiusOf(68 + i),
    });
    s.log(day + (arrive + 3) * MIN, 'P. Winder', 'slump', {
      loadId: id,
      measuredMm: (i === 0 ? 4 : 4.5) * MM_PER_IN,
      where: 'truck',
    });
    s.log(day + (arrive + 4) * MIN, 'I. Brandvold', 'load-verdict', {
      loadId: id,
      decision: 'accept',
    });
    let t = Math.max(arrive + 5, free);
    let holds = l.volumeM3 - (i === 0 ? pour.settings.leftBehindM3 : 0);
    while (holds > 1e-6 && leg < legs.length) {
      const here = legs[leg] as (typeof legs)[number];
      const want = here.volumeM3 * use * (1 - ratio);
      const put = Math.min(want, holds);
      s.log(day + Math.round(t * 60) * 1000, 'I. Brandvold', 'place-start', {
        elementId: here.elementId,
        lift: 0,
        loadId: id,
      });
      t += put / rate;
      ratio = put >= want - 1e-9 ? 1 : ratio + put / (here.volumeM3 * use);
      s.log(day + Math.round(t * 60) * 1000, 'I. Brandvold', 'place-stop', {
        elementId: here.elementId,
        lift: 0,
        filledRatio: Math.min(1, Math.round(ratio * 20) / 20 || ratio),
      });
      ratio = Math.round(ratio * 20) / 20;
      if (ratio >= 1) {
        leg += 1;
        ratio = 0;
      }
      holds -= put;
    }
    ends = [id, t, holds];
    s.log(day + (t + 1) * MIN, 'P. Winder', 'load-end', {
      loadId: id,
      returnedM3: Math.max(0, Math.round(holds * 100) / 100),
    });
    free = t + 5;
  });
  if (!ends) throw new Error('no load');
  const [, doneMin] = ends as [string, number, number];
  s.log(day + (doneMin + 2) * MIN, 'P. Winder', 'weather', {
    airTempC: celsiusOf(61),
    humidity: 0.62,
    windKmH: 11,
    sky: 'clear',
  });
  s.log(day + (doneMin + 9) * MIN, 'I. Brandvold', 'note', {
    text: 'Keyway strip and verts in, tops floated. Left-over in the block form at C1.',
  });
  for (const [h, f] of [
    [10, 77],
    [14, 83],
    [20, 79],
    [30, 74],
    [46, 69],
    [70, 66],
    [118, 64],
    [166, 63],
  ] as const)
    s.log(at(h), 'T. Oakes', 'probe', { tempC: celsiusOf(f), where: 'middle of FN' });
  const record: PourRecord = { site, pour, duskMin: 1190 };
  const stripMs = stripFrom(record, s.events, at(166));
  const strip = (afterMin: number) => Math.max(at(31, 10), stripMs + 20 * MIN) + afterMin * MIN;
  s.log(strip(0), 'I. Brandvold', 'strip', { elementIds: ['FN', 'FE'] });
  s.log(strip(45), 'I. Brandvold', 'strip', { elementIds: ['FS', 'FW'] });
  s.log(strip(55), 'T. Oakes', 'defect', {
    elementId: 'FW',
    what: 'Honeycomb 6 by 3 in, 1/2 in deep, at the form joint 9 ft from A1. Rubbed with repair mortar.',
  });
  s.log(at(7 * 24 + 10), 'I. Brandvold', 'break-test', {
    ageDays: 7,
    strengthMPa: 2980 * 0.006894757293,
    loadId: 'L1',
  });
  s.log(at(7 * 24 + 10, 20), 'I. Brandvold', 'close', {
    reason: 'Forms off, defect repaired, 7 day break in. 28 day break due 8 October.',
  });
  doTasks(s, record, at(7 * 24 + 9));
  s.save('demo/logs/quillback.P1.jsonl');
}

function partlyP2(): void {
  const pour = pourOf('P2');
  const mix = mixNamed(site, pour.mix);
  if (!mix || !pour.date) throw new Error('demo site');
  const s = new Script();
  const day = midnightMs(pour.date, site.timeZone);
  const points = checkList({ site, pour, mix });
  // Left for the morning: the bolt round of N, braces and ties of W, dowels, access, and a few single places.
  const left = (p: CheckPoint, place: number): boolean =>
    (p.elementId === 'N' && (p.kind === 'bolts' || p.kind.startsWith('dowels'))) ||
    (p.elementId === 'W' &&
      (p.kind === 'braces' ||
        p.kind === 'ties' ||
        p.kind === 'bucks' ||
        (p.kind === 'cover-inside' && place > 0))) ||
    (p.elementId === WHOLE_POUR && p.kind !== 'wires');
  const outs = new Set(['E1/cover-inside', 'S/lap']);
  s.log(day - 33 * 60 * MIN, 'I. Brandvold', 'question', {
    number: 7,
    elementIds: ['E2'],
    text: 'Detail 6 draws bars on both faces beside the ramp, the schedule has one mat. Which?',
    to: 'engineer',
  });
  const t = check(
    s,
    points,
    day - 10 * 60 * MIN,
    ['T. Oakes', 'I. Brandvold'],
    (p, place) => left(p, place) || (outs.has(p.id) && place === 0),
  );
  const morning = Math.max(t, day + 390 * MIN);
  // Form tops of the evening before are shot again at first light.
  const tops = points.filter((p) => p.kind === 'level');
  check(s, tops, day + 370 * MIN, ['T. Oakes'], () => false);
  s.log(morning + 3 * MIN, 'T. Oakes', 'reading', {
    checkId: 'E1/cover-inside',
    place: 0,
    value: inches(0.875),
  });
  s.log(morning + 5 * MIN, 'T. Oakes', 'reading', {
    checkId: 'S/lap',
    place: 0,
    value: inches(22),
  });
  if (morning + 5 * MIN > day + 400 * MIN) throw new Error('the demo check runs past 06:40');
  s.save('demo/logs/quillback.P2.jsonl');
}

/**
 * Being set out: levels of most form tops read two days ago, the loop closed, and a question that
 * holds the west and middle runs.
 */
function setOutP3(): void {
  const pour = pourOf('P3');
  const mix = mixNamed(site, pour.mix);
  if (!site.benchmark || !mix) throw new Error('demo site');
  const line = checkList({ site, pour, mix }).find((p) => p.id === 'SS1/line');
  const s = new Script();
  const day = midnightMs('2026-09-21', site.timeZone);
  const feet = (n: number) => Math.round(n * 0.3048 * 10_000) / 10_000;
  const at = (h: number, m: number) => day + (h * 60 + m) * MIN;
  s.log(at(15, 10), 'I. Brandvold', 'question', {
    number: 5,
    elementIds: ['SW1', 'SW2', 'SW3', 'SM'],
    text: 'Dowels to the basement wall are on S-2 at the north steps, not at the west steps nor at the middle wall. Both?',
    to: 'engineer',
  });
  const setupId = s.log(at(16, 0), 'T. Oakes', 'setup', {
    onId: site.benchmark.id,
    backSightM: feet(4.31),
  });
  const hiM = site.benchmark.elevationM + feet(4.31);
  const tops = levelTargets(site, pour).filter((t) => t.what === 'top');
  // How far each form stands off its mark, hundredths of a foot; D5 and the pads are still to be read.
  const off: Record<string, number> = {
    A5: 1,
    B5: 0,
    D3: 0,
    D1: -1,
    N8: 0,
    A3e: 1,
    N4: 0,
    W8: 0,
    W4: -1,
    C1s: 0,
  };
  let minute = 4;
  for (const t of tops) {
    const by = off[t.id.split('/')[0] ?? ''];
    if (by === undefined) continue;
    s.log(at(16, minute), 'T. Oakes', 'level', {
      setupId,
      pointId: t.id,
      rodM: Math.round((hiM - t.wantedM - feet(by / 100)) * 10_000) / 10_000,
    });
    minute += 2;
  }
  s.log(at(16, minute), 'T. Oakes', 'level', {
    setupId,
    pointId: site.benchmark.id,
    rodM: feet(4.31) + 0.001,
  });
  s.log(at(16, minute + 12), 'I. Brandvold', 'line', {
    elementId: 'SS1',
    offsets: lineStations(10.9728, line).map((atM, i) => ({
      atM,
      offsetMm: [0, 2, 4, -1, 1, 0][i] ?? 0,
    })),
  });
  s.save('demo/logs/quillback.P3.jsonl');
}

completeP1();
partlyP2();
setOutP3();
