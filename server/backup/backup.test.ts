import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { v4 as uuid } from 'uuid';
import { cameraShot } from '../standins/camera.ts';
import { openStore } from '../store/open-store.ts';
import { note, testApi } from '../testing/api.ts';
import { makeBackup, restoreBackup } from './backup.ts';

let api: Awaited<ReturnType<typeof testApi>>;
let dir: string;
beforeAll(async () => {
  api = await testApi();
  dir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-backup-test-'));
  const crew = await api.as('crew');
  await crew
    .put(`/api/pours/${await api.idOf('P2')}/photos/${uuid()}`)
    .set('Content-Type', 'image/jpeg')
    .send(await cameraShot(1, 'E1'))
    .expect(201);
});
afterAll(async () => {
  await api.end();
  fs.rmSync(dir, { recursive: true, force: true });
});
const fresh = (name: string) => path.join(dir, name);

describe('a backup', () => {
  test('made while entries come in is whole, and comes back as it was then', async () => {
    const file = fresh('one.jactum-backup');
    const pour = await api.idOf('P4');
    let stop = false;
    const writing = (async () => {
      while (!stop) {
        await api.events.append(pour, [note('meanwhile') as never], { actor: 'A', device: 'd' });
        await new Promise((go) => setImmediate(go));
      }
    })();
    const made = await makeBackup(api.dataDir, file);
    stop = true;
    await writing;
    expect(made).toMatchObject({ sites: 2, photos: 1 });
    expect(fs.statSync(file).mode & 0o077).toBe(0);
    expect(await restoreBackup(file, fresh('back'))).toEqual(made);
  });
  test('does not come back over a store, nor from another file', async () => {
    const file = fresh('two.jactum-backup');
    await makeBackup(api.dataDir, file);
    await expect(restoreBackup(file, api.dataDir)).rejects.toThrow(/holds a store already/);
    fs.writeFileSync(fresh('letter.txt'), 'not a backup');
    await expect(restoreBackup(fresh('letter.txt'), fresh('none'))).rejects.toThrow(/no backup/);
    expect(fs.readdirSync(fresh('none'))).toEqual([]);
  });
  test('that lacks a photo is none', async () => {
    const copy = fresh('copy');
    fs.cpSync(api.dataDir, copy, { recursive: true });
    const [photo] = fs.readdirSync(path.join(copy, 'photos')).filter((f) => !f.includes('small'));
    fs.writeFileSync(path.join(copy, 'photos', photo ?? ''), 'other');
    await expect(makeBackup(copy, fresh('bad'))).rejects.toThrow(/not as it was stored/);
    expect(fs.existsSync(fresh('bad'))).toBe(false);
  });
});

describe('a store that cannot be opened', () => {
  test('is said to be in use', async () => {
    const folder = fresh('used');
    const first = await openStore(folder);
    await expect(openStore(folder)).rejects.toThrow(/Another Jactum is using/);
    await first.close();
    await (await openStore(folder)).close();
  });
  test('is said to be damaged, with the last good backup', async () => {
    const folder = fresh('damaged');
    await (await openStore(folder)).close();
    const backup = path.join(folder, 'backups', 'jactum-2026-09-20.jactum-backup');
    await makeBackup(folder, backup);
    fs.writeFileSync(path.join(folder, 'jactum.sqlite'), 'scribble'.repeat(1000));
    await expect(openStore(folder)).rejects.toThrow(new RegExp(path.basename(backup)));
  });
  test('is said to be a newer one’s', async () => {
    const folder = fresh('newer');
    const { sqlite, close } = await openStore(folder);
    sqlite.exec("insert into kysely_migration values ('999-later', '2030-01-01')");
    await close();
    await expect(openStore(folder)).rejects.toThrow(/newer Jactum/);
  });
});
