import { runOf } from '#core/model';
import { barRows } from '#core/steel';
import type { PourNow } from './stages/stage.ts';

/** Which part of the work a row of bars is, and its layer. */
const PART = {
  along: ['along', 'bottom'],
  top: ['along', 'top'],
  across: ['across', null],
  vertical: ['vertical', null],
  horizontal: ['horizontal', null],
  bottomMat: ['across', 'bottom'],
  topMat: ['across', 'top'],
  tie: ['tie', null],
} as const;

/** Every row of bars of a pour, as figures. */
export function steelFigures(v: PourNow) {
  const { site, pour } = v.record;
  const rows = barRows(site, v.mix.cylinderMPa);
  return rows
    .filter((r) => pour.elements.includes(r.elementId))
    .map((r) => ({
      elementId: r.elementId,
      mark: runOf(site, r.elementId)?.type ?? r.elementId,
      bar: r.bar,
      part: PART[r.role][0],
      layer: PART[r.role][1],
      count: r.count,
      lengthM: r.lengthM,
      massKg: r.massKg,
    }));
}
