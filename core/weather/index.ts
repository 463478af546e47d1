/** The public face of this room: what others use of it. */
export { daylight, daylightOf, localDate, midnightMs } from './daylight.ts';
export { evaporation } from './evaporation.ts';
export { weatherRules } from './weather-rules.ts';
