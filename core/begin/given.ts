/** What is typed of a shape so far, by the id of what it wants; m, and whole numbers for counts. */
export type Typed = Readonly<Record<string, number | null | undefined>>;

/** A side that nobody has typed is drawn this long, m. */
export const GUESS_M = 6;

/** It has been typed, and is more than nothing. */
export const given = (v: number | null | undefined): v is number => typeof v === 'number' && v > 0;
