import { entries, type LogEvent, type PourState, replay, timeline } from '#core/log';
import { strength, temperatureFigure, textOf, type UnitSystem } from '#core/units';
import { curingOf, type Curing, type CuringInput } from './curing.ts';

/** What is said of the forms: in the rail, as a sentence, and what a run's own line says. */
export interface StripWords {
  short: string;
  sentence: string;
  run: string;
}

/** What of curing the words of the forms hang on. */
type StripCase = Pick<
  Curing,
  | 'strip'
  | 'stripMs'
  | 'stripped'
  | 'measured'
  | 'lastReadMs'
  | 'assumedC'
  | 'broken'
  | 'frost'
  | 'startMs'
>;

/** Where the time comes from: as read, by forecast, or with no forecast and what is taken in its place. */
function byWhat({ assumedC, measured }: StripCase, units: UnitSystem): string {
  if (assumedC !== null)
    return `, with no forecast: at ${textOf(temperatureFigure(assumedC, units))} of air`;
  return measured ? '' : ', by forecast';
}

/** What the last break says against the curve; nothing where it says nothing. */
const byTest = ({ broken }: StripCase, units: UnitSystem): string =>
  broken
    ? ` A test of ${broken.ageDays} days broke at ${textOf(strength(broken.strengthMPa, units))}, ${textOf(strength(broken.reckonedMPa, units))} was reckoned.`
    : '';

/**
 * When forms may come off, in words.
 * @param moment how a moment is said on site, as "Thu 05:20"
 * @param elements what the pour holds: once the forms of all of it are off, there is nothing left to wait for
 */
export function stripWords(
  c: StripCase,
  moment: (ms: number) => string,
  elements: readonly string[],
  units: UnitSystem,
): StripWords {
  if (elements.length > 0 && elements.every((e) => c.stripped.includes(e)))
    return { short: 'forms off', sentence: 'All forms are off.', run: 'forms off' };
  if (c.frost?.what === 'frozen') {
    const atMs = c.startMs + c.frost.atH * HOUR_MS;
    // What was not read came toward the air: without cover it froze, with it perhaps not.
    const read = c.lastReadMs !== null && atMs <= c.lastReadMs;
    if (!read)
      return {
        short: 'may have frozen',
        sentence: `By the air it froze ${moment(atMs)}, before it had ${textOf(strength(c.frost.leastMPa, units))}. Read the concrete; if it did, ask the engineer.`,
        run: 'read first',
      };
    return {
      short: 'froze: ask',
      sentence: `It froze ${moment(atMs)} at ${textOf(strength(c.frost.strengthMPa, units))}, before it had ${textOf(strength(c.frost.leastMPa, units))}: forms stay on, ask the engineer.`,
      run: 'stays on',
    };
  }
  switch (c.strip) {
    case 'may':
      return { short: 'may strip', sentence: 'Forms may come off.', run: 'may come off' };
    case 'forecast':
      return {
        short: 'read it, then strip',
        sentence: `By forecast only: ${c.lastReadMs === null ? 'no temperature was read' : `last read ${moment(c.lastReadMs)}`}. Read the concrete before forms come off.`,
        run: 'read first',
      };
    case 'no':
      return c.stripMs === null
        ? {
            short: 'no strip time',
            sentence: `The curve never reaches it: forms stay on until a test proves the strength.${byTest(c, units)}`,
            run: 'stays on',
          }
        : {
            short: `strip ${moment(c.stripMs)}`,
            sentence: `Forms stay on until ${moment(c.stripMs)}${byWhat(c, units)}.${byTest(c, units)}`,
            run: 'stays on',
          };
  }
}

/** Forms that came off before they might: when, what stood then, and what was said for it. */
export interface EarlyStrip {
  entry: LogEvent<'strip'>;
  verdict: 'no' | 'forecast';
  strengthMPa: number;
  ageH: number;
  reason: string | null;
}

/**
 * Every taking off of forms that went against the strength, the clock floor or the readings, judged
 * as things stood then.
 */
export function earlyStrips(input: Omit<CuringInput, 'nowMs'>): EarlyStrip[] {
  const log = timeline(input.state);
  return entries(input.state, 'strip').flatMap((entry): EarlyStrip[] => {
    const nowMs = Date.parse(entry.at);
    const then = curingOf({
      ...input,
      state: replay(log.filter((e) => Date.parse(e.at) <= nowMs)),
      nowMs,
    });
    if (then === null || then.strip === 'may') return [];
    const { strengthMPa, ageH, strip: verdict } = then;
    return [{ entry, verdict, strengthMPa, ageH, reason: entry.body.reason ?? null }];
  });
}

const HOUR_MS = 3_600_000;
const DAY = 86_400_000;
/**
 * A cylinder is broken within this of its age (ASTM C39 allows 7 days ± 6 h and 28 days ± 20 h: the
 * wider, rounded up), days.
 */
const AGE_SLACK_DAYS = 1;

/** Why a cylinder of an age cannot have been broken at a moment; null when it can. */
export function refuseBreak(state: PourState, ageDays: number, atMs: number): string | null {
  const placed = entries(state, 'place-start').map((e) => Date.parse(e.at));
  if (placed.length === 0) return 'Nothing has been placed yet: there is no cylinder to break.';
  const oldest = (atMs - Math.min(...placed)) / DAY;
  return ageDays > oldest + AGE_SLACK_DAYS
    ? `The oldest concrete of this pour is ${oldest < 1 ? `${(oldest * 24).toFixed(1)} hours` : `${oldest.toFixed(1)} days`} old: a cylinder of ${ageDays} days cannot have been broken.`
    : null;
}

/** Why forms of these elements cannot have come off; null when they can. */
export function refuseStrip(
  state: PourState,
  elementIds: readonly string[],
  atMs: number,
): string | null {
  const begun = new Set(
    entries(state, 'place-start')
      .filter((e) => Date.parse(e.at) <= atMs)
      .map((e) => e.body.elementId),
  );
  const empty = elementIds.filter((e) => !begun.has(e));
  return empty.length
    ? `Nothing has been placed in ${empty.join(', ')}: its forms cannot come off yet.`
    : null;
}
