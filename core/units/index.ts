export * from './factors.ts';
export { footInch, parseMeasure, type UnitSystem } from './measure.ts';
export * from './format.ts';
export { moneyText } from './money.ts';
export { counted } from './plural.ts';
export { timeOfDay } from './time-zone.ts';
export {
  fieldText,
  fromShown,
  quantityText,
  shownUnit,
  toShown,
  type Quantity,
} from './quantity.ts';
