import { entriesFrom, orderBody } from '../../testdata/entries.ts';
import { describe, expect, test } from '@jest/globals';
import { asWanted } from '../../testdata/as-wanted.ts';
import { demoPour } from '../../testdata/demo.ts';
import { checkList } from '../../check/points/index.ts';
import type { LogEvent } from '../../log/events.ts';
import { replay } from '../../log/state.ts';
import { curingIn, viewOf, type PourRecord } from '../pour-view.ts';
import { midnightMs } from '../../weather/local-date.ts';
import { nextLine, STAGES } from './index.ts';
import type { PourNow } from './stage.ts';

/** The next line follows a pour from its first reading to its report. */

const demo = demoPour('quillback', 'P4');
const { mix, plant } = demo;
const site = { ...demo.site, mixes: [mix], plants: [plant] };
const pour = { ...demo.pour, date: '2026-09-23' };
const dayMs = midnightMs(pour.date, site.timeZone);
const { ms, entry } = entriesFrom(dayMs, 'I. Brandvold');
const points = checkList({ site, pour, mix });

/** The part of the page's view that the next line reads, from the same core. */
function see(log: LogEvent[], minute: number, orderM3: number | null = null): PourNow {
  const doc = { ...pour, settings: { ...pour.settings, orderM3 } };
  const record: PourRecord = { pour: doc, site, duskMin: 1190 };
  const state = replay(log);
  const figures = viewOf(record, state, ms(minute));
  if (!figures) throw new Error('demo site');
  return {
    ...figures,
    record,
    units: 'us',
    nowMs: ms(minute),
    state,
    curing: curingIn(record, figures, state, ms(minute), []),
    elementName: (id: string) => site.runs.find((r) => r.id === id)?.label ?? id,
  } as unknown as PourNow;
}

const everythingRead = points.flatMap((p) =>
  p.places.map((_, place) => {
    const value = asWanted(p, place);
    if (!value) return entry('mark', { checkId: p.id, place, result: 'pass' }, 300);
    return entry('reading', { checkId: p.id, place, value }, 300);
  }),
);
const signed = [
  ...everythingRead,
  entry('sign', { hold: 'own', result: 'pass', planVersion: 1 }, 310),
  entry('sign', { hold: 'inspection', result: 'pass', planVersion: 1 }, 320),
];
const load = [
  entry(
    'load-arrived',
    { loadId: 'L1', ticket: '1', volumeM3: 4, batchedAt: new Date(ms(410)).toISOString() },
    450,
  ),
];
const ordered = entry(
  'order',
  orderBody([{ id: 'L1', volumeM3: 4, batchMin: 411 }], dayMs, pour),
  200,
);
const slump = (mm: number, at = 452) =>
  entry('slump', { loadId: 'L1', measuredMm: mm, where: 'truck' }, at);
const lift = (k: number, at: number) => [
  entry('place-start', { elementId: 'R', lift: k, loadId: 'L1' }, at),
  entry('place-stop', { elementId: 'R', lift: k, filledRatio: 1 }, at + 5),
];
const placed = [...load, slump(139.7), ...lift(0, 455), ...lift(1, 461)];

describe('one sentence and one button', () => {
  test.each([
    ['nothing read', [], 400, 'check', /Ramp wall, .* to read.*left in all/, /Read|Look/],
    [
      'a place out',
      [
        entry(
          'reading',
          { checkId: 'R/cover-inside', place: 0, value: { type: 'length', mm: 5 } },
          300,
        ),
      ],
      400,
      'check',
      /R inside cover is out\. Put a wheel spacer/,
      /^Fix$/,
    ],
    [
      'all read',
      everythingRead,
      400,
      'check',
      /Everything is read\. Sign your own check/,
      /^Sign$/,
    ],
    [
      'own check signed',
      signed.slice(0, -1),
      400,
      'check',
      /The inspector passes or rejects it/,
      /^Hand over$/,
    ],
    ['gate open, nothing ordered', signed, 400, 'check', /nothing is coming/, /^Plan$/],
    [
      'on the pour station, nothing ordered',
      signed,
      400,
      'pour',
      /^Not ordered\. Nothing/,
      /^Order$/,
    ],
    [
      'before the first load',
      [...signed, ordered],
      400,
      'pour',
      /Load 1, .* is due 07:30/,
      /^Load is here$/,
    ],
    [
      'the first load does not come',
      [...signed, ordered],
      500,
      'pour',
      /Load 1, .* is 50 min late\. Ask the plant/,
      /^Load is here$/,
    ],
    ['held, on the pour station', [], 400, 'pour', /left in all/, /Read|Look/],
    [
      'a load without slump',
      [...signed, ...load],
      451,
      'pour',
      /Take its slump: 5 1\/2 in ordered/,
      /^Slump$/,
    ],
    [
      'a stiff load',
      [...signed, ...load, slump(80)],
      453,
      'pour',
      /^Add 11 gal to load 1, 30 turns, slump again/,
      /^Add 11 gal$/,
    ],
    [
      'a stiff load that had its water',
      [...signed, ...load, entry('water', { loadId: 'L1', addedL: 40, turns: 30 }, 452), slump(80)],
      454,
      'pour',
      /too stiff\. Try it once more on a new sample/,
      /^Slump$/,
    ],
    [
      'a stiff load that had its water, tried on a new sample',
      [
        ...signed,
        ...load,
        entry('water', { loadId: 'L1', addedL: 40, turns: 30 }, 452),
        slump(80),
        slump(82, 453.5),
      ],
      455,
      'pour',
      /too stiff\. Decide before it goes in/,
      /^Decide$/,
    ],
    ['an old load', [...signed, ...load, slump(139.7)], 505, 'pour', /past 90 minutes/, /^Decide$/],
    [
      'a good load',
      [...signed, ...load, slump(139.7)],
      453,
      'pour',
      /is good\. Start with R, lift 1/,
      /^Start placing$/,
    ],
    [
      'placing',
      [
        ...signed,
        ...load,
        slump(139.7),
        entry('place-start', { elementId: 'R', lift: 0, loadId: 'L1' }, 455),
      ],
      456,
      'pour',
      /Placing R from load 1/,
      /^Stop$/,
    ],
    [
      'all placed',
      [...signed, ...placed],
      480,
      'pour',
      /No temperature read since placing/,
      /^Read temperature$/,
    ],
    [
      'curing',
      [...signed, ...placed, entry('probe', { tempC: 20 }, 480)],
      500,
      'cure',
      /Forms stay on until/,
      /^Read temperature$/,
    ],
    [
      'strong enough by forecast, not read for days',
      [...signed, ...placed, entry('probe', { tempC: 20 }, 480)],
      480 + 5 * 1440,
      'cure',
      /By forecast only/,
      /^Read temperature$/,
    ],
    [
      'strong enough',
      [
        ...signed,
        ...placed,
        entry('probe', { tempC: 20 }, 480),
        entry('probe', { tempC: 15 }, 475 + 5 * 1440),
      ],
      480 + 5 * 1440,
      'cure',
      /Forms may come off/,
      /^Strip$/,
    ],
    [
      'stripped',
      [
        ...signed,
        ...placed,
        entry('probe', { tempC: 20 }, 480),
        entry('strip', { elementIds: ['R'] }, 8000),
      ],
      8001,
      'cure',
      /Close the pour/,
      /^Close$/,
    ],
    [
      'closed',
      [...signed, ...placed, entry('close', { reason: 'done' }, 8002)],
      8003,
      'setout',
      /is closed, its log is whole/,
      /^Report$/,
    ],
  ] as const)('%s', (_, log, minute, stage, sentence, label) => {
    const line = nextLine(see([...log], minute), stage);
    expect(line.sentence).toMatch(sentence);
    expect(line.label).toMatch(label);
  });

  test('goes to the very place it speaks of', () => {
    const line = nextLine(
      see(
        [
          entry(
            'reading',
            { checkId: 'R/cover-inside', place: 1, value: { type: 'length', mm: 5 } },
            300,
          ),
        ],
        400,
      ),
      'check',
    );
    expect(line).toMatchObject({
      stage: 'check',
      focus: { run: 'R', check: 'R/cover-inside', place: 1 },
    });
  });
});

test('the rail’s figures follow the pour', () => {
  const figures = (log: LogEvent[], minute: number) =>
    STAGES.map((s) => s.figure(see(log, minute)).text);
  expect(figures([], 400)).toEqual([
    '1 run',
    `0 of ${everythingRead.length} read`,
    expect.stringMatching(/yd³, not ordered$/),
    'not ordered',
    'not yet',
  ]);
  expect(figures([ordered], 400).slice(2, 4)).toEqual([
    expect.stringMatching(/yd³, 1 load$/),
    'first load 07:30',
  ]);
  expect(figures([...signed, ...load, slump(139.7), ...lift(0, 455)], 470)[3]).toMatch(
    /^seam \d+ min$/,
  );
  expect(figures([...signed, ...placed], 480).slice(3)).toEqual([
    expect.stringMatching(/yd³ placed$/),
    expect.stringMatching(/^strip /),
  ]);
  expect(figures([...signed, ...placed, entry('close', {}, 481)], 482)[4]).toBe('closed');
});
