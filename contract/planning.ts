import { z } from 'zod';
import { airTemperature, nonNegative, share } from '#core/kit';
import {
  atMostOf,
  conveyanceSchema,
  crewMemberSchema,
  footingTypeSchema,
  formSystemSchema,
  mixerSchema,
  mixSchema,
  MOST,
  plantSchema,
  pricesSchema,
  wallTypeSchema,
  wireSchema,
} from '#core/model';

/** What there is to plan with, over the version that was read; a list that is left out stays as it is. */
export const putResourcesBody = z.object({
  version: z.number({ error: 'must be the version you read' }).int(),
  mixes: atMostOf(mixSchema, MOST.types).optional(),
  plants: atMostOf(plantSchema, MOST.types).optional(),
  conveyances: atMostOf(conveyanceSchema, MOST.types).optional(),
  mixers: atMostOf(mixerSchema, MOST.types).optional(),
  crew: atMostOf(crewMemberSchema, MOST.types).optional(),
  prices: pricesSchema.optional(),
  wires: atMostOf(wireSchema, 50).optional(),
  /** The schedule and the forms: a change of the plan, and kept as one. */
  footingTypes: atMostOf(footingTypeSchema, MOST.types).optional(),
  wallTypes: atMostOf(wallTypeSchema, MOST.types).optional(),
  formSystems: atMostOf(formSystemSchema, MOST.types).optional(),
});
export type Resources = Omit<z.output<typeof putResourcesBody>, 'version'>;

/** An hour of a forecast: in universal time or with its zone; what is left out is taken as usual. */
const forecastHour = z.object({
  at: z.iso
    .datetime({ offset: true, error: 'must be a time with its zone, as 2026-09-23T06:00:00Z' })
    .transform((t) => new Date(t).toISOString()),
  airTempC: airTemperature(),
  humidity: share().default(0.65),
  windKmH: nonNegative().lte(400, 'must be 400 or less').default(10),
  rainMmH: nonNegative().lte(300, 'must be 300 or less').default(0),
});
/** A forecast that was typed or brought in; an empty one takes it away. */
export const putForecastBody = z.object({
  hours: z
    .array(forecastHour)
    .max(1000, 'must hold at most 1000 hours')
    .superRefine((hours, ctx) => {
      hours.forEach((h, i) => {
        if (i > 0 && h.at <= (hours[i - 1]?.at ?? ''))
          ctx.addIssue({
            code: 'custom',
            path: [i, 'at'],
            message: 'is not after the hour before it',
          });
      });
    }),
});

/** What is told to the plant: so much in so many loads; when, of what mix and to which pour stands in the plan. */
export const orderBody = z.object({
  volumeM3: z.number({ error: 'must be a number' }).gt(0, 'must be above 0').lte(5000),
  loads: z
    .number({ error: 'must be a number' })
    .int('must be a whole number')
    .gt(0, 'must be above 0')
    .lte(500, 'must be 500 or fewer'),
  /** What it is to the plant: a first order or a changed one, put off, called off, or so much more on the day. */
  act: z
    .enum(['order', 'put-off', 'cancel', 'more'], {
      error: 'must be order, put-off, cancel or more',
    })
    .default('order'),
  /** Told by telephone: it is written down, and no plant is asked. */
  byTelephone: z.boolean({ error: 'must be true or false' }).default(false),
  /** The entry it is written down as: told again under the same one, it is told once. */
  id: z.uuid({ error: 'must be a UUID' }).optional(),
  /** The day it is put off to; null or left out where that is not known yet. */
  until: z.iso.date('must be a date as 2026-09-23').nullable().optional(),
});

/** The plant's answer: taken under its number, or not, and why. */
export interface OrderAnswer {
  taken: boolean;
  number: string | null;
  /** In the plant's words. */
  said: string;
}

/** A load as the plant knows it. */
export interface Delivery {
  id: string;
  ticket: string;
  volumeM3: number;
  batchedAt: string | null;
  /** When it came, or is likely to come. */
  dueAt: string;
  state: 'to batch' | 'on the road' | 'here';
}
export interface DeliveriesAnswer {
  source: 'simulated' | 'none';
  number: string | null;
  loads: Delivery[];
}
