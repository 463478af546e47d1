import { anchorLayout, cutByOpenings } from '../../anchors/anchor-layout.ts';
import type { Anchor, Plate } from '../../model/objects.ts';
import { attempt } from '../../kit/calculation.ts';
import { lengthText } from '../../units/format.ts';
import { look, once } from './places.ts';
import type { Draft, ListContext, Place, WantedBolt } from './types.ts';

/** Of the bolts of one plate, how many are measured deep and high as well: all are looked at in the round. */
const SAMPLED = 3;
const sampled = <T>(list: T[]): T[] =>
  list.length <= SAMPLED
    ? list
    : Array.from(
        { length: SAMPLED },
        (_, i) => list[Math.floor(((i + 0.5) * list.length) / SAMPLED)] as T,
      );

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

function sideOf(acrossM: number): Place['across'] {
  if (Math.abs(acrossM) <= 0.001) return 'middle';
  return acrossM > 0 ? 'left' : 'right';
}

const placeOf = (a: Anchor, upM?: number): Place => ({
  atM: a.atM,
  across: sideOf(a.acrossM ?? 0),
  label: a.id,
  ...(upM === undefined ? {} : { upM }),
});

/** Bolts of a plate: those on the drawing, or, when it shows none, where the layout calculation puts them. */
function boltsOfPlate(
  plate: Plate,
  { site, rules: r }: Pick<ListContext, 'site' | 'rules'>,
): { fromM: number; toM: number; drawn: boolean; wetM: number[]; bolts: WantedBolt[] }[] {
  const doors = (site.runs.find((x) => x.id === plate.elementId)?.openings ?? [])
    .filter((o) => o.kind === 'door')
    .map((o) => ({ fromM: o.atM, toM: o.atM + o.widthM }));
  // Bolts that are pushed into the fresh top are drawn as well: they are set on pour day, and count for the spacing here.
  const drawn = site.anchors.filter((a) => a.elementId === plate.elementId && a.kind === 'bolt');
  const pieces = cutByOpenings(
    [{ startM: plate.fromM, endM: plate.toM, single: plate.single }],
    doors,
  );
  return pieces.map((s, i) => {
    const on = drawn.filter((a) => a.atM >= s.startM - 1e-9 && a.atM <= s.endM + 1e-9);
    const own = on.filter((a) => !a.wetSet);
    if (drawn.length)
      return {
        fromM: s.startM,
        toM: s.endM,
        drawn: true,
        wetM: on.filter((a) => a.wetSet).map((a) => a.atM),
        bolts: own.map((a) => ({
          id: a.id,
          atM: a.atM,
          diameterMm: a.diameterMm,
          depth: {
            leastMm: Math.max(0, a.embedmentMm - r.boltEmbedment.minusMm),
            projectionMm: a.projectionMm,
          },
        })),
      };
    const layout = attempt(anchorLayout, {
      sections: [{ startM: s.startM, endM: s.endM, single: plate.single }],
      maxSpacingM: r.boltSpacingM,
      endMaxMm: r.boltEndMostMm,
    });
    const at = layout.done?.result.sections.flatMap((x) => x.positionsM) ?? [];
    return {
      fromM: s.startM,
      toM: s.endM,
      drawn: false,
      wetM: [],
      bolts: at.map((atM, k) => ({ id: `${plate.id}.${i + 1}-${k + 1}`, atM, depth: null })),
    };
  });
}

/** Anchors set before the pour: the round of every plate with depth and height of some bolts, each hold-down, and drilled dowels. */
export function anchorDrafts(
  elementId: string,
  topUpM: number | undefined,
  c: ListContext,
): Draft[] {
  const { site, rules: r } = c;
  const own = site.anchors.filter((a) => a.elementId === elementId && !a.wetSet);
  const bolts = own.filter((a) => a.kind === 'bolt');
  const out: Draft[] = [];
  const plates = site.plates.filter((p) => p.elementId === elementId);
  plates
    .flatMap((p) => boltsOfPlate(p, c).map((piece) => ({ p, piece })))
    .forEach(({ p, piece }, i, all) => {
      if (!piece.bolts.length) return;
      const measured = sampled(piece.bolts.flatMap((b, k) => (b.depth ? [k] : [])));
      out.push({
        kind: all.length > 1 ? `bolts-${i + 1}` : 'bolts',
        title: all.length > 1 ? `Bolts of plate ${i + 1}` : 'Bolts of the plate',
        trade: 'anchors',
        round: 'bolts',
        why: measured.length
          ? `every bolt; ${measured.length} of them deep and high`
          : 'every bolt',
        wanted: {
          type: 'bolts',
          bolts: piece.bolts,
          wetM: piece.wetM,
          fromM: piece.fromM,
          toM: piece.toM,
          single: p.single,
          maxSpacingM: r.boltSpacingM,
          endMaxMm: r.boltEndMostMm,
          projectionLessMm: r.boltProjection.minusMm,
          projectionMoreMm: r.boltProjection.plusMm ?? r.boltProjection.minusMm,
          measured,
        },
        places: piece.bolts.map((b) => ({
          atM: b.atM,
          across: 'middle',
          label: b.id,
          ...(topUpM === undefined ? {} : { upM: topUpM }),
        })),
        ...(piece.drawn ? {} : { source: 'anchor-layout, no bolts on the drawing' }),
        toleranceSource: [
          ...new Set([
            r.boltSpacingSource,
            ...(measured.length ? [r.boltEmbedment.source, r.boltProjection.source] : []),
          ]),
        ].join('; '),
        advice: 'Set the missing bolt, or move it into its stretch and to its depth, and tie it.',
      });
      if (p.widthMm !== undefined)
        out.push({
          kind: all.length > 1 ? `bolts-centre-${i + 1}` : 'bolts-centre',
          title: 'Bolt off the middle of the plate',
          trade: 'anchors',
          wanted: {
            type: 'size',
            what: 'centre',
            wantedMm: 0,
            minusMm: p.widthMm / 6,
            plusMm: p.widthMm / 6,
          },
          places: sampled(piece.bolts)
            .slice(0, 1)
            .map((b) => ({
              atM: b.atM,
              across: 'middle',
              label: b.id,
              ...(topUpM === undefined ? {} : { upM: topUpM }),
            })),
          why: 'one a plate',
          toleranceSource: 'IRC 2021 R403.1.6, middle third of the plate',
          advice:
            'The middle of the plate is not always the middle of the wall: move the template.',
        });
    });
  if (bolts.length && !plates.length)
    out.push({
      kind: 'bolts-count',
      title: 'Bolts in',
      trade: 'anchors',
      wanted: { type: 'count', wanted: bolts.length, unit: 'bolts' },
      places: once,
      advice: 'Set the missing bolt.',
    });
  // Bolts without a plate are measured by size: what one is to have says nothing of another.
  const bySize = plates.length
    ? []
    : alike(bolts, (a) => `${a.diameterMm} ${a.embedmentMm} ${a.projectionMm}`);
  const groups = [
    ...bySize.map((all, i) => ({
      kind: i ? `bolts-${i + 1}` : 'bolts',
      title: bySize.length > 1 ? `Bolt ${lengthText(all[0].diameterMm, site.units)}` : 'Bolt',
      list: sampled(all),
      why: `${Math.min(SAMPLED, all.length)} of ${all.length}`,
    })),
    ...own
      .filter((a) => a.kind === 'holdDown')
      .map((a) => ({ kind: a.id, title: `Hold-down ${a.id}`, list: [a], why: 'each one' })),
  ];
  for (const { kind, title, list, why } of groups) {
    const [a] = list;
    if (!a) continue;
    const places = list.map((x) => placeOf(x, topUpM));
    out.push(
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
        places,
        why,
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
        places,
        why,
        toleranceSource: r.boltProjection.source,
        advice: 'Set the template to height.',
      },
    );
  }
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
  if (!plates.length && bolts.length > 2)
    out.push(
      look(
        'template',
        'Anchor template',
        'anchors',
        'Fixed so that it cannot float, level both ways, on its lines, bolts plumb with nuts above and below. Read again while casting.',
      ),
    );
  return [...out, ...dowelDrafts(own.filter((a) => a.kind === 'dowel' && a.drilled === true))];
}

/** Drilled dowels: each hole as deep as wanted, clean and glued. Their inspection is a hold point of its own. */
function dowelDrafts(dowels: Anchor[]): Draft[] {
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
        'Blown, brushed, blown again; glue to the bottom of the hole, within its open time and temperature.',
        [{ ...once[0], atM: a.atM, across: 'middle', label: 'dowels' }],
      ),
      danger: 'drilling',
    },
  ];
}
