import { evaluate } from '#core/kit';
import type { Mixer, Plant, PourDoc, PourSettings } from '#core/model';
import { bagCount, siteMix } from '#core/supply';
import { KG_PER_LB } from '#core/units';

/** A delay that is none: what is mixed beside the form is there when it is mixed. */
const AT_ONCE = { medianMin: 0, p90Min: 0 };

/** A mixer of the site seen as a plant: its batches are the loads, and they are here when they are mixed. */
const asPlant = (mixer: Mixer): Plant => ({
  id: mixer.id,
  label: mixer.label,
  travel: AT_ONCE,
  plantDelay: AT_ONCE,
  roundTripMin: mixer.batchMin,
  trucksM3: [mixer.batchM3],
  minLoadM3: 0,
  stepM3: mixer.batchM3,
  mixer,
});

/** Where the concrete of a pour comes from: the mixer that is set, or else its plant; undefined where its site has no such plant. */
export function supplierOf(
  site: { plants: Plant[]; mixers?: Mixer[] },
  pour: Pick<PourDoc, 'plant' | 'settings'>,
): Plant | undefined {
  const mixer = site.mixers?.find((m) => m.id === pour.settings.mixer);
  return mixer ? asPlant(mixer) : site.plants.find((p) => p.id === pour.plant);
}

/**
 * Settings as the supply has them. From a mixer every load is a batch, one comes when the one before is mixed, nothing stays in
 * a hose, and no more is placed than is mixed: the crew that waits for the next batch is the crew that mixes it.
 */
export function asSupplied(s: PourSettings, { mixer }: Plant): PourSettings {
  if (!mixer) return s;
  const mixedM3PerH = (mixer.batchM3 / mixer.batchMin) * 60;
  return {
    ...s,
    truckM3: mixer.batchM3,
    spacingMin: mixer.batchMin,
    split: 'full',
    changeOverMin: 0,
    leftBehindM3: 0,
    // A batch more is no trip.
    costs: { ...s.costs, perLoad: 0 },
    placingRateM3PerH: Math.min(s.placingRateM3PerH, mixedM3PerH),
  };
}

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
