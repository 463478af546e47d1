import { topLevel } from './depth-and-top.ts';
import { padUnder, type Pier, pierHeightM, pierWidthM } from '#core/model';
import { barDrafts, look, off, once } from './places.ts';
import { braced, trenchDraft } from './footings.ts';
import { tied } from './footing-steel.ts';
import type { Draft, ListContext } from './types.ts';

const ON_CONCRETE =
  'Clean and sound; bars out of the footing stand where the pier comes, clean and capped.';
/** No pad is drawn under it: it goes down into the ground, or onto a footing that is there. */
const IN_THE_GROUND =
  'A hole to its depth and width, dry, nothing loose at the bottom. On a footing: clean and sound, its bars where the pier comes.';

/** A pier or pedestal: what it stands on, its form, and its steel where the drawing gives it. */
export function pierDrafts(p: Pier, c: ListContext): Draft[] {
  const r = c.rules;
  const widthMm = pierWidthM(p) * 1000;
  const heightM = pierHeightM(p);
  const tolerance = r.wallThickness(widthMm);
  const plumb = r.plumb(heightM * 1000);
  const onPad = padUnder(c.site.pads, p) !== undefined;
  const out: Draft[] = [
    {
      ...look('seat', 'What it stands on', 'ground', onPad ? ON_CONCRETE : IN_THE_GROUND),
      rainUndoes: true,
    },
    ...(onPad ? [] : trenchDraft(p.bottomM, c)),
    {
      kind: 'width',
      title: p.diameterM === undefined ? 'Form width' : 'Form diameter',
      trade: 'forms',
      wanted: {
        type: 'size',
        what: 'width',
        wantedMm: widthMm,
        minusMm: tolerance.minusMm,
        plusMm: tolerance.plusMm,
      },
      places: once,
      toleranceSource: tolerance.source,
      advice: 'Move the form, brace it, and read again.',
    },
    {
      kind: 'plumb',
      title: 'Plumb, off in the height',
      trade: 'forms',
      wanted: {
        type: 'size',
        what: 'plumb',
        wantedMm: 0,
        ...off(plumb),
      },
      places: [...once, ...once],
      why: 'two ways',
      toleranceSource: plumb.source,
      advice: 'Pull it upright, brace it, and read again.',
    },
    topLevel(r, 'Cut or lift the form to the mark and read again.', { places: once }),
    braced,
  ];
  if (!p.steel) return out;
  out.push(...cageDrafts(p.steel, heightM, widthMm, r));
  return out;
}

/** Ties stand off by this share of the width at most (ACI 117-10 §2.2.5: 1 in a foot, to be confirmed). */
const TIE_OFF = 1 / 12;

/** The cage: bars, ties, cover. */
function cageDrafts(
  steel: NonNullable<Pier['steel']>,
  heightM: number,
  widthMm: number,
  r: ListContext['rules'],
): Draft[] {
  const out: Draft[] = [];
  const { vertical, ties, coverMm } = steel;
  out.push(
    {
      kind: 'count-up',
      title: 'Bars upright',
      trade: 'steel',
      wanted: { type: 'count', wanted: vertical.count },
      places: once,
      advice: 'Put the missing bar in.',
    },
    ...barDrafts('up', 'upright', vertical.bar),
  );
  if (ties)
    out.push(
      {
        kind: 'spacing-ties',
        title: 'Spacing of ties',
        trade: 'steel',
        wanted: {
          type: 'spacing',
          specifiedMm: ties.spacingM * 1000,
          toleranceMm: Math.min(r.spacingToleranceMm, widthMm * TIE_OFF),
          spaces: Math.max(1, Math.min(4, Math.floor(heightM / ties.spacingM))),
        },
        places: once,
        toleranceSource: `${r.spacingSource}; at most 1 in 12 of the width, to be confirmed`,
        advice: 'Slide the ties; keep the count.',
      },
      ...barDrafts('ties', 'of ties', ties.bar),
    );
  out.push(
    {
      kind: 'cover-side',
      title: 'Side cover',
      trade: 'steel',
      wanted: {
        type: 'cover',
        face: 'side',
        specifiedMm: coverMm,
        memberDepthMm: widthMm,
        bar: ties?.bar ?? vertical.bar,
      },
      places: [...once, ...once],
      why: 'two faces',
      advice: 'Move the cage in, block it, and read again.',
    },
    tied,
  );
  return out;
}
