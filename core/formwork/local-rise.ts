import { z } from 'zod';
import { anyNumber, calculation, fig, someOf } from '#core/kit';
import { atMost } from '#core/units';

const placing = z.object({
  bottomM: anyNumber(),
  topM: anyNumber(),
  startMin: anyNumber(),
  endMin: anyNumber(),
});

/** Placed within less than this it counts as a minute: a rise has no end otherwise. */
const LEAST_MIN = 1;

/** One lift at a place: heights in m, clock times in min. */
export type PlacedAt = z.output<typeof placing>;

/**
 * Height placed at one place, m, the minutes that took, and the rise, m/h.
 * @param placings from the bottom up, at least one
 */
export function riseOf(placings: readonly PlacedAt[]): {
  heightM: number;
  minutes: number;
  riseMPerH: number;
} {
  const heightM = (placings.at(-1)?.topM ?? 0) - (placings[0]?.bottomM ?? 0);
  const minutes = (placings.at(-1)?.endMin ?? 0) - (placings[0]?.startMin ?? 0);
  return { heightM, minutes, riseMPerH: (60 * heightM) / Math.max(minutes, LEAST_MIN) };
}

/**
 * How fast concrete rises at one place of a form: the height that was placed there over the time
 * from its first concrete to its last.
 */
export const localRise = calculation({
  id: 'local-rise',
  title: 'Rise at one place',
  purpose: 'How fast concrete comes up at one place of a form, its waits between lifts among it.',
  formula: 'R = 60·(last top − first bottom)/max(last end − first start, 1 min)',
  source: 'ACI 347R-14 §4.2.2: the average rate of placement of the form at that place',
  limits:
    'Of one place: a ring filled quickly all round rises slowly anywhere, a short wall does not. One lift in one pass is full head.',
  input: z.object({
    placings: someOf(placing).superRefine((list, ctx) => {
      const say = (i: number, field: string, message: string) => {
        ctx.addIssue({ code: 'custom', path: [i, field], message });
      };
      list.forEach((p, i) => {
        if (!(p.topM > p.bottomM)) say(i, 'topM', 'is not above its bottom');
        if (p.endMin < p.startMin) say(i, 'endMin', 'is before its start');
        const before = list[i - 1];
        if (before && !atMost(before.topM, p.bottomM))
          say(i, 'bottomM', 'is under the top of the one before');
        if (before && p.startMin < before.startMin)
          say(i, 'startMin', 'is before the start of the one before');
      });
    }),
  }),
  output: z.object({ heightM: z.number(), minutes: z.number(), riseMPerH: z.number() }),
  compute({ placings }, trace) {
    const { heightM, minutes, riseMPerH } = riseOf(placings);
    trace.step('height', 'last top − first bottom', heightM, 'm');
    trace.step('time', 'first concrete to last', minutes, 'min');
    trace.step('R', `60·${fig(heightM)}/${fig(Math.max(minutes, LEAST_MIN))}`, riseMPerH, 'm/h');
    return { heightM, minutes, riseMPerH };
  },
});
