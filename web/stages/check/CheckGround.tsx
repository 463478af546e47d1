import { useMemo } from 'react';
import { wallHeightM } from '../../../core/model/site.ts';
import type { PointState, Verdict } from '../../../core/check/judge.ts';
import { drawnForms } from '../../../core/formwork/forms-layout.ts';
import { WHOLE_POUR, typeChanges } from '../../../core/check/points/index.ts';
import { VERDICT_WORD, Mark, MarkAt } from '../../ui/Mark.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { usePour } from '../../app/pour-context.tsx';
import { useStable } from '../../app/useStable.ts';
import { useWide } from '../../app/useWide.ts';
import { ElementDrawing } from '../../drawing/ElementDrawing.tsx';
import { flagText } from '../../drawing/flag-text.ts';
import { FACE_GAP_PX, LaidFaces } from '../../drawing/LaidFaces.tsx';
import { PlanDrawing } from '../../drawing/PlanDrawing.tsx';
import type { Paper, PlanScale, RunOnPaper } from '../../drawing/plan-paper.ts';
import { useSize } from '../../drawing/useSize.ts';
import type { WallMark } from '../../drawing/ElevationDrawing.tsx';
import { GateActs, GatePanel } from './GatePanel.tsx';
import { Leaders } from './Leaders.tsx';
import { RunBeads } from './RunBeads.tsx';
import { StandMarks } from './StandMarks.tsx';
import { roundValue, useTaking } from './useTaking.ts';

const NONE: PointState[] = [];
/** How far off the middle of a run a place is drawn, of half its width. */
const ACROSS = { left: -0.55, middle: 0, right: 0.55 };
const ORDER: Verdict[] = ['unread', 'good', 'tight', 'out', 'held', 'waived'];

/** The pour with a mark for every check: walls laid down round their plan, footings in plan, a single run on a phone. */
export function CheckGround() {
  const v = usePour();
  const { run, check, place, set } = useFocus();
  const wide = useWide();
  const [boxRef, box] = useSize();
  const { site, pour } = v.record;
  const selected =
    run ?? v.points.find((p) => p.point.id === check)?.point.elementId ?? pour.elements[0] ?? null;
  const walls = useMemo(() => {
    const mine = new Set(pour.elements);
    return site.runs.filter((r) => mine.has(r.id));
  }, [site, pour]);
  const ring = v.plan.route.closed && wide;
  const laid = ring && walls.every((r) => r.kind === 'wall');
  const current = v.points.find((p) => p.point.id === check && p.point.elementId === selected);
  const byRun = useMemo(() => {
    const map = new Map<string, PointState[]>();
    for (const p of v.points) {
      const list = map.get(p.point.elementId);
      if (list) list.push(p);
      else map.set(p.point.elementId, [p]);
    }
    return map;
  }, [v.points]);
  const pick = (p: PointState, i: number) => {
    set({ run: p.point.elementId, check: p.point.id, place: i });
  };
  const picked = useStable(pick);
  const choose = (id: string) => {
    set({ run: id, check: null, place: 0 });
  };
  if (!wide)
    return (
      <div ref={boxRef} className="relative h-full">
        <Band
          elementId={selected ?? ''}
          state={current}
          place={place}
          width={box.width}
          height={box.height}
          onPick={pick}
        />
      </div>
    );
  const planHeight = ring ? box.height : box.height * 0.5;
  const heightM = laid ? Math.max(...walls.map(wallHeightM)) : 0;
  const overlay = (scale: PlanScale, runs: RunOnPaper[], paper: Paper) => (
    <>
      {laid ? (
        <LaidFaces
          site={site}
          runs={runs}
          pxPerM={scale.pxPerM}
          points={v.points}
          selected={selected}
          check={check}
          place={place}
          onRun={choose}
          onPick={pick}
        />
      ) : (
        runs.map((r) => (
          <RunBeads
            key={r.id}
            r={r}
            own={byRun.get(r.id) ?? NONE}
            check={r.id === current?.point.elementId ? check : null}
            onPick={picked}
          />
        ))
      )}
      {!laid && <StandMarks scale={scale} byElement={byRun} selected={selected} onRun={choose} />}
      {!laid && current && (
        <Spots
          state={current}
          r={runs.find((x) => x.id === selected)}
          place={place}
          onPick={(i) => {
            set({ place: i });
          }}
        />
      )}
      {ring && <RingGate runs={runs} laid={laid} written={paper.written} />}
    </>
  );
  return (
    <div ref={boxRef} className="relative h-full">
      <div className="absolute inset-x-0 top-0" style={{ height: planHeight }}>
        <PlanDrawing
          site={site}
          elements={pour.elements}
          width={box.width}
          height={planHeight}
          selected={selected}
          onSelect={choose}
          pad={laid ? 20 + FACE_GAP_PX : 52}
          marginM={laid ? heightM : 0}
          labels={false}
          dimensions={false}
          flags={!laid}
          overlay={overlay}
        />
      </div>
      {!ring && (
        <div
          className="absolute inset-x-0 bottom-0 overflow-auto px-5 pb-3"
          style={{ top: planHeight }}
        >
          <GatePanel />
        </div>
      )}
      {laid && <Leaders />}
      {laid && (
        <div className="absolute bottom-1 left-3 flex w-[128px] flex-col leading-5">
          <GateActs />
        </div>
      )}
      <ul className="absolute left-3 top-2 flex flex-col gap-x-3 text-[14px] leading-[18px]">
        {ORDER.filter((x) => v.gate.counts[x] > 0).map((x) => (
          <li key={x} className="flex items-center gap-1.5">
            <Mark verdict={x} size={14} />
            <span className="w-[50px]">{VERDICT_WORD[x]}</span>
            <b className="tnum">{v.gate.counts[x]}</b>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The run in hand alone, unrolled, with the check in hand on it: all there is room for on a phone. */
function Band({
  elementId,
  state,
  place,
  width,
  height,
  onPick,
}: {
  elementId: string;
  state: PointState | undefined;
  place: number;
  width: number;
  height: number;
  onPick: (p: PointState, place: number) => void;
}) {
  const v = usePour();
  const spec = v.record.site.runs.find((r) => r.id === elementId);
  const flags = typeChanges(v.record.site, v.record.pour.elements)
    .filter((c) => c.fromRun === elementId)
    .map((c) => ({
      at: c.nodeId === spec?.from ? ('from' as const) : ('to' as const),
      text: flagText(c),
    }));
  if (elementId === WHOLE_POUR)
    return (
      <PlanDrawing
        site={v.record.site}
        elements={v.record.pour.elements}
        width={width}
        height={height}
        selected={null}
        onSelect={() => undefined}
        pad={18}
        labels={false}
        dimensions={false}
        flags={false}
      />
    );
  const marks = state
    ? state.places
        .map((p, i) => ({
          key: String(i),
          atM: state.point.places[i]?.atM ?? null,
          upM: state.point.places[i]?.upM ?? 0,
          verdict: p.verdict,
          label: state.point.places[i]?.label ?? `Place ${i + 1}`,
          chosen: i === place,
        }))
        .flatMap((m) => (m.atM === null ? [] : [{ ...m, atM: m.atM }]))
    : [];
  return state ? (
    <BandOf
      state={state}
      place={place}
      flags={flags}
      marks={marks}
      width={width}
      height={height - 10}
      onPick={onPick}
    />
  ) : (
    <ElementDrawing
      site={v.record.site}
      elementId={elementId}
      width={width}
      height={height - 10}
      marks={[]}
      flags={flags}
    />
  );
}

/** The same with a check in hand: in a round, a press on an unread mark takes it as it should be. */
function BandOf({
  state,
  place,
  flags,
  marks,
  width,
  height,
  onPick,
}: {
  state: PointState;
  place: number;
  flags: { at: 'from' | 'to'; text: string }[];
  marks: WallMark[];
  width: number;
  height: number;
  onPick: (p: PointState, place: number) => void;
}) {
  const v = usePour();
  const { take } = useTaking(state, place);
  const { point } = state;
  const press = (i: number) => {
    const value =
      state.places[i]?.verdict === 'unread' && point.round ? roundValue(point, i) : null;
    if (value) void take(value, i);
    else onPick(state, i);
  };
  return (
    <ElementDrawing
      site={v.record.site}
      elementId={point.elementId}
      width={width}
      height={height}
      marks={marks}
      markSize={point.round ? 20 : 22}
      flags={flags}
      bars={point.round !== 'forms'}
      forms={
        point.round === 'forms'
          ? drawnForms(v.record.site, v.record.pour, point.elementId)
          : undefined
      }
      onPick={(k) => {
        press(Number(k));
      }}
    />
  );
}

/** Places of the check in hand on a footing in plan. */
function Spots({
  state,
  r,
  place,
  onPick,
}: {
  state: PointState;
  r: RunOnPaper | undefined;
  place: number;
  onPick: (i: number) => void;
}) {
  if (!r) return null;
  return (
    <>
      {state.point.places.map((pl, i) => {
        if (pl.atM === null) return null;
        const share = pl.atM / r.lengthM;
        const across = ACROSS[pl.across ?? 'middle'];
        const x = r.a[0] + r.along[0] * r.lengthPx * share + r.out[0] * r.halfWidthPx * across;
        const y = r.a[1] + r.along[1] * r.lengthPx * share + r.out[1] * r.halfWidthPx * across;
        return (
          <g
            key={i}
            role="button"
            tabIndex={-1}
            aria-label={`Place ${i + 1}`}
            onClick={() => {
              onPick(i);
            }}
          >
            <circle
              cx={x}
              cy={y}
              r="13"
              fill="var(--ground)"
              stroke="var(--ink)"
              strokeWidth={i === place ? 2.5 : 0.75}
            />
            <MarkAt verdict={state.places[i]?.verdict ?? 'unread'} x={x} y={y} size={18} />
          </g>
        );
      })}
    </>
  );
}

/** Narrower than this the list of the gate cannot be read, px. */
const LEAST_GATE_PX = 300;

/** The gate stands in the hollow of the ring, where the foreman looks from every side. */
function RingGate({
  runs,
  laid,
  written,
}: {
  runs: RunOnPaper[];
  laid: boolean;
  written: Paper['written'];
}) {
  const xs = runs.flatMap((r) => [r.a[0], r.b[0]]);
  const ys = runs.flatMap((r) => [r.a[1], r.b[1]]);
  const inset = Math.max(...runs.map((r) => r.halfWidthPx)) + (laid ? 26 : 32);
  const [x, y] = [Math.min(...xs) + inset, Math.min(...ys) + (laid ? inset - 12 : inset)];
  // Flags that stand in the hollow keep their place: the list ends before them.
  const flags = written.filter(
    (b) =>
      b.x > x + LEAST_GATE_PX &&
      b.x < Math.max(...xs) - inset &&
      b.y + b.h > y &&
      b.y < Math.max(...ys) - inset,
  );
  const width = Math.min(
    Math.max(...xs) - x - inset - (laid ? 0 : 60),
    ...flags.map((b) => b.x - 10 - x),
  );
  const height = Math.max(...ys) - y - inset + 12;
  return width > 120 && height > 80 ? (
    <foreignObject x={x} y={y} width={width} height={height}>
      <div className="h-full">
        <GatePanel acts={!laid} />
      </div>
    </foreignObject>
  ) : null;
}
