import { z } from 'zod';
import { airTemperature, calculation, fig, nonNegative, positive, temperature } from '#core/kit';
import { COLD_AIR_C } from './cold.ts';

/** Specific heat of dry solids against water (ACI 305R). */
const SOLIDS_HEAT = 0.22;
/** Least temperature as placed by the section's least dimension (ACI 306R-16 table 5.1). */
const COLD_MINIMUM: readonly [underMm: number, leastC: number][] = [
  [300, 13],
  [900, 10],
  [1800, 7],
  [Infinity, 5],
];

/** The coldest concrete may be placed in cold weather, by the section's least dimension, °C. */
const coldMinimumC = (leastDimensionMm: number): number =>
  COLD_MINIMUM.find(([under]) => leastDimensionMm < under)?.[1] ?? 5;

/** What fresh concrete comes at when nobody has read it: the heat its parts bring, or the least a plant warms it to. */
export const deliveredTemperature = calculation({
  id: 'fresh-temperature',
  title: 'Temperature it will come with',
  purpose: 'The temperature of concrete as it will be delivered, before a load has been read.',
  formula:
    'T = (0.22(Ta·Wa + Tc·Wc) + Tw·Ww + Ta·Wwa)/(0.22(Wa + Wc) + Ww + Wwa); in air under 4.4 °C at least the as-placed minimum, where the plant warms it',
  source: 'ACI 305R heat balance without ice; ACI 306R-16 table 5.1 for the minimum',
  limits:
    'Aggregate at the mean air of the day before; no ice, no heated water reckoned. A reading rules over it.',
  input: z.object({
    aggregateKg: positive().lte(3000, 'must be 3000 or less').default(1800),
    cementKg: positive().lte(900, 'must be 900 or less').default(330),
    waterKg: positive().lte(400, 'must be 400 or less').default(160),
    aggregateWaterKg: nonNegative().lte(400, 'must be 400 or less').default(60),
    /** Mean of the 24 hours before. */
    airC: airTemperature(),
    cementC: temperature().default(50),
    waterC: temperature().default(12),
    leastDimensionMm: positive(),
    /** The plant warms it in cold weather. */
    warmed: z.boolean({ error: 'must be true or false' }).default(true),
  }),
  output: z.object({ tempC: z.number(), rule: z.enum(['balance', 'coldMinimum']) }),
  compute(v, trace) {
    const heat =
      SOLIDS_HEAT * (v.airC * v.aggregateKg + v.cementC * v.cementKg) +
      v.waterC * v.waterKg +
      v.airC * v.aggregateWaterKg;
    const capacity = SOLIDS_HEAT * (v.aggregateKg + v.cementKg) + v.waterKg + v.aggregateWaterKg;
    const balanceC = heat / capacity;
    trace.step('balance', `${fig(heat)}/${fig(capacity)}`, balanceC, '°C');
    const leastC = coldMinimumC(v.leastDimensionMm);
    if (v.warmed && v.airC < COLD_AIR_C && balanceC < leastC) {
      trace.step('as placed at least', `${fig(v.leastDimensionMm)} mm thick`, leastC, '°C');
      return { tempC: leastC, rule: 'coldMinimum' as const };
    }
    return { tempC: balanceC, rule: 'balance' as const };
  },
});
