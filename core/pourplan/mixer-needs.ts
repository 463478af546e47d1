import { evaluate } from '#core/kit';
import type { Mixer } from '#core/model';
import { bagCount, siteMix } from '#core/supply';
import { KG_PER_LB } from '#core/units';

/** What mixing on the site takes: kilograms and litres are of one batch, bags and trips of the whole pour. */
export interface MixerNeeds {
  batches: number;
  /** How long it mixes, min. */
  mixingMin: number;
  bags: number;
  /** What a bag weighs, kg. */
  bagKg: number;
  /** All that is carried, kg, and how often the trailer goes. */
  massKg: number;
  trips: number;
  batch: { cementKg: number; sandKg: number; stoneKg: number; waterL: number } | null;
}

/** What a pour takes of bags, sand, stone and trips when it is mixed on the site. */
export function mixerNeeds(mixer: Mixer, volumeM3: number): MixerNeeds {
  const batches = Math.max(1, Math.ceil(volumeM3 / mixer.batchM3 - 1e-9));
  const mixingMin = batches * mixer.batchMin;
  if (mixer.by === 'bags') {
    const bagKg = mixer.bagLb * KG_PER_LB;
    const { bags, massKg, trips } = evaluate(bagCount, {
      volumeM3,
      bagLb: mixer.bagLb,
      trailerKg: mixer.trailerKg,
    }).result;
    return { batches, mixingMin, bags, bagKg, massKg, trips, batch: null };
  }
  const bagKg = CEMENT_BAG_KG;
  const { perM3, perBatch, cementBags } = evaluate(siteMix, {
    parts: { cement: mixer.cement, sand: mixer.sand, stone: mixer.stone },
    wcRatio: mixer.wcRatio,
    volumeM3,
    mixerM3: mixer.batchM3,
    bagKg,
  }).result;
  const massKg = cementBags * bagKg + (perM3.sandKg + perM3.stoneKg) * volumeM3;
  const trips = Math.ceil(massKg / mixer.trailerKg - 1e-9);
  return { batches, mixingMin, bags: cementBags, bagKg, massKg, trips, batch: perBatch };
}
/** A bag of cement, kg: a cubic foot. */
const CEMENT_BAG_KG = 94 * KG_PER_LB;
