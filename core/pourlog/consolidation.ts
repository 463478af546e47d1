import type { FormSystem } from '#core/model';
import { lengthText, type UnitSystem } from '#core/units';

/**
 * Insertions are so far apart: one and a half times the radius a vibrator works over; and so deep
 * into the lift below (ACI 309R).
 */
const APART_MM = {
  vibrator: { us: 457.2, metric: 450 },
  smallVibrator: { us: 254, metric: 250 },
} as const;
const INTO_BELOW_MM = { us: 152.4, metric: 150 } as const;

/** How the concrete is worked in, by the form system's way: what is done, to be recorded cell by cell. */
export function consolidationText(
  way: FormSystem['consolidation'],
  onLift: boolean,
  units: UnitSystem,
): string {
  const into = onLift ? `, ${lengthText(INTO_BELOW_MM[units], units)} into the lift below` : '';
  switch (way) {
    case 'vibrator':
      return `vibrated every ${lengthText(APART_MM.vibrator[units], units)}${into}, in fast, out slowly`;
    case 'smallVibrator':
      return `small vibrator every ${lengthText(APART_MM.smallVibrator[units], units)}${into}, seconds only`;
    case 'rod':
      return `rodded and sawn along both faces${into}`;
    case 'hammer':
      return 'forms tapped with a hammer, low to high, both faces';
  }
}
