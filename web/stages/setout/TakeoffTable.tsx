import { useMemo, useState } from 'react';
import type { RebarRow } from '#core/steel';
import { materialsOf } from '#core/takeoff';
import { barText, textOf, volume } from '#core/units';
import { orderOrigin } from '../../app/origins.ts';
import { usePour } from '../../app/pour-context.tsx';
import { useStable } from '../../app/useStable.ts';
import { Big } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';
import { useBars, ROLE } from './useBars.ts';
import { Amounts } from './TakeoffRows.tsx';
import { grouping, MANY } from './takeoff-groups.ts';

/** Length, forms, concrete and bars by run, and what the order comes to. */
export default function TakeoffTable({
  selected,
  onSelect,
}: {
  selected: string | null;
  onSelect: (id: string) => void;
}) {
  const v = usePour();
  const bars = useBars();
  const pick = useStable(onSelect);
  const byRun = useMemo(() => {
    const map = new Map<string, RebarRow[]>();
    for (const b of bars) map.set(b.elementId, [...(map.get(b.elementId) ?? []), b]);
    return map;
  }, [bars]);
  const barWords = (id: string) =>
    (byRun.get(id) ?? [])
      .map((b) => `${b.count} × ${barText(b.bar)} ${ROLE[b.role]}`)
      .slice(0, 2)
      .join(', ');
  const chairs = useMemo(() => {
    const map = new Map<string, number>();
    for (const m of materialsOf(v.record.site, v.record.pour))
      if (m.item === 'chairs') map.set(m.elementId, (map.get(m.elementId) ?? 0) + m.amount);
    return map;
  }, [v.record.site, v.record.pour]);
  // Walls stand on none: the column is there where something does.
  const seated = chairs.size > 0;
  // By type where there are many runs: a press opens the runs of one.
  const [open, setOpen] = useState<string | null>(null);
  const { record } = v;
  const { elements } = v.plan.route.takeoff;
  const { own, types, groups, all } = useMemo(
    () => grouping(record, elements, byRun, chairs),
    [record, elements, byRun, chairs],
  );
  const grouped = own.length > MANY;
  return (
    <div
      className="max-h-[42%] overflow-auto px-4 pb-3"
      tabIndex={0}
      role="region"
      aria-label="Take-off"
    >
      <Amounts
        seated={seated}
        groups={groups}
        grouped={grouped}
        open={open}
        setOpen={setOpen}
        types={types}
        barWords={barWords}
        chairs={chairs}
        selected={selected}
        pick={pick}
        all={all}
      />
      <p className="flex items-end justify-between gap-4 pt-2">
        <span>
          Neat {textOf(volume(v.plan.route.volumeM3, v.units))}. With{' '}
          {Math.round(v.record.pour.settings.wasteRatio * 100)} in 100 for waste and{' '}
          {textOf(volume(v.record.pour.settings.leftBehindM3, v.units, 1))} in the hose:
        </span>
        <FigureWithWorking name="what is needed" {...orderOrigin(v)}>
          <Big figure={volume(v.plan.order.result.meanM3, v.units, 1)} size={32} />
        </FigureWithWorking>
      </p>
    </div>
  );
}
