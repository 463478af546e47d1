/** 20 °C in kelvin, as ASTM C1074 rounds it. */
const REFERENCE_K = 293.15;

/** Rate of hydration against that at 20 °C (Arrhenius, ASTM C1074-19 eq. 2). `activationK` is Q = E/R in kelvin. */
export const ageFactor = (tempC: number, activationK: number): number => Math.exp(-activationK * (1 / (tempC + 273.15) - 1 / REFERENCE_K));

/** One reading of a temperature history. */
export interface TempReading { timeH: number; tempC: number }

/** Equivalent age at 20 °C in hours; each interval counts at the mean of its two readings (ASTM C1074-19 §9). */
export function equivalentAgeH(history: TempReading[], activationK: number): number {
  let sum = 0;
  for (let i = 1; i < history.length; i += 1) {
    const a = history[i - 1] as TempReading;
    const b = history[i] as TempReading;
    sum += ageFactor((a.tempC + b.tempC) / 2, activationK) * (b.timeH - a.timeH);
  }
  return sum;
}
