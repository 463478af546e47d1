import { describe, expect, test } from '@jest/globals';
import { TROUBLES } from '#core/log';
import { balanceText } from './balance.ts';
import { alongRouteText, coldSentence, coldStretchText } from './cold-seam.ts';
import { LOAD_ADVICE, loadVerdictText, onTheRoadText } from './loads.ts';
import { batchLines, mixerSentence, mixerText } from './mixer.ts';
import { aheadText, lostText, sentBackText } from './outlook.ts';
import { weighedText } from './prices.ts';
import { remindersAt } from './reminders.ts';
import { riseText } from './rise.ts';
import { FIRST_AID, peopleFirst } from './trouble.ts';
import { braceText } from './turns.ts';
import { gaugedL, waterAdviceText, waterText } from './water.ts';
import { layingName, layingText, wayNoteText } from './way.ts';
import { wayFigures, wayWords } from './ways.ts';
import { readWeatherText, weatherAsksText } from './weather.ts';

const YARD = 0.764554857984;
const GAL = 3.785411784;

describe('what is still to be ordered', () => {
  test('is told with how sure it is and by when it is called', () => {
    const short = { balanceM3: 2.5 * YARD, finishedMs: null };
    expect(balanceText(short, 'us')).toBe('2.5 yd³ more to order.');
    expect(balanceText(short, 'us', { spreadM3: 0.5 * YARD, by: '09:10' })).toBe(
      '2.5 yd³ more to order, give or take 0.5 yd³, to be called 09:10.',
    );
    expect(balanceText(short, 'us', { spreadM3: 0.001, by: null })).not.toMatch(/give or take/);
  });

  test('is nothing where it fits, told as left over where much is, and over when it is placed', () => {
    expect(balanceText({ balanceM3: 0, finishedMs: null }, 'metric')).toBe(
      'Nothing more to order.',
    );
    expect(balanceText({ balanceM3: -1.2, finishedMs: null }, 'metric')).toBe(
      'Nothing more to order. About 1.2 m³ left over.',
    );
    expect(balanceText({ balanceM3: 3, finishedMs: 1 }, 'metric')).toBe('Nothing more to place.');
  });
});

describe('a seam that goes cold', () => {
  const below = {
    kind: 'below',
    lift: 2,
    elementId: 'N',
    fromM: 40 * 0.3048,
    toM: 65 * 0.3048,
    gapMin: 76.4,
    knitMin: 71.2,
    shutsAtMin: 540,
  } as never;
  const beside = { ...(below as object), kind: 'beside', fromM: 3.2 } as never;

  test('lies from one place along the route to another, or beside a run', () => {
    expect(coldStretchText(below, 'us')).toBe('40 to 65 ft, 76 min, shut at 71');
    expect(coldStretchText(beside, 'metric')).toBe('N at 3 m, 76 min, shut at 71');
    expect(alongRouteText(3.3, 'metric')).toBe('3.5 m');
    expect(alongRouteText(3.3, 'us')).toBe('11 ft');
  });

  test('is told with what alone saves it, and without that with the two ways that always do', () => {
    const saved = (how: string, change: object) =>
      coldSentence(below, { how, change } as never, 'us')
        .split('. ')
        .at(-1);
    expect(saved('closer-loads', { spacingMin: 12 })).toBe('Loads every 12 min save it.');
    expect(saved('fewer-lifts', { lifts: 1 })).toBe('1 lift saves it.');
    expect(saved('bulkhead', { bulkheads: ['a'] })).toBe('1 planned bulkhead saves it.');
    expect(saved('bulkhead', { bulkheads: ['a', 'b'] })).toBe('2 planned bulkheads save it.');
    expect(saved('retarder', {})).toBe('A retarder in the mix saves it.');
    expect(coldSentence(below, null, 'us')).toBe(
      'Lift 2 waits too long: 40 to 65 ft, 76 min, shut at 71. Split it at a planned bulkhead, or place it on another day.',
    );
    expect(coldSentence(beside, null, 'us')).toMatch(/^N waits at its side too long/);
  });
});

describe('a load', () => {
  const load = (over: object) =>
    ({
      advice: 'accept',
      faults: [],
      concreteTempC: null,
      slump: null,
      airRatio: null,
      ...over,
    }) as never;

  test('is judged with the figure that decides it, in the site’s units', () => {
    expect(loadVerdictText(load({ advice: 'tooHot', concreteTempC: 35 }), 'us')).toBe(
      'too hot, 95 °F',
    );
    expect(loadVerdictText(load({ advice: 'tooCold', concreteTempC: 4 }), 'metric')).toBe(
      'too cold, 4 °C',
    );
    expect(loadVerdictText(load({ advice: 'tooStiff', slump: { marginMm: -12.7 } }), 'us')).toMatch(
      /^too stiff, .*in outside$/,
    );
    expect(loadVerdictText(load({ advice: 'tooWet' }), 'us')).toBe('too wet');
    expect(loadVerdictText(load({}), 'metric')).toBe('good to place');
    // A load with two faults is not sent on with one of them mended.
    expect(
      loadVerdictText(
        load({ advice: 'tooHot', concreteTempC: 35, faults: ['hot', 'stiff'] }),
        'us',
      ),
    ).toBe('too hot, 95 °F, and too stiff');
  });

  test('that may not be placed is marked as out, whatever is wrong with it', () => {
    for (const advice of ['tooStiff', 'tooWet', 'wrongMix', 'airOff', 'tooOld', 'tooHot'] as const)
      expect(LOAD_ADVICE[advice].tone).toBe('out');
    expect(LOAD_ADVICE.accept.tone).toBe('good');
  });

  test('on the road is where the plant last said', () => {
    const clock = (ms: number) => `${ms}`;
    expect(onTheRoadText({ batchedMs: 812, dueMs: 847 }, clock)).toBe('left 812, here about 847');
    expect(onTheRoadText({ batchedMs: null, dueMs: 847 }, clock)).toBe(
      'not batched yet, here 847 at the soonest',
    );
  });
});

describe('how the rest goes', () => {
  const ahead = (over: object = {}) => ({ finishMin: 640, shortM3: 0, lost: [], ...over });
  const lost = { elementId: 'W', kind: 'beside', fromM: 3, toM: 3, gapMin: 80, knitMin: 70 };

  test('a few minutes are as planned; more is told as later or sooner', () => {
    expect(aheadText(ahead(), 638, 'us')).toBe('Done 10:40, as planned.');
    expect(aheadText(ahead(), 610, 'us')).toMatch(/^Done 10:40, 30 min later than planned\.$/);
    expect(aheadText(ahead(), 660, 'us')).toMatch(/20 min sooner/);
    expect(aheadText(ahead({ shortM3: 2 }), 640, 'metric')).toBe(
      'As it goes 2.0 m³ is missing at 10:40.',
    );
  });

  test('the first seam that is lost is named, with when it shuts and by how much it is missed', () => {
    expect(lostText(ahead(), 'us')).toBeNull();
    expect(lostText(ahead({ lost: [{ ...lost, shutsAtMin: 600 }] }), 'metric')).toBe(
      'As it goes a seam is lost: W at 3 m, shuts 10:00, met 10 min too late.',
    );
  });

  test('a load sent back is bad only by what it makes worse', () => {
    const cold = ahead({ lost: [{ ...lost, shutsAtMin: 600 }] }) as never;
    expect(sentBackText(cold, ahead(), 12, 'metric')).toEqual({
      bad: true,
      text: 'Sent back: W goes cold at 10:00 and needs a bulkhead at 12 m.',
    });
    // The same seam is lost either way: it is not the load's doing.
    expect(sentBackText(cold, cold, null, 'metric').bad).toBe(false);
    expect(sentBackText(ahead({ shortM3: 3 }), ahead(), null, 'metric').text).toBe(
      'Sent back: 3.0 m³ is then missing: order it at once.',
    );
    expect(sentBackText(ahead({ finishMin: 670 }), ahead(), null, 'us').text).toBe(
      'Sent back: every seam still closes, done 30 min later.',
    );
  });
});

describe('water for a stiff load', () => {
  const advice = (over: object) =>
    ({ result: { reason: null, addL: 40, neededL: 40, newWc: 0.4823, ...over } }) as never;

  test('is told as a gauge is read, always down: whole gallons, five litres', () => {
    expect(gaugedL(9.9 * GAL, 'us')).toBeCloseTo(9 * GAL, 9);
    expect(gaugedL(43, 'metric')).toBeCloseTo(40, 9);
    expect(gaugedL(4.9, 'metric')).toBe(0);
    expect(waterText(9.9 * GAL, 'us')).toBe('9 gal');
  });

  test('is once, with the turns and the ratio it leads to; or it is said why not', () => {
    expect(waterAdviceText(advice({}), 'metric')).toMatch(
      /^Water allowed: 40 L, once\. Then \d+ turns and slump again, w\/c 0\.482\.$/,
    );
    expect(waterAdviceText(advice({ neededL: 60 }), 'metric')).toMatch(
      /once; 60 L would be needed\./,
    );
    expect(waterAdviceText(advice({ addL: 3 }), 'metric')).toBe(
      'The mix allows no more water: admixture, or back.',
    );
    expect(waterAdviceText(advice({ reason: 'added' }), 'metric')).toMatch(/^No more water/);
  });
});

describe('a brace', () => {
  test('is turned by quarters, the way that brings the wall back', () => {
    expect(braceText({ turns: 2.5, direction: 'out', possible: true })).toBe(
      'push out, 2½ turns longer',
    );
    expect(braceText({ turns: 0.25, direction: 'in', possible: true })).toBe(
      'let in, ¼ turn shorter',
    );
    expect(braceText({ turns: 1, direction: 'in', possible: false })).toBe(
      'in by 1 turn: this brace only pushes, pull it',
    );
    expect(braceText({ turns: 0.1, direction: 'out', possible: true })).toBe('leave it');
    expect(braceText({ turns: 3, direction: 'none', possible: true })).toBe('leave it');
  });
});

describe('how fast a wall comes up', () => {
  const rise = { elementId: 'N', riseMPerH: 2, allowedMPerH: 1.5, waitMin: 0 } as never;

  test('is held against what its forms take, and tells how long to wait', () => {
    expect(riseText(rise, 'metric')).toMatch(/^It comes up .* at N; the forms take /);
    expect(riseText({ ...(rise as object), waitMin: 5.2 } as never, 'metric')).toMatch(
      /^Wait 6 min at N: it would come up /,
    );
    const never = { ...(rise as object), waitMin: Infinity, allowedMPerH: 0 } as never;
    expect(riseText(never, 'metric')).toMatch(/^N: its forms do not hold a lift of this height/);
  });
});

describe('mixed on the site', () => {
  const parts = { batchM3: 0.2, batchMin: 6, by: 'parts', cement: 1, sand: 2, stone: 3 } as never;
  const needs = { batches: 12, mixingMin: 72, bags: 1, trips: 2 };

  test('a mixer is told by its parts or its bags, and what a pour takes of it', () => {
    expect(mixerText(parts, 'metric')).toMatch(/every 6 min, 1 : 2 : 3 by volume$/);
    expect(mixerSentence(needs as never, 'parts')).toMatch(
      /^12 batches in .*: 1 bag of cement, 2 trips with the trailer$/,
    );
    expect(mixerSentence({ ...needs, bags: 40 } as never, 'bags')).toMatch(/: 40 bags, 2 trips/);
  });

  test('a batch is weighed line by line; bags are opened, not weighed', () => {
    const batch = { cementKg: 60, sandKg: 150, stoneKg: 220, waterL: 28 };
    expect(batchLines({ ...needs, batch } as never, 'metric').map((l) => l.what)).toEqual([
      'cement',
      'sand, dry',
      'stone',
      'water at most',
    ]);
    expect(batchLines({ ...needs, batch: null } as never, 'metric')).toEqual([]);
  });
});

describe('along the way', () => {
  test('each way round is called by where it begins, and by its tightest seam', () => {
    const laying = (over: object) =>
      ({ how: 'low-side', from: 'B5', worstShare: 0.63, finishMin: 580, ...over }) as never;
    expect(layingName(laying({}))).toBe('From the low side, B5');
    expect(layingName(laying({ how: 'two-fronts' }))).toBe('Two fronts from B5');
    expect(layingText(laying({}))).toBe('tightest seam uses 63 in 100 of its window, done 09:40');
    expect(layingText(laying({ worstShare: 1.2 }))).toBe('a seam goes cold, done 09:40');
    expect(layingText(laying({ worstShare: 0 }))).toBe('no seams, done 09:40');
  });

  test('what bears at a place is told there, and the people are never left out', () => {
    const corner = { kind: 'corner', node: 'B5', elementId: 'N' } as never;
    const tee = { kind: 'tee', node: 'B2', elementId: 'N', waitMin: 12.4, knitMin: 70 } as never;
    const elsewhere = { kind: 'corner', node: 'B9', elementId: 'S' } as never;
    expect(wayNoteText(tee, 'us')).toBe('Tee B2: waits 12 min, shuts at 70');
    expect(wayNoteText({ ...(tee as object), waitMin: 0 } as never, 'us')).toBe(
      'Tee B2: fill what meets there together',
    );
    const said = remindersAt(
      { elementId: 'N', wall: true } as never,
      [corner, tee, elsewhere],
      'us',
    );
    expect(said).toHaveLength(3);
    expect(said[0]).toMatch(/^Corner B5: feed toward it/);
    expect(said.at(-1)).toBe('Nobody in the line of the wall, and nobody under the boom.');
    expect(remindersAt({ elementId: 'N', wall: false } as never, [], 'us')).toHaveLength(1);
  });

  test('a step is filled from its low side, going up as going down', () => {
    const step = (upM: number) =>
      wayNoteText({ kind: 'step', node: 'C', elementId: 'S', upM } as never, 'metric');
    expect(step(0.4)).toMatch(/^Step up .* at C: fill the low side first$/);
    expect(step(-0.4)).toMatch(/^Step down .* at C: close the riser/);
  });
});

describe('when something goes wrong', () => {
  test('people come first, whatever it is, and the place is named where it is known', () => {
    for (const what of TROUBLES) {
      const { first, then } = peopleFirst(what, 'N');
      expect(first.length).toBeGreaterThan(10);
      expect(then).not.toBe(first);
    }
    expect(peopleFirst('form-open', 'N').first).toBe('Everyone out of the line of N.');
    expect(peopleFirst('form-open', '').first).toBe('Everyone out of the line of the form.');
    expect(FIRST_AID.join(' ')).toMatch(/rinse with clean water for 20 minutes/);
  });

  test('a way on is told with what it costs, when it is done, and what it leaves', () => {
    const way = (over: object) =>
      ({
        id: 'stand',
        standMin: 25,
        laterMin: 25,
        cost: 200,
        leftM3: 0,
        odds: { inRain: 0, finishMin: { p50: 640 } },
        ...over,
      }) as never;
    expect(wayWords(way({}), 'N')).toEqual({
      title: 'Stand till N is braced',
      detail: 'About 25 min; the trucks wait.',
    });
    expect(wayFigures(way({}), 'USD', 'us')).toMatch(/^25 min later, .*200.*, done 10:40$/);
    expect(wayFigures(way({ laterMin: 0.4 }), undefined, 'us')).toMatch(/^no later, /);
    expect(
      wayFigures(
        way({ leftM3: 4, odds: { inRain: 0.3, finishMin: { p50: 700 } } }),
        'EUR',
        'metric',
      ),
    ).toMatch(/done 11:40, into the rain, 4\.0 m³ another day$/);
  });
});

describe('weather', () => {
  test('that was read stands beside what was forecast only where they differ', () => {
    const read = { airTempC: 24, windKmH: 25, sky: 'clear' } as never;
    expect(readWeatherText(read, { airTempC: 24, windKmH: 25 }, 'metric')).toBe(
      'Air 24 °C, wind 25 km/h, clear',
    );
    expect(readWeatherText(read, { airTempC: 20, windKmH: 25 }, 'metric')).toBe(
      'Air 24 °C (forecast 20 °C), wind 25 km/h, clear',
    );
    expect(readWeatherText({ airTempC: 24, sky: 'rain' } as never, null, 'metric')).toBe(
      'Air 24 °C, rain',
    );
  });

  test('asks for something, or for nothing', () => {
    const fine = { boomLimitKmH: null, cold: false, lowestC: 12, level: 'go' };
    expect(weatherAsksText(fine, 'metric')).toEqual([]);
    expect(weatherAsksText({ ...fine, boomLimitKmH: 50, level: 'no' }, 'metric')).toEqual([
      'Too windy: the boom stops at 50 km/h.',
    ]);
    expect(weatherAsksText({ ...fine, cold: true, lowestC: -3.4 }, 'metric')[0]).toMatch(
      /^Cold weather rules: down to .3 °C in the protection time/,
    );
    expect(weatherAsksText({ ...fine, level: 'no' }, 'metric')).toEqual([
      'Rain on the face: cover, and close off at a bulkhead.',
    ]);
  });
});

test('prices that are weighed are told in one line, with cents where they matter', () => {
  expect(weighedText({ crewPerMin: 4.8, coldSeam: 1500 }, 'EUR')).toMatch(
    /^the crew standing, a minute 4\.80 EUR; mending a seam that went cold .*1.?500/,
  );
  expect(weighedText({}, 'EUR')).toBe('');
});
