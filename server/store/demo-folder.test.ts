import { afterEach, beforeEach, expect, test } from '@jest/globals';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { emptyDemoFolder } from './demo-folder.ts';
import { openStore, takeFolder } from './open-store.ts';

let dir: string;
beforeEach(() => {
  dir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-folder-'));
});
afterEach(() => {
  fs.rmSync(dir, { recursive: true, force: true });
});
const put = (name: string) => {
  fs.writeFileSync(path.join(dir, name), 'mine');
};

test('a folder of somebody else’s is left alone, down to the last file, and named', () => {
  put('jactum.sqlite');
  put('taxes.pdf');
  expect(() => {
    emptyDemoFolder(dir, takeFolder);
  }).toThrow(/holds 2 things that are not a demo's \(jactum.sqlite, taxes.pdf\)/);
  expect(fs.readdirSync(dir).sort()).toEqual(['jactum.sqlite', 'taxes.pdf']);
});

test('an empty folder and one that is not there become the demo’s, and its own is emptied again', () => {
  emptyDemoFolder(dir, takeFolder);
  put('jactum.sqlite');
  emptyDemoFolder(dir, takeFolder);
  expect(fs.readdirSync(dir)).toEqual(['.jactum-demo']);
  const fresh = path.join(dir, 'a', 'b');
  emptyDemoFolder(fresh, takeFolder);
  expect(fs.existsSync(fresh)).toBe(true);
});

test('a demo that is running keeps its folder, whatever port another one has', async () => {
  emptyDemoFolder(dir, takeFolder);
  const running = await openStore(dir);
  put('log');
  expect(() => {
    emptyDemoFolder(dir, takeFolder);
  }).toThrow(/Another Jactum is using/);
  expect(fs.readdirSync(dir)).toContain('log');
  await running.close();
  emptyDemoFolder(dir, takeFolder);
  expect(fs.readdirSync(dir)).toEqual(['.jactum-demo']);
});
