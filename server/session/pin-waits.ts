/** So many wrong PINs in a row cost no wait from one device: thumbs slip. */
const FREE = 5;
/** And so many from all that are strangers, or all that are signed in, together. */
const FREE_OF_ALL = 50;
const FIRST_WAIT_S = 30;
const LONGEST_WAIT_S = 3600;

const doubled = (over: number): number =>
  over < 0 ? 0 : Math.min(LONGEST_WAIT_S, FIRST_WAIT_S * 2 ** over);

/**
 * How long a device or address is not listened to after so many wrong PINs in a row, s: doubled each
 * time, an hour at most. Ten thousand PINs take more than a year.
 */
export const waitAfter = (wrong: number): number => doubled(wrong - FREE);

/** The same for all of them together, so that many addresses are no way round. */
export const waitOfAllAfter = (wrong: number): number => doubled(wrong - FREE_OF_ALL);
