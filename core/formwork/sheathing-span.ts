import { z } from 'zod';
import { anyNumber, calculation, fig, positive } from '#core/kit';
import { atMost, KPA_PER_PSF, MM_PER_IN } from '#core/units';

/** Section properties a foot of width, face grain across the supports (APA V345): KS in³/ft, I in⁴/ft, Ib/Q in²/ft. */
const PLY = {
  0.5: { ks: 0.268, i: 0.077, ibq: 5.153 },
  0.625: { ks: 0.358, i: 0.13, ibq: 5.717 },
  0.75: { ks: 0.455, i: 0.199, ibq: 7.187 },
} as const;
const SUPPORT_IN = 1.5;
const FB = 1930;
const FS = 72;
const E_BENDING = 1_650_000;
const E_SHEAR = 1_500_000;
const C = 120;

type Thickness = keyof typeof PLY;
export const thicknessField = () =>
  z.union([z.literal(0.5), z.literal(0.625), z.literal(0.75)], {
    error: 'must be 0.5, 0.625 or 0.75 in',
  });

interface Allowable {
  bending: number;
  shear: number;
  deflection: number;
}
/** What the plywood bears at a spacing of supports, psf, by each of its three limits. `l` inches centre to centre. */
function allowablePsf(t: Thickness, l: number, deflectionRatio: number): Allowable {
  const p = PLY[t];
  const l2 = l - SUPPORT_IN;
  const l3 = l - 1.25;
  const perPsf =
    l3 ** 4 / (1743 * E_BENDING * p.i) + (C * t * t * l2 * l2) / (1270 * E_SHEAR * p.i);
  return {
    bending: (120 * FB * p.ks) / (l * l),
    shear: (20 * FS * p.ibq) / l2,
    deflection: l / deflectionRatio / perPsf,
  };
}
const leastOf = (a: Allowable): number => Math.min(a.bending, a.shear, a.deflection);

/**
 * Widest spacing of supports for a pressure, m, or null when not even touching supports would do. Each limit falls
 * as the spacing grows, so halving finds it to far better than 0.1 mm.
 */
export function widestSpacingM(
  t: Thickness,
  pressureKPa: number,
  deflectionRatio: number,
): number | null {
  const psf = pressureKPa / KPA_PER_PSF;
  let low = SUPPORT_IN + 1e-9;
  if (leastOf(allowablePsf(t, low, deflectionRatio)) < psf) return null;
  let high = 2 * SUPPORT_IN;
  while (leastOf(allowablePsf(t, high, deflectionRatio)) >= psf) high *= 2;
  for (let i = 0; i < 60; i += 1) {
    const mid = (low + high) / 2;
    if (leastOf(allowablePsf(t, mid, deflectionRatio)) >= psf) low = mid;
    else high = mid;
  }
  return (low * MM_PER_IN) / 1000;
}

const GOVERNING = ['bending', 'shear', 'deflection'] as const;

/** Plywood between supports. */
export const sheathingSpan = calculation({
  id: 'sheathing-span',
  title: 'Span of the sheathing',
  purpose:
    'What form plywood bears between its supports, and how far apart they may stand for a pressure.',
  formula:
    'w = least of bending 120·Fb·KS/l², shear 20·Fs·(Ib/Q)/l₂ and deflection Δ/(l₃⁴/(1743·E·I) + C·t²·l₂²/(1270·Ee·I)), Δ = l/ratio (psf, inches)',
  source: 'APA V345, plywood form panels, three or more spans, supports 1½ in wide',
  limits:
    'Form-grade plywood of ½, ⅝ or ¾ in, face grain across the supports, sound and not reused past its time.',
  input: z.object({
    thicknessIn: thicknessField(),
    supportSpacingM: anyNumber().gt(
      (SUPPORT_IN * MM_PER_IN) / 1000,
      'must be more than the width of a support, 0.0381 m (1½ in)',
    ),
    pressureKPa: positive(),
    deflectionRatio: positive().default(360),
  }),
  output: z.object({
    allowablePressureKPa: z.number(),
    governedBy: z.enum(['bending', 'shear', 'deflection']),
    ok: z.boolean(),
    maxSpacingM: z.number().nullable(),
  }),
  compute(v, trace) {
    const l = (v.supportSpacingM * 1000) / MM_PER_IN;
    const a = allowablePsf(v.thicknessIn, l, v.deflectionRatio);
    const least = leastOf(a);
    const governedBy = GOVERNING.find((k) => a[k] === least) ?? 'deflection';
    const allowablePressureKPa = least * KPA_PER_PSF;
    const p = PLY[v.thicknessIn];
    trace.step('w bending', `120·${FB}·${p.ks}/${fig(l)}²`, a.bending, 'psf');
    trace.step('w shear', `20·${FS}·${p.ibq}/(${fig(l)} − 1.5)`, a.shear, 'psf');
    trace.step(
      'w deflection',
      `(${fig(l)}/${fig(v.deflectionRatio)})/(${fig(l - 1.25)}⁴/(1743·E·${p.i}) + …)`,
      a.deflection,
      'psf',
    );
    trace.step('allowable', `ruled by ${governedBy}`, allowablePressureKPa, 'kPa');
    const maxSpacingM = widestSpacingM(v.thicknessIn, v.pressureKPa, v.deflectionRatio);
    trace.step('widest', `spacing at which w = ${fig(v.pressureKPa)} kPa`, maxSpacingM, 'm');
    return {
      allowablePressureKPa,
      governedBy,
      ok: atMost(v.pressureKPa, allowablePressureKPa),
      maxSpacingM,
    };
  },
});
