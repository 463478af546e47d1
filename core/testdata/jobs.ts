import { mixSchema, ruledMix } from '../model/mix.ts';
import { plantSchema, pourDocSchema, type PourSettings } from '../model/pour.ts';
import { type SitePlan } from '../model/site.ts';
import { sitePlanSchema } from '../model/site-check.ts';
import { rulesOf } from '../rules/rules.ts';
import type { DemoPour } from './demo.ts';

/** Small made-up jobs that are not the demo: an L, two heights, footing and wall in one pour, a base with two mats. */

type Loose<T> = { [K in keyof T]?: unknown };
export interface JobParts extends Loose<SitePlan> {
  elements: string[];
  settings?: Loose<PourSettings>;
  pour?: object;
  mix?: object;
  plant?: object;
}

const BASE = {
  format: 'jactum.site/1',
  name: 'Sorrel Barn, Netherby Hollow',
  units: 'metric',
  latitude: 47,
  longitude: 6,
  timeZone: 'Europe/Paris',
  ruleProfile: 'metric-en',
  footingTypes: [
    {
      mark: 'F1',
      widthM: 0.6,
      depthM: 0.3,
      continuous: { bar: '16mm', count: 4 },
      transverse: null,
      coverBottomMm: 50,
      coverSideMm: 50,
      coverTopMm: 50,
    },
  ],
  wallTypes: [
    {
      mark: 'W1',
      thicknessM: 0.25,
      mats: 2,
      vertical: { bar: '12mm', spacingM: 0.2 },
      horizontal: { bar: '12mm', spacingM: 0.2 },
      coverInsideMm: 35,
      coverOutsideMm: 35,
    },
  ],
  nodes: [
    { id: 'A', xM: 0, yM: 0 },
    { id: 'B', xM: 7, yM: 0 },
    { id: 'C', xM: 7, yM: 5 },
  ],
};
const SETTINGS = {
  firstLoadMin: 450,
  placingRateM3PerH: 12,
  wasteRatio: 0.05,
  sdRatio: 0.03,
  truckM3: 6,
  costs: { costPerM3: 190, disposalPerM3: 60, shortFixed: 900, shortPerM3: 260, callFee: 90 },
  concreteTempC: 20,
  ratingKPa: 60,
};
const MIX = { mark: 'M1', label: 'C30/37', fcMPa: 30, slumpMm: 160 };
const PLANT = {
  id: 'plant',
  label: 'Plant',
  travel: { medianMin: 30, p90Min: 40 },
  plantDelay: { medianMin: 5, p90Min: 15 },
  roundTripMin: 100,
  trucksM3: [6, 8],
  stepM3: 0.25,
};

/** A job of these parts; what is left out is the base's. Throws what the schemas say when it is no job. */
export function job({ elements, settings, pour, mix, plant, ...site }: JobParts): DemoPour {
  const plan = sitePlanSchema.parse({ ...BASE, ...site });
  return {
    site: plan,
    pour: pourDocSchema.parse({
      code: 'X1',
      title: 'A job of its own',
      date: '2026-10-07',
      elements,
      mix: 'M1',
      plant: 'plant',
      settings: { ...SETTINGS, ...settings },
      stripping: { stripMPa: 5, floorH: 12, expectedTempC: 12 },
      ...pour,
    }),
    mix: ruledMix(mixSchema.parse({ ...MIX, ...mix }), rulesOf(plan)),
    plant: plantSchema.parse({ ...PLANT, ...plant }),
  };
}

/** An L of footings with the walls on them, 2.4 m and 1.2 m high. */
export const L_RUNS = [
  { id: 'FA', kind: 'footing', type: 'F1', from: 'A', to: 'B', bottomM: 0 },
  { id: 'FB', kind: 'footing', type: 'F1', from: 'B', to: 'C', bottomM: 0 },
  { id: 'WA', kind: 'wall', type: 'W1', from: 'A', to: 'B', bottomM: 0.3, topM: 2.7 },
  { id: 'WB', kind: 'wall', type: 'W1', from: 'C', to: 'B', bottomM: 0.3, topM: 1.5 },
];
