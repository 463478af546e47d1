import fs from 'node:fs';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';
import sharp from 'sharp';
import { v4 as uuid } from 'uuid';
import { cameraShot } from '../standins/camera.ts';
import { note, testApi } from '../testing/api.ts';
import { wordsOf } from '../testing/words-of.ts';
import { reportDocument } from './document.ts';

let api: Awaited<ReturnType<typeof testApi>>;
beforeAll(async () => {
  api = await testApi();
});
afterAll(async () => {
  await api.end();
});

async function report(
  code: string,
  photos: Record<string, string> = {},
): Promise<{ text: string; definition: TDocumentDefinitions }> {
  const id = await api.idOf(code);
  const definition = reportDocument({
    record: await api.sites.pour(id),
    events: await api.events.after(id, 0),
    nowMs: Date.parse('2026-09-23T11:40:00Z'),
    photos,
    air: [],
  });
  return { text: wordsOf(definition.content).join(' | '), definition };
}

describe('the report', () => {
  test('of the finished pour holds all of it, in the site’s units and local time', async () => {
    const { text, definition } = await report('P1');
    expect(definition.pageSize).toBe('LETTER');
    expect(text).toContain('P1 Basement footings');
    expect(text).toContain('pour closed');
    // Neat volume of the ring, the failed reading and its re-reading, loads, slump, the curing, and the chain.
    expect(text).toContain('Neat 9.48 yd³');
    expect(text).toContain('FS | Bottom cover | 3 in | 2 3/8 in | earlier');
    expect(text).toContain('FS cover bottom fixed: Two 3 in chairs under the bar');
    expect(text).toMatch(/L1 \| 88107 \| 5\.\d\d yd³ \| 06:58 \| 07:36/);
    expect(text).toContain('4 1/2 in at truck, accept');
    expect(text).toContain('7 days: 2 980 psi');
    expect(text).toContain('Forms off: FN, FE');
    expect(text).toMatch(
      new RegExp(
        `${(await api.events.after(await api.idOf('P1'), 0)).length} entries, chain whole, last hash [0-9a-f]{64}`,
      ),
    );
    expect(text).not.toMatch(/NaN|undefined|Infinity|\bm³/);
  });

  test('of a pour that is not ready names what is out, and no strength', async () => {
    const { text } = await report('P2');
    expect(text).toContain('pour open');
    expect(text).toMatch(/\d things to fix first\. 257 of 294 read/);
    expect(text).toContain('OUT');
    expect(text).toContain('Question 7 to engineer on E2');
    expect(text).toContain('Placing has not ended.');
  });

  test('in metric carries no inch, on the paper of the place', async () => {
    const { text, definition } = await report('K1');
    expect(definition.pageSize).toBe('A4');
    expect(text).toContain('Neat 7.39 m³');
    expect(text).not.toMatch(/yd³|psi| ft| in \|/);
  });

  test('keeps an override for good, and shows text from people as text', async () => {
    const id = await api.idOf('P4');
    await api.events.append(
      id,
      [
        { ...note('<script>alert(1)</script> & more'), kind: 'note', supersedes: null },
        {
          id: '01a208cc-db83-7000-8000-000000000001',
          at: '2026-09-23T11:35:00Z',
          kind: 'override',
          body: { reason: 'Storm before noon' },
          supersedes: null,
        },
      ] as Parameters<typeof api.events.append>[1],
      { actor: 'I. Brandvold', device: 'test' },
    );
    const { text } = await report('P4');
    expect(text).toContain('Poured against the gate: Storm before noon (I. Brandvold, 06:35).');
    expect(text).toContain('<script>alert(1)</script> & more');
  });

  test('works kept calculations out anew, and lists the rules this site has changed', async () => {
    const id = await api.idOf('P4');
    await api.events.append(
      id,
      [
        {
          id: '01a208cc-db83-7000-8000-000000000002',
          at: '2026-09-23T11:35:00Z',
          kind: 'worked',
          body: {
            calculation: 'tie-load',
            input: {
              pressureKPa: 36,
              walerSpacingM: 0.6096,
              tieSpacingM: 0.6096,
              tieCapacityKN: 13.3,
            },
            note: 'ramp wall',
          },
          supersedes: null,
        },
      ] as Parameters<typeof api.events.append>[1],
      { actor: 'I. Brandvold', device: 'test' },
    );
    const { siteId, siteVersion } = await api.sites.pour(id);
    await api.changes.rule(siteId, siteVersion, {
      rule: 'loadAge',
      value: 60,
      by: 'I. Brandvold',
      at: '2026-09-22T10:00:00Z',
    });
    const { text } = await report('P4');
    expect(text).toMatch(/Load on a tie: ramp wall \(I\. Brandvold, 06:35\)/);
    expect(text).toMatch(/load \| {2}\| 3007 lb|load \|\s+\| 3008 lb/);
    expect(text).toContain(
      'Oldest a load may get | 60 min | ASTM C94/C94M-21, changed from 90 min to 60 min by I. Brandvold on 2026-09-22',
    );
  });
});

test('photos stand in the report with what they show; one that has not come yet is named', async () => {
  const crew = await api.as('crew');
  const id = await api.idOf('P4');
  const [come, away] = [uuid(), uuid()];
  await crew
    .put(`/api/pours/${id}/photos/${come}`)
    .set('Content-Type', 'image/jpeg')
    .send(await cameraShot(1, 'R ties'))
    .expect(201);
  const photo = (photoId: string, caption: string) => ({
    id: uuid(),
    at: '2026-09-23T11:35:00.000Z',
    kind: 'photo',
    body: { photoId, about: { type: 'element', elementId: 'R' }, caption },
  });
  await crew
    .post(`/api/pours/${id}/events`)
    .send({ events: [photo(come, 'ties by the door'), photo(away, 'the far end')] })
    .expect(200);
  const { text } = await report('P4', { [come]: 'data:image/jpeg;base64,AA==' });
  expect(text).toMatch(/Photo of R: ties by the door\. T\. Oakes [\d:]+\. \|/);
  expect(text).toMatch(/the far end\. T\. Oakes [\d:]+\. Not sent from the device/);
  // What the report is given are the thumbs of those that have come to this pour.
  const { photos } = api;
  const small = await photos.smallOnes(id, [come, away]);
  expect(Object.keys(small)).toEqual([come]);
  expect(
    (await sharp(Buffer.from((small[come] ?? '').split(',')[1] ?? '', 'base64')).metadata()).width,
  ).toBe(320);
  expect(await photos.smallOnes(await api.idOf('P2'), [come])).toEqual({});
  // A picture whose file was lost does not keep the others from being printed.
  fs.rmSync(path.join(api.dataDir, 'photos', `${come}-small.jpg`));
  expect(await photos.smallOnes(id, [come])).toEqual({});
});
