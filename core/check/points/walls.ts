import { wallHeightM, type Opening, type Run, type WallType } from '../../model/site.ts';
import { formSystemOf } from '../../formwork/forms-layout.ts';
import { formDrafts } from './forms.ts';
import { lapDraft, tied, trenchDraft } from './footings.ts';
import {
  barDrafts,
  coverReadings,
  coverWhy,
  hookDraft,
  lineDraft,
  look,
  sizeReadings,
  sizeWhy,
  spacesOn,
  spread,
  typical,
} from './places.ts';
import type { Draft, ListContext, Place } from './types.ts';

/** An opening nearer to a corner than this wants ties run across it, m (trade practice). */
const NEAR_CORNER_M = 0.9;

const braced: Draft = {
  ...look(
    'braced',
    'Forms braced and closed',
    'forms',
    'Braces and wedges in, gaps closed with ply, line of the top snapped all round, spreaders marked for removal.',
  ),
  danger: 'forms',
};
/** Foam stays on the wall: no ply closes it, and nothing is sprayed on it. */
const foamBraced: Draft = {
  ...look(
    'braced',
    'Foam forms braced and closed',
    'forms',
    'Alignment braces on the inside, every one fixed to the slab or staked; holes and gaps filled with foam, cut webs bridged; line of the top snapped all round.',
  ),
  danger: 'forms',
};
/** Which faces are done is kept: some places forbid spraying once the steel is in. */
const oiled: Draft = {
  ...look(
    'oiled',
    'Release agent',
    'forms',
    'On the form faces only: none on bars or footing. Overspray on steel is a fail; wipe it off.',
    [
      { atM: null, across: 'left', label: 'inside face' },
      { atM: null, across: 'right', label: 'outside face' },
    ],
    'each face',
  ),
  danger: 'oil',
};

/** A wall that stands out of the ground by more than this is no foundation wall any more, m. */
const FOUNDATION_M = 1.5;

/** Room to set walers and wedges in the hole, the top of the wall above the ground, and the height of a crawl space inside it. */
function groundDrafts(run: Run, lengthM: number, { site, rules: r }: ListContext): Draft[] {
  if (run.topM === undefined) return [];
  const least = (
    kind: string,
    title: string,
    trade: Draft['trade'],
    need: { leastM: number; source: string },
    across: Place['across'],
    upM: number,
    advice: string,
  ): Draft => ({
    kind,
    title,
    trade,
    wanted: { type: 'size', what: 'room', wantedMm: need.leastM * 1000, minusMm: 0, plusMm: null },
    places: [{ atM: lengthM / 2, across, upM }],
    source: need.source,
    toleranceSource: need.source,
    advice,
  });
  const grade = site.ground?.gradeM;
  const heightM = wallHeightM(run);
  const [deep, out] = grade === undefined ? [0, 0] : [grade - run.bottomM, run.topM - grade];
  return [
    ...(deep > 0.3
      ? [
          {
            ...least(
              'room',
              'Room beside the forms',
              'ground',
              r.workingRoom,
              'right',
              0,
              'Dig the side back: walers and wedges cannot be set in a tight hole.',
            ),
            danger: 'trench' as const,
          },
        ]
      : []),
    ...(out > 0 && out < FOUNDATION_M
      ? [
          least(
            'above-grade',
            'Top line above the ground',
            'forms',
            r.aboveGrade,
            'right',
            heightM,
            'Raise the line, or have the grade lowered: ask before either.',
          ),
        ]
      : []),
    ...(run.crawl
      ? [
          least(
            'crawl',
            'Crawl height',
            'ground',
            r.crawl,
            'left',
            Math.min(heightM, Math.max(0, run.crawl.groundM - run.bottomM)),
            run.crawl.joistsM - run.crawl.groundM < r.crawl.leastM - 1e-9
              ? 'The drawing itself leaves too little: ask before the line is snapped.'
              : 'From the ground inside to the joists: dig down, or ask to raise the line.',
          ),
        ]
      : []),
  ];
}

const middleOf = (o: Opening): Place => ({
  atM: o.atM + o.widthM / 2,
  across: 'middle',
  upM: (o.sillM + o.headM) / 2,
  label: o.mark ?? o.kind,
});

function openingDrafts(run: Run, lengthM: number, c: ListContext): Draft[] {
  const r = c.rules;
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
  for (const o of bucks.filter((x) => x.kind !== 'pocket')) {
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
  }
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

/** @param readM as many readings are wanted as on a run of this length, m: that of its stretch */
export function wallDrafts(
  run: Run,
  lengthM: number,
  readM: number,
  t: WallType,
  c: ListContext,
): Draft[] {
  const {
    rules: r,
    site: { units },
  } = c;
  const thick = t.thicknessM * 1000;
  const heightM = wallHeightM(run);
  const foam = formSystemOf(c)?.kind === 'foam';
  const tol = r.wallThickness(thick);
  const size = (
    what: 'thickness' | 'level' | 'plumb',
    wantedMm: number,
    x: { minusMm: number; plusMm: number | null },
  ) => ({ type: 'size' as const, what, wantedMm, minusMm: x.minusMm, plusMm: x.plusMm });
  const n = sizeReadings(readM, r);
  const why = sizeWhy(r, units);
  const spacing = (kind: string, title: string, spacingM: number, spaces: number): Draft[] =>
    spaces < 1
      ? []
      : [
          {
            kind,
            title,
            trade: 'steel',
            wanted: {
              type: 'spacing',
              specifiedMm: spacingM * 1000,
              toleranceMm: r.spacingToleranceMm,
              spaces,
            },
            places: spread(lengthM, t.mats, 'middle', [heightM * 0.5]),
            why: t.mats === 2 ? 'one a mat' : 'one a stretch',
            toleranceSource: r.spacingSource,
            advice: 'Shift the bars; keep the count.',
          },
        ];
  const cover = (face: 'inside' | 'outside', specifiedMm: number): Draft => ({
    kind: `cover-${face}`,
    title: face === 'inside' ? 'Inside cover' : 'Outside cover',
    trade: 'steel',
    wanted: { type: 'cover', face, specifiedMm, memberDepthMm: thick, bar: t.vertical.bar },
    places: spread(lengthM, coverReadings(readM, r), 'middle', [heightM * 0.12, heightM * 0.88]),
    why: `${coverWhy(r, units)}, low and high by turns`,
    advice: 'Put a wheel spacer on the bar and read again.',
  });
  const byType: Draft[] = [
    ...trenchDraft(run.bottomM, c),
    ...groundDrafts(run, lengthM, c),
    {
      kind: 'thickness',
      title: 'Between the forms',
      trade: 'forms',
      wanted: size('thickness', thick, tol),
      places: spread(lengthM, n, 'middle', [heightM * 0.3]),
      why,
      toleranceSource: tol.source,
      advice: 'Check ties and wedges, then read again.',
    },
    {
      kind: 'plumb',
      title: 'Plumb, off in the height',
      trade: 'forms',
      wanted: size('plumb', 0, r.plumb),
      places: spread(lengthM, n, 'middle', [heightM * 0.7]),
      why,
      toleranceSource: r.plumb.source,
      advice: 'Turn the brace and read again.',
    },
    {
      kind: 'level',
      title: 'Top line off the mark',
      trade: 'forms',
      wanted: size('level', 0, r.topLevel),
      places: spread(lengthM, n, 'middle', [heightM * 0.97]),
      why,
      toleranceSource: r.topLevel.source,
      advice: 'Snap the line again.',
    },
    lineDraft(
      spread(lengthM, n, 'middle', [heightM * 0.97]),
      why,
      r,
      'Push or pull the top to the string by its braces, and read again.',
    ),
    ...(foam ? [foamBraced] : [braced, oiled]),
    ...spacing(
      'spacing-up',
      'Spacing of uprights',
      t.vertical.spacingM,
      spacesOn(lengthM, t.vertical.spacingM),
    ),
    ...spacing(
      'spacing-across',
      'Spacing of bars across',
      t.horizontal.spacingM,
      spacesOn(heightM, t.horizontal.spacingM, 4),
    ),
    ...barDrafts('up', 'upright', t.vertical.bar),
    ...barDrafts('across', 'across', t.horizontal.bar),
    {
      kind: 'mats',
      title: t.mats === 2 ? 'Both mats' : 'One mat, which face',
      trade: 'steel',
      wanted: { type: 'count', wanted: t.mats, unit: 'mats' },
      places: [{ atM: lengthM / 2, across: 'middle', upM: heightM * 0.6 }],
      advice: 'The schedule says how many mats. Ask before you go on with another.',
    },
    cover('inside', t.coverInsideMm),
  ];
  if (t.mats === 2) byType.push(cover('outside', t.coverOutsideMm));
  byType.push(
    ...lapDraft(t.horizontal.bar, lengthM, t, c, heightM * 0.5),
    ...hookDraft('up', 'upright', t.vertical),
    ...hookDraft('across', 'across', t.horizontal),
    tied,
  );
  const out: Draft[] = [
    ...typical(byType),
    ...formDrafts(run, lengthM, c),
    ...openingDrafts(run, lengthM, c),
    ...embedDrafts(run.id, c),
  ];
  if (t.ledge)
    out.push(
      look('ledge', 'Ledge form', 'forms', 'Level, to depth, braced against lifting.', [
        { atM: lengthM / 2, across: 'right', upM: heightM },
      ]),
    );
  return out;
}
