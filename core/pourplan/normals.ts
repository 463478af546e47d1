import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Draws thrown away first: seeds that lie close together start alike. */
const WARM_UP = 32;
/** The generator gives whole numbers from −2³¹ up to 2³¹. */
const TWO_31 = 0x8000_0000;

/**
 * A source of standard normal numbers (Marsaglia’s polar method on a seedable generator): the same
 * seed gives the same bits.
 */
export class Normals {
  readonly #rng;
  #spare = 0;
  #held = false;

  constructor(seed: number) {
    this.#rng = xoroshiro128plus(seed);
    for (let i = 0; i < WARM_UP; i += 1) this.#rng.next();
  }

  /** A number between 0 and 1, both left out. */
  uniform(): number {
    return (this.#rng.next() + 0.5) / TWO_31 / 2 + 0.5;
  }

  next(): number {
    if (this.#held) {
      this.#held = false;
      return this.#spare;
    }
    for (;;) {
      const x = (this.#rng.next() + 0.5) / TWO_31;
      const y = (this.#rng.next() + 0.5) / TWO_31;
      const r = x * x + y * y;
      if (r >= 1 || r === 0) continue;
      const f = Math.sqrt((-2 * Math.log(r)) / r);
      this.#spare = y * f;
      this.#held = true;
      return x * f;
    }
  }
}
