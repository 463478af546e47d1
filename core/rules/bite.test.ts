import { describe, expect, test } from '@jest/globals';
import { checkList } from '../check/points/index.ts';
import { checkRules } from '../check/rules.ts';
import { careOf } from '../cure/care.ts';
import { attempt } from '../kit/calculation.ts';
import { samplesOf } from '../pourlog/samples.ts';
import { waterFor } from '../pourlog/water.ts';
import { EXAMPLES } from '../register/examples.ts';
import { calculationNamed } from '../register/register.ts';
import { curingOf } from '../cure/curing.ts';
import { ruledMix } from '../model/mix.ts';
import { loadsOf } from '../pourlog/loads.ts';
import { judgeSlump } from '../pourlog/slump.ts';
import { entries, replay } from '../log/state.ts';
import { conveyanceSchema } from '../model/resources.ts';
import { noGoOf } from '../pourplan/no-go.ts';
import { placesOf } from '../pourplan/places.ts';
import { planPour } from '../pourplan/plan.ts';
import { standAt } from '../pourplan/reach.ts';
import { startsOf } from '../pourplan/starts.ts';
import { windNoOf } from '../pourplan/wind-no.ts';
import { demoPour } from '../testdata/demo.ts';
import { RULE_CATALOG, RULE_IDS, type RuleEntry, type RuleId } from './catalog/index.ts';
import { rulesOf, withRules } from './rules.ts';

/** A rule that is changed and changes nothing would be a control that does nothing: each is seen where it bites. */
const { site, pour, mix: plain, plant } = demoPour('quillback', 'P2');
const T0 = Date.parse('2026-09-23T12:00:00Z');
const { maxAgeMin: _, ...record } = plain;
const under = (rule: RuleId, value: number) => {
  const ruled = {
    ...site,
    ruleChanges: [{ rule, value, by: 'I. Brandvold', at: '2026-09-22T10:00:00Z' }],
  };
  return { site: ruled, mix: ruledMix(record, rulesOf(ruled)) };
};
type Under = ReturnType<typeof under>;
const plan = (u: Under) => planPour(u.site, pour, u.mix, plant, 1190);
const arrived = replay([
  {
    id: 'a',
    at: new Date(T0).toISOString(),
    actor: 'T. Oakes',
    kind: 'load-arrived',
    body: {
      loadId: 'L1',
      ticket: '1',
      volumeM3: 7,
      batchedAt: new Date(T0 - 50 * 60_000).toISOString(),
      concreteTempC: 24,
    },
  },
]);
const advice = (u: Under) =>
  loadsOf(arrived, [{ id: 'L1', volumeM3: 7 }], u.mix, u.site.ruleProfile, T0)[0]?.advice;
const point = (u: Under, id: string, kind: string) =>
  checkList({
    site: u.site,
    pour: { ...pour, elements: ['N', 'FN'], forms: 'A3' },
    mix: u.mix,
  }).find((p) => p.elementId === id && p.kind === kind);
const cure = (u: Under) =>
  curingOf({
    site: u.site,
    pour,
    mix: u.mix,
    state: replay([]),
    finishedMs: T0,
    placedC: 20,
    nowMs: T0 + 30 * 3600_000,
    air: [],
  });
const cured = (u: Under) => cure(u)?.strengthMPa;

const list = (u: Under) =>
  checkList({
    site: u.site,
    pour: { ...pour, elements: ['N', 'E1', 'FN'], forms: 'A3' },
    mix: u.mix,
  });
const whole = (u: Under, kind: string) =>
  checkList({ site: u.site, pour, mix: u.mix }).find((p) => p.kind === kind);
const entryOf = (kind: string, body: object, min: number) => ({
  id: `${kind}${min}`,
  at: new Date(T0 + min * 60_000).toISOString(),
  actor: 'T. Oakes',
  kind,
  body,
});
const loadIn = (u: Under, more: object[], mix: object) =>
  loadsOf(
    replay([...entries(arrived, 'load-arrived'), ...more] as never),
    [{ id: 'L1', volumeM3: 7 }],
    { ...u.mix, ...mix },
    u.site.ruleProfile,
    T0 + 5 * 60_000,
  )[0];
const waterOf = (u: Under) => {
  const wet = { cementKgM3: 340, waterKgM3: 150, maxWcRatio: 0.6 };
  const stiff = entryOf('slump', { loadId: 'L1', measuredMm: 80, where: 'truck' }, 2);
  const load = loadIn(u, [stiff], wet);
  return load && waterFor(load, { ...u.mix, ...wet }, u.site.ruleProfile, 0.1)?.result;
};
const airOf = (u: Under, airRatio: number) =>
  loadIn(u, [entryOf('fresh-test', { loadId: 'L1', airRatio, where: 'truck' }, 2)], {
    airRatio: 0.06,
  })?.advice;
const careOn = (u: Under, sheltered = false, cementType: 'I' | 'III' = 'I') => {
  const c = cure(u);
  return (
    c &&
    careOf({
      curing: c,
      pour: { stripping: { ...pour.stripping, sheltered } },
      mix: { cementType, cylinderMPa: u.mix.cylinderMPa },
      rules: rulesOf(u.site),
      leastDimensionM: 0.25,
      air: [{ at: new Date(T0 + 3600_000).toISOString(), airTempC: -2 }],
    })
  );
};
/** Strong and past its clock floor, the concrete read an hour ago. */
const readThen = (u: Under) =>
  curingOf({
    site: u.site,
    pour,
    mix: u.mix,
    state: replay([entryOf('probe', { tempC: 30, place: 'N' }, 71 * 60)] as never),
    finishedMs: T0,
    placedC: 30,
    nowMs: T0 + 72 * 3600_000,
    air: [],
  });
const samplesIn = (u: Under, testsWaived = false) =>
  samplesOf({ ...pour, testsWaived }, rulesOf(u.site), plan(u), replay([]), [])?.plan.result.tests;

const boom = conveyanceSchema.parse({
  id: 'b',
  label: 'Boom',
  kind: 'boom',
  reachM: 40,
  rateM3PerH: 40,
  outriggers: { spreadM: 4, reactionKN: 200 },
});
const wires = [{ id: 'w', from: { xM: -40, yM: 20 }, to: { xM: 40, yM: 20 } }];
const stand = (u: Under) => {
  const { route, cells } = plan(u);
  const at = { ...u.site, wires };
  const ask = { site: at, places: placesOf(at, route, cells), conveyance: boom };
  return standAt({ ...ask, rules: rulesOf(u.site) }, { xM: -6, yM: 0 });
};
/** A wet, windy and drying morning. */
const hours = [8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19].map((h) => ({
  min: h * 60,
  airTempC: 34,
  humidity: 0.2,
  windKmH: 30,
  rainMmH: h > 15 ? 2 : 0,
}));
const starts = (u: Under, of = pour) =>
  startsOf({
    plan: planPour(u.site, of, u.mix, plant, 1190),
    pour: { ...of, settings: { ...of.settings, concreteTempC: 28 } },
    plant,
    conveyance: boom,
    rules: rulesOf(u.site),
    hours,
    days: [{ sunriseMin: 360, duskMin: 1200 }],
    fromMin: 480,
    toMin: 900,
  }).result.starts;
const noGo = (u: Under) => noGoOf(hours, rulesOf(u.site), windNoOf(boom, rulesOf(u.site)));

const BITES: [RuleId, number, (u: Under) => unknown][] = [
  ['loadAge', 45, advice],
  ['hottestConcrete', 22, advice],
  ['coldestConcrete', 20 + 4.5, advice],
  ['pumpLoss', 40, (u) => judgeSlump(u.mix, u.site.ruleProfile, 100, 'hose').result.lowMm],
  ['stiffen', 25, (u) => plan(u).stiffenMin],
  ['knit', 55, (u) => plan(u).knitMin],
  ['callSd', 0.08, (u) => plan(u).order.result.callBalance?.cost],
  ['strengthEnergy', 3000, cured],
  ['coolingTime', 8, cured],
  ['thinWallMinus', 3, (u) => point(u, 'N', 'thickness')?.wanted],
  ['thinWallPlus', 3, (u) => point(u, 'N', 'thickness')?.wanted],
  ['plumb', 3, (u) => point(u, 'N', 'plumb')?.wanted],
  ['topLevel', 6, (u) => point(u, 'N', 'level')?.wanted],
  ['barSpacing', 40, (u) => point(u, 'N', 'spacing-up')?.wanted],
  ['lapShort', 10, (u) => point(u, 'N', 'lap')?.wanted],
  ['barGrade', 550, (u) => point(u, 'N', 'lap')?.wanted],
  ['boltEmbedment', 10, (u) => point(u, 'N', 'HD5-embedment')?.wanted],
  ['boltLow', 3, (u) => point(u, 'N', 'bolts')?.wanted],
  ['boltHigh', 3, (u) => point(u, 'N', 'bolts')?.wanted],
  ['coverEvery', 2, (u) => point(u, 'N', 'cover-inside')?.places.length],
  ['coverLeast', 9, (u) => point(u, 'N', 'cover-inside')?.places.length],
  ['sizeEvery', 2, (u) => point(u, 'N', 'thickness')?.places.length],
  ['leanIn', 10, (u) => point(u, 'N', 'braces')?.wanted],
  ['leanMore', 10, (u) => point(u, 'N', 'braces')?.wanted],
  ['boltSpacing', 1, (u) => point(u, 'N', 'bolts')?.wanted],
  ['boltEndMost', 200, (u) => point(u, 'N', 'bolts')?.wanted],
  ['footingNarrow', 3, (u) => point(u, 'FN', 'width')?.wanted],
  ['footingWide', 3, (u) => point(u, 'FN', 'width')?.wanted],
  ['footingShallow', 0.01, (u) => point(u, 'FN', 'depth')?.wanted],
  ['plumbShare', 0.001, (u) => point(u, 'N', 'plumb')?.wanted],
  ['place', 5, (u) => point(u, 'FN', 'place')?.wanted],
  ['placeShare', 0.01, (u) => point(u, 'FN', 'place')?.wanted],
  ['lapShortShare', 0.01, (u) => point(u, 'N', 'lap')?.wanted],
  ['straight', 2, (u) => point(u, 'N', 'line')?.wanted],
  ['square', 5, (u) => whole(u, 'square')?.wanted],
  ['boltDeep', 300, (u) => point(u, 'N', 'bolts')?.wanted],
  ['workingRoom', 1, (u) => point(u, 'N', 'room')?.wanted],
  ['aboveGrade', 0.5, (u) => point(u, 'N', 'above-grade')?.wanted],
  ['thickWallMinus', 2, (u) => checkRules(u.site).wallThickness(400)],
  ['thickWallPlus', 2, (u) => checkRules(u.site).wallThickness(400)],
  ['aboveGradeBare', 0.4, (u) => checkRules(u.site).aboveGradeBare],
  ['crawl', 0.9, (u) => checkRules(u.site).crawl],
  ['stretch', 100, (u) => list(u).length],
  ['barStock', 2, (u) => list(u).filter((p) => p.kind === 'stagger').length],
  ['waterEffect', 2, (u) => waterOf(u)?.addL],
  ['waterUntil', 0, (u) => waterOf(u)?.reason],
  ['airLess', 0.04, (u) => airOf(u, 0.03)],
  ['airMore', 0.04, (u) => airOf(u, 0.09)],
  ['paceBlend', 0.5, (u) => ruledMix({ ...record, cement: 'blend' }, rulesOf(u.site)).strengthPace],
  [
    'paceHighBlend',
    0.3,
    (u) => ruledMix({ ...record, cement: 'highBlend' }, rulesOf(u.site)).strengthPace,
  ],
  ['protection', 24, (u) => careOn(u)?.protect?.untilMs],
  ['protectionSheltered', 24, (u) => careOn(u, true)?.protect?.untilMs],
  ['cureTime', 72, (u) => careOn(u)?.cure.untilMs],
  ['cureTimeEarly', 24, (u) => careOn(u, false, 'III')?.cure.untilMs],
  ['cureShare', 0.9, (u) => careOn(u)?.cure.untilMs],
  ['probeAge', 0.5, (u) => readThen(u)?.strip],
  ['testEveryM3', 10, (u) => samplesIn(u)],
  ['testEveryM2', 30, (u) => samplesIn(u)],
  ['testWaiver', 10, (u) => samplesIn(u, true)],
  ['wires', 25, (u) => stand(u).wires?.leastM],
  ['pumpEdge', 4, (u) => stand(u).edge?.leastM],
  ['boomWind', 20, noGo],
  ['rainStop', 1, noGo],
  ['rainCaution', 1.9, starts],
  ['dryingAct', 3, (u) => starts(u, { ...pour, elements: ['FN'] })],
];

/** Those that stand behind a calculation alone, or a page: seen in the calculation's own result. */
const BY_CALCULATION: [RuleId, number][] = [
  ['datum', 8],
  ['dryingWatch', 3],
  ['deflection', 900],
  ['firstWaler', 0.1],
  ['braceLine', 6],
  ['braceWind', 3],
  ['braceLeave', 20],
  ['barEnd', 250],
  ['levelClose', 0],
  ['drainFall', 0.15],
];
/** Seen by the tests of what they rule: lists of supports, levels of the morning, who places, when is called, the search. */
const ELSEWHERE: RuleId[] = [
  'chairEvery',
  'benchEvery',
  'benchLoad',
  'levelAgain',
  'handRate',
  'callLead',
  'coldSeamShare',
];

describe('a rule changed for the site', () => {
  test.each(BITES.map(([rule, value, see]) => [rule, value, see] as const))(
    '%s at %d is seen where it bites',
    (rule, value, see) => {
      const own = rulesOf(site).value(rule);
      expect(value).not.toBe(own);
      const before = see(under(rule, own));
      expect(before).toBeDefined();
      expect(see(under(rule, value))).not.toEqual(before);
    },
  );
});

describe('a rule behind a calculation', () => {
  test.each(BY_CALCULATION)('%s at %d changes what it answers', (rule, value) => {
    const { fields = [] }: RuleEntry = RULE_CATALOG[rule];
    const answers = (rules: ReturnType<typeof rulesOf>) =>
      fields.map((at) => {
        const [id = '', field = ''] = at.split('.');
        const { [field]: _, ...input } = (EXAMPLES as Record<string, Record<string, unknown>>)[
          id
        ] as Record<string, unknown>;
        const calc = calculationNamed(id);
        // A wind limit says something of a boom alone.
        return calc && attempt(calc, withRules(id, rules, { ...input, boom: true })).done?.result;
      });
    const before = answers(rulesOf(site));
    expect(before.every(Boolean)).toBe(true);
    expect(answers(rulesOf(under(rule, value).site))).not.toEqual(before);
  });
  test('no rule is a control that does nothing: each is seen here, or where it is ruled by it', () => {
    const seen = new Set<RuleId>([
      ...BITES.map(([rule]) => rule),
      ...BY_CALCULATION.map(([rule]) => rule),
      ...ELSEWHERE,
    ]);
    expect(RULE_IDS.filter((rule) => !seen.has(rule))).toEqual([]);
  });
});
