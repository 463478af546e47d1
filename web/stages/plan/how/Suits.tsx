import type { Conveyance } from '#core/model';
import { takesMix, windNoOf } from '#core/pourplan';
import { lengthText, moneyText, quantityText } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';

/** Whether what conveys it takes this mix and this wind: aggregate, slump at the truck and at the hose. */
export function Suits({ conveyance: c }: { conveyance: Conveyance | undefined }) {
  const v = usePour();
  if (!c) return null;
  const { mix, units } = v;
  const takes = takesMix(c, mix);
  const rows: [boolean, string][] = [];
  if (c.largestAggregateMm !== undefined && mix.largestAggregateMm !== undefined)
    rows.push([
      takes.aggregate !== false,
      `Aggregate ${lengthText(mix.largestAggregateMm, units)}, it takes up to ${lengthText(c.largestAggregateMm, units)}`,
    ]);
  if (c.leastSlumpMm !== undefined)
    rows.push([
      takes.slump !== false,
      `Slump ${lengthText(mix.slumpMm, units)} at the truck, it needs ${lengthText(c.leastSlumpMm, units)}${c.slumpLossMm > 0 ? `; ${lengthText(mix.slumpMm - c.slumpLossMm, units)} at the hose` : ''}`,
    ]);
  const windNo = windNoOf(c, v.rules);
  if (windNo !== undefined)
    rows.push([true, `Stops at wind of ${quantityText(windNo, 'KmH', units)}`]);
  if (c.hire !== undefined)
    rows.push([true, `Hire ${moneyText(c.hire, v.record.site.currency)} a day`]);
  return (
    <ul className="flex flex-col gap-1">
      {rows.map(([ok, words]) => (
        <li key={words} className="flex gap-2">
          <Mark verdict={ok ? 'good' : 'out'} />
          <span>
            <T>{words}</T>
          </span>
        </li>
      ))}
    </ul>
  );
}
