import { verdictOfLevel } from '../../../core/check/levels.ts';
import { startTransition, useState } from 'react';
import { toast } from 'sonner';
import type { LaserAnswer } from '../../../contract/index.ts';
import type { Verdict } from '../../../core/check/judge.ts';
import { drainFalls } from '../../../core/check/drains.ts';
import { isTurningPoint, loopOf, nextTurningPoint } from '../../../core/check/levels.ts';
import { distanceText, level, lengthText, textOf } from '../../../core/units/index.ts';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';
import { readQuantity } from '../../ui/quantity-text.ts';
import { getJson } from '../../sync/api.ts';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';
import { DrainLine } from './DrainLine.tsx';
import { CurrencyField } from './CurrencyField.tsx';
import { GroundForm } from './GroundForm.tsx';
import { useLevels } from './useLevels.ts';

/** Forms move: a level read more than a day ago says so, and is read again before the pour. */
const ago = (ms: number): string =>
  ms < 24 * 3600_000
    ? ''
    : `, ${Math.round(ms / (24 * 3600_000))} day${ms < 36 * 3600_000 ? '' : 's'} ago`;

/** Levels by rod and instrument: set up on a known point, read each point, move on a turning point, and close where it began. */
export function LevelsPanel() {
  const v = usePour();
  const { demo, account } = useSession();
  const plan = usePlan();
  const levels = useLevels();
  const [rod, setRod] = useState('');
  /** A reading off the laser is on its way: until it is in, nothing else is read, so that none is taken twice or from where the instrument stood before. */
  const [busy, setBusy] = useState(false);
  const [picked, setPicked] = useState<string | null>(null);
  const bench = v.record.site.benchmark;
  const setup = levels.setups.at(-1);
  if (!bench)
    return (
      <>
        <p>This site has no benchmark yet: every level stands on one point.</p>
        {plan.on ? (
          <>
            <GroundForm />
            <CurrencyField />
          </>
        ) : (
          account.role === 'foreman' && (
            <button type="button" className="btn" onClick={plan.start}>
              Give it one
            </button>
          )
        )}
      </>
    );
  const next = levels.targets.find((t) => !levels.latest.has(t.id)) ?? null;
  const pointId = setup ? (picked ?? next?.id ?? bench.id) : bench.id;
  const target = levels.targets.find((t) => t.id === pointId);
  const falls = drainFalls(v.record.site, v.record.pour, levels, v.rules.value('drainFall'));
  const inverts = falls.flatMap((f) => f.inverts);
  const turningPoint = nextTurningPoint(levels);
  const invertName = (id: string) =>
    inverts.some((i) => i.point.id === id) ? `invert of ${id.replace('/invert/', ', no. ')}` : id;
  const nameOf = (id: string) =>
    levels.targets.find((t) => t.id === id)?.label ??
    (isTurningPoint(id) ? `turning point ${id}` : invertName(id));
  const rodM = readQuantity(rod, 'Level', v.units, false);
  const good = rodM !== null && !Number.isNaN(rodM) && rodM >= 0 && rodM <= 10;
  const wantedRod = setup && target ? setup.hiM - target.wantedM : null;
  const onto = (id: string) => {
    setPicked(id);
    setRod('');
  };
  /** On to the next point, unless another was picked while this one was on its way. */
  const onward = () => {
    setPicked((now) => (now === picked ? null : now));
  };
  const read = async (m: number) => {
    if (!setup) await v.write('setup', { onId: bench.id, backSightM: m });
    else await v.write('level', { setupId: setup.id, pointId, rodM: m });
    // A turning point is read to move the instrument onto it: stay there.
    setRod('');
    if (!isTurningPoint(pointId)) onward();
  };
  const turn = async (m: number) => {
    await v.write('setup', { onId: pointId, backSightM: m });
    setRod('');
    onward();
  };
  const laser = async (again: boolean) => {
    setBusy(true);
    try {
      const { rodM: m } = await getJson<LaserAnswer>(
        `/api/pours/${v.record.id}/laser?setup=${levels.setups.length + (again || !setup ? 1 : 0)}&point=${encodeURIComponent(pointId)}${again || !setup ? '' : `&sight=${setup.hiM}`}`,
      );
      if (again) await turn(m);
      else await read(m);
    } catch (e) {
      toast.error(e instanceof Error ? e.message : 'The laser does not answer.');
    }
    // Free again no sooner than what it read shows.
    startTransition(() => {
      setBusy(false);
    });
  };
  const last = levels.setups.flatMap((s) => s.reads).at(-1);
  const known = setup !== undefined && (pointId === bench.id || levels.points.has(pointId));
  const row = (id: string, verdict: Verdict, label: string, wanted: string, read?: string) => (
    <PointRow
      key={id}
      verdict={verdict}
      label={label}
      wanted={wanted}
      read={read}
      chosen={id === pointId}
      onPick={() => {
        onto(id);
      }}
    />
  );
  const loop = loopOf(v.record.site, levels, v.rules.value('levelClose'));
  const standsAt = (): string => {
    if (pointId === bench.id) return `stands at ${textOf(level(bench.elevationM, v.units))}`;
    const readM = levels.points.get(pointId);
    return readM === undefined ? 'not read yet' : `read at ${textOf(level(readM, v.units))}`;
  };
  return (
    <>
      {plan.on && (
        <>
          <GroundForm />
          <CurrencyField />
        </>
      )}
      <div className="grid grid-cols-[1fr_auto] items-end gap-3">
        <div className="min-w-0">
          <p className="text-ink2">
            {setup
              ? `Instrument on ${setup.onId}, sight at ${textOf(level(setup.hiM, v.units))}`
              : 'Rod on the benchmark first'}
          </p>
          <p className="head text-[24px] leading-7 [text-wrap:balance]">
            {pointId === bench.id ? `${bench.id}, ${bench.label ?? 'benchmark'}` : nameOf(pointId)}
          </p>
          <p>
            {target ? (
              <>
                wanted {textOf(level(target.wantedM, v.units))}
                {wantedRod !== null && (
                  <>
                    , the rod reads{' '}
                    <b className="font-semibold">{textOf(level(wantedRod, v.units))}</b> when it is
                    right
                  </>
                )}
              </>
            ) : (
              standsAt()
            )}
          </p>
        </div>
      </div>
      <form
        className="flex flex-wrap gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (good && rodM !== null) void read(rodM);
        }}
      >
        <input
          className="field min-w-[140px] flex-1 text-[22px]!"
          aria-label="Rod reading"
          placeholder={v.units === 'us' ? 'Rod, ft: 4.27' : 'Rod, m: 1.302'}
          inputMode="decimal"
          value={rod}
          onChange={(e) => {
            setRod(e.target.value);
          }}
        />
        <button className="btn" disabled={busy || !good}>
          {setup ? 'Take' : 'Set up here'}
        </button>
        {demo && (
          <button
            type="button"
            className="btn line"
            disabled={busy}
            onClick={() => void laser(false)}
          >
            Laser
          </button>
        )}
        {setup && known && pointId !== setup.onId && (
          <button
            type="button"
            className="btn line"
            disabled={busy || (!good && !demo)}
            onClick={() => {
              if (good && rodM !== null) void turn(rodM);
              else if (demo) void laser(true);
            }}
          >
            Instrument moved: back-sight on {pointId}
          </button>
        )}
      </form>
      {last?.deviationMm != null && (
        <p
          className={`text-[18px] font-semibold leading-6 ${last.ok ? 'text-good-t' : 'text-chalk-t'}`}
          aria-live="polite"
          data-level={last.ok ? 'good' : 'out'}
        >
          <T>{`${last.target?.label ?? last.pointId}: ${textOf(level(last.elevationM, v.units))}, ${Math.abs(last.deviationMm) < 0.5 ? 'on the mark' : `${lengthText(Math.abs(last.deviationMm), v.units)} ${last.deviationMm > 0 ? 'high' : 'low'}`}`}</T>
        </p>
      )}
      {levels.closes !== null && levels.misclosureMm !== null && (
        <p
          className={levels.closes ? 'text-good-t' : 'font-semibold text-chalk-t'}
          data-closes={levels.closes}
        >
          Back on {bench.id}:{' '}
          {loop ? (
            <FigureWithWorking name="the loop" id="level-loop" input={loop}>
              <T>{lengthText(Math.abs(levels.misclosureMm), v.units)}</T>
            </FigureWithWorking>
          ) : (
            <T>{lengthText(Math.abs(levels.misclosureMm), v.units)}</T>
          )}{' '}
          off. {levels.closes ? 'The loop closes.' : 'Read it again before anything is set by it.'}
        </p>
      )}
      {falls.map((f) => (
        <DrainLine key={f.drain.id} fall={f} />
      ))}
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
    </>
  );
}

/** A point to be read: its verdict, its name, what is wanted there, and what was read. */
function PointRow({
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
