/** How often, of all trials, and how much on the whole. */
export interface Tally {
  trials: number;
  coldSeam: number;
  overAge: number;
  short: number;
  afterDusk: number;
  overRating: number;
  crewWaitSum: number;
  finishSum: number;
  shortSum: number;
  leftOverSum: number;
}

/** What every single trial came to, for who wants to know more than how often: an entry a trial, and a count a seam. */
export interface TrialRecord {
  finish: Float64Array;
  wait: Float64Array;
  shortM3: Float64Array;
  leftOverM3: Float64Array;
  /** Cold seams of a morning, those of one run and lift counted once: they are one place to mend. */
  coldSeams: Float64Array;
  overAge: Uint8Array;
  /** What a truck may stand and unload without charge, and how long all of them stood beyond that, min. */
  freeUnloadMin: number;
  truckOverMin: Float64Array;
  /** How often each seam went cold, in the order of the layout: cell by cell, below before beside. */
  seamCold: Float64Array;
}

/** A pour laid out for many trials. */
export interface Trials {
  /** Runs trials from a seed. `finish` and `wait`, when given, take one entry a trial. */
  run(
    trials: number,
    seed: number,
    finish?: Float64Array,
    wait?: Float64Array,
    record?: TrialRecord,
  ): Tally;
  /** How many seams are watched. */
  seams: number;
  /** When the loads leave and come in the first trial of a seed. */
  firstArrivals(seed: number): { leaveMin: number[]; arriveMin: number[] };
}
