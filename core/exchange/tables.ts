import { typesByElement } from '../model/elements.ts';
import type { PourDoc } from '../model/pour.ts';
import type { SitePlan } from '../model/site.ts';
import { resultOf } from '../register/calculation.ts';
import { rulesOf, type RuledSite } from '../rules/rules.ts';
import { rebarTakeoff, type RebarRow } from '../steel/rebar-takeoff.ts';
import { materialsOf } from '../takeoff/materials.ts';
import { takeOff } from '../takeoff/takeoff.ts';
import { barText, shownUnit, toShown, type Quantity } from '../units/index.ts';

/** A table to be saved as a spreadsheet: names of columns, and cells in the site's units. */
export interface Table {
  head: string[];
  rows: (string | number)[][];
}
type Source = { site: SitePlan & RuledSite; pour: Pick<PourDoc, 'elements' | 'forms'> };

const cell = (
  value: number,
  quantity: Quantity,
  units: SitePlan['units'],
  digits: number,
): number => Number(toShown(value, quantity, units).toFixed(digits));

/** Length, forms and concrete by run, then what else is to be there, by run. */
export function takeoffTable({ site, pour }: Source): Table {
  const u = site.units;
  const total = takeOff(site);
  const own = total.elements.filter((e) => pour.elements.includes(e.id));
  const types = typesByElement(site);
  const typeOf = (id: string) => types.get(id) ?? '';
  const materials = materialsOf(site, pour);
  return {
    head: [
      'run',
      'type',
      `length ${shownUnit('M', u)}`,
      `forms ${shownUnit('M2', u)}`,
      `concrete ${shownUnit('M3', u)}`,
      'item',
      'amount',
      'unit',
      'reckoned',
    ],
    rows: own.flatMap((e) => [
      [
        e.id,
        typeOf(e.id),
        cell(e.lengthM, 'M', u, 2),
        cell(e.formM2, 'M2', u, 1),
        cell(e.concreteM3, 'M3', u, 3),
        '',
        '',
        '',
        '',
      ],
      ...materials
        .filter((m) => m.elementId === e.id)
        .map((m) => [
          e.id,
          typeOf(e.id),
          '',
          '',
          '',
          m.item,
          m.quantity === null ? m.amount : cell(m.amount, m.quantity, u, 1),
          m.quantity === null ? '' : shownUnit(m.quantity, u),
          m.basis,
        ]),
    ]),
  };
}

/** Pieces a line of bar is cut from: whole stock lengths, and a last one that is what remains with its lap. */
export function cutsOf(lengthM: number, laps: number, lapM: number, stockM: number): number[] {
  if (laps <= 0) return [lengthM];
  const rest = lengthM + laps * lapM - laps * stockM;
  return [...Array.from({ length: laps }, () => stockM), rest];
}

const ROLE: Record<RebarRow['role'], string> = {
  along: 'along',
  top: 'along, top',
  across: 'across',
  vertical: 'upright',
  horizontal: 'level',
  tie: 'ties',
  eachWay: 'each way',
};

/** Rows of one element that say the same of one bar and length are one: both ways of a square pad, its mats alike. */
function alike(rows: RebarRow[]): RebarRow[] {
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

/** Bars by run: lines, cut lengths, laps and mass. */
export function rebarTable({ site, pour }: Source, fcMPa: number): Table {
  const u = site.units;
  const rules = rulesOf(site);
  const stockLengthM = rules.value('barStock');
  const fyMPa = rules.value('barGrade');
  const rows = resultOf(rebarTakeoff, { site, stockLengthM, fcMPa, fyMPa }).rows.filter((r) =>
    pour.elements.includes(r.elementId),
  );
  return {
    head: [
      'run',
      'bars',
      'bar',
      'lines',
      `cut lengths ${shownUnit('M', u)}`,
      'laps',
      `lap ${shownUnit('M', u)}`,
      `total ${shownUnit('M', u)}`,
      `mass ${shownUnit('Kg', u)}`,
    ],
    rows: alike(rows).map((r) => {
      const lines = Math.max(1, r.count);
      const lapsEach = Math.round(r.laps / lines);
      const cuts = cutsOf(r.lengthM, lapsEach, r.lapM ?? 0, stockLengthM);
      const same = [...new Set(cuts.map((c) => cell(c, 'M', u, 2)))]
        .map((c) => `${cuts.filter((x) => cell(x, 'M', u, 2) === c).length} × ${c}`)
        .join(' + ');
      return [
        r.elementId,
        `${ROLE[r.role]}${r.hooks === 2 ? ', hooked' : r.hooks === 1 ? ', hooked one end' : ''}`,
        barText(r.bar),
        r.count,
        same,
        r.laps,
        r.laps > 0 ? (r.lapM === null ? 'coupler' : cell(r.lapM, 'M', u, 3)) : '',
        cell(r.totalLengthM, 'M', u, 1),
        cell(r.massKg, 'Kg', u, 0),
      ];
    }),
  };
}
