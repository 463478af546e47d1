import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { freeSpot, type Box } from './free-spot.ts';

const sheet: Box = { x: 0, y: 0, w: 100, h: 60 };
const at = (x: number, y: number, w = 20, h = 10): Box => ({ x, y, w, h });

describe('free spots for words', () => {
  test('the first that nothing stands on is taken, and is taken from then on', () => {
    const taken = [at(0, 0)];
    expect(freeSpot([at(10, 5), at(30, 0), at(60, 0)], taken, sheet)).toEqual(at(30, 0));
    expect(freeSpot([at(30, 0), at(60, 0)], taken, sheet)).toEqual(at(60, 0));
  });
  test('edges may touch; off the sheet is no place', () => {
    expect(freeSpot([at(20, 0)], [at(0, 0)], sheet)).toEqual(at(20, 0));
    expect(freeSpot([at(90, 0), at(-1, 0), at(0, 55)], [], sheet)).toBeNull();
  });
  test('whatever is asked for, no two that were given meet', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 90 }), fc.integer({ min: 0, max: 50 })), {
          maxLength: 40,
        }),
        (spots) => {
          const taken: Box[] = [];
          for (const [x, y] of spots) freeSpot([at(x, y), at(y, x / 2)], taken, sheet);
          return taken.every((a, i) =>
            taken.every(
              (b, k) =>
                i === k ||
                a.x >= b.x + b.w ||
                b.x >= a.x + a.w ||
                a.y >= b.y + b.h ||
                b.y >= a.y + a.h,
            ),
          );
        },
      ),
    );
  });
});
