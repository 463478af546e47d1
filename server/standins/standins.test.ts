import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { demoWeather } from '../demo.ts';
import { openDatabase } from '../store/database.ts';
import { siteClock } from './clock.ts';
import { NO_WEATHER, SimulatedWeather } from './weather.ts';

const clinic = { name: 'Quillback Veterinary Clinic, Orrin Falls', timeZone: 'America/Chicago' };
/** Asked so long before that it is forecast only; or at another moment. */
const hours = (from: string, to: string, at = '2026-01-01T00:00:00Z') =>
  new SimulatedWeather(demoWeather()).hours(
    clinic,
    Date.parse(from),
    Date.parse(to),
    Date.parse(at),
  ) ?? [];

describe('the weather that ships', () => {
  test('gives an hour for every hour, and the same every time', () => {
    const a = hours('2026-09-23T05:00:00Z', '2026-09-24T05:00:00Z');
    expect(a).toHaveLength(25);
    expect(hours('2026-09-23T05:00:00Z', '2026-09-24T05:00:00Z')).toEqual(a);
    a.slice(1).forEach((h, i) => {
      expect(Date.parse(h.at) - Date.parse(a[i]?.at ?? '')).toBe(3_600_000);
    });
  });

  test('rains on the pour day from two in the afternoon, coolest before dawn, warmest at three', () => {
    const day = hours('2026-09-23T05:00:00Z', '2026-09-24T04:00:00Z');
    const rain = day.filter((h) => h.rainMmH > 0).map((h) => h.at.slice(11, 13));
    expect(rain).toEqual(['19', '20', '21', '22']);
    const temps = day.map((h) => h.airTempC);
    expect(Math.min(...temps)).toBeCloseTo(13, 9);
    expect(day[temps.indexOf(Math.max(...temps))]?.at).toBe('2026-09-23T20:00:00.000Z');
  });

  test('drifts from what was forecast into what is observed, and stays there', () => {
    const [from, to] = ['2026-09-23T05:00:00Z', '2026-09-24T04:00:00Z'];
    const airAsOf = (at: string) => hours(from, to, at).map((h) => h.airTempC);
    const forecast = airAsOf('2026-09-20T00:00:00Z');
    const noon = airAsOf('2026-09-23T17:00:00Z');
    const after = airAsOf('2026-09-25T00:00:00Z');
    const apart = (a: number[], b: number[], i: number) => Math.abs((a[i] ?? 0) - (b[i] ?? 0));
    // By noon the morning is observed, and stays so; the evening is still nearer to the forecast than it will be.
    for (let h = 0; h <= 12; h += 1) expect(apart(noon, after, h)).toBeLessThan(1e-9);
    for (let h = 13; h < 24; h += 1)
      expect(apart(noon, forecast, h)).toBeLessThanOrEqual(apart(after, forecast, h) + 1e-9);
    const misses = after.map((_, i) => apart(after, forecast, i));
    expect(Math.max(...misses)).toBeGreaterThan(0.1);
    expect(Math.max(...misses)).toBeLessThanOrEqual(1.5);
  });

  test('has weather for days the script does not name, near the ones it does', () => {
    const day = hours('2026-11-20T12:00:00Z', '2026-11-20T20:00:00Z');
    expect(day).toHaveLength(9);
    for (const h of day) {
      expect(h.airTempC).toBeGreaterThan(-10);
      expect(h.airTempC).toBeLessThan(30);
    }
  });

  test('knows nothing of a site it has no script for', () => {
    expect(
      new SimulatedWeather(demoWeather()).hours({ name: 'Elsewhere', timeZone: 'UTC' }, 0, 1, 0),
    ).toBeNull();
    expect(NO_WEATHER.hours(clinic, 0, 1, 0)).toBeNull();
  });
});

describe('the site clock', () => {
  let dataDir = '';
  beforeEach(() => {
    dataDir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-clock-'));
  });
  afterEach(() => {
    fs.rmSync(dataDir, { recursive: true, force: true });
  });
  const start = new Date('2026-09-23T11:40:00Z');

  test('starts on the demo’s morning, runs on, goes forward when told, and tells whoever listens', async () => {
    const { db, close } = await openDatabase(dataDir);
    const clock = await siteClock(db, start);
    let told = 0;
    const undo = clock.listen(() => {
      told += 1;
    });
    expect(Math.abs(clock.now().getTime() - start.getTime())).toBeLessThan(2000);
    await clock.advance(90);
    undo();
    await clock.advance(1);
    expect(told).toBe(1);
    expect(Math.abs(clock.now().getTime() - start.getTime() - 91 * 60_000)).toBeLessThan(2000);
    await close();
  });

  test('goes on where it was after a restart; on one’s own data it is the real time', async () => {
    const first = await openDatabase(dataDir);
    await (await siteClock(first.db, start)).advance(600);
    await first.close();
    const again = await openDatabase(dataDir);
    const clock = await siteClock(again.db, start);
    expect(Math.abs(clock.now().getTime() - start.getTime() - 600 * 60_000)).toBeLessThan(5000);
    await again.db.deleteFrom('setting').execute();
    const own = await siteClock(again.db, null);
    expect(own.settable).toBe(false);
    expect(Math.abs(own.now().getTime() - Date.now())).toBeLessThan(2000);
    await again.close();
  });
});
