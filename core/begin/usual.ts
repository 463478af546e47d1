import {
  type Conveyance,
  conveyanceSchema,
  type FootingType,
  footingTypeSchema,
  type FormSystem,
  formSystemSchema,
  type MixRecord,
  mixSchema,
  type Pad,
  type Plant,
  plantSchema,
  type RuleProfile,
  type WallType,
  wallTypeSchema,
} from '#core/model';
import { KPA_PER_PSF, M_PER_FT, M3_PER_YD3, MM_PER_IN, MPA_PER_PSI } from '#core/units';

/**
 * What a site begins with when nobody has said anything from a drawing, a maker's sheet or a plant:
 * common sizes of its rule profile, each marked as `usual` until somebody changes it or says that
 * it is so. Source: site practice; nothing here is designed.
 */

const inM = (inches: number): number => (inches * MM_PER_IN) / 1000;
const inMm = (inches: number): number => inches * MM_PER_IN;

/** A footing of a common size. @param mark what it is called on the schedule */
export const usualFooting = (profile: RuleProfile, mark: string): FootingType =>
  footingTypeSchema.parse({
    mark,
    usual: true,
    transverse: null,
    ...(profile === 'us-aci'
      ? {
          widthM: inM(24),
          depthM: inM(12),
          continuous: { bar: '#5', count: 3 },
          coverBottomMm: inMm(3),
          coverSideMm: inMm(3),
          coverTopMm: inMm(2),
        }
      : {
          widthM: 0.6,
          depthM: 0.3,
          continuous: { bar: '12mm', count: 4 },
          coverBottomMm: 75,
          coverSideMm: 75,
          coverTopMm: 50,
        }),
  });

/** A beam at the edge of a slab: deeper than wide, with bars at the top as at the bottom. */
export const usualBeam = (profile: RuleProfile, mark: string): FootingType =>
  footingTypeSchema.parse({
    ...usualFooting(profile, mark),
    ...(profile === 'us-aci'
      ? { widthM: inM(12), depthM: inM(18), continuous: { bar: '#5', count: 2, topCount: 2 } }
      : { widthM: 0.3, depthM: 0.5, continuous: { bar: '16mm', count: 2, topCount: 2 } }),
  });

/** A wall of a common thickness. */
export const usualWall = (profile: RuleProfile, mark: string): WallType =>
  wallTypeSchema.parse({
    mark,
    usual: true,
    ...(profile === 'us-aci'
      ? {
          thicknessM: inM(8),
          mats: 1,
          vertical: { bar: '#4', spacingM: inM(16) },
          horizontal: { bar: '#4', spacingM: inM(16) },
          coverInsideMm: inMm(1.5),
          coverOutsideMm: inMm(2),
        }
      : {
          thicknessM: 0.25,
          mats: 2,
          vertical: { bar: '10mm', spacingM: 0.2 },
          horizontal: { bar: '10mm', spacingM: 0.2 },
          coverInsideMm: 40,
          coverOutsideMm: 50,
        }),
  });

/** Height of a wall that nobody has said, m. */
export const USUAL_WALL_M: Record<RuleProfile, number> = {
  'us-aci': 8 * M_PER_FT,
  'metric-en': 2.5,
};

/** A pad of a common size, without a place of its own yet. */
export const usualPad = (profile: RuleProfile): Omit<Pad, 'id' | 'xM' | 'yM' | 'bottomM'> =>
  profile === 'us-aci'
    ? {
        widthM: 3 * M_PER_FT,
        lengthM: 3 * M_PER_FT,
        depthM: M_PER_FT,
        usual: true,
        steel: {
          eachWay: { bar: '#4', count: 4 },
          coverBottomMm: inMm(3),
          coverSideMm: inMm(3),
        },
      }
    : {
        widthM: 1,
        lengthM: 1,
        depthM: 0.4,
        usual: true,
        steel: { eachWay: { bar: '12mm', count: 6 }, coverBottomMm: 75, coverSideMm: 75 },
      };

/** Forms of a common panel; what the maker says of the real ones is typed over it. */
export const usualForms = (profile: RuleProfile, mark: string): FormSystem =>
  formSystemSchema.parse({
    mark,
    usual: true,
    ...(profile === 'us-aci'
      ? {
          ratingKPa: 600 * KPA_PER_PSF,
          panelWidthM: 2 * M_PER_FT,
          tiesPerJoint: 4,
          walers: 2,
          brace: {
            spacingM: 8 * M_PER_FT,
            attachM: 6 * M_PER_FT,
            angleDeg: 55,
            pitchMmPerTurn: 6.35,
          },
        }
      : {
          ratingKPa: 40,
          panelWidthM: 0.9,
          tiesPerJoint: 3,
          walers: 2,
          brace: { spacingM: 2.5, attachM: 1.8, angleDeg: 55, pitchMmPerTurn: 6 },
        }),
  });

/** Two mixes as they are mostly ordered: one for footings, one that a pump takes for walls. */
export const usualMixes = (profile: RuleProfile): MixRecord[] =>
  (profile === 'us-aci'
    ? [
        { mark: '3000', label: '3000 psi, ¾ in', fcMPa: 3000 * MPA_PER_PSI, slumpMm: inMm(4) },
        {
          mark: '4000P',
          label: '4000 psi for the pump',
          fcMPa: 4000 * MPA_PER_PSI,
          slumpMm: inMm(5),
        },
      ]
    : [
        {
          mark: 'C25S3',
          label: 'C25/30 S3',
          strengthClass: 'C25/30',
          fcMPa: 30,
          slumpMm: 125,
          slumpClass: 'S3',
        },
        {
          mark: 'C30S4',
          label: 'C30/37 S4',
          strengthClass: 'C30/37',
          fcMPa: 37,
          slumpMm: 185,
          slumpClass: 'S4',
        },
      ]
  ).map((m) => mixSchema.parse({ ...m, usual: true }));

/** A plant half an hour away whose trucks are of the common sizes. */
export const usualPlant = (profile: RuleProfile): Plant =>
  plantSchema.parse({
    id: 'plant',
    label: 'The plant',
    usual: true,
    travel: { medianMin: 30, p90Min: 40 },
    plantDelay: { medianMin: 5, p90Min: 15 },
    roundTripMin: 100,
    ...(profile === 'us-aci'
      ? {
          trucksM3: [9 * M3_PER_YD3, 10 * M3_PER_YD3],
          minLoadM3: 2 * M3_PER_YD3,
          stepM3: 0.25 * M3_PER_YD3,
        }
      : { trucksM3: [7.5, 9], minLoadM3: 1.5, stepM3: 0.25 }),
  });

/** Off the truck's own chute: what every truck brings. */
export const usualConveyance = (profile: RuleProfile): Conveyance =>
  conveyanceSchema.parse({
    id: 'chute',
    label: 'Straight off the chute',
    kind: 'chute',
    reachM: profile === 'us-aci' ? 16 * M_PER_FT : 5,
    rateM3PerH: profile === 'us-aci' ? 30 * M3_PER_YD3 : 25,
    leastSlumpMm: 75,
  });

/** What the balance of an order costs when nobody has said: a cubic metre, one left over, and calling one too few. */
export const USUAL_COSTS: Record<
  RuleProfile,
  { perM3: number; disposalPerM3: number; shortFixed: number; callFee: number }
> = {
  'us-aci': {
    perM3: 175 / M3_PER_YD3,
    disposalPerM3: 60 / M3_PER_YD3,
    shortFixed: 800,
    callFee: 120,
  },
  'metric-en': { perM3: 150, disposalPerM3: 45, shortFixed: 700, callFee: 95 },
};
