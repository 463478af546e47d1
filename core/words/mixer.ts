import type { Mixer } from '#core/model';
import type { MixerNeeds } from '#core/pourplan';
import {
  counted,
  durationText,
  loadVolume,
  mass,
  quantityText,
  textOf,
  type UnitSystem,
} from '#core/units';

/** How it is mixed, in a line: parts, or bags. */
export const mixerText = (m: Mixer, units: UnitSystem): string =>
  `${textOf(loadVolume(m.batchM3, units))} every ${Math.round(m.batchMin)} min, ${
    m.by === 'bags' ? `${m.bagLb} lb bags` : `${m.cement} : ${m.sand} : ${m.stone} by volume`
  }`;

/** What mixing takes, in a sentence: batches, bags, trips. */
export const mixerSentence = (n: MixerNeeds, by: Mixer['by']): string =>
  `${counted(n.batches, 'batch', 'batches')} in ${durationText(n.mixingMin)}: ${
    by === 'bags' ? counted(n.bags, 'bag') : `${counted(n.bags, 'bag')} of cement`
  }, ${counted(n.trips, 'trip')} with the trailer`;

/** What goes into one batch, a line each; nothing where bags are opened. */
export const batchLines = (
  { batch }: MixerNeeds,
  units: UnitSystem,
): { what: string; much: string }[] =>
  batch
    ? [
        { what: 'cement', much: textOf(mass(batch.cementKg, units)) },
        { what: 'sand, dry', much: textOf(mass(batch.sandKg, units)) },
        { what: 'stone', much: textOf(mass(batch.stoneKg, units)) },
        { what: 'water at most', much: quantityText(batch.waterL, 'L', units) },
      ]
    : [];
