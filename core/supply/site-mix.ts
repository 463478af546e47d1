import { z } from 'zod';
import { calculation, fig, positive, share } from '#core/kit';
import { ceilWhole, KG_M3_PER_PCF, KG_PER_LB } from '#core/units';

/** Loose weight, lb/ft³, and specific gravity of what goes into the mixer. */
const MATERIAL = {
  cement: { pcf: 94, gravity: 3.15 },
  sand: { pcf: 100, gravity: 2.65 },
  stone: { pcf: 100, gravity: 2.65 },
} as const;
const WATER_KG_M3 = 1000;
const amounts = z.object({
  cementKg: z.number(),
  sandKg: z.number(),
  stoneKg: z.number(),
  waterL: z.number(),
});

/** Concrete mixed on site. */
export const siteMix = calculation({
  id: 'site-mix',
  title: 'Site mix by volume',
  purpose:
    'What a mix by volume parts takes for a cubic metre and for each batch, how many batches, and how many bags of cement.',
  formula:
    'absolute volumes: Σ parts·bulk density/(specific gravity·1000) + water/1000 = (1 − air) of a cubic metre; water = w/c·cement',
  source:
    'Absolute volume method, ACI PRC-211.1-22 §5; bulk densities 94, 100, 100 lb/ft³, specific gravities 3.15, 2.65, 2.65',
  limits: 'Small pours by volume. Damp sand bulks and brings water: take it off what is added.',
  input: z.object({
    parts: z.object({ cement: positive(), sand: positive(), stone: positive() }),
    wcRatio: share().gt(0, 'must be above 0'),
    airRatio: share().lt(1, 'must be below 1').default(0.02),
    volumeM3: positive(),
    mixerM3: positive(),
    bagKg: positive().default(94 * KG_PER_LB),
  }),
  output: z.object({
    perM3: amounts,
    perBatch: amounts,
    batches: z.number(),
    cementBags: z.number(),
  }),
  compute(v, trace) {
    const kg = {
      cement: v.parts.cement * MATERIAL.cement.pcf * KG_M3_PER_PCF,
      sand: v.parts.sand * MATERIAL.sand.pcf * KG_M3_PER_PCF,
      stone: v.parts.stone * MATERIAL.stone.pcf * KG_M3_PER_PCF,
    };
    const water = v.wcRatio * kg.cement;
    const solid =
      kg.cement / (MATERIAL.cement.gravity * WATER_KG_M3) +
      kg.sand / (MATERIAL.sand.gravity * WATER_KG_M3) +
      kg.stone / (MATERIAL.stone.gravity * WATER_KG_M3) +
      water / WATER_KG_M3;
    const toM3 = (1 - v.airRatio) / solid;
    const perM3 = {
      cementKg: kg.cement * toM3,
      sandKg: kg.sand * toM3,
      stoneKg: kg.stone * toM3,
      waterL: water * toM3,
    };
    const perBatch = {
      cementKg: perM3.cementKg * v.mixerM3,
      sandKg: perM3.sandKg * v.mixerM3,
      stoneKg: perM3.stoneKg * v.mixerM3,
      waterL: perM3.waterL * v.mixerM3,
    };
    const batches = ceilWhole(v.volumeM3 / v.mixerM3);
    const cementBags = ceilWhole((perM3.cementKg * v.volumeM3) / v.bagKg);
    trace.step(
      'one part round',
      `${fig(kg.cement)} kg cement + ${fig(kg.sand)} sand + ${fig(kg.stone)} stone + ${fig(water)} water`,
      solid,
      'm³',
    );
    trace.step(
      'cement',
      `${fig(kg.cement)}·(1 − ${fig(v.airRatio)})/${fig(solid)}`,
      perM3.cementKg,
      'kg/m³',
    );
    trace.step('water', `${fig(v.wcRatio)}·${fig(perM3.cementKg)}`, perM3.waterL, 'L/m³');
    trace.step('batches', `⌈${fig(v.volumeM3)}/${fig(v.mixerM3)}⌉`, batches, 'batches');
    trace.step(
      'bags',
      `⌈${fig(perM3.cementKg)}·${fig(v.volumeM3)}/${fig(v.bagKg)}⌉`,
      cementBags,
      'bags',
    );
    return { perM3, perBatch, batches, cementBags };
  },
});
