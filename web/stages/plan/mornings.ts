/** Chances are counted: of twenty mornings like this. */
export const MORNINGS = 20;
