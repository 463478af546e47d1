import { z } from 'zod';

/**
 * Field kinds that every calculation shares, so that the same mistake gets the same words everywhere.
 * JSON numbers only: text is refused, and so are NaN and the infinities.
 */
/** No measure, amount or money of a foundation is larger: what is larger is a slip, and would only stall the work. */
export const LARGEST = 1e9;
export const anyNumber = () =>
  z
    // Of its kind alone: what is out of its range says so in words of its own.
    .number({ error: (i) => (i.code === 'invalid_type' ? 'must be a number' : undefined) })
    .gte(-LARGEST, 'is too small to be real')
    .lte(LARGEST, 'is too large to be real');
/** What a draw begins from: any whole number of 32 bits, so that any words may be its seed. */
export const drawSeed = () =>
  z
    .number({ error: (i) => (i.code === 'invalid_type' ? 'must be a number' : undefined) })
    .int('must be a whole number')
    .gte(-(2 ** 31), 'must be within 32 bits')
    .lt(2 ** 32, 'must be within 32 bits');
/** A size, volume, rate, count…: must be above 0. */
export const positive = () => anyNumber().gt(0, 'must be above 0');
/** A reading, tolerance, fee…: may well be nothing, but not less. */
export const nonNegative = () => anyNumber().gte(0, 'must not be below 0');
/** A share between 0 and 1. */
export const share = () =>
  anyNumber().gte(0, 'is a share from 0 to 1').lte(1, 'is a share from 0 to 1');
/** Temperature of air, ground or curing concrete, °C. */
export const temperature = () =>
  anyNumber().gte(-50, 'must be from −50 °C to 100 °C').lte(100, 'must be from −50 °C to 100 °C');
/** Temperature of the air over a site, °C: hotter or colder was never measured where people pour. */
export const airTemperature = () =>
  anyNumber().gte(-60, 'must be from −60 °C to 60 °C').lte(60, 'must be from −60 °C to 60 °C');
/** Temperature of fresh concrete, °C. */
export const freshTemperature = () =>
  anyNumber().gte(0, 'must be from 0 °C to 60 °C').lte(60, 'must be from 0 °C to 60 °C');
/** A whole number, 1 or more. */
export const count = () => anyNumber().int('must be a whole number').gt(0, 'must be above 0');
/** A whole number, 0 or more. */
export const wholeOrNone = () =>
  anyNumber().int('must be a whole number').gte(0, 'must not be below 0');
/** A list that must hold something to judge. */
export const someOf = <T extends z.ZodType>(item: T) =>
  z.array(item).min(1, 'must hold at least one entry');

/** Text of one line, without anything that is not written: what somebody or something is called. */
export const oneLine = () =>
  z
    .string()
    .regex(/^[^\p{Cc}\u2028\u2029]*$/u, 'holds a line break or a character that is not written');

/**
 * Whether a figure is only what is usual, taken when a site was begun: nobody has said it from a
 * drawing, a maker's sheet or a plant yet. Left out once somebody has.
 */
export const onlyUsual = () => z.boolean({ error: 'must be true or false' }).optional();
