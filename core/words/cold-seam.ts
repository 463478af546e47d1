import type { ColdStretch, SeamSaver } from '#core/pourplan';
import { counted, M_PER_FT, textOf, type UnitSystem, volume } from '#core/units';

/** A distance along the route, to the foot or the half metre. */
const alongText = (m: number, units: UnitSystem): string =>
  units === 'us' ? String(Math.round(m / M_PER_FT)) : String(Math.round(m * 2) / 2);

/** A place along the route as it is said: "40 ft". */
export const alongRouteText = (m: number, units: UnitSystem): string =>
  `${alongText(m, units)} ${units === 'us' ? 'ft' : 'm'}`;

/** Where on the route a cold stretch lies: "40 to 65 ft", or beside what. */
export function coldPlace(c: ColdStretch, units: UnitSystem): string {
  const [from, to] = [c.fromM, c.toM].map((m) => alongText(m, units)) as [string, string];
  const unit = units === 'us' ? 'ft' : 'm';
  return c.kind === 'below' ? `${from} to ${to} ${unit}` : `${c.elementId} at ${from} ${unit}`;
}

/** Where on the route a cold stretch lies, how long it waits, and when it shut: "40 to 65 ft, 76 min, shut at 71". */
export function coldStretchText(c: ColdStretch, units: UnitSystem): string {
  return `${coldPlace(c, units)}, ${Math.round(c.gapMin)} min, shut at ${Math.round(c.knitMin)}`;
}

const saves = (n: number | null | undefined): string => ((n ?? 1) === 1 ? 'saves' : 'save');

const SAVED: Record<SeamSaver['how'], (change: SeamSaver['change'], units: UnitSystem) => string> =
  {
    'way-round': () => 'Another way round saves it.',
    'pier-by-pad': () => 'Each pier right after its pad saves it.',
    'two-fronts': () => 'Two fronts from one start save it.',
    'closer-loads': ({ spacingMin }) =>
      spacingMin == null
        ? 'Loads as they are placed save it.'
        : `Loads every ${spacingMin} min save it.`,
    'bigger-trucks': ({ truckM3 }, units) =>
      `${textOf(volume(truckM3 ?? 0, units, 1))} trucks save it.`,
    'fewer-lifts': ({ lifts }) => `${counted(lifts ?? 1, 'lift')} ${saves(lifts)} it.`,
    faster: ({ placingRateM3PerH }, units) =>
      `Placing ${textOf(volume(placingRateM3PerH ?? 0, units, 0))} an hour saves it.`,
    retarder: () => 'A retarder in the mix saves it.',
    bulkhead: ({ bulkheads }) =>
      `${counted(bulkheads?.length ?? 1, 'planned bulkhead')} ${saves(bulkheads?.length)} it.`,
  };

/** A cold seam of the plan in one sentence, with what would save it. */
export function coldSentence(c: ColdStretch, saver: SeamSaver | null, units: UnitSystem): string {
  const lift = c.kind === 'below' ? `Lift ${c.lift} waits` : `${c.elementId} waits at its side`;
  const help = saver
    ? SAVED[saver.how](saver.change, units)
    : 'Split it at a planned bulkhead, or place it on another day.';
  return `${lift} too long: ${coldStretchText(c, units)}. ${help}`;
}
