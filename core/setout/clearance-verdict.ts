import { z } from 'zod';
import { anyNumber, calculation, fig, nonNegative } from '#core/kit';
import { atLeast } from '#core/units';

const WHAT = ['crawlHeight', 'topAboveGrade', 'workingRoom', 'frostDepth'] as const;

/** Room and depth. */
export const clearanceVerdict = calculation({
  id: 'clearance-verdict',
  title: 'Clearances and frost',
  purpose: 'Whether crawl space, wall top, working room and footing depth are what they must be.',
  formula: 'margin = have − need for each that was measured; good when not below 0',
  source:
    'IRC 2021 R408.4 (crawl 18 in), R404.1.6 (8 in above grade, here as default), R403.1.4 (frost depth, local); working room 2 ft (0.6 m) is trade practice',
  limits: 'Local frost depth and grade rule. Give what was measured; the rest is not judged.',
  input: z
    .object({
      crawlHeightM: nonNegative().optional(),
      crawlNeedM: nonNegative().default(0.4572),
      topAboveGradeM: anyNumber().optional(),
      topNeedM: nonNegative().default(0.2032),
      workingRoomM: nonNegative().optional(),
      roomNeedM: nonNegative().default(0.6096),
      footingBottomBelowGradeM: anyNumber().optional(),
      frostDepthM: nonNegative().optional(),
    })
    .superRefine((v, ctx) => {
      if (
        v.crawlHeightM === undefined &&
        v.topAboveGradeM === undefined &&
        v.workingRoomM === undefined &&
        v.footingBottomBelowGradeM === undefined
      )
        ctx.addIssue({
          code: 'custom',
          path: ['crawlHeightM'],
          message:
            'is missing: give at least one of crawlHeightM, topAboveGradeM, workingRoomM, footingBottomBelowGradeM',
        });
      if (v.footingBottomBelowGradeM !== undefined && v.frostDepthM === undefined)
        ctx.addIssue({
          code: 'custom',
          path: ['frostDepthM'],
          message: 'is missing: the local frost depth',
        });
    }),
  output: z.object({
    ok: z.boolean(),
    checks: z.array(
      z.object({
        what: z.enum(WHAT),
        haveM: z.number(),
        needM: z.number(),
        marginM: z.number(),
        ok: z.boolean(),
      }),
    ),
  }),
  compute(v, trace) {
    const rows: [(typeof WHAT)[number], number | undefined, number | undefined][] = [
      ['crawlHeight', v.crawlHeightM, v.crawlNeedM],
      ['topAboveGrade', v.topAboveGradeM, v.topNeedM],
      ['workingRoom', v.workingRoomM, v.roomNeedM],
      ['frostDepth', v.footingBottomBelowGradeM, v.frostDepthM],
    ];
    const checks = rows.flatMap(([what, haveM, needM]) => {
      if (haveM === undefined || needM === undefined) return [];
      trace.step(what, `${fig(haveM)} − ${fig(needM)}`, haveM - needM, 'm');
      return [{ what, haveM, needM, marginM: haveM - needM, ok: atLeast(haveM, needM) }];
    });
    if (checks.some((c) => c.what === 'frostDepth' && !c.ok))
      trace.caution('A footing above the frost line heaves: dig down, or ask the engineer.');
    return { ok: checks.every((c) => c.ok), checks };
  },
});
