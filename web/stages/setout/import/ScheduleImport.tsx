import { useMemo, useState } from 'react';
import { say, sayWrong } from '../../../ui/say.ts';
import { readSchedule, type ScheduleRow } from '#core/exchange';
import { barText, lengthText, type UnitSystem } from '#core/units';
import { usePlan, usePour } from '../../../app/pour-context.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';

/**
 * Every row with what it says or what is wrong with it. A file with a bad row stores nothing,
 * unless told to leave those out.
 */
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
  const { ruleProfile } = v.record.site;
  const { plan, replace } = usePlan();
  const [skip, setSkip] = useState(false);
  const schedule = useMemo(
    () => readSchedule(table, v.units, ruleProfile),
    [table, v.units, ruleProfile],
  );
  const good = schedule.rows.flatMap((r) => (r.type ? [r.type] : []));
  const bad = schedule.rows.length - good.length;
  const store = () => {
    if (!plan) return;
    let next = plan;
    for (const t of good) {
      const other = t.list === 'footingTypes' ? next.wallTypes : next.footingTypes;
      if (other.some((x) => x.mark === t.type.mark)) {
        sayWrong(
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
    say(
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

type ReadType = NonNullable<ScheduleRow['type']>;

/** What a row of the schedule says, in the site's units. */
function typeWords(t: ReadType, units: UnitSystem): string {
  const length = (m: number) => lengthText(m * 1000, units);
  const spaced = (x: { bar: string; spacingM: number } | null) =>
    x ? `${barText(x.bar)} at ${length(x.spacingM)}` : 'no bars';
  if (t.list === 'wallTypes')
    return `${length(t.type.thicknessM)} wall, ${spaced(t.type.vertical)} up, ${spaced(t.type.horizontal)} across`;
  const { widthM, depthM, continuous, transverse } = t.type;
  const across = transverse ? `, ${spaced(transverse)} across` : '';
  return `${length(widthM)} × ${length(depthM)}, ${continuous.count} ${barText(continuous.bar)} along${across}`;
}

function Row({ row, known }: { row: ScheduleRow; known: boolean }) {
  const { units } = usePour();
  const t = row.type;
  const words = t ? typeWords(t, units) : null;
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
