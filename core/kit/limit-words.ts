import type { z } from 'zod';
import { quantityOfField, quantityText, type UnitSystem } from '#core/units';

/**
 * What is wrong with a figure, in the site's units, where its schema has no words of its own: "must
 * be at most 29008 psi".
 * @param units of the site
 * @returns an error map for Zod's `parse`; undefined for what it has no words for, so that Zod's own stand
 */
export const limitWords =
  (units: UnitSystem): z.core.$ZodErrorMap =>
  (issue) => {
    const quantity = quantityOfField(String(issue.path?.at(-1) ?? ''));
    const shown = (n: number | bigint) => quantityText(Number(n), quantity, units);
    if (issue.code === 'too_big' && typeof issue.maximum === 'number')
      return `must be ${issue.inclusive === false ? 'below' : 'at most'} ${shown(issue.maximum)}`;
    if (issue.code === 'too_small' && typeof issue.minimum === 'number')
      return `must be ${issue.inclusive === false ? 'above' : 'at least'} ${shown(issue.minimum)}`;
    return issue.code === 'invalid_type' && issue.input === undefined ? 'is missing' : undefined;
  };
