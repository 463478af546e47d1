import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useMemo, useState } from 'react';
import { nextStop, type PointState, WHOLE_POUR } from '#core/check';
import { usePour } from '../../app/pour-context.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import { setWalk } from '../../app/walk.ts';
import { CheckPicker } from './CheckPicker.tsx';
import { lazily } from '../../ui/lazily.tsx';
import { GatePanel } from './GatePanel.tsx';
import { PointBench } from './PointBench.tsx';
import type { Run } from '#core/model';

const FixList = lazily(() => import('./FixList.tsx'));
const CheckSheets = lazily(() => import('./CheckSheets.tsx'));

export function CheckBench() {
  const v = usePour();
  const focus = useFocus();
  const wide = useWide();
  const [fixes, setFixes] = useState(false);
  const first = useMemo(
    () => (focus.run === null ? nextStop(v.points, v.walk, null) : null),
    [v.points, v.walk, focus.run],
  );
  const run = focus.run ?? first?.point.point.elementId ?? v.record.pour.elements[0] ?? '';
  const own = v.points.filter((p) => p.point.elementId === run);
  const current =
    own.find((p) => p.point.id === focus.check) ??
    own.find((p) => p.verdict === 'out') ??
    own.find((p) => p.verdict === 'unread') ??
    own[0];
  const wantedPlace =
    current && focus.check === current.point.id
      ? focus.place
      : Math.max(
          0,
          current?.places.findIndex((x) => x.verdict === 'unread' || x.verdict === 'out') ?? 0,
        );
  const place = Math.min(wantedPlace, (current?.places.length ?? 1) - 1);
  const spec = v.record.site.runs.find((r) => r.id === run);
  const show = (p: PointState | undefined) => {
    if (p)
      focus.set({
        run: p.point.elementId,
        check: p.point.id,
        place: Math.max(
          0,
          p.places.findIndex((x) => x.verdict === 'out' || x.verdict === 'unread'),
        ),
      });
  };
  const list = [...v.record.pour.elements, WHOLE_POUR];
  const step = (by: number) => {
    const next = list[(list.indexOf(run) + by + list.length) % list.length];
    if (next) focus.set({ run: next, check: null, place: 0 });
  };
  const nameOf = run === WHOLE_POUR ? 'The whole pour' : run;
  return (
    <div className="flex flex-col gap-2">
      <BenchHead
        step={step}
        nameOf={nameOf}
        run={run}
        spec={spec}
        fixes={fixes}
        setFixes={setFixes}
      />
      {fixes ? (
        <FixList
          onRead={(p, at) => {
            setFixes(false);
            focus.set({ run: p.point.elementId, check: p.point.id, place: at });
          }}
        />
      ) : (
        <>
          <CheckPicker
            own={own}
            current={current}
            run={run}
            runs={list}
            onShow={show}
            onRun={(id) => {
              focus.set({ run: id, check: null, place: 0 });
            }}
            onAdd={() => {
              focus.set({ sheet: `item:${run}` });
            }}
          />
          {current ? (
            <PointBench state={current} place={place} />
          ) : (
            <p>Nothing to check here. Add what you want looked at.</p>
          )}
        </>
      )}
      {!wide && (
        <div className="flex gap-2 pt-2">
          <button
            type="button"
            className="chip flex-1 justify-center"
            aria-pressed={fixes}
            onClick={() => {
              setFixes(!fixes);
            }}
          >
            Fixes{v.gate.counts.out > 0 && <b className="tnum">{v.gate.counts.out}</b>}
          </button>
          <button
            type="button"
            className="chip flex-1 justify-center"
            onClick={() => {
              setWalk(v.walk === 'route' ? 'kind' : 'route');
            }}
          >
            walk {v.walk === 'route' ? 'along the route' : 'by kind'}
          </button>
        </div>
      )}
      {!wide && <GatePanel />}
      <CheckSheets />
    </div>
  );
}

function BenchHead({
  step,
  nameOf,
  run,
  spec,
  fixes,
  setFixes,
}: {
  step: (by: number) => void;
  nameOf: string;
  run: string;
  spec: Run | undefined;
  fixes: boolean;
  setFixes: (on: boolean) => void;
}) {
  const v = usePour();
  return (
    <div className="flex items-center gap-2 max-sm:hidden">
      <button
        type="button"
        className="chip"
        aria-label="Run before"
        onClick={() => {
          step(-1);
        }}
      >
        <ChevronLeft size={20} />
      </button>
      <h2 className="big text-[36px] leading-9">{nameOf}</h2>
      <button
        type="button"
        className="chip"
        aria-label="Next run"
        onClick={() => {
          step(1);
        }}
      >
        <ChevronRight size={20} />
      </button>
      <p className="line-clamp-2 min-w-0 flex-1 pl-1 leading-5">
        {run !== WHOLE_POUR && (
          <>
            <b className="font-semibold">{v.elementName(run)}</b>
            <span className="text-ink2"> {spec?.type}</span>
          </>
        )}
      </p>
      <button
        type="button"
        className="chip"
        aria-pressed={fixes}
        onClick={() => {
          setFixes(!fixes);
        }}
      >
        Fixes{v.gate.counts.out > 0 && <b className="tnum">{v.gate.counts.out}</b>}
      </button>
      <button
        type="button"
        className="chip"
        aria-label={`Walk ${v.walk === 'route' ? 'along the route' : 'by kind'}; press to change`}
        onClick={() => {
          setWalk(v.walk === 'route' ? 'kind' : 'route');
        }}
      >
        {v.walk === 'route' ? 'along the route' : 'by kind'}
      </button>
    </div>
  );
}
