import type { Step } from '#core/kit';

/** A figure's origin: the calculation and what was put in. `only` keeps the lines that bear on this figure. */
export interface Origin {
  id: string;
  input: unknown;
  only?: (s: Step) => boolean;
}
