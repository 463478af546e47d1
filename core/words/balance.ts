import { isShort, SHORT_M3 } from '#core/pourlog';
import { textOf, type UnitSystem, volume } from '#core/units';

/** What is still to be ordered, how sure that is and by when, or about how much will be left, in the site's units. */
export function balanceText(
  { balanceM3, finishedMs }: { balanceM3: number; finishedMs: number | null },
  units: UnitSystem,
  call: { spreadM3: number | null; by: string | null } = { spreadM3: null, by: null },
): string {
  if (finishedMs !== null) return 'Nothing more to place.';
  if (isShort(balanceM3)) {
    const spread =
      call.spreadM3 !== null && call.spreadM3 >= SHORT_M3
        ? `, give or take ${textOf(volume(call.spreadM3, units, 1))}`
        : '';
    const by = call.by === null ? '' : `, to be called ${call.by}`;
    return `${textOf(volume(balanceM3, units, 1))} more to order${spread}${by}.`;
  }
  return balanceM3 < -SHORT_M3
    ? `Nothing more to order. About ${textOf(volume(-balanceM3, units, 1))} left over.`
    : 'Nothing more to order.';
}
