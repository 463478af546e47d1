const known = new Map<string, boolean>();

/** True when this machine knows the time zone (as in America/Chicago). Asking is slow, so each zone is asked for once. */
export function isTimeZone(name: string): boolean {
  const before = known.get(name);
  if (before !== undefined) return before;
  let good = true;
  try { new Intl.DateTimeFormat('en', { timeZone: name }); } catch { good = false; }
  // Names come from files: a bad one is not worth remembering.
  if (good) known.set(name, good);
  return good;
}
