import { z } from 'zod';
import { calculation, fig, nonNegative, positive, wholeOrNone } from '#core/kit';
import { atMost, ceilWhole } from '#core/units';

/** More bars than this stand in no wall. */
const MOST_BARS = 5000;

/** Where the uprights of a wall stand. */
export const vertLayout = calculation({
  id: 'vert-layout',
  title: 'Places of the uprights',
  purpose:
    'Where each upright bar stands along a wall, clear of openings, with the extra bars beside them.',
  formula:
    'bars from end to end no further apart than the spacing, evenly spread; those in an opening (and its side clearance) fall out; extra bars stand at the clearance on each side, then an extra spacing on',
  source:
    'Detailing practice; the extra bars are the drawing’s (commonly the bars cut by the opening, half each side)',
  limits: 'One mat of one bar. Corner bars and laps are not in it.',
  input: z
    .object({
      lengthM: positive(),
      spacingM: positive(),
      endM: nonNegative().default(0.0762),
      openings: z.array(z.object({ fromM: nonNegative(), toM: positive() })).default([]),
      extraEachSide: wholeOrNone().default(1),
      sideClearM: nonNegative().default(0.0508),
      extraSpacingM: positive().default(0.0762),
    })
    .superRefine((v, ctx) => {
      if (v.lengthM / v.spacingM > MOST_BARS || v.extraEachSide > 100)
        ctx.addIssue({
          code: 'custom',
          path: ['spacingM'],
          message: `gives more than ${MOST_BARS} bars`,
        });
      if (2 * v.endM >= v.lengthM)
        ctx.addIssue({
          code: 'custom',
          path: ['endM'],
          message: 'leaves no length between the two ends',
        });
      v.openings.forEach((o, i) => {
        if (o.toM <= o.fromM)
          ctx.addIssue({
            code: 'custom',
            path: ['openings', i, 'toM'],
            message: 'is not beyond fromM',
          });
      });
    }),
  output: z.object({
    positionsM: z.array(z.number()),
    extrasM: z.array(z.number()),
    count: z.number(),
    spacingM: z.number(),
  }),
  compute(v, trace) {
    const spaces = Math.max(1, ceilWhole((v.lengthM - 2 * v.endM) / v.spacingM));
    const spacingM = (v.lengthM - 2 * v.endM) / spaces;
    const inside = (x: number) =>
      v.openings.some(
        (o) => !atMost(x, o.fromM - v.sideClearM) && !atMost(o.toM + v.sideClearM, x),
      );
    const inWall = (x: number) => atMost(v.endM, x) && atMost(x, v.lengthM - v.endM);
    const positionsM = Array.from({ length: spaces + 1 }, (_, i) => v.endM + i * spacingM).filter(
      (x) => !inside(x),
    );
    const taken = (x: number, others: number[]) => others.some((y) => Math.abs(x - y) < 1e-6);
    const extrasM: number[] = [];
    for (const o of v.openings) {
      for (let k = 0; k < v.extraEachSide; k += 1) {
        for (const x of [
          o.fromM - v.sideClearM - k * v.extraSpacingM,
          o.toM + v.sideClearM + k * v.extraSpacingM,
        ])
          // A bar that stands there anyway is the extra one: two at one place are one.
          if (inWall(x) && !inside(x) && !taken(x, [...extrasM, ...positionsM])) extrasM.push(x);
      }
    }
    extrasM.sort((a, b) => a - b);
    trace.step('spaces', `⌈(${fig(v.lengthM)} − 2·${fig(v.endM)})/${fig(v.spacingM)}⌉`, spaces);
    trace.step('apart', `(${fig(v.lengthM)} − 2·${fig(v.endM)})/${spaces}`, spacingM, 'm');
    trace.step(
      'bars',
      `${positionsM.length} clear of openings + ${extrasM.length} beside them`,
      positionsM.length + extrasM.length,
      'bars',
    );
    return { positionsM, extrasM, count: positionsM.length + extrasM.length, spacingM };
  },
});
