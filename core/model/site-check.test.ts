import { describe, expect, test } from '@jest/globals';
import { smallPlan } from '../testdata/small-plan.ts';
import { meet, RANGES } from './ranges.ts';
import { missingPrices, pricesOf } from './resources.ts';
import { sitePlanSchema } from './site-check.ts';

type Small = ReturnType<typeof smallPlan>;

/** What is wrong with the small site once it has been changed, each with where it is. */
function wrong(change: (plan: Small) => void): string[] {
  const plan = smallPlan();
  change(plan);
  const { error } = sitePlanSchema.safeParse(plan);
  return (error?.issues ?? []).map((i) => `${i.path.join('.')} ${i.message}`);
}
const run = (plan: Small, id: string) => {
  const found = plan.runs.find((r) => r.id === id);
  if (!found) throw new Error(`no run ${id}`);
  return found;
};

test('a site of footings, a wall, a pad and a pier is taken as it is', () => {
  expect(wrong(() => undefined)).toEqual([]);
});

describe('a run', () => {
  test('names nodes and a type that are there', () => {
    expect(wrong((p) => (run(p, 'E').to = 'Z'))).toEqual([
      'runs.1.to names node Z, which is not in nodes',
    ]);
    expect(wrong((p) => (run(p, 'E').from = 'Z'))).toEqual([
      'runs.1.from names node Z, which is not in nodes',
    ]);
    expect(wrong((p) => (run(p, 'E').type = 'W1'))).toEqual([
      'runs.1.type names W1, which is not a footing type',
    ]);
    expect(wrong((p) => (run(p, 'SW').type = 'F1'))).toEqual([
      'runs.2.type names F1, which is not a wall type',
    ]);
  });

  test('has a length, and not more than any run has', () => {
    expect(wrong((p) => (run(p, 'E').to = 'B'))).toEqual([
      'runs.1.to stands on the node the run comes from: the run has no length',
    ]);
    const far = wrong((p) => p.nodes?.splice(2, 1, { id: 'C', xM: 12, yM: 400 }));
    expect(far).toHaveLength(1);
    expect(far[0]).toMatch(/^runs\.1\.to is 400\.?\d* m from its other end: a run is at most 300/);
  });

  test('of a wall has a top, above its bottom and no higher than any wall', () => {
    expect(wrong((p) => delete run(p, 'SW').topM)).toEqual([
      'runs.2.topM is missing: a wall needs the level of its top',
    ]);
    expect(
      wrong((p) => {
        run(p, 'SW').topM = 99.3;
        run(p, 'SW').openings = [];
      }),
    ).toEqual(['runs.2.topM is not above bottomM']);
    const high = wrong((p) => (run(p, 'SW').topM = 120));
    expect(high[0]).toMatch(/^runs\.2\.topM is 20\.7\d* m above the bottom: at most 15/);
  });

  test('over a crawl space has its joists above the ground', () => {
    expect(wrong((p) => (run(p, 'SW').crawl = { groundM: 99.5, joistsM: 99.5 }))).toEqual([
      'runs.2.crawl.joistsM is not above groundM',
    ]);
  });
});

describe('an opening', () => {
  const opening = (p: Small) => run(p, 'SW').openings?.[0] ?? ({} as never);

  test('lies within its wall, along it and up it', () => {
    expect(wrong((p) => (opening(p).atM = 11))).toEqual([
      'runs.2.openings.0.atM with widthM runs past the end of its run',
    ]);
    expect(wrong((p) => (opening(p).headM = 2.5))).toEqual([
      'runs.2.openings.0.headM is above the top of its wall',
    ]);
    expect(wrong((p) => (opening(p).sillM = 2.1))).toEqual([
      'runs.2.openings.0.headM is not above sillM',
    ]);
  });

  test('that is a pocket has a depth', () => {
    expect(wrong((p) => (opening(p).kind = 'pocket'))).toEqual([
      'runs.2.openings.0.depthM is missing: a pocket needs its depth',
    ]);
  });

  test('may stand over another, not in it', () => {
    const second = { kind: 'sleeve' as const, atM: 3.5, widthM: 0.3, sillM: 0.2, headM: 0.6 };
    expect(wrong((p) => run(p, 'SW').openings?.push(second))).toEqual([]);
    expect(wrong((p) => run(p, 'SW').openings?.push({ ...second, headM: 1 }))).toEqual([
      'runs.2.openings.1.atM overlaps opening 0',
    ]);
  });
});

describe('a name', () => {
  test('is one thing’s alone: of nodes, of runs, pads and piers together, of types', () => {
    expect(wrong((p) => p.nodes?.push({ id: 'A', xM: 1, yM: 1 }))).toEqual([
      'nodes.3.id A is used twice',
    ]);
    expect(wrong((p) => p.pads?.forEach((pad) => (pad.id = 'S')))).toEqual([
      'pads.0.id S is used twice',
    ]);
    expect(wrong((p) => p.wallTypes?.forEach((t) => (t.mark = 'F1')))).toEqual(
      expect.arrayContaining(['wallTypes.0.mark F1 is used twice']),
    );
  });

  test('of a time zone is one that clocks know', () => {
    expect(wrong((p) => (p.timeZone = 'Europe/Nowhere'))).toEqual([
      'timeZone Europe/Nowhere is not a time zone this machine knows (as in America/Chicago)',
    ]);
  });
});

describe('what stands in or on an element', () => {
  const bolt = {
    id: 'B1',
    elementId: 'SW',
    atM: 2,
    kind: 'bolt' as const,
    diameterMm: 16,
    embedmentMm: 180,
    projectionMm: 60,
  };

  test('names it, and does not stand past its end', () => {
    expect(wrong((p) => p.anchors?.push(bolt))).toEqual([]);
    expect(wrong((p) => p.anchors?.push({ ...bolt, elementId: 'Z' }))).toEqual([
      'anchors.0.elementId names Z, which is not a run, pad or pier',
    ]);
    expect(wrong((p) => p.anchors?.push({ ...bolt, atM: 12.1 }))).toEqual([
      'anchors.0.atM is past the end of SW',
    ]);
    expect(wrong((p) => p.anchors?.push({ ...bolt, elementId: 'Q1', atM: 0.5 }))).toEqual([
      'anchors.0.atM is past the end of Q1',
    ]);
  });

  test('that goes from one place to another goes forward', () => {
    const strip = { id: 'K1', elementId: 'S', kind: 'keyway' as const, atM: 4, toM: 4 };
    expect(wrong((p) => p.embeds?.push(strip))).toEqual(['embeds.0.toM is not beyond atM']);
    const plate = { id: 'SP1', elementId: 'SW', fromM: 6, toM: 5 };
    expect(wrong((p) => p.plates?.push(plate))).toEqual(['plates.0.toM is not beyond fromM']);
  });

  test('a pier is round or square, and stands up', () => {
    expect(wrong((p) => p.piers?.forEach((q) => delete q.diameterM))).toEqual([
      'piers.0.diameterM is missing: a pier is round (diameterM) or square (widthM and lengthM)',
    ]);
    expect(wrong((p) => p.piers?.forEach((q) => (q.topM = q.bottomM)))).toEqual([
      'piers.0.topM is not above bottomM',
    ]);
  });

  test('a ledge is narrower than its wall', () => {
    const ledge = { widthM: 0.25, heightM: 0.2 };
    expect(wrong((p) => p.wallTypes?.forEach((t) => (t.ledge = ledge)))).toEqual([
      'wallTypes.0.ledge.widthM is not narrower than the wall, W1',
    ]);
  });
});

describe('a measure that is typed', () => {
  test('is taken where it is usual, asked about beyond, refused where it cannot be', () => {
    expect(meet('wallThickness', 0.25, 'metric')).toEqual({ take: true });
    expect(meet('wallThickness', 1.2, 'metric')).toHaveProperty('ask');
    const refused = meet('wallThickness', 4, 'metric');
    expect(refused).toHaveProperty('refuse');
    expect((refused as { refuse: string }).refuse).toMatch(/a wall’s thickness is from/);
  });

  test('is told in the site’s units, and what is no number is refused', () => {
    expect(JSON.stringify(meet('cover', 300, 'us'))).toMatch(/ in/);
    expect(JSON.stringify(meet('cover', 300, 'metric'))).toMatch(/300 mm/);
    expect(meet('cover', Number.NaN, 'metric')).toHaveProperty('refuse');
  });

  test('at the very limit is taken or asked about, never refused', () => {
    for (const [name, r] of Object.entries(RANGES))
      for (const limit of [r.least, r.most])
        expect(meet(name as keyof typeof RANGES, limit, 'metric')).not.toHaveProperty('refuse');
  });

  test('of every kind is usual within what it can be', () => {
    for (const r of Object.values(RANGES)) {
      expect(r.usual[0]).toBeGreaterThanOrEqual(r.least);
      expect(r.usual[1]).toBeLessThanOrEqual(r.most);
      expect(r.usual[0]).toBeLessThan(r.usual[1]);
    }
  });
});

describe('prices', () => {
  test('are the site’s own, then what its crew costs, then what is usual', () => {
    const crew = [{ costPerH: 60 }, { costPerH: 48 }] as never;
    expect(pricesOf({}).crewPerMin).toBe(5);
    expect(pricesOf({ crew }).crewPerMin).toBeCloseTo(1.8, 9);
    expect(pricesOf({ crew, prices: { crewPerMin: 3 } }).crewPerMin).toBe(3);
  });

  test('that nobody gave are told; a crew of whom one has no price gives none', () => {
    expect(missingPrices({ prices: { pumpPerMin: 2, oldLoad: 0 } })).toEqual([
      'crewPerMin',
      'afterDusk',
      'coldSeam',
    ]);
    expect(missingPrices({ crew: [{ costPerH: 60 }, {}] as never })).toContain('crewPerMin');
  });
});
