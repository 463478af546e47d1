import type { JSX } from 'react';
import { type DrainInvert, type SetUp, type Verdict, verdictOfLevel } from '#core/check';
import type { SitePlan } from '#core/model';
import { distanceText, lengthText, level } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { useLevels } from './useLevels.ts';

/** Forms move: a level read more than a day ago says so, and is read again before the pour. */
const ago = (ms: number): string =>
  ms < 24 * 3600000
    ? ''
    : `, ${Math.round(ms / (24 * 3600000))} day${ms < 36 * 3600000 ? '' : 's'} ago`;
export function LevelRows({
  row,
  inverts,
  nameOf,
  setup,
  turningPoint,
  bench,
}: {
  row: (id: string, verdict: Verdict, label: string, wanted: string, read?: string) => JSX.Element;
  inverts: DrainInvert[];
  nameOf: (id: string) => string;
  setup: SetUp | undefined;
  turningPoint: string;
  bench: NonNullable<SitePlan['benchmark']>;
}) {
  const levels = useLevels();
  const v = usePour();
  return (
    <div className="rows border-t-2 border-ink">
      {levels.targets.map((t) => {
        const r = levels.latest.get(t.id);
        return row(
          t.id,
          verdictOfLevel(r?.ok ?? null),
          t.label,
          level(t.wantedM, v.units).value,
          r?.deviationMm == null
            ? ''
            : `${level(r.elevationM, v.units).value}, ${Math.abs(r.deviationMm) < 0.5 ? 'right' : `${lengthText(Math.abs(r.deviationMm), v.units)} ${r.deviationMm > 0 ? 'high' : 'low'}`}${ago(v.nowMs - Date.parse(r.at))}`,
        );
      })}
      {inverts.map(({ point: p, levelM, verdict }) =>
        row(
          p.id,
          verdict,
          nameOf(p.id),
          `${distanceText(p.atM, v.units)} along ${p.drain.elementId}`,
          levelM === null ? '' : level(levelM, v.units).value,
        ),
      )}
      {setup &&
        row(
          turningPoint,
          'unread',
          `A turning point, ${turningPoint}`,
          'where nothing on the plan is in sight',
        )}
      {setup &&
        row(
          bench.id,
          verdictOfLevel(levels.closes),
          `Back on ${bench.id}, to close`,
          level(bench.elevationM, v.units).value,
        )}
    </div>
  );
}

/** A point to be read: its verdict, its name, what is wanted there, and what was read. */
export function PointRow({
  verdict,
  label,
  wanted,
  read,
  chosen,
  onPick,
}: {
  verdict: Verdict;
  label: string;
  wanted: string;
  read: string | undefined;
  chosen: boolean;
  onPick: () => void;
}) {
  return (
    <button
      type="button"
      className={`flex min-h-12 w-full items-center gap-3 px-1 text-left ${chosen ? 'inked bg-ink text-ground' : ''}`}
      onClick={onPick}
    >
      <Mark verdict={verdict} />
      <b className="flex-1 font-semibold">{label}</b>
      <span className="tnum text-right">
        <T>{wanted}</T>
      </span>
      {read !== undefined && (
        <span className="tnum w-[150px] text-right">
          <T>{read}</T>
        </span>
      )}
    </button>
  );
}
