/** Exact conversion factors between US customary units and SI (international yard and pound, 1959). */
export const MM_PER_IN = 25.4;
export const M_PER_FT = 0.3048;
export const M3_PER_YD3 = 0.764554857984;
export const M3_PER_FT3 = 0.028316846592;
export const M2_PER_FT2 = 0.09290304;
export const KG_PER_LB = 0.45359237;
export const MPA_PER_PSI = 0.006894757293;
export const KM_PER_MI = 1.609344;
export const L_PER_GAL = 3.785411784;
export const STANDARD_GRAVITY = 9.80665;

/** Degrees Fahrenheit of a Celsius temperature. */
export const fahrenheitOf = (tempC: number): number => tempC * 1.8 + 32;
/** Degrees Celsius of a Fahrenheit temperature. */
export const celsiusOf = (tempF: number): number => (tempF - 32) / 1.8;
export const N_PER_LBF = 4.4482216152605;
export const KPA_PER_PSF = 0.04788025898;
export const KG_M3_PER_PCF = 16.01846337;
