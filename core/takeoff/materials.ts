import {
  bracePlaces,
  foamBlocks,
  formSystemOf,
  tieJoints,
  tiesAtJoint,
  walerRows,
} from '../formwork/forms-layout.ts';
import type { PourDoc } from '../model/pour.ts';
import { pierHeightM, wallHeightM, type SitePlan } from '../model/site.ts';
import { resultOf } from '../kit/calculation.ts';
import { trenchFill } from '../setout/trench-fill.ts';
import { padMatKg } from '../steel/pad-bars.ts';
import { rulesOf, type RuledSite } from '../rules/rules.ts';
import { L_PER_GAL, area, distanceText, lengthText, mass, textOf } from '../units/index.ts';
import type { Quantity } from '../units/quantity.ts';
import { takeOffOf } from './takeoff.ts';
import { lengthOf } from '../model/geometry.ts';

/** Something to be ordered or counted out for a run, and how it was reckoned. `quantity` null: pieces. */
export interface Material {
  elementId: string;
  item: string;
  amount: number;
  quantity: Quantity | null;
  basis: string;
}

/** Braces of a wall without a form system, m apart (8 ft, trade practice). */
const BRACE_M = 2.4384;
/** A stake each so many metres of form board (2 ft, trade practice). */
const STAKE_M = 0.6096;
/** What a litre of release agent covers, m² (trade practice; its maker's sheet rules). */
const AGENT_M2_PER_L = 12;

/** What a pour takes besides concrete and bars: chairs, boards and stakes, ties, walers, braces, anchors, release agent. */
export function materialsOf(
  site: SitePlan & RuledSite,
  pour: Pick<PourDoc, 'elements' | 'forms'>,
): Material[] {
  const { units } = site;
  const rules = rulesOf(site);
  const chairEveryM = rules.value('chairEvery');
  const forms = formSystemOf({ site, pour });
  const formM2 = new Map(takeOffOf(site).elements.map((e) => [e.id, e.formM2]));
  return pour.elements.flatMap((id): Material[] => {
    const out: Material[] = [];
    const add = (item: string, amount: number, quantity: Quantity | null, basis: string) => {
      if (amount > 0) out.push({ elementId: id, item, amount, quantity, basis });
    };
    const run = site.runs.find((r) => r.id === id);
    const pad = site.pads.find((p) => p.id === id);
    const lengthM = run ? lengthOf(site, run) : 0;
    const footing =
      run && run.kind !== 'wall' ? site.footingTypes.find((t) => t.mark === run.type) : undefined;
    if (footing) {
      add(
        'chairs',
        Math.ceil((lengthM / chairEveryM) * footing.continuous.count - 1e-9),
        null,
        `one a bar each ${distanceText(chairEveryM, units)}`,
      );
      if (!footing.unformed) {
        add('form boards', 2 * lengthM, 'M', 'both sides, used again');
        add(
          'stakes',
          2 * Math.ceil(lengthM / STAKE_M - 1e-9),
          null,
          `each ${distanceText(STAKE_M, units)}, both sides`,
        );
      }
    }
    if (pad) {
      const grid = (everyM: number) =>
        Math.max(2, Math.ceil(pad.widthM / everyM - 1e-9)) *
        Math.max(2, Math.ceil(pad.lengthM / everyM - 1e-9));
      add(
        'chairs',
        grid(chairEveryM),
        null,
        `one every ${distanceText(chairEveryM, units)} both ways`,
      );
      if (pad.steel?.topEachWay) {
        const everyM = rules.value('benchEvery');
        const kg = padMatKg(pad, 'top');
        const byMass = Math.ceil(kg / rules.value('benchLoad') - 1e-9);
        add(
          'benches',
          Math.max(grid(everyM), byMass),
          null,
          byMass > grid(everyM)
            ? `the top mat weighs ${textOf(mass(kg, units))}, ${textOf(mass(rules.value('benchLoad'), units))} on each`
            : `one every ${distanceText(everyM, units)} both ways under the top mat`,
        );
      }
      add('form boards', 2 * (pad.widthM + pad.lengthM), 'M', 'all round, used again');
    }
    const pier = site.piers.find((p) => p.id === id);
    if (pier) {
      if (pier.diameterM !== undefined)
        add('tube forms', pierHeightM(pier), 'M', 'by height, cut to the mark');
      add('braces', 2, null, 'two ways');
    }
    if (run?.kind === 'wall' && forms && run.topM !== undefined) {
      const heightM = wallHeightM(run);
      const ties = tiesAtJoint(forms, heightM);
      const joints = ties > 0 ? tieJoints(site, pour, run, lengthM, forms.panelWidthM).length : 0;
      add('ties', joints * ties, null, `${ties} a joint and corner piece, the maker’s count`);
      if (forms.kind === 'foam') {
        const { courses, blocks } = foamBlocks(forms, run, lengthM);
        add('foam blocks', blocks, null, `${courses} courses, openings not taken off`);
      } else
        add(
          'panels',
          2 * Math.ceil(lengthM / forms.panelWidthM - 1e-9),
          null,
          'both faces, used again',
        );
      const rows = walerRows(forms, heightM);
      add('walers', rows * lengthM, 'M', `${rows} rows, used again`);
      if (forms.brace)
        add('braces', bracePlaces(lengthM, forms.brace.spacingM).length, null, 'by their spacing');
    }
    if (run?.kind === 'wall' && !forms)
      add(
        'braces',
        bracePlaces(lengthM, BRACE_M).length,
        null,
        `each ${distanceText(BRACE_M, units)}`,
      );
    if (!(run?.kind === 'wall' && forms?.kind === 'foam'))
      add(
        'release agent',
        (formM2.get(id) ?? 0) / AGENT_M2_PER_L,
        'L',
        units === 'us'
          ? `a gallon each ${textOf(area(AGENT_M2_PER_L * L_PER_GAL, units))}`
          : `a litre each ${textOf(area(AGENT_M2_PER_L, units))}`,
      );
    for (const d of site.embeds) {
      if (d.elementId !== id || d.kind !== 'drain' || d.toM === undefined) continue;
      const sideM = site.units === 'us' ? 0.3048 : 0.3;
      const { gravelM3, fabricM2, pipeM } = resultOf(trenchFill, {
        lengthM: d.toM - d.atM,
        widthM: sideM,
        depthM: sideM,
      });
      const basis = `a trench ${lengthText(sideM * 1000, site.units)} wide and deep; measure yours`;
      add('drain pipe', pipeM, 'M', basis);
      add('gravel', gravelM3, 'M3', basis);
      add('filter fabric', fabricM2, 'M2', basis);
    }
    const anchors = site.anchors.filter((x) => x.elementId === id);
    for (const [kind, item] of [
      ['bolt', 'anchor bolts'],
      ['holdDown', 'hold-downs'],
      ['dowel', 'dowels'],
    ] as const)
      add(item, anchors.filter((x) => x.kind === kind).length, null, 'on the drawing');
    return out;
  });
}
