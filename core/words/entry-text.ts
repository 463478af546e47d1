import type { Words } from '../log/entry-kind.ts';
import { kindOf, type LogEvent } from '../log/events.ts';
import { calculationNamed } from '../register/index.ts';
import type { UnitSystem } from '../units/index.ts';

/** One entry of the log in the trade's words, for the screen and the report alike. */
export function entryText(e: LogEvent, units: UnitSystem): string {
  const words: Words = { units, calculationTitle: (id) => calculationNamed(id)?.title ?? id };
  return kindOf(e.kind).text(e.body, words);
}
