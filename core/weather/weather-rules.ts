import { z } from 'zod';
import { COLD_AIR_C, leastPlacedC } from '#core/concrete';
import {
  anyNumber,
  calculation,
  fig,
  freshTemperature,
  nonNegative,
  positive,
  someOf,
  temperature,
} from '#core/kit';
import { atLeast, atMost } from '#core/units';

/** The last hour of a forecast holds for this long, minutes; each other until the next. */
const LAST_HOLDS_MIN = 60;

type Level = 'go' | 'caution' | 'no';
const hour = z.object({
  timeMin: anyNumber(),
  airTempC: temperature(),
  windKmH: nonNegative().default(0),
  rainMmH: nonNegative().default(0),
  lightning: z.boolean({ error: 'must be true or false' }).default(false),
});
const shape = z.object({
  forecast: someOf(hour),
  leastDimensionM: positive(),
  concreteTempC: freshTemperature(),
  placeFromMin: anyNumber().optional(),
  placeToMin: anyNumber().optional(),
  protectionH: positive().default(72),
  lowestSoFarC: temperature().optional(),
  groundFrozen: z.boolean({ error: 'must be true or false' }).default(false),
  boom: z.boolean({ error: 'must be true or false' }).default(false),
  boomLimitKmH: positive().default(48),
  hottestC: freshTemperature().default(35),
  rainStopMmH: positive().default(2.5),
  rainCautionMmH: positive().default(0.5),
});
type Weather = z.output<typeof shape>;

/** What one hour forbids, and what it asks to take care of. */
function judgeHour(
  v: Weather,
  h: Weather['forecast'][number],
): { no: string[]; caution: string[] } {
  const no: string[] = [];
  const caution: string[] = [];
  if (!atMost(h.rainMmH, v.rainStopMmH)) no.push(`rain ${fig(h.rainMmH)} mm/h on the face`);
  else if (!atMost(h.rainMmH, v.rainCautionMmH))
    caution.push(`rain ${fig(h.rainMmH)} mm/h: cover at hand`);
  if (v.boom && !atMost(h.windKmH, v.boomLimitKmH))
    no.push(`wind ${fig(h.windKmH)} km/h: the boom stops at ${fig(v.boomLimitKmH)}`);
  if (v.boom && h.lightning) no.push('lightning: no boom');
  else if (h.lightning) caution.push('lightning');
  if (h.airTempC < COLD_AIR_C) caution.push(`air ${fig(h.airTempC)} °C: cold weather`);
  return { no, caution };
}
function levelOf(no: string[], caution: string[]): Level {
  if (no.length) return 'no';
  return caution.length ? 'caution' : 'go';
}

/** What the weather allows. */
export const weatherRules = calculation({
  id: 'weather-rules',
  title: 'Weather rules',
  purpose:
    'Which hours of the forecast a pour may use, and what cold, heat, rain, wind and lightning ask of it.',
  formula:
    'cold when the air has fallen to or is expected below 4.4 °C (40 °F) from the first concrete to the end of protection, which runs from the last; an hour holds until the next; concrete as placed ≥ 13, 10, 7, 5 °C by section; ≤ 35 °C; rain > 2.5 mm/h no, > 0.5 caution; boom stops at its wind limit and in lightning',
  source:
    'ACI 306R-16 ch. 4 and table 5.1; ACI 305.1-14; rain limits are trade practice; wind limit is the pump maker’s',
  limits: 'A forecast. The pump’s own limit and the ground as it is found rule.',
  input: shape.superRefine((v, ctx) => {
    v.forecast.forEach((h, i) => {
      const b = v.forecast[i - 1];
      if (b && h.timeMin <= b.timeMin)
        ctx.addIssue({
          code: 'custom',
          path: ['forecast', i, 'timeMin'],
          message: 'is not after the hour before it',
        });
    });
    if (
      v.placeFromMin !== undefined &&
      v.placeToMin !== undefined &&
      v.placeToMin <= v.placeFromMin
    )
      ctx.addIssue({ code: 'custom', path: ['placeToMin'], message: 'is not after placeFromMin' });
  }),
  output: z.object({
    verdict: z.enum(['go', 'caution', 'no']),
    reasons: z.array(z.string()),
    coldWeather: z.boolean(),
    leastPlacedC: z.number(),
    lowestC: z.number(),
    hours: z.array(
      z.object({
        timeMin: z.number(),
        level: z.enum(['go', 'caution', 'no']),
        reasons: z.array(z.string()),
      }),
    ),
    windows: z.array(z.object({ fromMin: z.number(), toMin: z.number() })),
  }),
  compute(v, trace) {
    const judged = v.forecast.map((h) => ({ ...h, ...judgeHour(v, h) }));
    const hours = judged.map((h) => ({
      timeMin: h.timeMin,
      level: levelOf(h.no, h.caution),
      reasons: [...h.no, ...h.caution],
    }));
    const ends = endsOf(v.forecast);
    const from = v.placeFromMin ?? (v.forecast[0] as Weather['forecast'][number]).timeMin;
    const to = v.placeToMin ?? Math.max(from, ends.at(-1) ?? from);
    const within = (fromMin: number, toMin: number) =>
      judged.filter((h, i) => (ends[i] ?? 0) > fromMin && h.timeMin < toMin);
    // Protection begins when the last of it is placed: all of it is kept from then on.
    const protectedHours = within(from, to + v.protectionH * 60);
    const lowestC = Math.min(
      ...(protectedHours.length ? protectedHours : judged).map((h) => h.airTempC),
    );
    const coldWeather =
      lowestC < COLD_AIR_C || (v.lowestSoFarC !== undefined && atMost(v.lowestSoFarC, COLD_AIR_C));
    const least = leastPlacedC(v.leastDimensionM);
    const { no, caution } = standingReasons(v, coldWeather, least, lowestC);
    for (const h of within(from, to)) {
      no.push(...h.no);
      caution.push(...h.caution);
    }
    const begins = (v.forecast[0] as Weather['forecast'][number]).timeMin;
    if (begins > from || (ends.at(-1) ?? 0) < to)
      caution.push('the forecast does not reach over the placing');
    const windows = windowsOf(hours);
    trace.step(
      'lowest air',
      `until ${fig(v.protectionH)} h after the last is placed`,
      lowestC,
      '°C',
    );
    trace.step('least as placed', `section ${fig(v.leastDimensionM)} m`, least, '°C');
    trace.step(
      'usable',
      'hours without a no, together',
      windows.reduce((s, w) => s + (w.toMin - w.fromMin) / 60, 0),
      'h',
    );
    if (coldWeather)
      trace.caution(
        'Nothing is placed on frozen ground, and fresh concrete must not freeze: keep it covered until it is strong.',
      );
    const reasons = [...new Set([...no, ...caution])];
    return {
      verdict: levelOf(no, caution),
      reasons,
      coldWeather,
      leastPlacedC: least,
      lowestC,
      hours,
      windows,
    };
  },
});

/** When each hour of a forecast ends: it holds until the next. */
const endsOf = (hours: { timeMin: number }[]): number[] =>
  hours.map((h, i) => hours[i + 1]?.timeMin ?? h.timeMin + LAST_HOLDS_MIN);

/** Stretches without a no, hours that touch made one. */
function windowsOf(hours: { timeMin: number; level: Level }[]) {
  const windows: { fromMin: number; toMin: number }[] = [];
  hours.forEach((h, i) => {
    if (h.level === 'no') return;
    const last = windows.at(-1);
    const end = hours[i + 1]?.timeMin ?? h.timeMin + LAST_HOLDS_MIN;
    if (last && last.toMin === h.timeMin) last.toMin = end;
    else windows.push({ fromMin: h.timeMin, toMin: end });
  });
  return windows;
}

function standingReasons(v: Weather, coldWeather: boolean, least: number, lowestC: number) {
  const no: string[] = [];
  const caution: string[] = [];
  if (v.groundFrozen) no.push('the ground is frozen');
  if (!atMost(v.concreteTempC, v.hottestC))
    no.push(`concrete ${fig(v.concreteTempC)} °C is hotter than ${fig(v.hottestC)}`);
  if (coldWeather && !atLeast(v.concreteTempC, least))
    no.push(
      `cold weather: concrete ${fig(v.concreteTempC)} °C, this section needs ${least} as placed`,
    );
  if (coldWeather) caution.push(`cold weather: down to ${fig(lowestC)} °C, protect it`);
  return { no, caution };
}
