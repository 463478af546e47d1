import { COLD_AIR_C } from '#core/concrete';
import { evaluate } from '#core/kit';
import type { Conveyance, Plant, PourDoc } from '#core/model';
import type { Rules } from '#core/rules';
import { protectionHours, startWindow } from '#core/weather';
import type { z } from 'zod';
import type { DayHour } from './no-go.ts';
import type { PourPlan } from './plan.ts';
import { windNoOf } from './wind-no.ts';

export type Start = z.output<typeof startWindow.output>['starts'][number];

/**
 * What a start is judged by: the pour as it is planned, the forecast from the first day on, and the
 * light of its days.
 */
export interface StartAsk {
  plan: PourPlan;
  pour: PourDoc;
  plant: Plant;
  conveyance: Conveyance | undefined;
  rules: Rules;
  /** Minutes after midnight of the first day looked at. */
  hours: DayHour[];
  days: { sunriseMin: number; duskMin: number }[];
  fromMin: number;
  toMin: number;
}

/** Striking off, setting bolts and covering after the last concrete, and clearing up, min. */
export const FINISH_MIN = 60;
const CLEAN_UP_MIN = 30;

/** How long placing takes as it is planned, from the first load at the form to the last concrete, min. */
export const placingMinOf = (plan: PourPlan): number =>
  Math.max(1, plan.timetable.finishMin - (plan.timetable.placements[0]?.fromMin ?? 0));

/** Every quarter hour at which the pour could start, with what speaks against it. */
export const startsOf = ({ plan, pour, plant, conveyance, rules, ...ask }: StartAsk) => {
  const windNo = windNoOf(conveyance, rules);
  return evaluate(startWindow, {
    fromMin: ask.fromMin,
    toMin: ask.toMin,
    placingMin: Math.min(2880, placingMinOf(plan)),
    finishMin: FINISH_MIN,
    cleanUpMin: CLEAN_UP_MIN,
    protectH: protectionHours(rules, pour),
    travelMin: Math.min(1440, plant.travel.medianMin + plant.plantDelay.medianMin),
    forecast: ask.hours.map((h) => ({
      timeMin: h.min,
      airTempC: h.airTempC,
      humidity: h.humidity,
      windKmH: h.windKmH,
      rainMmH: h.rainMmH,
    })),
    days: ask.days,
    rainWatchMmH: rules.value('rainCaution'),
    rainNoMmH: Math.max(rules.value('rainStop'), rules.value('rainCaution')),
    ...(windNo === undefined ? {} : { windNoKmH: windNo }),
    ...(plant.openMin === undefined ? {} : { plantOpenMin: plant.openMin }),
    ...(plant.closeMin === undefined ? {} : { plantCloseMin: plant.closeMin }),
    dryingKgM2H: rules.value('dryingAct'),
    flatFace: plan.route.legs.some((l) => !l.wall),
    concreteTempC: pour.settings.concreteTempC,
  });
};

/** How long a start can still wait for a limit, reckoned backwards from it. */
export interface LastStart {
  rule: Start['reasons'][number]['rule'];
  /** The limit itself: when the rain begins, the plant shuts, it gets dark, the frost comes. */
  limitMin: number;
  lastStartMin: number;
}

/**
 * Backwards from what ends the day: the last start before rain, wind, the plant's closing, dusk and
 * frost, of the limits that lie ahead of a start. The latest first limits last.
 */
export function lastStartsOf(ask: StartAsk, startMin: number): LastStart[] {
  const placing = placingMinOf(ask.plan);
  const done = placing + FINISH_MIN;
  const day = Math.floor(startMin / 1440);
  const after = (of: (h: DayHour) => boolean) =>
    ask.hours.find((h) => h.min + 60 > startMin && of(h))?.min;
  const rain = after((h) => h.rainMmH > ask.rules.value('rainCaution'));
  const windNo = windNoOf(ask.conveyance, ask.rules);
  const wind = windNo === undefined ? undefined : after((h) => h.windKmH > windNo);
  const frost = after((h) => h.airTempC < COLD_AIR_C);
  const light = ask.days[Math.min(day, ask.days.length - 1)];
  const dusk = light && light.duskMin + Math.max(0, day - ask.days.length + 1) * 1440;
  const closes = ask.plant.closeMin === undefined ? undefined : ask.plant.closeMin + day * 1440;
  const travel = ask.plant.travel.medianMin + ask.plant.plantDelay.medianMin;
  const limits: [LastStart['rule'], number | undefined, number][] = [
    ['rain', rain, done],
    ['wind', wind, placing],
    ['plant', closes, placing - travel],
    ['dark', dusk, done + CLEAN_UP_MIN],
    ['cold', frost, done + protectionHours(ask.rules, ask.pour) * 60],
  ];
  return limits.flatMap(([rule, limitMin, before]): LastStart[] =>
    limitMin === undefined ? [] : [{ rule, limitMin, lastStartMin: limitMin - before }],
  );
}

const RANK = { good: 0, watch: 1, no: 2 } as const;

/**
 * The best starts, one to each stretch of the same verdict: good before watched, soonest first;
 * none that is ruled out.
 */
export function bestStarts(starts: Start[], most: number): Start[] {
  const heads = starts.filter((s, i) => {
    const before = starts[i - 1];
    return (
      s.verdict !== 'no' &&
      (before === undefined ||
        before.verdict !== s.verdict ||
        before.reasons.map((r) => r.rule).join() !== s.reasons.map((r) => r.rule).join())
    );
  });
  return heads
    .sort(
      (a, b) =>
        RANK[a.verdict] - RANK[b.verdict] ||
        a.reasons.length - b.reasons.length ||
        a.startMin - b.startMin,
    )
    .slice(0, most);
}
