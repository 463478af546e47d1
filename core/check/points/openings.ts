import type { Opening, Run } from '#core/model';
import { look } from './places.ts';
import type { Draft, ListContext, Place } from './types.ts';

/** An opening nearer to a corner than this wants ties run across it, m (trade practice). */
const NEAR_CORNER_M = 0.9;

const middleOf = (o: Opening): Place => ({
  atM: o.atM + o.widthM / 2,
  across: 'middle',
  upM: (o.sillM + o.headM) / 2,
  label: o.mark ?? o.kind,
});

/** The width of a door or window, and ties across it where it is close to a corner. */
function openingSizes(o: Opening, lengthM: number, { rules: r }: ListContext): Draft[] {
  const out: Draft[] = [];

  const name = o.mark ?? o.kind;
  out.push({
    kind: `width-${name}`,
    title: `${name} width`,
    trade: 'forms',
    wanted: {
      type: 'size',
      what: 'width',
      wantedMm: o.widthM * 1000,
      minusMm: r.thinWall.minusMm,
      plusMm: r.thinWall.plusMm,
    },
    places: [{ ...middleOf(o), upM: o.headM }],
    toleranceSource: r.thinWall.source,
    advice: 'Brace the buck square and read again.',
  });
  if (Math.min(o.atM, lengthM - o.atM - o.widthM) < NEAR_CORNER_M)
    out.push({
      ...look(
        `ties-${name}`,
        `Ties across ${name}`,
        'forms',
        'A window this close to a corner leaves a stub that opens: run ties across it, or brace it through.',
        [middleOf(o)],
        'close to a corner',
      ),
      danger: 'forms',
    });
  return out;
}

/** Bucks, pockets and sleeves, each at its place. */
export function openingDrafts(
  run: Run,
  lengthM: number,
  reinforced: boolean,
  c: ListContext,
): Draft[] {
  const bucks = run.openings.filter((o) => o.kind !== 'sleeve');
  const sleeves = run.openings.filter((o) => o.kind === 'sleeve');
  const out: Draft[] = [];
  if (bucks.length)
    out.push(
      look(
        'bucks',
        'Bucks and pockets',
        'forms',
        'Square, plumb, braced and foamed, held against floating, vent and drain holes in the sill.',
        bucks.map(middleOf),
        'each one',
      ),
    );
  if (bucks.length && reinforced)
    out.push(
      look(
        'opening-bars',
        'Bars beside and over openings',
        'steel',
        'As drawn beside, over and under, past the corners by a lap; diagonals where they are drawn. Cover to the buck kept.',
        bucks.map(middleOf),
        'each one',
      ),
    );
  for (const o of bucks.filter((x) => x.kind !== 'pocket'))
    out.push(...openingSizes(o, lengthM, c));
  if (sleeves.length)
    out.push(
      look(
        'sleeves',
        'Sleeves',
        'forms',
        'Right size, right place and level, sealed against the form, ends covered.',
        sleeves.map(middleOf),
        'each one',
      ),
    );
  return out;
}

const EMBED_TITLE = {
  electrode: 'Ground electrode',
  waterstop: 'Waterstop',
  keyway: 'Keyway',
  insertPlate: 'Insert plate',
  weep: 'Weep pipe',
  drain: 'Drain',
} as const;
const EMBED_ADVICE = {
  electrode: 'Bar in, bonded, tail where the electrician wants it.',
  waterstop: 'Continuous, welded or lapped at joints, tied so that it stays upright.',
  keyway: 'Strip in line and oiled.',
  insertPlate: 'Right plate, flush, square, fixed to the form.',
  weep: 'Through the wall, falls outward, ends covered.',
  drain: 'In, falls the right way, ends covered.',
} as const;

/** What is cast in, each at its place. */
export function embedDrafts(elementId: string, { site }: ListContext): Draft[] {
  const own = site.embeds.filter((e) => e.elementId === elementId);
  return [...new Set(own.map((e) => e.kind))].map((kind) =>
    look(
      kind,
      EMBED_TITLE[kind],
      'anchors',
      EMBED_ADVICE[kind],
      own
        .filter((e) => e.kind === kind)
        .map((e) => ({
          atM: e.toM === undefined ? e.atM : (e.atM + e.toM) / 2,
          across: 'middle',
          ...(e.upM === undefined ? {} : { upM: e.upM }),
          label: e.label ?? e.id,
        })),
      'each one',
    ),
  );
}
