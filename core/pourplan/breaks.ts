import type { SimulationInput } from './simulation-model.ts';

/** Less than this is nothing, m³. */
export const NOTHING_M3 = 1e-9;

type Break = SimulationInput['breaks'][number];

/** The end of the break that `t` falls into (from its start up to, not including, its end), or `t`. */
export function outOfBreaks(t: number, breaks: Break[]): number {
  let at = t;
  for (let moved = true; moved;) {
    moved = false;
    for (const b of breaks)
      if (at >= b.fromMin && at < b.toMin) {
        at = b.toMin;
        moved = true;
      }
  }
  return at;
}

/** Minutes of breaks within from … to. */
export function breakMinutes(from: number, to: number, breaks: Break[]): number {
  const sorted = breaks
    .map((b) => [Math.max(b.fromMin, from), Math.min(b.toMin, to)] as const)
    .filter(([a, b]) => b > a)
    .sort((a, b) => a[0] - b[0]);
  let sum = 0;
  let reach = from;
  for (const [a, b] of sorted) {
    if (b > reach) {
      sum += b - Math.max(a, reach);
      reach = b;
    }
  }
  return sum;
}

/** Places `volume` from `t` at `rate` (m³/min), standing still in breaks. Calls `piece` for each unbroken stretch. */
export function place(
  t: number,
  volume: number,
  rate: number,
  breaks: Break[],
  piece: (from: number, to: number, volume: number) => void,
): number {
  let at = t;
  let left = volume;
  while (left > NOTHING_M3) {
    at = outOfBreaks(at, breaks);
    const next = breaks.reduce(
      (n, b) => (b.fromMin > at && b.fromMin < n ? b.fromMin : n),
      Infinity,
    );
    const end = at + left / rate;
    if (end <= next) {
      piece(at, end, left);
      return end;
    }
    const part = (next - at) * rate;
    if (part > NOTHING_M3) piece(at, next, part);
    left -= part;
    at = next;
  }
  return at;
}
