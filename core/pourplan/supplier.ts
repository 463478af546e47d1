import type { Mixer, Plant, PourDoc, PourSettings } from '#core/model';

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

/**
 * Where the concrete of a pour comes from: the mixer that is set, or else its plant; undefined
 * where its site has no such plant.
 */
export function supplierOf(
  site: { plants: Plant[]; mixers?: Mixer[] },
  pour: Pick<PourDoc, 'plant' | 'settings'>,
): Plant | undefined {
  const mixer = site.mixers?.find((m) => m.id === pour.settings.mixer);
  return mixer ? asPlant(mixer) : site.plants.find((p) => p.id === pour.plant);
}

/**
 * Settings as the supply has them. From a mixer every load is a batch, one comes when the one
 * before is mixed, nothing stays in a hose, and no more is placed than is mixed: the crew that
 * waits for the next batch is the crew that mixes it.
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
