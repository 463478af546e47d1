import type {
  Conveyance,
  CrewMember,
  Mixer,
  MixRecord,
  Plant,
  PourDoc,
  Prices,
  SitePlan,
  Wire,
} from '#core/model';
import type { RuledSite } from '#core/rules';

/** A pour with its site, as it is stored: what should be. */
export interface PourRecord {
  site: SitePlan &
    RuledSite & {
      mixes: MixRecord[];
      plants: Plant[];
      conveyances?: Conveyance[];
      mixers?: Mixer[];
      crew?: CrewMember[];
      prices?: Prices | undefined;
      wires?: Wire[];
    };
  pour: PourDoc;
  /** End of daylight on the day of the pour, minutes after local midnight. */
  duskMin: number;
  /** Mean of the air over the day before the first load, °C, where a forecast says it; null where none does. */
  airBeforeC?: number | null;
}

/** The mix of a pour as its site has it; undefined where it has none. */
export const mixOf = ({ site, pour }: Pick<PourRecord, 'site' | 'pour'>): MixRecord | undefined =>
  site.mixes.find((m) => m.mark === pour.mix);
