import type { Pad } from '#core/model';
import { padBars, type PadBars } from '#core/steel';
import { braced, GROUND, trenchDraft } from './footings.ts';
import { tied } from './footing-steel.ts';
import { coverDraft } from './covers.ts';
import { barDrafts, look, once, off } from './places.ts';
import { depthAndTop } from './depth-and-top.ts';
import { padStarters } from './starters.ts';
import { clearDraft, coverAsks } from './steel-looks.ts';
import type { Draft, ListContext, Place } from './types.ts';

const WAY = { lengthwise: 'lengthwise', crosswise: 'across' } as const;
/** Spaces a spacing is read over, where there are as many. */
const SPACES = 6;
const sides: Place[] = [
  { atM: null, across: 'left' },
  { atM: null, across: 'right' },
];

const COVER_TITLE = { bottom: 'Bottom cover', side: 'Side cover', top: 'Top cover' } as const;

const LET_DOWN = 'Let the mat down on its benches, or raise the form, and read again.';
const BENCHES = look(
  'benches',
  'Benches of the top mat',
  'steel',
  'High chairs or benches stand on the blinding or the bottom mat, tied, enough that nobody’s weight bends the mat.',
);

/** The form: width and length, depth to ground, top. */
function formOf(p: Pad, c: ListContext): Draft[] {
  const r = c.rules;
  const depthMm = p.depthM * 1000;
  const square = Math.abs(p.widthM - p.lengthM) < 1e-6;
  const form = (kind: string, title: string, wantedM: number, places: Place[]): Draft => ({
    kind,
    title,
    trade: 'forms',
    wanted: {
      type: 'size',
      what: 'width',
      wantedMm: wantedM * 1000,
      ...off(r.footingWidth(wantedM * 1000)),
    },
    places,
    ...(places.length > 1 ? { why: 'both ways' } : {}),
    toleranceSource: r.footingWidth(wantedM * 1000).source,
    advice: 'Move the form, brace it, and read again.',
  });
  return [
    form('width', 'Form width', p.widthM, square ? [...once, ...once] : once),
    ...(square ? [] : [form('length', 'Form length', p.lengthM, once)]),
    braced,
    ...depthAndTop(r, depthMm, { places: once }),
  ];
}

/** Count of one mat one way, and its spacing where the drawing gives one. */
function barsOf(b: PadBars, where: string, c: ListContext): Draft[] {
  const r = c.rules;
  const kind = `${b.mat}-${b.way}`;
  const out: Draft[] = [
    {
      kind: `count-${kind}`,
      title: `Bars ${WAY[b.way]}${where}`,
      trade: 'steel',
      wanted: { type: 'count', wanted: b.count },
      places: once,
      advice: 'Put the missing bar in.',
    },
  ];
  if (b.spacingM !== null && b.count > 1)
    out.push({
      kind: `spacing-${kind}`,
      title: `Spacing ${WAY[b.way]}${where}`,
      trade: 'steel',
      wanted: {
        type: 'spacing',
        specifiedMm: b.spacingM * 1000,
        toleranceMm: r.spacingToleranceMm,
        spaces: Math.min(SPACES, b.count - 1),
      },
      places: once,
      toleranceSource: r.spacingSource,
      advice: 'Shift the bars; keep the count.',
    });
  return out;
}

/**
 * A pad: ground, form, and every mat both ways by its own count and spacing, with cover below, at
 * both sides and above a top mat.
 */
export function padDrafts(p: Pad, c: ListContext): Draft[] {
  const out: Draft[] = [GROUND, ...trenchDraft(p.bottomM, c), ...formOf(p, c)];
  if (!p.steel) return out;
  const { eachWay, topEachWay, coverBottomMm, coverSideMm, coverTopMm } = p.steel;
  const cover = (
    face: 'bottom' | 'side' | 'top',
    specifiedMm: number,
    bar: string,
    places: Place[],
    advice: string,
  ): Draft =>
    coverDraft(
      { kind: `cover-${face}`, title: COVER_TITLE[face], advice },
      { face, specifiedMm, bar },
      p.depthM * 1000,
      { places, why: face === 'side' ? 'one each side' : 'two a face' },
      c,
    );
  const twice = [...once, ...once];
  const mat = (name: 'bottom' | 'top', bar: string) => {
    const where = topEachWay ? `, ${name} mat` : '';
    return [
      ...padBars(p)
        .filter((b) => b.mat === name)
        .flatMap((b) => barsOf(b, where, c)),
      ...barDrafts(name, topEachWay ? `of the ${name} mat` : 'each way', bar),
    ];
  };
  out.push(
    ...mat('bottom', eachWay.bar),
    cover('bottom', coverBottomMm, eachWay.bar, twice, 'Lift on chairs and read again.'),
    cover('side', coverSideMm, eachWay.bar, sides, 'Move the bar in, block it, and read again.'),
  );
  if (topEachWay)
    out.push(
      ...mat('top', topEachWay.bar),
      cover('top', coverTopMm ?? coverSideMm, topEachWay.bar, twice, LET_DOWN),
      BENCHES,
    );
  const covers = [
    { name: 'Below', against: 'ground' as const, bar: eachWay.bar, coverMm: coverBottomMm },
    { name: 'at the sides', against: 'weather' as const, bar: eachWay.bar, coverMm: coverSideMm },
  ];
  return [
    ...out,
    clearDraft(eachWay.bar, c),
    ...(p.steel.coverUsual ? [] : coverAsks(covers, c)),
    ...padStarters(p.id, c),
    tied,
  ];
}
