import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Draws thrown away first: seeds that lie close together start alike. */
const WARM_UP = 32;
const TWO_32 = 0x1_0000_0000;

/** A source of standard normal numbers (Box–Muller on a seedable generator): the same seed gives the same bits. */
export class Normals {
  readonly #rng;
  #spare = 0;
  #held = false;

  constructor(seed: number) {
    this.#rng = xoroshiro128plus(seed);
    for (let i = 0; i < WARM_UP; i += 1) this.#rng.next();
  }

  next(): number {
    if (this.#held) { this.#held = false; return this.#spare; }
    const radius = Math.sqrt(-2 * Math.log(((this.#rng.next() >>> 0) + 0.5) / TWO_32));
    const turn = 2 * Math.PI * (((this.#rng.next() >>> 0) + 0.5) / TWO_32);
    this.#spare = radius * Math.sin(turn);
    this.#held = true;
    return radius * Math.cos(turn);
  }
}
