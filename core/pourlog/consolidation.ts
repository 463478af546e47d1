import type { FormSystem } from '#core/model';
import { lengthText, type UnitSystem } from '#core/units';

/** Heads that are usual where the form system does not say: 1½ in, and 1 in for narrow forms. */
const USUAL_HEAD_MM = { vibrator: 38.1, smallVibrator: 25.4 } as const;
/**
 * A vibrator works over a radius of two to four times its head, and goes in at one and a half times
 * that (ACI 309R-05 table 5.1, to be confirmed): the closer in stiff concrete.
 */
const APART_OF_HEAD = { least: 3, most: 6 } as const;
/** So deep into the lift below (ACI 309R-05 §7.2). */
const INTO_BELOW_MM = { us: 152.4, metric: 150 } as const;

function apartText(head: number, units: UnitSystem): string {
  const [least, most] = [APART_OF_HEAD.least * head, APART_OF_HEAD.most * head].map((mm) =>
    units === 'metric' ? Math.round(mm / 10) * 10 : mm,
  );
  return `${lengthText(least ?? 0, units)} to ${lengthText(most ?? 0, units)}`;
}

/** How the concrete is worked in, by the form system's way: what is done, to be recorded cell by cell. */
export function consolidationText(
  forms: Pick<FormSystem, 'consolidation' | 'vibratorHeadMm'>,
  onLift: boolean,
  units: UnitSystem,
): string {
  const into = onLift ? `, ${lengthText(INTO_BELOW_MM[units], units)} into the lift below` : '';
  const apart = (way: keyof typeof USUAL_HEAD_MM) =>
    apartText(forms.vibratorHeadMm ?? USUAL_HEAD_MM[way], units);
  switch (forms.consolidation) {
    case 'vibrator':
      return `vibrated every ${apart('vibrator')}${into}, in fast, out slowly`;
    case 'smallVibrator':
      return `small vibrator every ${apart('smallVibrator')}${into}, seconds only`;
    case 'rod':
      return `rodded and sawn along both faces${into}`;
    case 'hammer':
      return 'forms tapped with a hammer, low to high, both faces';
  }
}
