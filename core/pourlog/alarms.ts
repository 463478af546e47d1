import type { Mix, PourDoc } from '#core/model';
import { overRating } from '#core/pourplan';
import type { LoadState } from './loads.ts';
import { faceKey } from './placements.ts';
import type { Progress } from './progress.ts';

/** Something that will not wait: what it is, about what, and how long there is. */
export interface Alarm {
  kind:
    | 'seamCold'
    | 'seamClosing'
    | 'pressure'
    | 'loadOld'
    | 'loadAgeing'
    | 'loadLate'
    | 'loadTooMuch'
    | 'short'
    | 'noLoadHere';
  /** The load it is about; the element, where it is about none. */
  ref: string;
  elementId: string | null;
  lift: number | null;
  minutes: number | null;
  amountM3: number | null;
  kPa: number | null;
  /** How long placing the rest of it takes, min. */
  needMin?: number;
}

/** A seam is urgent in its last quarter of an hour, a load in its last ten minutes (site practice). */
const SEAM_MIN = 15;
const LOAD_MIN = 10;
/** A truck is late when it is not here so long after it was due, min (site practice: clocks and gates differ). */
const LATE_MIN = 5;
/** A shortage below this is within what can be read off the forms, m³. */
export const SHORT_M3 = 0.1;
export const isShort = (balanceM3: number): boolean => balanceM3 > SHORT_M3;

/** Whether a seam shuts so soon that it comes before anything else, or has shut. */
export const seamUrgent = (s: { cold: boolean; minutesLeft: number }): boolean =>
  s.cold || s.minutesLeft <= SEAM_MIN;

const plain = { elementId: null, lift: null, minutes: null, amountM3: null, kPa: null };

/** Faces that shut: one alarm a face, since seams come with the one that shuts first in front. */
function seamAlarms(progress: Pick<Progress, 'seams'>): Alarm[] {
  const told = new Set<string>();
  return progress.seams.flatMap((s): Alarm[] => {
    const { elementId, lift, minutesLeft } = s;
    const key = faceKey(elementId, lift);
    if (told.has(key)) return [];
    told.add(key);
    if (!seamUrgent(s)) return [];
    const kind = s.cold ? 'seamCold' : 'seamClosing';
    return [{ ...plain, kind, ref: elementId, elementId, lift, minutes: minutesLeft }];
  });
}

/** How fast concrete goes in, and what was placed of a load, neat m³. */
interface Placing {
  rateM3PerH: number;
  usePerNeat: number;
  from: (loadId: string) => number;
}

/** Loads that are here and age; and those that are not, though they were due. */
function loadAlarms(
  mix: Mix,
  loads: readonly LoadState[],
  due: DueAt,
  nowMs: number,
  placing: Placing,
): Alarm[] {
  return loads.flatMap((l): Alarm[] => {
    if (l.endedAt !== null || l.decision === 'reject') return [];
    const about = { ...plain, ref: l.id, amountM3: l.volumeM3 ?? l.plannedM3 };
    if (l.arrivedAt === null) {
      const dueMs = due(l);
      const late = dueMs === null ? 0 : (nowMs - dueMs) / 60_000;
      return late >= LATE_MIN ? [{ ...about, kind: 'loadLate', minutes: -late }] : [];
    }
    if (l.ageMin === null) return [];
    const left = mix.maxAgeMin - l.ageMin;
    if (l.overAge) return [{ ...about, kind: 'loadOld', minutes: left }];
    if (left <= LOAD_MIN) return [{ ...about, kind: 'loadAgeing', minutes: left }];
    const stillM3 = Math.max(0, (l.volumeM3 ?? 0) - placing.usePerNeat * placing.from(l.id));
    const needMin = (stillM3 / placing.rateM3PerH) * 60;
    return needMin > left + 1
      ? [{ ...about, kind: 'loadTooMuch', minutes: left, amountM3: stillM3, needMin }]
      : [];
  });
}

/** Lifts in whose forms more presses than they hold, as they were really placed; the latest lift of a wall. */
function pressureAlarms(pour: PourDoc, progress: Pick<Progress, 'pressure' | 'current'>): Alarm[] {
  const over = progress.pressure.filter((p) => overRating(p.maxKPa, pour.settings.ratingKPa));
  const hose = progress.current;
  return over
    .filter((p) => hose?.elementId === p.elementId && hose.lift === p.lift)
    .map(({ elementId, lift, maxKPa }) => ({
      ...plain,
      kind: 'pressure',
      ref: elementId,
      elementId,
      lift,
      minutes: 0,
      kPa: maxKPa,
    }));
}

/** When a load that is waited for was due, ms; null for one that nobody waits for. */
export type DueAt = (load: LoadState) => number | null;

/** What calls for the foreman now, most urgent first. */
export function alarmsOf(
  pour: PourDoc,
  mix: Mix,
  progress: Progress,
  loads: readonly LoadState[],
  nowMs: number,
  due: DueAt = () => null,
): Alarm[] {
  const out = [
    ...pressureAlarms(pour, progress),
    ...seamAlarms(progress),
    ...loadAlarms(mix, loads, due, nowMs, {
      rateM3PerH: pour.settings.placingRateM3PerH,
      usePerNeat: progress.usePerNeat,
      from: (id) => progress.placedFrom.get(id) ?? 0,
    }),
  ];
  if (progress.startedMs !== null && progress.finishedMs === null) {
    const largest = Math.max(...loads.map((l) => l.plannedM3 ?? 0), pour.settings.truckM3);
    if (isShort(progress.balanceM3) && progress.onOrderM3 <= largest)
      out.push({ ...plain, kind: 'short', ref: 'balance', amountM3: progress.balanceM3 });
    const here = loads.some(
      (l) => l.arrivedAt !== null && l.endedAt === null && l.decision !== 'reject',
    );
    if (!here && progress.toFillM3 > 0)
      out.push({
        ...plain,
        kind: 'noLoadHere',
        ref: 'loads',
        minutes: progress.seams[0]?.minutesLeft ?? null,
        amountM3: progress.onOrderM3,
      });
  }
  return out.sort((a, b) => (a.minutes ?? Infinity) - (b.minutes ?? Infinity));
}
