export * from './factors.ts';
export { atLeast, atMost, ceilWhole } from './limits.ts';
export {
  footInch,
  parseMeasure,
  UNIT_SYSTEMS,
  type FootInch,
  type ParsedMeasure,
  type UnitSystem,
} from './measure.ts';
export * from './format.ts';
export { moneyText } from './money.ts';
export { counted } from './plural.ts';
export { timeOfDay } from './time-zone.ts';
export {
  fieldText,
  fromShown,
  quantityOfField,
  quantityText,
  shownUnit,
  toShown,
  type Quantity,
} from './quantity.ts';
