/** Standard normal density. */
export const normalDensity = (z: number): number => Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI);

/**
 * P(Z > z) of the standard normal distribution, to about 1e-15: the series of erf near the middle and the
 * continued fraction of erfc in the tail (Abramowitz & Stegun 7.1.6 and 7.1.14).
 */
export function normalTail(z: number): number {
  if (z < 0) return 1 - normalTail(-z);
  const x = z / Math.SQRT2;
  if (x < 2.5) {
    let term = x;
    let sum = x;
    for (let n = 1; Math.abs(term) > 1e-17 * Math.abs(sum) && n < 200; n += 1) {
      term *= (2 * x * x) / (2 * n + 1);
      sum += term;
    }
    return 0.5 - (sum * Math.exp(-x * x)) / Math.sqrt(Math.PI);
  }
  let fraction = 0;
  for (let n = 80; n >= 1; n -= 1) fraction = n / 2 / (x + fraction);
  return (0.5 * Math.exp(-x * x)) / (Math.sqrt(Math.PI) * (x + fraction));
}

/**
 * The value that a standard normal number stays under with probability p: Newton on its own tail from a rational start
 * (Abramowitz & Stegun 26.2.23), to about 1e-12.
 * @param p between 0 and 1, both left out
 */
export function normalQuantile(p: number): number {
  if (p > 0.5) return -normalQuantile(1 - p);
  const t = Math.sqrt(-2 * Math.log(p));
  let z = -(
    t -
    (2.515517 + 0.802853 * t + 0.010328 * t * t) /
      (1 + 1.432788 * t + 0.189269 * t * t + 0.001308 * t ** 3)
  );
  for (let i = 0; i < 4; i += 1) z -= (normalTail(-z) - p) / normalDensity(z);
  return z;
}
