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
export function arrivalsOf(l: Layout, from: Standing) {
  const { batch, delayMedian, delaySpread, travelMedian, travelSpread } = l;
  const { notBeforeMin, underLoad } = from;
  const loads = batch.length;
  const leave = new Float64Array(loads);
  const arrive = new Float64Array(loads);
  const order = new Int32Array(loads);

  /** When one load leaves and comes, drawn afresh. */
  function drawLoad(source: Normals, i: number): void {
    const ds = delaySpread[i] as number;
    const ts = travelSpread[i] as number;
    const left =
      (batch[i] as number) +
      (ds === 0
        ? (delayMedian[i] as number)
        : (delayMedian[i] as number) * Math.exp(ds * source.next()));
    leave[i] = left;
    arrive[i] =
      left +
      (ts === 0
        ? (travelMedian[i] as number)
        : (travelMedian[i] as number) * Math.exp(ts * source.next()));
  }
  function drawAll(source: Normals): void {
    for (let i = 0; i < loads; i += 1) {
      drawLoad(source, i);
      // What has not come by now comes later: mornings on which it is here already are not this one.
      if (from.coming[i] === 1) comeLater(source, i);
    }
  }
  function comeLater(source: Normals, i: number): void {
    for (let tries = 0; (arrive[i] as number) <= notBeforeMin && tries < MOST_TRIES; tries += 1)
      drawLoad(source, i);
    if ((arrive[i] as number) > notBeforeMin) return;
    const ts = travelSpread[i] as number;
    const onRoad = notBeforeMin - (leave[i] as number);
    arrive[i] =
      ts > 0 && onRoad > 0
        ? (leave[i] as number) +
          (travelMedian[i] as number) *
            Math.exp(ts * tailDraw(source, Math.log(onRoad / (travelMedian[i] as number)) / ts))
        : notBeforeMin;
  }
  function sortLoads(): void {
    for (let i = 0; i < loads; i += 1) {
      const a = arrive[i] as number;
      let k = i - 1;
      while (k >= 0 && (arrive[order[k] as number] as number) > a) {
        order[k + 1] = order[k] as number;
        k -= 1;
      }
      order[k + 1] = i;
    }
    if (underLoad < 0) return;
    // What has begun goes on first.
    let at = order.indexOf(underLoad);
    for (; at > 0; at -= 1) order[at] = order[at - 1] as number;
    order[0] = underLoad;
  }

  return {
    leave,
    arrive,
    order,
    /** Draws a morning into these. */
    draw(source: Normals): void {
      drawAll(source);
      sortLoads();
    },
  };
}
