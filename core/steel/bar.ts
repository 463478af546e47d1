import { z } from 'zod';
import { calculation, fig } from '#core/kit';
import { BAR_NAMES, barNamed } from '#core/model';

/** A bar's name as a field. */
export const barField = () =>
  z.enum(BAR_NAMES, {
    error: `is not a bar the table knows (${BAR_NAMES[0]}, … ${BAR_NAMES.at(-1) ?? ''})`,
  });

/** A reinforcing bar's size. */
export const bar = calculation({
  id: 'bar',
  title: 'Bar sizes',
  purpose: 'Diameter, area and mass of a bar by its name.',
  formula: 'a table: nominal diameter, nominal area, mass a metre',
  source: 'ASTM A615/A615M-22 table A1.1; EN 10080; CSA G30.18',
  limits: 'Nominal sizes of deformed bars: #3 to #11, #14, #18; 6 to 40 mm; 10M to 55M.',
  input: z.object({ bar: barField() }),
  output: z.object({ diameterMm: z.number(), areaMm2: z.number(), massKgM: z.number() }),
  compute(v, trace) {
    const { diameterMm, areaMm2, massKgM } = barNamed(v.bar);
    trace.step('db', v.bar, diameterMm, 'mm');
    trace.step(
      'area',
      `nominal (π/4·db² is ${fig((Math.PI * diameterMm ** 2) / 4)})`,
      areaMm2,
      'mm²',
    );
    trace.step('mass', 'a metre', massKgM, 'kg/m');
    return { diameterMm, areaMm2, massKgM };
  },
});
