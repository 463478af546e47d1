import {
  drainFalls,
  isTurningPoint,
  type LevelTarget,
  type LoopInput,
  loopOf,
  nextTurningPoint,
  type SetUp,
  type Verdict,
} from '#core/check';
import { startTransition, useState, type Dispatch, type SetStateAction } from 'react';
import { sayWrong } from '../../ui/say.ts';
import type { LaserAnswer } from '../../../contract/index.ts';
import { lengthText, level, textOf } from '#core/units';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { getJson } from '../../sync/api.ts';
import { T } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';
import { DrainLine } from './DrainLine.tsx';
import { CurrencyField } from './CurrencyField.tsx';
import { GroundForm } from './GroundForm.tsx';
import { useLevels } from './useLevels.ts';
import type { SitePlan } from '#core/model';
import { PointRow, LevelRows } from './LevelRows.tsx';
import { rodOf } from './rod.ts';
import { RodForm } from './RodForm.tsx';
import { useMayChange } from './useMayChange.ts';

interface RodState {
  setPicked: Dispatch<SetStateAction<string | null>>;
  setRod: (text: string) => void;
  setBusy: (busy: boolean) => void;
}

/** What is done with the rod: read a point, turn the instrument onto it, or let the laser read it. */
function useRod(
  bench: NonNullable<SitePlan['benchmark']>,
  pointId: string,
  picked: string | null,
  { setPicked, setRod, setBusy }: RodState,
) {
  const v = usePour();
  const levels = useLevels();
  const setup = levels.setups.at(-1);
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
      sayWrong(e instanceof Error ? e.message : 'The laser does not answer.');
    }
    // Free again no sooner than what it read shows.
    startTransition(() => {
      setBusy(false);
    });
  };
  return { onto, read, turn, laser };
}

/** Levels by rod and instrument: from a known point, over turning points, back to where it began. */
export function LevelsPanel() {
  const { benchmark } = usePour().record.site;
  return benchmark ? <Levelling bench={benchmark} /> : <NoBenchmark />;
}

function Levelling({ bench }: { bench: NonNullable<SitePlan['benchmark']> }) {
  const v = usePour();
  const plan = usePlan();
  const levels = useLevels();
  const [rod, setRod] = useState('');
  /**
   * A reading off the laser is on its way: until it is in, nothing else is read, so that none is
   * taken twice or from where the instrument stood before.
   */
  const [busy, setBusy] = useState(false);
  const [picked, setPicked] = useState<string | null>(null);
  const setup = levels.setups.at(-1);
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
  const { rodM, wrong } = rodOf(rod, v.units);
  const wantedRod = setup && target ? setup.hiM - target.wantedM : null;
  const { onto, read, turn, laser } = useRod(bench, pointId, picked, {
    setPicked,
    setRod,
    setBusy,
  });
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
      <Aimed
        setup={setup}
        pointId={pointId}
        bench={bench}
        nameOf={nameOf}
        target={target}
        wantedRod={wantedRod}
        standsAt={standsAt}
      />
      <RodForm
        rodM={rodM}
        wrong={wrong}
        read={read}
        rod={rod}
        setRod={setRod}
        busy={busy}
        setup={setup}
        laser={laser}
        known={known}
        pointId={pointId}
        turn={turn}
      />
      {last?.deviationMm != null && (
        <p
          className={`text-[18px] font-semibold leading-6 ${last.ok ? 'text-good-t' : 'text-chalk-t'}`}
          aria-live="polite"
          data-level={last.ok ? 'good' : 'out'}
        >
          <T>{`${last.target?.label ?? last.pointId}: ${textOf(level(last.elevationM, v.units))}, ${Math.abs(last.deviationMm) < 0.5 ? 'on the mark' : `${lengthText(Math.abs(last.deviationMm), v.units)} ${last.deviationMm > 0 ? 'high' : 'low'}`}`}</T>
        </p>
      )}
      <LoopCloses bench={bench} loop={loop} />
      {falls.map((f) => (
        <DrainLine key={f.drain.id} fall={f} />
      ))}
      <LevelRows
        row={row}
        inverts={inverts}
        nameOf={nameOf}
        setup={setup}
        turningPoint={turningPoint}
        bench={bench}
      />
    </>
  );
}

function LoopCloses({
  bench,
  loop,
}: {
  bench: NonNullable<SitePlan['benchmark']>;
  loop: LoopInput | null;
}) {
  const levels = useLevels();
  const v = usePour();
  return (
    levels.closes !== null &&
    levels.misclosureMm !== null && (
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
    )
  );
}

/** What the rod stands on, and what it should read there. */
function Aimed({
  setup,
  pointId,
  bench,
  nameOf,
  target,
  wantedRod,
  standsAt,
}: {
  setup: SetUp | undefined;
  pointId: string;
  bench: NonNullable<SitePlan['benchmark']>;
  nameOf: (id: string) => string;
  target: LevelTarget | undefined;
  wantedRod: number | null;
  standsAt: () => string;
}) {
  const v = usePour();
  return (
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
  );
}

/** Where every level begins, when there is none yet. */
function NoBenchmark() {
  const mayChange = useMayChange();
  const plan = usePlan();
  return (
    <>
      <p>This site has no benchmark yet: every level stands on one point.</p>
      {plan.on ? (
        <>
          <GroundForm />
          <CurrencyField />
        </>
      ) : (
        mayChange && (
          <button type="button" className="btn" disabled={plan.opening} onClick={plan.start}>
            Give it one
          </button>
        )
      )}
    </>
  );
}
