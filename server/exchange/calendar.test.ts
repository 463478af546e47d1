import { expect, test } from '@jest/globals';
import fs from 'node:fs';
import { type PourAnswer, siteFileSchema } from '../../contract/index.ts';
import { calendarOf, type PlannedPour } from './calendar.ts';

const NOW_MS = Date.parse('2026-09-23T11:40:00Z');
const site = siteFileSchema.parse(JSON.parse(fs.readFileSync('demo/sites/quillback.json', 'utf8')));
const plan = { orderedM3: 9, loads: 2, firstBatchMin: 405, firstLoadMin: 450, finishMin: 520 };
const planned = (code: string, over: object = {}): PlannedPour => {
  const pour = site.pours.find((p) => p.code === code);
  if (!pour) throw new Error(`no pour ${code}`);
  const record: PourAnswer = {
    id: code,
    siteId: 's',
    version: 1,
    pour: { ...pour, ...over },
    site,
    siteVersion: 1,
    duskMin: 1100,
    airBeforeC: 15,
  };
  return { record, plan };
};

test('whatever a site is called, its name stays one line of the calendar', () => {
  const lines = calendarOf('A, B; C\nD\\E', [planned('P2')], NOW_MS).split('\r\n');
  expect(lines).toContain('X-WR-CALNAME:A\\, B\\; C\\nD\\\\E');
  for (const line of lines.filter(Boolean)) expect(line).toMatch(/^([A-Z-]+[:;]| )/);
});

test('each thing of a pour comes once, and what has no day does not come', () => {
  const text = calendarOf(site.name, [planned('P2'), planned('P4', { date: null })], NOW_MS);
  const ids = [...text.matchAll(/^UID:(.*)$/gm)].map(([, id]) => id);
  expect(new Set(ids).size).toBe(ids.length);
  expect(ids).toContain('P2-pour@jactum');
  expect(text).not.toContain('P4');
});
