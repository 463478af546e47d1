import { anchorLayout, cutByOpenings } from '#core/anchors';
import { attempt } from '#core/kit';
import type { Plate, RuleProfile } from '#core/model';
import type { Draft, ListContext, Place, WantedBolt } from './types.ts';

/** Of the bolts of one plate, how many are measured deep and high as well: all are looked at in the round. */
export const SAMPLED = 3;
/** Some of a list, spread over it. */
export const sampled = <T>(list: T[]): T[] =>
  list.length <= SAMPLED
    ? list
    : Array.from(
        { length: SAMPLED },
        (_, i) => list[Math.floor(((i + 0.5) * list.length) / SAMPLED)] as T,
      );

/** A piece of plate between doors, with the bolts it is to have. */
interface PlatePiece {
  fromM: number;
  toM: number;
  drawn: boolean;
  /** Where bolts are pushed into the fresh top on pour day, m. */
  wetM: number[];
  bolts: WantedBolt[];
}

/** Bolts of a plate: those on the drawing, or, when it shows none, where the layout calculation puts them. */
export function boltsOfPlate(
  plate: Plate,
  { site, rules: r }: Pick<ListContext, 'site' | 'rules'>,
): PlatePiece[] {
  const doors = (site.runs.find((x) => x.id === plate.elementId)?.openings ?? [])
    .filter((o) => o.kind === 'door')
    .map((o) => ({ fromM: o.atM, toM: o.atM + o.widthM }));
  // Bolts that are pushed into the fresh top are drawn as well: they are set on pour day, and count
  // for the spacing here.
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
            // A drawing may ask for more than the least, never for less.
            leastMm: Math.max(r.boltDeepMm, a.embedmentMm - r.boltEmbedment.minusMm),
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

/** How far the bolts stand off the middle of the plate. */
const centreDraft = (
  suffix: string,
  widthMm: number,
  places: Place[],
  profile: RuleProfile,
): Draft => ({
  kind: `bolts-centre${suffix}`,
  title: 'Bolt off the middle of the plate',
  trade: 'anchors',
  wanted: {
    type: 'size',
    what: 'centre',
    wantedMm: 0,
    minusMm: widthMm / 6,
    plusMm: widthMm / 6,
  },
  places,
  why: 'one a plate',
  toleranceSource:
    profile === 'us-aci'
      ? 'IRC 2021 R403.1.6, middle third of the plate'
      : 'site practice, middle third of the plate',
  advice: 'The middle of the plate is not always the middle of the wall: move the template.',
});

/**
 * A piece of plate: the round of its bolts, and how far off the middle of the plate they stand.
 * `number`: of several, from 1.
 */
export function pieceDrafts(
  p: Plate,
  piece: PlatePiece,
  number: number | null,
  topUpM: number | undefined,
  { rules: r, site }: ListContext,
): Draft[] {
  const suffix = number === null ? '' : `-${number}`;
  const places = (bolts: PlatePiece['bolts']): Place[] =>
    bolts.map((b) => ({
      atM: b.atM,
      across: 'middle',
      label: b.id,
      ...(topUpM === undefined ? {} : { upM: topUpM }),
    }));
  const measured = sampled(piece.bolts.flatMap((b, k) => (b.depth ? [k] : [])));
  const bolts: Draft = {
    kind: `bolts${suffix}`,
    title: number === null ? 'Bolts of the plate' : `Bolts of plate ${number}`,
    trade: 'anchors',
    round: 'bolts',
    why: measured.length ? `every bolt; ${measured.length} of them deep and high` : 'every bolt',
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
    places: places(piece.bolts),
    ...(piece.drawn ? {} : { source: 'anchor-layout, no bolts on the drawing' }),
    toleranceSource: [
      ...new Set([
        r.boltSpacingSource,
        ...(measured.length ? [r.boltEmbedment.source, r.boltProjection.source] : []),
      ]),
    ].join('; '),
    advice: 'Set the missing bolt, or move it into its stretch and to its depth, and tie it.',
  };
  if (p.widthMm === undefined) return [bolts];
  return [
    bolts,
    centreDraft(suffix, p.widthMm, places(sampled(piece.bolts).slice(0, 1)), site.ruleProfile),
  ];
}
