import { QUANTITIES, type Quantity, quantityText, type UnitSystem } from '#core/units';

/** Endings that are no unit of their own in the core's working. */
const NOT_WRITTEN = new Set(['Count', 'Level', 'Ratio', 'In', 'Lb', 'Ft3']);

/** Kinds of quantity by the unit that the core's own working uses for them. */
export const QUANTITY_OF_UNIT: ReadonlyMap<string, Quantity> = new Map(
  Object.entries(QUANTITIES)
    .filter(([k]) => !NOT_WRITTEN.has(k))
    .map(([k, q]) => [q.metric.unit, k as Quantity]),
);

const escaped = (s: string): string => s.replace(/[/().·]/g, '\\$&');
const UNITS = [...QUANTITY_OF_UNIT]
  .filter(([unit, k]) => QUANTITIES[k].us.unit !== unit)
  .map(([unit]) => escaped(unit))
  .sort((a, b) => b.length - a.length);
const IN_SI = new RegExp(`([−-]?\\d+(?:\\.\\d+)?) (${UNITS.join('|')})(?![\\w²³/·])`, 'g');

/** A sentence of the core in the site's units: what it says in SI is said in feet, gallons and degrees of the site. */
export const sentenceIn = (text: string, units: UnitSystem): string =>
  units === 'metric'
    ? text
    : text.replace(IN_SI, (all, figure: string, unit: string) => {
        const quantity = QUANTITY_OF_UNIT.get(unit);
        const value = Number(figure.replace('−', '-'));
        return quantity ? quantityText(value, quantity, units) : all;
      });
