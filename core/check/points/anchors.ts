import { baseBolts } from '#core/anchors';
import type { Anchor, RuleProfile } from '#core/model';
import { lengthText } from '#core/units';
import { patternDrafts } from './patterns.ts';
import { look, once, sideOf } from './places.ts';
import { boltsOfPlate, pieceDrafts, sampled, SAMPLED } from './plates.ts';
import type { Draft, ListContext, Place } from './types.ts';

/** Anchors of one size together, in the order they are drawn. */
const alike = (list: Anchor[], size: (a: Anchor) => string): [Anchor, ...Anchor[]][] =>
  [
    ...list
      .reduce((groups, a) => {
        groups.set(size(a), [...(groups.get(size(a)) ?? []), a]);
        return groups;
      }, new Map<string, Anchor[]>())
      .values(),
  ] as [Anchor, ...Anchor[]][];

const placeOf = (a: Anchor, upM?: number): Place => ({
  atM: a.atM,
  across: sideOf(a.acrossM ?? 0),
  label: a.id,
  ...(upM === undefined ? {} : { upM }),
});

/**
 * Anchors set before the pour: the round of every plate with depth and height of some bolts, each
 * hold-down, and drilled dowels.
 */
export function anchorDrafts(
  elementId: string,
  topUpM: number | undefined,
  c: ListContext,
): Draft[] {
  const { site } = c;
  const own = site.anchors.filter((a) => a.elementId === elementId && !a.wetSet);
  const out: Draft[] = [];
  const plates = site.plates.filter((p) => p.elementId === elementId);
  const pieces = plates.flatMap((p) => boltsOfPlate(p, c).map((piece) => ({ p, piece })));
  pieces.forEach(({ p, piece }, i) => {
    if (piece.bolts.length)
      out.push(...pieceDrafts(p, piece, pieces.length > 1 ? i + 1 : null, topUpM, c));
  });
  const base = plates.length ? [] : baseBolts(site, elementId).filter((a) => a.kind === 'bolt');
  out.push(...bySizeDrafts(own, plates.length > 0, base.length > 1, topUpM, c));
  out.push(...patternDrafts(base, topUpM, site.ruleProfile));
  out.push(...lookDrafts(own, plates.length > 0, c));
  if (site.anchors.some((a) => a.elementId === elementId && a.wetSet))
    out.push(
      look(
        'wet-set',
        'Bolts pushed in wet: allowed',
        'anchors',
        'Only where engineer and inspector allow it, in writing: else tie them in now, on a template.',
      ),
    );
  return [
    ...out,
    ...dowelDrafts(
      own.filter((a) => a.kind === 'dowel' && a.drilled === true),
      site.ruleProfile,
    ),
  ];
}

/** What is looked at: coating, and the template. */
function lookDrafts(own: Anchor[], hasPlates: boolean, { site }: ListContext): Draft[] {
  const out: Draft[] = [];
  const metal = own.find((a) => a.kind !== 'dowel');
  if (metal) {
    const coated = own.some((a) => a.coating !== undefined && a.coating !== 'plain');
    const sizes = [
      ...new Set(
        own.filter((a) => a.kind !== 'dowel').map((a) => lengthText(a.diameterMm, site.units)),
      ),
    ].join(' and ');
    out.push(
      look(
        'bolts-coating',
        `Bolts ${sizes}${coated ? ', coated' : ''}`,
        'anchors',
        `Size stamped or measured: ${sizes}. ${coated ? 'Galvanised or stainless against treated lumber: plain bolts rust off.' : 'Clean, threads whole and covered.'}`,
      ),
    );
  }
  if (!hasPlates && own.filter((a) => a.kind === 'bolt').length > 2)
    out.push(
      look(
        'template',
        'Anchor template',
        'anchors',
        'Fixed so that it cannot float, nuts above and below. Read again while casting.',
      ),
    );
  return out;
}

/** How deep an anchor is set, and how far it stands out. */
function depthAndHeight(
  kind: string,
  title: string,
  a: Anchor,
  where: Pick<Draft, 'places' | 'why'>,
  tops: Pick<Draft, 'places' | 'why'>,
  r: ListContext['rules'],
): Draft[] {
  return [
    {
      kind: `${kind}-embedment`,
      title: `${title} embedment`,
      trade: 'anchors',
      wanted: {
        type: 'size',
        what: 'embedment',
        wantedMm: a.embedmentMm,
        minusMm: r.boltEmbedment.minusMm,
        plusMm: null,
      },
      ...where,
      toleranceSource: r.boltEmbedment.source,
      advice: 'Set the bolt deeper.',
    },
    {
      kind: `${kind}-projection`,
      title: `${title} standing out`,
      trade: 'anchors',
      wanted: {
        type: 'size',
        what: 'projection',
        wantedMm: a.projectionMm,
        minusMm: r.boltProjection.minusMm,
        plusMm: r.boltProjection.plusMm,
      },
      ...tops,
      toleranceSource: r.boltProjection.source,
      advice: 'Set the template to height.',
    },
  ];
}

/** Bolts without a plate, and hold-downs: how many, how deep, how high. */
function bySizeDrafts(
  own: Anchor[],
  hasPlates: boolean,
  onBase: boolean,
  topUpM: number | undefined,
  { site, rules: r }: ListContext,
): Draft[] {
  const bolts = own.filter((a) => a.kind === 'bolt');
  const out: Draft[] = [];
  if (bolts.length && !hasPlates)
    out.push({
      kind: 'bolts-count',
      title: 'Bolts in',
      trade: 'anchors',
      wanted: { type: 'count', wanted: bolts.length, unit: 'bolts' },
      places: once,
      advice: 'Set the missing bolt.',
    });
  // Bolts without a plate are measured by size: what one is to have says nothing of another.
  const bySize = hasPlates
    ? []
    : alike(bolts, (a) => `${a.diameterMm} ${a.embedmentMm} ${a.projectionMm}`);
  const groups = [
    ...bySize.map((all, i) => ({
      kind: i ? `bolts-${i + 1}` : 'bolts',
      title: bySize.length > 1 ? `Bolt ${lengthText(all[0].diameterMm, site.units)}` : 'Bolt',
      list: sampled(all) as [Anchor, ...Anchor[]],
      why: `${Math.min(SAMPLED, all.length)} of ${all.length}`,
      // Of a base every top is read: a template may be low at one corner.
      tops: onBase ? all : null,
    })),
    ...own
      .filter((a) => a.kind === 'holdDown')
      .map((a) => ({
        kind: a.id,
        title: `Hold-down ${a.id}`,
        list: [a] as [Anchor],
        why: 'each one',
        tops: null,
      })),
  ];
  for (const { kind, title, list, why, tops } of groups) {
    const where = { places: list.map((x) => placeOf(x, topUpM)), why };
    const high = tops
      ? { places: tops.map((x) => placeOf(x, topUpM)), why: 'every bolt of the base' }
      : where;
    out.push(...depthAndHeight(kind, title, list[0], where, high, r));
  }
  return out;
}

/** Drilled dowels: each hole as deep as wanted, clean and glued. Their inspection is a hold point of its own. */
function dowelDrafts(dowels: Anchor[], profile: RuleProfile): Draft[] {
  const a = dowels[0];
  if (!a) return [];
  return [
    ...alike(dowels, (d) => String(d.embedmentMm)).map((list, i): Draft => ({
      kind: i ? `dowels-depth-${i + 1}` : 'dowels-depth',
      danger: 'drilling',
      title: 'Dowel hole depth',
      trade: 'steel',
      wanted: {
        type: 'size',
        what: 'embedment',
        wantedMm: list[0].embedmentMm,
        minusMm: 0,
        plusMm: null,
      },
      places: list.map((d) => placeOf(d)),
      why: 'every hole',
      advice: 'Drill on to depth, clean, and read again.',
    })),
    {
      ...look(
        'dowels-clean',
        'Dowel holes clean and glued',
        'steel',
        'Concrete 21 days old at least. Blown, brushed, blown, as often as the maker counts; glue to the bottom of the hole, within its open time and temperature.',
        [{ ...once[0], atM: a.atM, across: 'middle', label: 'dowels' }],
      ),
      source: profile === 'us-aci' ? 'ACI 318-19 §17.2.2; the maker' : 'the maker of the adhesive',
      danger: 'drilling',
    },
  ];
}
