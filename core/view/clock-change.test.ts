import { describe, expect, test } from '@jest/globals';
import { replay } from '../log/state.ts';
import { mixSchema } from '../model/mix.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import { localIso } from '../weather/local-date.ts';
import { entryTimeText } from './entry-time.ts';
import { viewOf } from './pour-view.ts';

/** A pour that goes on while clocks change: its loads come as far apart as on any other night. */
const CHANGES = [
  ['2026-11-01', 'America/Chicago', '2026-11-01T00:30:00-05:00', '2026-11-01T01:30:00-06:00'],
  ['2026-03-08', 'America/Chicago', '2026-03-08T00:30:00-06:00', '2026-03-08T03:30:00-05:00'],
  ['2026-04-05', 'Australia/Sydney', '2026-04-05T00:30:00+11:00', '2026-04-05T02:30:00+11:00'],
] as const;

describe.each(CHANGES)('a pour from 00:30 on %s in %s', (date, timeZone, first, later) => {
  const { site, pour, plant, mix } = job({
    elements: ['WA'],
    runs: L_RUNS,
    timeZone,
    settings: { firstLoadMin: 30 },
    pour: { date },
  });
  const record = {
    site: { ...site, mixes: [mixSchema.parse(mix)], plants: [plant] },
    pour,
    duskMin: 1100,
  };
  const view = viewOf(record, replay([]), Date.parse(first) - 3_600_000);
  if (!view) throw new Error('no view');

  test('begins when the clock shows it, and two hours on are two hours', () => {
    const at = (min: number) => localIso(view.dayMs + min * 60_000, timeZone);
    expect([at(30), at(150)]).toEqual([first, later]);
  });
  test('its entries show the time of the clock', () => {
    expect(entryTimeText(Date.parse(first), view.dayMs, timeZone)).toBe('00:30');
    expect(entryTimeText(Date.parse(later), view.dayMs, timeZone)).toBe(later.slice(11, 16));
  });
});
