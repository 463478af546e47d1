import { describe, expect, test } from '@jest/globals';
import { checkList } from '../check/points/index.ts';
import { curingOf } from '../cure/curing.ts';
import { ruledMix } from '../model/mix.ts';
import { loadsOf } from '../pourlog/loads.ts';
import { judgeSlump } from '../pourlog/slump.ts';
import { replay } from '../log/state.ts';
import { planPour } from '../pourplan/plan.ts';
import { demoPour } from '../testdata/demo.ts';
import type { RuleId } from './catalog.ts';
import { rulesOf } from './rules.ts';

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
