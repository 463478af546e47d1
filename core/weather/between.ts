/** An hour of a forecast as somebody gave it; what they left out is taken as usual. */
export interface GivenHour {
  ms: number;
  airTempC: number;
  humidity: number;
  windKmH: number;
  rainMmH: number;
}

const HOUR_MS = 3_600_000;
/** What was given last still holds this long. */
const LAST_HOLDS_MS = 3 * HOUR_MS;

const mixed = (a: number, b: number, share: number): number => a + (b - a) * share;

/**
 * Full hours between what was given: air, humidity and wind straight from one to the next, rain as
 * the last one said. Hours before the first and more than three after the last are not known.
 * @param given in order of time
 */
export function hoursBetween(
  given: readonly GivenHour[],
  fromMs: number,
  toMs: number,
): GivenHour[] {
  const first = given[0];
  const last = given.at(-1);
  if (!first || !last) return [];
  const out: GivenHour[] = [];
  for (let ms = Math.floor(fromMs / HOUR_MS) * HOUR_MS; ms <= toMs; ms += HOUR_MS) {
    if (ms < first.ms - HOUR_MS || ms > last.ms + LAST_HOLDS_MS) continue;
    const k = given.findIndex((g) => g.ms > ms);
    const after = k < 0 ? last : (given[k] ?? last);
    const before = k < 0 ? last : (given[k - 1] ?? first);
    const share = after.ms > before.ms ? (ms - before.ms) / (after.ms - before.ms) : 0;
    const s = Math.min(1, Math.max(0, share));
    out.push({
      ms,
      airTempC: mixed(before.airTempC, after.airTempC, s),
      humidity: mixed(before.humidity, after.humidity, s),
      windKmH: mixed(before.windKmH, after.windKmH, s),
      rainMmH: before.rainMmH,
    });
  }
  return out;
}
