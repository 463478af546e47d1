import type { Mix, PourDoc } from '#core/model';
import type { LoadState } from './loads.ts';
import type { Progress } from './progress.ts';

/** Something that will not wait: what it is, about what, and how long there is. */
export interface Alarm {
  kind: 'seamCold' | 'seamClosing' | 'loadOld' | 'loadAgeing' | 'short' | 'noLoadHere';
  ref: string;
  minutes: number | null;
  amountM3: number | null;
}

/** A seam is urgent in its last quarter of an hour, a load in its last ten minutes (site practice). */
const SEAM_MIN = 15;
const LOAD_MIN = 10;
/** A shortage below this is within what can be read off the forms, m³. */
export const SHORT_M3 = 0.1;
export const isShort = (balanceM3: number): boolean => balanceM3 > SHORT_M3;

/** Whether a seam shuts so soon that it comes before anything else, or has shut. */
export const seamUrgent = (s: { cold: boolean; minutesLeft: number }): boolean =>
  s.cold || s.minutesLeft <= SEAM_MIN;

/** What calls for the foreman now, most urgent first. */
export function alarmsOf(pour: PourDoc, mix: Mix, progress: Progress, loads: LoadState[]): Alarm[] {
  const out: Alarm[] = [];
  // One alarm a face: seams come with the one that shuts first in front.
  const told = new Set<string>();
  for (const s of progress.seams) {
    const ref = `${s.elementId}.${s.lift}`;
    if (told.has(ref)) continue;
    told.add(ref);
    if (s.cold) out.push({ kind: 'seamCold', ref, minutes: s.minutesLeft, amountM3: null });
    else if (seamUrgent(s))
      out.push({ kind: 'seamClosing', ref, minutes: s.minutesLeft, amountM3: null });
  }
  for (const l of loads) {
    if (l.arrivedAt === null || l.endedAt !== null || l.decision === 'reject' || l.ageMin === null)
      continue;
    const left = mix.maxAgeMin - l.ageMin;
    if (l.overAge) out.push({ kind: 'loadOld', ref: l.id, minutes: left, amountM3: l.volumeM3 });
    else if (left <= LOAD_MIN)
      out.push({ kind: 'loadAgeing', ref: l.id, minutes: left, amountM3: l.volumeM3 });
  }
  if (progress.startedMs !== null && progress.finishedMs === null) {
    if (
      isShort(progress.balanceM3) &&
      progress.onOrderM3 <= Math.max(...loads.map((l) => l.plannedM3 ?? 0), pour.settings.truckM3)
    )
      out.push({ kind: 'short', ref: 'balance', minutes: null, amountM3: progress.balanceM3 });
    if (progress.hereM3 <= 0 && progress.toFillM3 > 0)
      out.push({
        kind: 'noLoadHere',
        ref: 'loads',
        minutes: progress.seams[0]?.minutesLeft ?? null,
        amountM3: progress.onOrderM3,
      });
  }
  return out.sort((a, b) => (a.minutes ?? Infinity) - (b.minutes ?? Infinity));
}
