import { type Alarm, type OpenSeam, seamUrgent } from '#core/pourlog';
import type { Plant } from '#core/model';
import { liftName, type Route } from '#core/pourplan';
import { quantityText, textOf, type UnitSystem, volume } from '#core/units';
import { type SupplyWords, supplyWords } from './supply.ts';

/** How an alarm is said, and how it is drawn: out is past its limit, tight is close to it. */
interface AlarmWords {
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

const faceOf = (route: Pick<Route, 'legs'>, a: Alarm): string =>
  liftName(route, a.elementId ?? a.ref, a.lift ?? 0);

/** The words of each kind of alarm: what it is without its minutes, and the whole. */
type Words = (a: Alarm, on: Ground, units: UnitSystem) => AlarmWords;
/** Where it is, and how what comes is called. */
interface Ground {
  route: Pick<Route, 'legs'>;
  supply: SupplyWords;
  mixed: boolean;
}
const out = (name: string, rest: string): AlarmWords => ({
  tone: 'out',
  name,
  sentence: `${name}${rest}`,
});
const tight = (name: string, rest: string): AlarmWords => ({ ...out(name, rest), tone: 'tight' });
const loadName = (a: Alarm, { supply }: Ground): string =>
  `${supply.load} ${a.ref.replace(/^L/, '')}`;

const WORDS: Record<Alarm['kind'], Words> = {
  seamCold: (a, { route }) =>
    out(
      `The seam on ${faceOf(route, a)} has shut`,
      `, ${ago(a.minutes)} ago: try it with a running vibrator, and ask the engineer before going on.`,
    ),
  seamClosing: (a, { route }) =>
    tight(
      `The seam on ${faceOf(route, a)} is shutting`,
      `: ${inMinutes(a.minutes)} left to cover it.`,
    ),
  pressure: (a, { route }, units) =>
    out(
      `The forms of ${faceOf(route, a)} take too much`,
      `: ${quantityText(a.kPa ?? 0, 'KPa', units)} presses on them. Stop there, nobody in the line of the wall.`,
    ),
  loadOld: (a, on) =>
    out(
      `${loadName(a, on)} is too old`,
      ` by ${ago(a.minutes)}: send it back, or decide and say why.`,
    ),
  loadAgeing: (a, on) =>
    tight(`${loadName(a, on)} is getting old`, `: ${inMinutes(a.minutes)} left to place it.`),
  loadTooMuch: (a, on) =>
    tight(
      `${loadName(a, on)} gets too old before it is placed`,
      `: ${inMinutes(a.minutes)} left of its age, ${inMinutes(a.needMin ?? 0)} to place it. Faster, or send the rest back.`,
    ),
  loadLate: (a, on) =>
    tight(
      `${loadName(a, on)} is late`,
      `: it was due ${ago(a.minutes)} ago.${on.mixed ? '' : ' Ask the plant where it is.'}`,
    ),
  short: (a, _on, units) =>
    out(
      'What is here and on order will not fill the forms',
      `: ${textOf(volume(a.amountM3 ?? 0, units))} short. Order the balance now.`,
    ),
  noLoadHere: (a, { supply, mixed }) =>
    tight(
      mixed ? 'No batch is mixed' : 'No load is here',
      `, and the first seam shuts in ${inMinutes(a.minutes)}: ${mixed ? `mix the next ${supply.one}` : 'ask where the next truck is'}.`,
    ),
};

/** An alarm in words, in the site's units. */
export const alarmWords = (
  a: Alarm,
  { plan, plant }: { plan: { route: Pick<Route, 'legs'> }; plant: Pick<Plant, 'mixer'> },
  units: UnitSystem,
): AlarmWords =>
  WORDS[a.kind](
    a,
    { route: plan.route, supply: supplyWords(plant), mixed: plant.mixer !== undefined },
    units,
  );
