import { type Alarm, type OpenSeam, seamUrgent } from '#core/pourlog';
import { liftName, type Route } from '#core/pourplan';
import { textOf, type UnitSystem, volume } from '#core/units';

/** How an alarm is said, and how it is drawn: out is past its limit, tight is close to it. */
export interface AlarmWords {
  tone: 'out' | 'tight';
  sentence: string;
  /** What it is without its minutes: read aloud once, and not at every tick. */
  name: string;
}

/** With no load here and its nearest seam further off than this the next truck is only waited for, minutes. */
const WAITED_FOR_MIN = 30;

/** How an open seam is drawn: past its window, in its last minutes, or with time left. */
export function seamTone(s: { cold: boolean; minutesLeft: number }): 'out' | 'tight' | 'good' {
  if (s.cold) return 'out';
  return seamUrgent(s) ? 'tight' : 'good';
}

/** What saves a waiting face: what is placed next on it, beside it, or where it was left. */
export function seamMoveText(
  route: Pick<Route, 'legs'>,
  { kind, metBy }: Pick<OpenSeam, 'kind' | 'metBy'>,
): string {
  const next = liftName(route, metBy.elementId, metBy.lift);
  if (kind === 'above') return `Place ${next} on it.`;
  return kind === 'beside' ? `Place ${next} beside it.` : `Go on with ${next}.`;
}

/** Whether an alarm is worth interrupting whatever else is on the screen. */
export const pressing = (a: Alarm): boolean =>
  a.kind !== 'noLoadHere' || (a.minutes !== null && a.minutes <= WAITED_FOR_MIN);

const inMinutes = (minutes: number | null): string =>
  `${Math.max(0, Math.round(minutes ?? 0))} min`;
const ago = (minutes: number | null): string => `${Math.max(0, Math.round(-(minutes ?? 0)))} min`;

function faceOf(route: Pick<Route, 'legs'>, ref: string): string {
  const dot = ref.lastIndexOf('.');
  return liftName(route, ref.slice(0, dot), Number(ref.slice(dot + 1)));
}

/** An alarm in words, in the site's units. */
export function alarmWords(a: Alarm, route: Pick<Route, 'legs'>, units: UnitSystem): AlarmWords {
  const load = `Load ${a.ref.replace(/^L/, '')}`;
  const amount = textOf(volume(a.amountM3 ?? 0, units));
  switch (a.kind) {
    case 'seamCold': {
      const name = `The seam on ${faceOf(route, a.ref)} has shut`;
      return {
        tone: 'out',
        name,
        sentence: `${name}, ${ago(a.minutes)} ago: try it with a running vibrator, and ask the engineer before going on.`,
      };
    }
    case 'seamClosing': {
      const name = `The seam on ${faceOf(route, a.ref)} is shutting`;
      return {
        tone: 'tight',
        name,
        sentence: `${name}: ${inMinutes(a.minutes)} left to cover it.`,
      };
    }
    case 'loadOld': {
      const name = `${load} is too old`;
      return {
        tone: 'out',
        name,
        sentence: `${name} by ${ago(a.minutes)}: send it back, or decide and say why.`,
      };
    }
    case 'loadAgeing': {
      const name = `${load} is getting old`;
      return {
        tone: 'tight',
        name,
        sentence: `${name}: ${inMinutes(a.minutes)} left to place it.`,
      };
    }
    case 'short': {
      const name = 'What is here and on order will not fill the forms';
      return { tone: 'out', name, sentence: `${name}: ${amount} short. Order the balance now.` };
    }
    case 'noLoadHere': {
      const name = 'No load is here';
      return {
        tone: 'tight',
        name,
        sentence: `${name}, and the first seam shuts in ${inMinutes(a.minutes)}: ask where the next truck is.`,
      };
    }
  }
}
