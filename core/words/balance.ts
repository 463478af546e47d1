import { isShort, SHORT_M3 } from '#core/pourlog';
import { textOf, type UnitSystem, volume } from '#core/units';

/** What is still to be ordered, or about how much will be left, in the site's units. */
export function balanceText(
  { balanceM3, finishedMs }: { balanceM3: number; finishedMs: number | null },
  units: UnitSystem,
): string {
  if (finishedMs !== null) return 'Nothing more to place.';
  if (isShort(balanceM3)) return `${textOf(volume(balanceM3, units, 1))} more to order.`;
  return balanceM3 < -SHORT_M3
    ? `Nothing more to order. About ${textOf(volume(-balanceM3, units, 1))} left over.`
    : 'Nothing more to order.';
}
