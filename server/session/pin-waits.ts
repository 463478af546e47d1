/** So many wrong PINs in a row cost no wait: thumbs slip. */
const FREE = 5;
const FIRST_WAIT_S = 30;
const LONGEST_WAIT_S = 3600;

/**
 * How long nobody is listened to after so many wrong PINs in a row, s: doubled each time, an hour
 * at most. Ten thousand PINs take more than a year, and who knows theirs waits an hour at worst, or
 * has the foreman give them a new one.
 */
export const waitAfter = (wrong: number): number =>
  wrong < FREE ? 0 : Math.min(LONGEST_WAIT_S, FIRST_WAIT_S * 2 ** (wrong - FREE));
