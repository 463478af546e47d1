import {
  checkSitePlan,
  elementIds,
  mixSchema,
  plantSchema,
  pourDocSchema,
  ruledMix,
  sitePlanShape,
} from '#core/model';
import { z } from 'zod';
import {
  anyNumber,
  drawSeed,
  calculation,
  count,
  fig,
  nonNegative,
  positive,
  share,
  wholeOrNone,
} from '#core/kit';
import { rulesOf } from '#core/rules';
import { searchSequences } from './search.ts';
import { LIMITS, type SearchResult } from './search-types.ts';

const yesNo = () => z.boolean({ error: 'must be true or false' });
/** What the search may choose from. */
const choicesSchema = z.object({
  startAt: z.array(wholeOrNone()).default([]),
  reverse: z.array(yesNo()).default([]),
  lifts: z.array(count().lte(12, 'must be 12 or fewer')).default([]),
  truckM3: z.array(positive()).default([]),
  spacingMin: z.array(positive().nullable()).default([]),
  firstLoadMin: z.array(nonNegative().lt(1440, 'must be before midnight')).default([]),
  placingRateM3PerH: z.array(positive()).default([]),
  liftWaitMin: z.array(nonNegative().lte(240, 'must be 240 or less')).default([]),
});
const chosen = z.object({
  startAt: z.number(),
  reverse: z.boolean(),
  lifts: z.number().nullable(),
  truckM3: z.number(),
  spacingMin: z.number().nullable(),
  firstLoadMin: z.number(),
  placingRateM3PerH: z.number(),
  liftWaitMin: z.number(),
});
const candidate = z.object({
  chosen,
  cost: z.number(),
  coldSeam: z.number(),
  overRating: z.number(),
  overAge: z.number(),
  short: z.number(),
  afterDusk: z.number(),
  finishP50Min: z.number(),
  finishP90Min: z.number(),
  crewWaitMin: z.number(),
  fails: z.enum(LIMITS).nullable(),
  rejected: z.string().nullable(),
});

/** The best way round a pour. */
export const sequenceSearch = calculation({
  id: 'sequence-search',
  title: 'Search for the sequence',
  purpose:
    'Where to start, which way round, in how many lifts, with which loads how far apart and at what hour, so that the pour costs least and its seams hold.',
  formula:
    'least expected cost = crew·(finish − start) + short + left over + old loads + work after dusk, over trials of pour-simulation, subject to P(cold seam) ≤ share, pressure ≤ rating on every trial, and no placing in hours ruled out',
  source:
    'Simulation with common random numbers; all plans when few enough, else coordinate descent from many starts',
  limits:
    'Whole runs as starting places. Prices are the site’s own; the foreman knows what the plan leaves out.',
  input: z
    .object({
      site: sitePlanShape,
      pour: pourDocSchema,
      mix: mixSchema,
      plant: plantSchema,
      duskMin: nonNegative(),
      choices: choicesSchema,
      prices: z
        .object({ crewPerMin: nonNegative(), oldLoad: nonNegative(), afterDusk: nonNegative() })
        .default({ crewPerMin: 5, oldLoad: 400, afterDusk: 300 }),
      noGo: z
        .array(
          z.object({
            fromMin: anyNumber(),
            toMin: anyNumber(),
            reason: z.string().min(1, 'is empty'),
          }),
        )
        .default([]),
      coldSeamShare: share().default(0.02),
      trials: count().lte(20_000, 'must be 20 000 or fewer').default(200),
      seed: drawSeed().default(7),
      maxPlans: count().lte(20_000, 'must be 20 000 or fewer').default(1000),
      runnersUp: count().lte(50, 'must be 50 or fewer').default(5),
      pressureBy: z.enum(['rise', 'head'], { error: 'must be rise or head' }).default('head'),
    })
    .superRefine((v, ctx) => {
      checkSitePlan(v.site, {
        addIssue: (issue) => {
          ctx.addIssue({ ...issue, path: ['site', ...issue.path] });
        },
      });
      const ids = new Set(elementIds(v.site));
      v.pour.elements.forEach((e, i) => {
        if (!ids.has(e))
          ctx.addIssue({
            code: 'custom',
            path: ['pour', 'elements', i],
            message: `names ${e}, which is not a run or pad`,
          });
      });
      v.noGo.forEach((n, i) => {
        if (n.toMin <= n.fromMin)
          ctx.addIssue({
            code: 'custom',
            path: ['noGo', i, 'toMin'],
            message: 'is not after fromMin',
          });
      });
      v.choices.startAt.forEach((s, i) => {
        if (s >= v.pour.elements.length)
          ctx.addIssue({
            code: 'custom',
            path: ['choices', 'startAt', i],
            message: 'is past the last run of the pour',
          });
      });
    }),
  output: z.object({
    best: candidate.nullable(),
    advice: z.string().nullable(),
    runnersUp: z.array(candidate),
    examined: z.number(),
    possible: z.number(),
    enumerated: z.boolean(),
  }),
  compute(v, trace) {
    const search = searchSequences({
      ...v,
      choices: { ...v.choices, conveyance: [] },
      mix: ruledMix(v.mix, rulesOf(v.site)),
    });
    let step = search.next();
    while (!step.done) step = search.next();
    const found: SearchResult = step.value;
    trace.step(
      'plans',
      found.enumerated ? 'all there are' : `of ${found.possible}, from many starts`,
      found.examined,
      'plans',
    );
    if (found.best) {
      trace.step(
        'least cost',
        `start at ${found.best.chosen.startAt}${found.best.chosen.reverse ? ', the other way round' : ''}, ${found.best.chosen.lifts} lift(s), ${fig(found.best.chosen.truckM3)} m³ trucks`,
        found.best.cost,
        'money',
      );
      trace.step(
        'cold seam',
        `of ${v.trials} trials, at most ${fig(v.coldSeamShare)}`,
        found.best.coldSeam,
      );
      trace.step(
        'finish',
        'nine times in ten by, minutes after midnight',
        found.best.finishP90Min,
        'min',
      );
    } else trace.caution(found.advice ?? 'No plan keeps to the limits.');
    return found;
  },
});
