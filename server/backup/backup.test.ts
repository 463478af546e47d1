import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { v4 as uuid } from 'uuid';
import { cameraShot } from '../standins/camera.ts';
import { openStore } from '../store/open-store.ts';
import { note, testApi } from '../testing/api.ts';
import { makeBackup, makeDayBackup, restoreBackup } from './backup.ts';
import { backupsIn, dropOld, thinned } from './folder.ts';
import { wantRoom } from './space.ts';

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

describe('the backups of days', () => {
  const folder = () => path.join(api.dataDir, 'backups');
  const dayFile = (day: string) => path.join(folder(), `jactum-${day}.jactum-backup`);
  const photosOf = (dir: string) =>
    fs.existsSync(path.join(dir, 'photos')) ? fs.readdirSync(path.join(dir, 'photos')).sort() : [];

  test('have their photos once between them, and each comes back whole', async () => {
    const made = await makeDayBackup(api.dataDir, dayFile('2026-09-21'));
    await makeDayBackup(api.dataDir, dayFile('2026-09-22'));
    expect(photosOf(folder())).toEqual(photosOf(api.dataDir));
    expect(fs.readdirSync(folder()).filter((n) => n.includes('.part'))).toEqual([]);
    expect(await restoreBackup(dayFile('2026-09-21'), fresh('day'))).toEqual(made);
    expect(photosOf(fresh('day'))).toEqual(photosOf(api.dataDir));
    // Away from its photos it is no backup, and says what is wanted.
    fs.mkdirSync(fresh('alone'));
    fs.copyFileSync(dayFile('2026-09-22'), path.join(fresh('alone'), 'day.jactum-backup'));
    await expect(
      restoreBackup(path.join(fresh('alone'), 'day.jactum-backup'), fresh('none-of-it')),
    ).rejects.toThrow(/lie in “photos” beside it/);
  });

  test('that are old go with the photos that were theirs alone', () => {
    const photos = path.join(folder(), 'photos');
    const old = path.join(photos, `${uuid()}.jpg`);
    fs.writeFileSync(old, 'of a site that is gone');
    const longAgo = new Date('2026-01-01');
    fs.utimesSync(old, longAgo, longAgo);
    const kept = photosOf(folder()).length - 1;
    dropOld(api.dataDir, 1);
    expect(backupsIn(api.dataDir)).toEqual([dayFile('2026-09-22')]);
    expect(fs.existsSync(old)).toBe(false);
    expect(photosOf(folder())).toHaveLength(kept);
  });

  test('are of the last days, then of weeks, then of months', () => {
    const day = (n: number) =>
      `jactum-${new Date(Date.UTC(2026, 0, 1 + n)).toISOString().slice(0, 10)}.jactum-backup`;
    let files: string[] = [];
    for (let n = 0; n < 400; n += 1) files = thinned([...files, day(n)], 14);
    expect(files).toHaveLength(14);
    expect(files.slice(-7)).toEqual([393, 394, 395, 396, 397, 398, 399].map(day));
    const ages = files.map(
      (f) => 399 - (Date.parse(f.slice(7, 17)) - Date.UTC(2026, 0, 1)) / 864e5,
    );
    // Four weeks and three months reach a good while further back than fourteen days.
    expect(ages[0]).toBeGreaterThan(60);
    expect(thinned(files, 14)).toEqual(files);
  });

  test('are not begun where there is no room for them: how much is wanted is said', () => {
    expect(() => {
      wantRoom(api.dataDir, folder(), 100);
    }).toThrow(/has 100 MB left, and a backup wants 2\d\d MB/);
    wantRoom(api.dataDir, folder(), 1000);
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
