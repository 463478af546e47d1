const WEEKDAY = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const MONTH = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');

/** "Thu 1 Oct". */
export function dateName(date: string): string {
  const [, m = 1, d = 1] = date.split('-').map(Number);
  return `${WEEKDAY[new Date(`${date}T12:00:00Z`).getUTCDay()] ?? ''} ${d} ${MONTH[m - 1] ?? ''}`;
}
