import type { PourDoc, SitePlan } from '#core/model';
import { resultOf } from '#core/kit';
import { type RuledSite, rulesOf } from '#core/rules';
import { lapCodeOf } from './laps.ts';
import { rebarTakeoff, type RebarRow } from './rebar-takeoff.ts';

/** Pieces of one length that a line of bar is cut into. */
export interface Cut {
  count: number;
  lengthM: number;
}

/** Bars of one kind in one element, as they are cut, bent and tied. */
export interface BarLine {
  elementId: string;
  /** Where they lie, and whether their ends are hooked: "upright", "level, hooked". */
  what: string;
  /** Name of the bar, as in 5 or 16M. */
  bar: string;
  /** Lines of bar: each is cut into `cuts`. */
  count: number;
  cuts: Cut[];
  /** Laps or couplers of all lines together. */
  laps: number;
  /** Length of one lap, m; null where a bar may not be lapped and is coupled. */
  lapM: number | null;
  totalLengthM: number;
  massKg: number;
}

const ROLE: Record<RebarRow['role'], string> = {
  along: 'along',
  top: 'along, top',
  across: 'across',
  vertical: 'upright',
  horizontal: 'level',
  tie: 'ties',
  bottomMat: 'bottom mat',
  topMat: 'top mat',
};
const HOOKED: Record<number, string> = { 1: ', hooked one end', 2: ', hooked' };

/** Cuts that differ by less are one, m: no shears cut finer. */
const SAME_CUT_M = 0.001;

/**
 * Pieces a line of bar is cut from: whole stock lengths, and a last one that is what remains with its lap.
 * @param laps laps in one line
 */
export function cutsOf(lengthM: number, laps: number, lapM: number, stockM: number): Cut[] {
  const rest = lengthM + laps * (lapM - stockM);
  if (laps <= 0) return [{ count: 1, lengthM }];
  return Math.abs(rest - stockM) < SAME_CUT_M
    ? [{ count: laps + 1, lengthM: stockM }]
    : [
        { count: laps, lengthM: stockM },
        { count: 1, lengthM: rest },
      ];
}

/** Rows of one element that say the same of one bar and length are one: both ways of a mat of a square pad. */
export function sameBars(rows: RebarRow[]): RebarRow[] {
  const merged = new Map<string, RebarRow>();
  for (const r of rows) {
    const key = [r.elementId, r.role, r.bar, r.lengthM.toFixed(4), r.hooks].join('|');
    const before = merged.get(key);
    merged.set(
      key,
      before
        ? {
            ...before,
            count: before.count + r.count,
            laps: before.laps + r.laps,
            totalLengthM: before.totalLengthM + r.totalLengthM,
            massKg: before.massKg + r.massKg,
          }
        : r,
    );
  }
  return [...merged.values()];
}

/**
 * Every bar of a site, laps by the code of its rules: what the list, the check and the report say.
 * @param cylinderMPa cylinder strength of its concrete, MPa: laps that the drawing does not give hang on it
 * @throws BadInput for a strength or a site that the take-off cannot work with
 */
export function barRows(site: SitePlan & RuledSite, cylinderMPa: number): RebarRow[] {
  const rules = rulesOf(site);
  return resultOf(rebarTakeoff, {
    site,
    stockLengthM: rules.value('barStock'),
    fyMPa: rules.value('barGrade'),
    fcMPa: cylinderMPa,
    lapsBy: lapCodeOf(site.ruleProfile),
  }).rows;
}

/**
 * The bars of a pour, element by element.
 * @param cylinderMPa as in {@link barRows}
 */
export function barList(
  { site, pour }: { site: SitePlan & RuledSite; pour: Pick<PourDoc, 'elements'> },
  cylinderMPa: number,
): BarLine[] {
  const stockLengthM = rulesOf(site).value('barStock');
  const rows = barRows(site, cylinderMPa).filter((r) => pour.elements.includes(r.elementId));
  return sameBars(rows).map((r) => ({
    elementId: r.elementId,
    what: `${ROLE[r.role]}${HOOKED[r.hooks] ?? ''}`,
    bar: r.bar,
    count: r.count,
    cuts: cutsOf(r.lengthM, Math.round(r.laps / Math.max(1, r.count)), r.lapM ?? 0, stockLengthM),
    laps: r.laps,
    lapM: r.lapM,
    totalLengthM: r.totalLengthM,
    massKg: r.massKg,
  }));
}
