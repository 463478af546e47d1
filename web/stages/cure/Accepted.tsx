import type { Curing } from '#core/cure';
import { acceptanceText } from '#core/words';
import { usePour } from '../../app/pour-context.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';

/** Whether its tests at 28 days say that the concrete is what was ordered. */
export function Accepted({ acceptance }: { acceptance: NonNullable<Curing['acceptance']> }) {
  const { units } = usePour();
  return (
    <p
      className={`flex gap-2 ${acceptance.ok ? '' : 'font-semibold text-chalk-t'}`}
      data-acceptance={acceptance.ok ? 'ok' : 'low'}
    >
      <Mark verdict={acceptance.ok ? 'good' : 'out'} />
      <span>
        <T>{acceptanceText(acceptance, units)}</T>
      </span>
    </p>
  );
}
