import { z } from 'zod';
import { EVENT_KINDS, kindOf, type LogEvent, replay } from '#core/log';
import {
  checkSitePlan,
  mixSchema,
  plantSchema,
  pourDocSchema,
  ruledMix,
  sitePlanShape,
} from '#core/model';
import { routeOf } from '#core/pourplan';
import { calculation, fig, type Trace } from '#core/kit';
import { rulesOf } from '#core/rules';
import { alarmsOf } from './alarms.ts';
import { loadsOf } from './loads.ts';
import { orderOf } from './order.ts';
import { progressOf, type Progress } from './progress.ts';

const instant = () =>
  z.iso.datetime({ offset: true, error: 'must be a time with its zone, as 2026-09-23T06:40:00Z' });
const envelope = z.object({
  id: z.string().min(1, 'is empty'),
  at: instant(),
  actor: z.string().default(''),
  kind: z.enum(EVENT_KINDS, { error: `must be one of ${EVENT_KINDS.join(', ')}` }),
  body: z.unknown(),
  supersedes: z.string().nullish(),
});
const logEvent = envelope.transform((e, ctx): LogEvent => {
  const parsed = kindOf(e.kind).body.safeParse(e.body);
  if (parsed.success)
    return { ...e, supersedes: e.supersedes ?? null, body: parsed.data } as LogEvent;
  for (const issue of parsed.error.issues)
    ctx.addIssue({
      code: 'custom',
      path: ['body', ...issue.path.map((p) => (typeof p === 'symbol' ? String(p) : p))],
      message: issue.message,
    });
  return z.NEVER;
});

const minutesAfter = (ms: number, nowMs: number) => (ms - nowMs) / 60_000;

/** The working of it. */
function traceState(entries: number, trace: Trace, volumeM3: number, p: Progress): void {
  trace.step(
    'placed',
    `${entries} entries, ${p.placements.length} stretches of placing`,
    p.placedM3,
    'm³',
  );
  trace.step('to fill', `${fig(volumeM3)} − ${fig(p.placedM3)}`, p.toFillM3, 'm³');
  trace.step(
    'balance',
    `${fig(p.neededM3)} needed − ${fig(p.hereM3)} here − ${fig(p.onOrderM3)} on order`,
    p.balanceM3,
    'm³',
  );
  for (const s of p.seams)
    trace.step(
      `seam ${s.elementId}`,
      `shuts ${fig(s.knitMin)} min after it was placed`,
      s.minutesLeft,
      'min',
    );
  if (p.seams.some((s) => s.cold))
    trace.caution(
      'A seam is past its window: test it with a running vibrator, and ask the engineer before going on.',
    );
}

/** The log reduced to where the pour stands. */
export const pourStateOf = calculation({
  id: 'pour-state',
  title: 'State of the pour',
  purpose:
    'What is placed where, which seams are open and for how long, how much is still to come, how the loads stand, and what calls for the foreman now.',
  formula:
    'a reduction of the log: entries up to now that count (not corrected by a later one), in order of device time; filled = the highest share reached; balance as in day-balance, of what was ordered; seam shuts = placed + knit window at the concrete’s temperature',
  source: 'The log itself; windows as in joint-window',
  limits: 'As true as what was entered. The field test of a seam rules over its clock.',
  input: z
    .object({
      site: sitePlanShape,
      pour: pourDocSchema,
      mix: mixSchema,
      plant: plantSchema,
      events: z.array(logEvent),
      now: instant(),
    })
    .superRefine((v, ctx) => {
      checkSitePlan(v.site, {
        addIssue: (issue) => {
          ctx.addIssue({ ...issue, path: ['site', ...issue.path] });
        },
      });
    }),
  output: z.object({
    placedM3: z.number(),
    toFillM3: z.number(),
    hereM3: z.number(),
    onOrderM3: z.number(),
    balanceM3: z.number(),
    usedPerNeat: z.number().nullable(),
    filled: z.array(z.object({ elementId: z.string(), lift: z.number(), ratio: z.number() })),
    placements: z.array(
      z.object({
        elementId: z.string(),
        lift: z.number(),
        loadId: z.string().nullable(),
        fromMin: z.number(),
        toMin: z.number(),
        open: z.boolean(),
      }),
    ),
    seams: z.array(
      z.object({
        elementId: z.string(),
        lift: z.number(),
        opensInMin: z.number(),
        minutesLeft: z.number(),
        cold: z.boolean(),
      }),
    ),
    loads: z.array(
      z.object({
        id: z.string(),
        volumeM3: z.number().nullable(),
        ageMin: z.number().nullable(),
        overAge: z.boolean(),
        advice: z.string(),
      }),
    ),
    alarms: z.array(
      z.object({
        kind: z.string(),
        ref: z.string(),
        minutes: z.number().nullable(),
        amountM3: z.number().nullable(),
      }),
    ),
  }),
  compute(v, trace) {
    const nowMs = Date.parse(v.now);
    const mix = ruledMix(v.mix, rulesOf(v.site));
    const route = routeOf(v.site, v.pour);
    const state = replay(v.events.filter((e) => Date.parse(e.at) <= nowMs));
    const loads = loadsOf(state, orderOf(state).loads, mix, v.site.ruleProfile, nowMs);
    const p = progressOf(v.pour, mix, route, state, loads, nowMs);
    traceState(v.events.length, trace, route.volumeM3, p);
    return {
      placedM3: p.placedM3,
      toFillM3: p.toFillM3,
      hereM3: p.hereM3,
      onOrderM3: p.onOrderM3,
      balanceM3: p.balanceM3,
      usedPerNeat: p.usedPerNeat,
      filled: p.filled,
      placements: p.placements.map((x) => ({
        elementId: x.elementId,
        lift: x.lift,
        loadId: x.loadId,
        fromMin: minutesAfter(x.fromMs, nowMs),
        toMin: minutesAfter(x.toMs, nowMs),
        open: x.open,
      })),
      seams: p.seams.map((s) => ({
        elementId: s.elementId,
        lift: s.lift,
        opensInMin: minutesAfter(s.opensMs, nowMs),
        minutesLeft: s.minutesLeft,
        cold: s.cold,
      })),
      loads: loads.map((l) => ({
        id: l.id,
        volumeM3: l.volumeM3,
        ageMin: l.ageMin,
        overAge: l.overAge,
        advice: l.advice,
      })),
      alarms: alarmsOf(v.pour, mix, p, loads, nowMs),
    };
  },
});
