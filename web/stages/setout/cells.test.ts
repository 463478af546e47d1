import { describe, expect, test } from '@jest/globals';
import { type Anchor, anchorSchema } from '../../../core/model/index.ts';
import { demoSite } from '../../../core/testdata/demo.ts';
import { anchorFlags } from './object-flags.ts';
import { FOOTING_MORE, WALL_MORE } from './schedule-cells.ts';

const { footingTypes, wallTypes, anchors } = demoSite('quillback');
const footing = footingTypes[0];
const wall = wallTypes[0];
if (!footing || !wall) throw new Error('the demo has no types');
/** Measures to a thousandth: inches in millimetres end in rounding errors. */
const rounded = (x: unknown): unknown =>
  JSON.parse(
    JSON.stringify(x, (_k, v: unknown) => (typeof v === 'number' ? Math.round(v * 1e6) / 1e6 : v)),
  );
const cell = (id: string) => {
  const found = FOOTING_MORE.find((c) => c.id === id);
  if (!found) throw new Error(id);
  return found;
};

describe('cells of the schedule that are seldom set', () => {
  test.each([
    ['top', '2', { continuous: { ...footing.continuous, topCount: 2 } }],
    ['coverSide', '2 1/2 in', { coverSideMm: 63.5 }],
    ['coverTop', '1.5 in', { coverTopMm: 38.1 }],
    ['sides', 'Earth', { unformed: true }],
    ['drawing', 'S-9, detail 1', { drawing: 'S-9, detail 1' }],
  ])('%s takes %s', (id, text, change) => {
    expect(rounded(cell(id).read(footing, text, 'us'))).toEqual({ ...footing, ...change });
  });
  test.each([
    ['top', 'two'],
    ['top', '1.5'],
    ['sides', 'brick'],
    ['coverSide', 'thick'],
    ['drawing', 'x'.repeat(81)],
  ])('%s does not take %s, and says why', (id, text) => {
    expect(typeof cell(id).read(footing, text, 'us')).toBe('string');
  });
  test('what a cell shows it takes again', () => {
    for (const c of FOOTING_MORE)
      expect(rounded(c.read(footing, c.text(footing, 'us'), 'us'))).toEqual(footing);
    for (const c of WALL_MORE)
      expect(rounded(c.read(wall, c.text(wall, 'us'), 'us'))).toEqual(wall);
  });
});

test('how an anchor is set and coated is pressed on and off; only a dowel is drilled', () => {
  const bolt = anchors.find((a) => a.kind === 'bolt');
  if (!bolt) throw new Error('the demo has no bolt');
  let now: Anchor = { ...bolt, wetSet: false, coating: 'galvanised' };
  const press = (label: string) => {
    anchorFlags(now, (change) => {
      now = anchorSchema.parse({ ...now, ...change });
    })
      .find((f) => f.label === label)
      ?.press();
  };
  press('set wet');
  press('galvanised');
  expect(now.wetSet).toBe(true);
  expect(now.coating).toBeUndefined();
  press('stainless');
  expect(now.coating).toBe('stainless');
  const labels = (a: Anchor) => anchorFlags(a, () => undefined).map((f) => f.label);
  expect(labels(now)).not.toContain('drilled and glued');
  expect(labels({ ...now, kind: 'dowel' })).toContain('drilled and glued');
});
