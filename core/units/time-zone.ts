const known = new Map<string, boolean>();

/**
 * True when this machine knows the time zone (as in America/Chicago). Asking is slow, so each zone
 * is asked for once.
 */
export function isTimeZone(name: string): boolean {
  const before = known.get(name);
  if (before !== undefined) return before;
  let good = true;
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
  } catch {
    good = false;
  }
  // Names come from files: a bad one is not worth remembering.
  if (good) known.set(name, good);
  return good;
}

const kept = new Map<string, Intl.DateTimeFormat>();
/** The time of day in a zone as people read it off a clock, 00:00 to 23:59. `ms`: epoch milliseconds. */
export function timeOfDay(ms: number, timeZone: string): string {
  let format = kept.get(timeZone);
  // Made once a zone: making one takes longer than all it is used for.
  if (!format) {
    format = new Intl.DateTimeFormat('en-GB', {
      timeZone,
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    });
    kept.set(timeZone, format);
  }
  return format.format(ms);
}
