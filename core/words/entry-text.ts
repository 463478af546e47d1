import { kindOf, type LogEvent, type Words } from '#core/log';
import { calculationNamed } from '#core/register';
import type { UnitSystem } from '#core/units';

/** One entry of the log in the trade's words, for the screen and the report alike. */
export function entryText(e: LogEvent, units: UnitSystem): string {
  const words: Words = { units, calculationTitle: (id) => calculationNamed(id)?.title ?? id };
  return kindOf(e.kind).text(e.body, words);
}
