import { describe, expect, test } from '@jest/globals';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { evaluate } from '../../../core/kit/calculation.ts';
import { EXAMPLES } from '../../../core/register/examples.ts';
import { REGISTER } from '../../../core/register/register.ts';
import type { UnitSystem } from '../../../core/units/measure.ts';
import { WorkDrawing } from './index.tsx';

/** The drawing of a calculation's example as it stands on paper. */
function drawn(id: string, units: UnitSystem, width = 900, height = 520): string {
  const calc = REGISTER.find((c) => c.id === id);
  if (!calc) throw new Error(id);
  const { result, input } = evaluate(calc, EXAMPLES[id]);
  return renderToStaticMarkup(
    createElement(WorkDrawing, {
      id,
      units,
      width,
      height,
      input: input as Record<string, unknown>,
      result,
    }),
  );
}
const ids = REGISTER.map((c) => c.id);
const SIZES = [
  [900, 520],
  [358, 240],
] as const;

describe.each(ids)('%s', (id) => {
  test('is drawn with figures that are figures, on a desk and on a phone, in both systems of units', () => {
    for (const units of ['us', 'metric'] as const)
      for (const [width, height] of SIZES) {
        const paper = drawn(id, units, width, height);
        expect(paper).not.toMatch(/NaN|undefined|Infinity|\[object/);
      }
  });
  test('says nothing in feet or pounds on a metric site', () => {
    const words = drawn(id, 'metric').replace(/<[^>]*>/g, ' ');
    expect(words.match(/\d (ft|in(?! 100)|psi|psf|yd³|°F|mph|lb)\b/)?.[0]).toBeUndefined();
  });
});
