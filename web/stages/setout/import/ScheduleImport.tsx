import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { readSchedule, type ScheduleRow } from '../../../../core/exchange/schedule.ts';
import { barText, lengthText } from '../../../../core/units/index.ts';
import { usePlan, usePour } from '../../../app/pour-context.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';

/** Every row with what it says or what is wrong with it. A file with a bad row stores nothing, unless told to leave those out. */
export function ScheduleImport({
  table,
  onBack,
  onDone,
}: {
  table: string[][];
  onBack: () => void;
  onDone: () => void;
}) {
  const v = usePour();
  const { plan, replace } = usePlan();
  const [skip, setSkip] = useState(false);
  const schedule = useMemo(() => readSchedule(table, v.units), [table, v.units]);
  const good = schedule.rows.flatMap((r) => (r.type ? [r.type] : []));
  const bad = schedule.rows.length - good.length;
  const store = () => {
    if (!plan) return;
    let next = plan;
    for (const t of good) {
      const other = t.list === 'footingTypes' ? next.wallTypes : next.footingTypes;
      if (other.some((x) => x.mark === t.type.mark)) {
        toast.error(
          `${t.type.mark} is a ${t.list === 'footingTypes' ? 'wall' : 'footing'} type already. Nothing was stored.`,
        );
        return;
      }
      const put = <X extends { mark: string }>(list: X[], x: X): X[] =>
        list.some((y) => y.mark === x.mark)
          ? list.map((y) => (y.mark === x.mark ? x : y))
          : [...list, x];
      next =
        t.list === 'footingTypes'
          ? { ...next, footingTypes: put(next.footingTypes, t.type) }
          : { ...next, wallTypes: put(next.wallTypes, t.type) };
    }
    replace(next);
    toast(
      `${good.length} type${good.length === 1 ? '' : 's'} taken${bad ? `, ${bad} row${bad === 1 ? '' : 's'} left out` : ''}. Undo takes them back.`,
    );
    onDone();
  };
  if (schedule.problem)
    return (
      <div className="flex flex-col gap-3">
        <p role="alert" className="font-semibold text-chalk-t">
          {schedule.problem}
        </p>
        <button type="button" className="btn line" onClick={onBack}>
          Back
        </button>
      </div>
    );
  return (
    <div className="flex flex-col gap-3">
      {schedule.ignored.length > 0 && (
        <p className="text-ink2">
          Left out, since they are not known: {schedule.ignored.join(', ')}.
        </p>
      )}
      <ul className="rows max-h-[46dvh] overflow-auto border-y-2 border-ink">
        {schedule.rows.map((r) => (
          <Row
            key={r.line}
            row={r}
            known={[...(plan?.footingTypes ?? []), ...(plan?.wallTypes ?? [])].some(
              (t) => t.mark === r.mark,
            )}
          />
        ))}
      </ul>
      {bad > 0 && (
        <label className="flex min-h-12 items-center gap-3">
          <input
            type="checkbox"
            className="h-6 w-6"
            checked={skip}
            onChange={(e) => {
              setSkip(e.target.checked);
            }}
          />
          Leave the {bad} bad row{bad === 1 ? '' : 's'} out and take the others
        </label>
      )}
      <div className="grid grid-cols-2 gap-2">
        <button type="button" className="btn line" onClick={onBack}>
          Back
        </button>
        <button
          type="button"
          className="btn"
          disabled={good.length === 0 || (bad > 0 && !skip)}
          onClick={store}
        >
          Take {good.length} type{good.length === 1 ? '' : 's'}
        </button>
      </div>
    </div>
  );
}

function Row({ row, known }: { row: ScheduleRow; known: boolean }) {
  const { units } = usePour();
  const t = row.type;
  const words = !t
    ? null
    : t.list === 'footingTypes'
      ? `${lengthText(t.type.widthM * 1000, units)} × ${lengthText(t.type.depthM * 1000, units)}, ${t.type.continuous.count} ${barText(t.type.continuous.bar)} along${t.type.transverse ? `, ${barText(t.type.transverse.bar)} at ${lengthText(t.type.transverse.spacingM * 1000, units)} across` : ''}`
      : `${lengthText(t.type.thicknessM * 1000, units)} wall, ${barText(t.type.vertical.bar)} at ${lengthText(t.type.vertical.spacingM * 1000, units)} up, ${barText(t.type.horizontal.bar)} at ${lengthText(t.type.horizontal.spacingM * 1000, units)} across`;
  return (
    <li className="flex items-start gap-3 py-1.5" data-row={t ? 'good' : 'bad'}>
      <Mark verdict={t ? 'good' : 'out'} label={t ? 'good' : 'bad'} />
      <span className="w-16 text-ink2">row {row.line}</span>
      <b className="w-14 font-semibold">{row.mark || '–'}</b>
      <span className="min-w-0 flex-1">
        {words !== null ? (
          <>
            <T>{words}</T>
            {known ? ' (replaces what is there)' : ''}
          </>
        ) : (
          row.problems.map((p) => (
            <span key={p.column} className="block font-semibold text-chalk-t">
              {p.column}: {p.message}
            </span>
          ))
        )}
      </span>
    </li>
  );
}
