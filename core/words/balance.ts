import { isShort, SHORT_M3 } from '#core/pourlog';
import type { Mixer } from '#core/model';
import { counted, loadVolume, textOf, type UnitSystem, volume } from '#core/units';

/** So little of a batch is missing that nobody mixes another for it. */
const CRUMB = 0.1;

/** What is to be mixed beside what was planned, in batches, or what will be left of them. */
function mixedText(balanceM3: number, batchM3: number, units: UnitSystem): string {
  const more = Math.ceil(balanceM3 / batchM3 - CRUMB);
  if (more > 0) return `${counted(more, 'batch', 'batches')} more to mix than planned.`;
  const left = textOf(loadVolume(-balanceM3, units));
  return balanceM3 < -CRUMB * batchM3
    ? `Nothing more to mix than planned. About ${left} left over.`
    : 'Nothing more to mix than planned.';
}

/** What is still to be ordered, how sure that is and by when, or about how much will be left, in the site's units. */
export function balanceText(
  { balanceM3, finishedMs }: { balanceM3: number; finishedMs: number | null },
  units: UnitSystem,
  call: { spreadM3: number | null; by: string | null } = { spreadM3: null, by: null },
  mixer?: Pick<Mixer, 'batchM3'>,
): string {
  if (finishedMs !== null) return 'Nothing more to place.';
  if (mixer) return mixedText(balanceM3, mixer.batchM3, units);
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
