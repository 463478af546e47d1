/**
 * What a scale of numbers wants of d3-interpolate; the build gives it to the scales in place of the
 * whole (vite.config.ts).
 */
export function interpolateNumber(from: number, to: number): (share: number) => number {
  const [a, b] = [Number(from), Number(to)];
  return (share) => a * (1 - share) + b * share;
}
export function interpolateRound(from: number, to: number): (share: number) => number {
  const at = interpolateNumber(from, to);
  return (share) => Math.round(at(share));
}
export { interpolateNumber as interpolate };

/** Scales of several colours ask for it; we have none. */
export function piecewise(): never {
  throw new RangeError(
    'Scales of colours are not built in: see web/drawing/interpolate-numbers.ts',
  );
}
