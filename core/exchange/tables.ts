import { type PourDoc, type SitePlan, typesByElement } from '#core/model';
import type { RuledSite } from '#core/rules';
import { barList } from '#core/steel';
import { materialsOf, takeOff } from '#core/takeoff';
import { barText, type Quantity, shownUnit, toShown, type UnitSystem } from '#core/units';

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
  const wanted = new Set(pour.elements);
  const own = total.elements.filter((e) => wanted.has(e.id));
  const types = typesByElement(site);
  const typeOf = (id: string) => types.get(id) ?? '';
  const materials = new Map<string, ReturnType<typeof materialsOf>>();
  for (const m of materialsOf(site, pour))
    materials.set(m.elementId, [...(materials.get(m.elementId) ?? []), m]);
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
      ...(materials.get(e.id) ?? []).map((m) => [
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

/** The lap of a bar that is longer than its pieces; a coupler where it may not be lapped. */
const joined = (lapM: number | null, units: UnitSystem): string | number =>
  lapM === null ? 'coupler' : cell(lapM, 'M', units, 3);

/** Bars by run: lines, cut lengths, laps and mass. */
export function rebarTable({ site, pour }: Source, fcMPa: number): Table {
  const u = site.units;
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
    rows: barList({ site, pour }, fcMPa).map((r) => [
      r.elementId,
      r.what,
      barText(r.bar),
      r.count,
      r.cuts.map((c) => `${c.count} × ${cell(c.lengthM, 'M', u, 2)}`).join(' + '),
      r.laps,
      r.laps > 0 ? joined(r.lapM, u) : '',
      cell(r.totalLengthM, 'M', u, 1),
      cell(r.massKg, 'Kg', u, 0),
    ]),
  };
}
