/**
 * Comparisons that leave 1e-9 (relative) for the rounding of unit conversions, so that a value
 * exactly on a limit counts as within it.
 */
const slack = (a: number, b: number): number => 1e-9 * Math.max(Math.abs(a), Math.abs(b));

/** True when `value` is not below `limit`. */
export const atLeast = (value: number, limit: number): boolean =>
  value >= limit - slack(value, limit);
/** True when `value` is not above `limit`. */
export const atMost = (value: number, limit: number): boolean =>
  value <= limit + slack(value, limit);
/** Whole units needed to hold `quotient`: a quotient a rounding error above a whole number stays on it. */
export const ceilWhole = (quotient: number): number => Math.ceil(quotient - 1e-9);
