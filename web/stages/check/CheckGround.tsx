import { useMemo } from 'react';
import { type SitePlan, wallHeightM } from '#core/model';
import type { PointState, Verdict } from '#core/check';
import { VERDICT_WORD, Mark } from '../../ui/Mark.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { usePour } from '../../app/pour-context.tsx';
import { useStable } from '../../app/useStable.ts';
import { useWide } from '../../app/useWide.ts';
import { FACE_GAP_PX, LaidFaces } from '../../drawing/LaidFaces.tsx';
import { PlanDrawing } from '../../drawing/PlanDrawing.tsx';
import type { Paper, PlanScale, RunOnPaper } from '../../drawing/plan-paper.ts';
import { useSize } from '../../drawing/useSize.ts';
import { AskActs, GatePanel, SignActs } from './GatePanel.tsx';
import { Leaders } from './Leaders.tsx';
import { RunBeads } from './RunBeads.tsx';
import { Band, Spots } from './Bands.tsx';
import { lazily } from '../../ui/lazily.tsx';

/** Pads and piers alone have them. */
const StandMarks = lazily(() => import('./StandMarks.tsx'));

const NONE: PointState[] = [];
const ORDER: Verdict[] = ['unread', 'good', 'tight', 'out', 'held', 'waived'];

/**
 * The pour with a mark for every check: walls laid down round their plan, footings in plan, a
 * single run on a phone.
 */
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
      <Laid
        laid={laid}
        site={site}
        runs={runs}
        scale={scale}
        selected={selected}
        choose={choose}
        pick={pick}
        byRun={byRun}
        current={current}
        picked={picked}
      />
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
      {laid && <LaidActs />}
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

/** Below the walls on either side, where nothing is drawn. */
const LaidActs = () => (
  <>
    <div className="absolute bottom-1 left-3 flex w-[128px] flex-col leading-5">
      <AskActs />
    </div>
    <div className="absolute bottom-1 right-2 flex w-[120px] flex-col leading-5">
      <SignActs />
    </div>
  </>
);

function Laid({
  laid,
  site,
  runs,
  scale,
  selected,
  choose,
  pick,
  byRun,
  current,
  picked,
}: {
  laid: boolean;
  site: SitePlan;
  runs: RunOnPaper[];
  scale: PlanScale;
  selected: string | null;
  choose: (id: string) => void;
  pick: (p: PointState, i: number) => void;
  byRun: ReadonlyMap<string, PointState[]>;
  current: PointState | undefined;
  picked: (p: PointState, i: number) => void;
}) {
  const v = usePour();
  const { check, place } = useFocus();
  return laid ? (
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
