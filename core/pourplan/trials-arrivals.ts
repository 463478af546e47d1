import type { Normals } from './normals.ts';
import type { Layout, Standing } from './trials-layout.ts';

/** A load that should long be here is drawn so often before its tail is drawn by itself. */
const MOST_TRIES = 64;

/** A standard normal number above `least` (Marsaglia's tail method); any number where that is no tail. */
function tailDraw(source: Normals, least: number): number {
  if (least <= 0) return Math.max(least, Math.abs(source.next()));
  for (let tries = 0; tries < MOST_TRIES; tries += 1) {
    const x = Math.hypot(least, source.next(), source.next());
    if (source.uniform() * x <= least) return x;
  }
  return least;
}

/** When the loads of a morning leave and come, and in which order they are served. */
export class Mornings {
  readonly leave: Float64Array;
  readonly arrive: Float64Array;
  readonly order: Int32Array;
  readonly #l: Layout;
  readonly #from: Standing;

  constructor(l: Layout, from: Standing) {
    const loads = l.batch.length;
    this.leave = new Float64Array(loads);
    this.arrive = new Float64Array(loads);
    this.order = new Int32Array(loads);
    this.#l = l;
    this.#from = from;
  }

  /** Draws a morning into these. */
  draw(source: Normals): void {
    const { coming } = this.#from;
    for (let i = 0; i < this.leave.length; i += 1) {
      this.#drawLoad(source, i);
      // What has not come by now comes later: mornings on which it is here already are not this one.
      if (coming[i] === 1) this.#comeLater(source, i);
    }
    this.#sort();
  }

  #drawLoad(source: Normals, i: number): void {
    const { batch, delayMedian, delaySpread, travelMedian, travelSpread } = this.#l;
    const ds = delaySpread[i] as number;
    const ts = travelSpread[i] as number;
    const delay = delayMedian[i] as number;
    const travel = travelMedian[i] as number;
    const left = (batch[i] as number) + (ds === 0 ? delay : delay * Math.exp(ds * source.next()));
    this.leave[i] = left;
    this.arrive[i] = left + (ts === 0 ? travel : travel * Math.exp(ts * source.next()));
  }

  #comeLater(source: Normals, i: number): void {
    const { arrive, leave } = this;
    const now = this.#from.notBeforeMin;
    for (let tries = 0; (arrive[i] as number) <= now && tries < MOST_TRIES; tries += 1)
      this.#drawLoad(source, i);
    if ((arrive[i] as number) > now) return;
    const ts = this.#l.travelSpread[i] as number;
    const travel = this.#l.travelMedian[i] as number;
    const onRoad = now - (leave[i] as number);
    arrive[i] =
      ts > 0 && onRoad > 0
        ? (leave[i] as number) +
          travel * Math.exp(ts * tailDraw(source, Math.log(onRoad / travel) / ts))
        : now;
  }

  #sort(): void {
    const { arrive, order } = this;
    for (let i = 0; i < order.length; i += 1) {
      const a = arrive[i] as number;
      let k = i - 1;
      while (k >= 0 && (arrive[order[k] as number] as number) > a) {
        order[k + 1] = order[k] as number;
        k -= 1;
      }
      order[k + 1] = i;
    }
    const { underLoad } = this.#from;
    if (underLoad < 0) return;
    // What has begun goes on first.
    let at = order.indexOf(underLoad);
    for (; at > 0; at -= 1) order[at] = order[at - 1] as number;
    order[0] = underLoad;
  }
}
