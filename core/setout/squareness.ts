import { z } from 'zod';
import { calculation, fig, positive } from '#core/kit';

/** Square by diagonals. */
export const squareness = calculation({
  id: 'squareness',
  title: 'Square by diagonals',
  purpose: 'Whether four corners stand square, and which two to move, which way and how far.',
  formula:
    'difference = d13 − d24; expected diagonal = √(a² + b²); rack = (d13² − d24²)/(4a); a, b the means of opposite sides',
  source: 'Geometry of a parallelogram',
  limits: 'Four sides measured level. Corners 3 and 4 move together along the side 1 to 2.',
  input: z.object({
    s12M: positive(),
    s23M: positive(),
    s34M: positive(),
    s41M: positive(),
    d13M: positive(),
    d24M: positive(),
  }),
  output: z.object({ differenceM: z.number(), expectedDiagonalM: z.number(), rackM: z.number() }),
  compute(v, trace) {
    const a = (v.s12M + v.s34M) / 2;
    const b = (v.s23M + v.s41M) / 2;
    const differenceM = v.d13M - v.d24M;
    const expectedDiagonalM = Math.hypot(a, b);
    const rackM = (v.d13M ** 2 - v.d24M ** 2) / (4 * a);
    trace.step('difference', `${fig(v.d13M)} − ${fig(v.d24M)}`, differenceM, 'm');
    trace.step('expected', `√(${fig(a)}² + ${fig(b)}²)`, expectedDiagonalM, 'm');
    trace.step('rack', `(${fig(v.d13M)}² − ${fig(v.d24M)}²)/(4·${fig(a)})`, rackM, 'm');
    const mean = (v.d13M + v.d24M) / 2;
    if (Math.abs(mean - expectedDiagonalM) > 0.002 * expectedDiagonalM)
      trace.caution(
        'Both diagonals are off what the sides give: a side was misread, or opposite sides differ.',
      );
    return { differenceM, expectedDiagonalM, rackM };
  },
});
