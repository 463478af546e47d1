/** The public face of this room: what others use of it. */
export {
  celsiusOf,
  fahrenheitOf,
  KG_M3_PER_PCF,
  KG_PER_LB,
  KPA_PER_PSF,
  L_PER_GAL,
  M_PER_FT,
  M3_PER_FT3,
  M3_PER_YD3,
  MM_PER_IN,
  MPA_PER_PSI,
  STANDARD_GRAVITY,
} from './factors.ts';
export {
  area,
  barText,
  clockText,
  distanceText,
  durationText,
  type Figure,
  lengthText,
  level,
  mass,
  strength,
  temperatureFigure,
  textOf,
  loadVolume,
  volume,
  wind,
} from './format.ts';
export { atLeast, atMost, ceilWhole } from './limits.ts';
export { footInch, type FootInch, parseMeasure, UNIT_SYSTEMS, type UnitSystem } from './measure.ts';
export { currencies, currencyName, currencySchema, isCurrency, moneyText } from './money.ts';
export { counted } from './plural.ts';
export {
  asShown,
  fieldText,
  fromShown,
  QUANTITIES,
  type Quantity,
  quantityOfField,
  quantityText,
  shownUnit,
  toShown,
} from './quantity.ts';
export { isTimeZone, timeOfDay } from './time-zone.ts';
