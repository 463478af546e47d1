import { afterAll, beforeAll, expect, test } from '@jest/globals';
import fs from 'node:fs';
import path from 'node:path';
import sharp from 'sharp';
import { v4 as uuid } from 'uuid';
import { cameraShot } from '../standins/camera.ts';
import { testApi } from '../testing/api.ts';

let api: Awaited<ReturnType<typeof testApi>>;
let crew: Awaited<ReturnType<typeof api.as>>;
let pour: string;
beforeAll(async () => {
  api = await testApi();
  crew = await api.as('crew');
  pour = await api.idOf('P2');
});
afterAll(() => api.end());

const send = (id: string, bytes: Buffer, query = '') =>
  crew.put(`/api/pours/${pour}/photos/${id}${query}`).set('Content-Type', 'image/jpeg').send(bytes);
const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#886644' } });

test('a photo comes back upright, no larger than needed, with a thumb, and without what the camera wrote', async () => {
  const shot = await picture(3000, 1000)
    .jpeg()
    .withExif({
      IFD0: { Make: 'Stand-in', Orientation: '6' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '45/1 12/1 0/1' },
    })
    .withMetadata({ orientation: 6 })
    .toBuffer();
  const id = uuid();
  const body: unknown = (await send(id, shot).expect(201)).body;
  // Turned by a quarter: 1000 × 3000, then 2400 on the long side.
  expect(body).toMatchObject({ id, width: 800, height: 2400 });
  const full = await crew
    .get(`/api/pours/${pour}/photos/${id}`)
    .expect(200)
    .expect('Content-Type', 'image/jpeg');
  const meta = await sharp(full.body as Buffer).metadata();
  expect(meta).toMatchObject({ format: 'jpeg', width: 800, height: 2400 });
  expect(meta.exif).toBeUndefined();
  const thumb = await sharp(
    (await crew.get(`/api/pours/${pour}/photos/${id}?size=small`).expect(200)).body as Buffer,
  ).metadata();
  expect(Math.max(thumb.width, thumb.height)).toBe(320);
});

test('the position stays only when it is wanted', async () => {
  const shot = await cameraShot(3, 'E1 cover');
  expect((await sharp(shot).metadata()).exif?.includes('Stand-in')).toBe(true);
  const [plain, kept] = [uuid(), uuid()];
  await send(plain, shot).expect(201);
  await send(kept, shot, '?position=keep').expect(201);
  const exif = async (id: string) =>
    (await sharp((await crew.get(`/api/pours/${pour}/photos/${id}`)).body as Buffer).metadata())
      .exif;
  expect(await exif(plain)).toBeUndefined();
  expect((await exif(kept))?.includes('Stand-in')).toBe(true);
});

test('the same id twice is stored once and answered the same; in another pour it is refused', async () => {
  const id = uuid();
  const first = await send(id, await picture(400, 300).png().toBuffer()).expect(201);
  const again = await send(id, await picture(50, 50).png().toBuffer()).expect(201);
  expect(again.body).toEqual(first.body);
  const other = await api.idOf('P1');
  await crew
    .put(`/api/pours/${other}/photos/${id}`)
    .set('Content-Type', 'image/png')
    .send(await picture(10, 10).png().toBuffer())
    .expect(409);
  await crew.get(`/api/pours/${other}/photos/${id}`).expect(404);
});

test('what is no picture, too large, empty or oddly named gets a message, and nothing is stored', async () => {
  const files = () =>
    fs.existsSync(path.join(api.dataDir, 'photos'))
      ? fs.readdirSync(path.join(api.dataDir, 'photos')).length
      : 0;
  const before = files();
  const words = await send(uuid(), Buffer.from('not a picture at all')).expect(400);
  expect(words.body).toMatchObject({
    title: 'Bad input',
    detail: expect.stringMatching(/cannot be read as a picture/) as unknown,
  });
  // A drawing can hold scripts and names of files: only pictures are taken.
  await send(
    uuid(),
    Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'),
  ).expect(400);
  const whole = await picture(300, 300).jpeg().toBuffer();
  await send(uuid(), whole.subarray(0, whole.length - 200)).expect(400);
  await send(uuid(), Buffer.alloc(0)).expect(400);
  await send(uuid(), Buffer.alloc(20 * 1024 * 1024 + 1)).expect(413);
  await send('..%2f..%2fevil', whole).expect(400);
  await crew
    .put(`/api/pours/${uuid()}/photos/${uuid()}`)
    .set('Content-Type', 'image/jpeg')
    .send(whole)
    .expect(404);
  await (
    await api.as('viewer')
  )
    .put(`/api/pours/${pour}/photos/${uuid()}`)
    .set('Content-Type', 'image/jpeg')
    .send(whole)
    .expect(403);
  expect(files()).toBe(before);
});

test('a picture of nearly 20 MB is taken', async () => {
  const noise = Buffer.alloc(2500 * 2600 * 3);
  for (let i = 0; i < noise.length; i += 1) noise[i] = (i * 2654435761) >>> 24;
  const big = await sharp(noise, { raw: { width: 2500, height: 2600, channels: 3 } })
    .png({ compressionLevel: 0 })
    .toBuffer();
  expect(big.length).toBeGreaterThan(19 * 1000 * 1000);
  await send(uuid(), big).expect(201);
});

test('a photo that is sent again while it is being taken in is stored once, and every try is answered', async () => {
  const shot = await cameraShot(4, 'E1 cover');
  const id = uuid();
  const answers = await Promise.all(Array.from({ length: 12 }, () => send(id, shot)));
  expect(new Set(answers.map((a) => a.status))).toEqual(new Set([201]));
  expect(new Set(answers.map((a) => JSON.stringify(a.body))).size).toBe(1);
});
