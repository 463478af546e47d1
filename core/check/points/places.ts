import { distanceText, type UnitSystem } from '#core/units';
import type { Hooks } from '#core/model';
import { resultOf } from '#core/kit';
import { hook, HOOK_SOURCE, type LapCode } from '#core/steel';
import type { CheckRules } from '../rules.ts';
import type { Draft, Place } from './types.ts';

/** Stations evenly spread along a run, away from its ends. */
export function spread(
  lengthM: number,
  n: number,
  across: Place['across'] = 'middle',
  upsM: number[] = [],
): Place[] {
  return Array.from({ length: n }, (_, i) => {
    const upM = upsM.length ? upsM[i % upsM.length] : undefined;
    return { atM: (lengthM * (i + 0.5)) / n, across, ...(upM === undefined ? {} : { upM }) };
  });
}
/** On which side of an element's own line something stands, which is off it by so much to the left, m. */
export function sideOf(acrossM: number): Place['across'] {
  if (Math.abs(acrossM) <= 0.001) return 'middle';
  return acrossM > 0 ? 'left' : 'right';
}
export const once: Place[] = [{ atM: null, across: 'middle' }];
export const both = (places: Place[]): Place[] =>
  places.map((p, i) => ({ ...p, across: i % 2 ? 'right' : 'left' }));

export const coverReadings = (lengthM: number, r: CheckRules): number =>
  Math.max(r.leastCoverReadings, Math.ceil(lengthM / r.coverEveryM - 1e-9));
/** Sizes and levels are read once every so many metres. */
export const sizeReadings = (lengthM: number, r: CheckRules): number =>
  Math.max(1, Math.ceil(lengthM / r.sizeEveryM - 1e-9));

export const coverWhy = (r: CheckRules, units: UnitSystem): string =>
  `one every ${distanceText(r.coverEveryM, units)}, at least ${r.leastCoverReadings}`;
export const sizeWhy = (r: CheckRules, units: UnitSystem): string =>
  `one every ${distanceText(r.sizeEveryM, units)}`;

/** Checks that go by type: runs built alike that follow each other share them. */
export const typical = (drafts: Draft[]): Draft[] => drafts.map((d) => ({ ...d, typical: true }));

/**
 * Spaces a spacing is read over on a member of this length: six at most, as many as it has
 * otherwise; none where it has not one.
 */
export const spacesOn = (lengthM: number, spacingM: number, most = 6): number =>
  Math.min(most, Math.floor(lengthM / spacingM + 1e-9));

/** What a size may be off by, of its tolerance. */
export const off = ({ minusMm, plusMm }: { minusMm: number; plusMm: number | null }) => ({
  minusMm,
  plusMm,
});

/** How far a footing, or the foot of a wall's forms, is off its line on the plan. */
export const placeDraft = (
  title: string,
  read: Pick<Draft, 'places'> & Partial<Draft>,
  t: { minusMm: number; plusMm: number | null; source: string },
): Draft => ({
  kind: 'place',
  title,
  trade: 'forms',
  wanted: { type: 'size', what: 'place', wantedMm: 0, ...off(t) },
  ...read,
  toleranceSource: t.source,
  advice: 'Measure from the lines again, move it over, and read again.',
});

/** Something only an eye can judge, once. */
export const look = (
  kind: string,
  title: string,
  trade: Draft['trade'],
  advice: string,
  places: Place[] = once,
  why?: string,
): Draft => ({
  kind,
  title,
  trade,
  wanted: { type: 'eye' },
  places,
  advice,
  ...(why === undefined ? {} : { why }),
});

export const barDrafts = (role: string, words: string, bar: string): Draft[] => [
  {
    kind: `size-${role}`,
    title: `Bar size ${words}`,
    trade: 'steel',
    wanted: { type: 'bar', wanted: bar },
    places: once,
    advice: 'Smaller: take it out. Larger: laps are longer and the room is less, ask the engineer.',
  },
];

/** The form against its string line. */
export const lineDraft = (places: Place[], why: string, r: CheckRules, advice: string): Draft => ({
  kind: 'line',
  title: 'Off the string line',
  trade: 'forms',
  wanted: {
    type: 'size',
    what: 'line',
    wantedMm: 0,
    minusMm: r.straight.minusMm,
    plusMm: r.straight.plusMm,
  },
  places,
  why,
  source: 'string line',
  toleranceSource: r.straight.source,
  advice,
});

/** Hooks of a bar that is drawn with them: each leg at least as long as a standard hook's. */
export function hookDraft(
  role: string,
  words: string,
  v: { bar: string; hooks?: Hooks } | null,
  code: LapCode,
): Draft[] {
  if (!v?.hooks) return [];
  return [
    {
      kind: `hook-${role}`,
      title: `Hook of bars ${words}`,
      trade: 'steel',
      wanted: {
        type: 'size',
        what: 'lap',
        wantedMm: resultOf(hook, { bar: v.bar, code }).legMm,
        minusMm: 0,
        plusMm: null,
      },
      places: once,
      why: v.hooks === 'both' ? 'one of both ends' : 'one end',
      source: HOOK_SOURCE[code],
      advice: 'Hook too short or turned the wrong way: replace the bar, or ask the engineer.',
    },
  ];
}
