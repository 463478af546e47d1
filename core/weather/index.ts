/** The public face of this room: what others use of it. */
export { dailyWeather } from './days.ts';
export { type GivenHour, hoursBetween } from './between.ts';
export { daylight, daylightOf, workingLight } from './daylight.ts';
export { localDate, localIso, midnightMs, minuteOfDay, pourDayMs, wallMs } from './local-date.ts';
export { evaporation } from './evaporation.ts';
export { protectionHours } from './protection.ts';
export { startWindow } from './start-window.ts';
export { weatherRules } from './weather-rules.ts';
