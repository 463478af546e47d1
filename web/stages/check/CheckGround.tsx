import type { Verdict } from '../../../core/check/judge.ts';
import { VERDICT_WORD, Mark, MarkAt } from '../../ui/Mark.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { usePour } from '../../app/pour-context.tsx';
import { useWide } from '../../app/useWide.ts';
import { PlanDrawing, type RunOnPaper } from '../../drawing/PlanDrawing.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { GatePanel } from './GatePanel.tsx';

const ORDER: Verdict[] = ['unread', 'good', 'tight', 'out', 'held', 'waived'];
const BEAD = 21;

/** The plan with a mark for every check of every run, and the gate where there is room inside the ring. */
export function CheckGround() {
  const v = usePour();
  const { run, check, place, set } = useFocus();
  const wide = useWide();
  const [boxRef, box] = useSize();
  const selected = run ?? v.record.pour.elements[0] ?? null;
  const ring = v.plan.route.closed && wide;
  const planHeight = ring || !wide ? box.height : box.height * 0.52;
  const current = v.points.find((p) => p.point.id === check && p.point.elementId === selected);
  const beads = (r: RunOnPaper) => {
    const own = v.points.filter((p) => p.point.elementId === r.id);
    const off = r.halfWidthPx + 18;
    const at = (share: number, out: number): [number, number] => [r.a[0] + r.along[0] * r.lengthPx * share + r.out[0] * out, r.a[1] + r.along[1] * r.lengthPx * share + r.out[1] * out];
    const worst = (['out', 'held', 'unread', 'tight', 'good', 'waived'] as Verdict[]).find((x) => own.some((p) => p.verdict === x)) ?? 'unread';
    if (own.length * BEAD > r.lengthPx * 0.96) { const [x, y] = at(0.5, 0); return <MarkAt key={r.id} verdict={worst} x={x} y={y} size={18} />; }
    const start = 0.5 - ((own.length - 1) * BEAD) / 2 / r.lengthPx;
    return (
      <g key={r.id}>
        {own.map((p, i) => {
          const [x, y] = at(start + (i * BEAD) / r.lengthPx, off);
          const on = p.point.id === check;
          return (
            <g key={p.point.id} role="button" tabIndex={-1} aria-label={`${r.id} ${p.point.title}: ${VERDICT_WORD[p.verdict]}`} onClick={() => { set({ run: r.id, check: p.point.id, place: 0 }); }}>
              <circle cx={x} cy={y} r={BEAD / 2} fill="transparent" />{on && <circle cx={x} cy={y} r="12.5" fill="none" stroke="var(--ink)" strokeWidth="2.5" />}<MarkAt verdict={p.verdict} x={x} y={y} size={16} />
            </g>
          );
        })}
      </g>
    );
  };
  const spots = (runs: RunOnPaper[]) => {
    const r = runs.find((x) => x.id === selected);
    if (!r || !current) return null;
    return current.point.places.map((pl, i) => {
      if (pl.atM === null) return null;
      const lengthM = v.plan.route.takeoff.elements.find((e) => e.id === r.id)?.lengthM ?? 1;
      const share = pl.atM / lengthM;
      const across = pl.across === 'left' ? -0.55 : pl.across === 'right' ? 0.55 : 0;
      const x = r.a[0] + r.along[0] * r.lengthPx * share + r.out[0] * r.halfWidthPx * across;
      const y = r.a[1] + r.along[1] * r.lengthPx * share + r.out[1] * r.halfWidthPx * across;
      const state = current.places[i];
      return <g key={i} role="button" tabIndex={-1} aria-label={`Place ${i + 1}`} onClick={() => { set({ place: i }); }}><circle cx={x} cy={y} r="13" fill="var(--ground)" stroke="var(--ink)" strokeWidth={i === place ? 2.5 : 0.75} /><MarkAt verdict={state?.verdict ?? 'unread'} x={x} y={y} size={18} /></g>;
    });
  };
  return (
    <div ref={boxRef} className="relative h-full">
      <div className="absolute inset-x-0 top-0" style={{ height: planHeight }}>
        <PlanDrawing site={v.record.site} elements={v.record.pour.elements} width={box.width} height={planHeight} selected={selected} onSelect={(id) => { set({ run: id, check: null, place: 0 }); }} pad={wide ? 52 : 30} labels={wide && !ring} dimensions={false} flags={wide}
          overlay={(_, runs) => <>{wide && runs.map(beads)}{ring && runs.map((r) => <RingName key={r.id} r={r} />)}{spots(runs)}{ring && <RingGate runs={runs} />}</>} />
      </div>
      {wide && !ring && <div className="absolute inset-x-0 bottom-0 overflow-auto px-5 pb-3" style={{ top: planHeight }}><GatePanel /></div>}
      {wide && <ul className="absolute left-3 top-3 flex gap-3 text-[14px] leading-[18px]">{ORDER.filter((x) => v.gate.counts[x] > 0).map((x) => <li key={x} className="flex items-center gap-1"><Mark verdict={x} size={14} />{VERDICT_WORD[x]} <b className="tnum">{v.gate.counts[x]}</b></li>)}</ul>}
    </div>
  );
}

function RingName({ r }: { r: RunOnPaper }) {
  const x = r.a[0] + r.along[0] * r.lengthPx * 0.06 + r.out[0] * (r.halfWidthPx + 18);
  const y = r.a[1] + r.along[1] * r.lengthPx * 0.06 + r.out[1] * (r.halfWidthPx + 18) + 7;
  return <text x={x} y={y} textAnchor="middle" className="a halo" fontSize="20">{r.id}</text>;
}

/** The gate stands in the hollow of the ring, where the foreman looks from every side; flags keep the right edge. */
function RingGate({ runs }: { runs: RunOnPaper[] }) {
  const xs = runs.flatMap((r) => [r.a[0], r.b[0]]);
  const ys = runs.flatMap((r) => [r.a[1], r.b[1]]);
  const inset = Math.max(...runs.map((r) => r.halfWidthPx)) + 16;
  const [x, y] = [Math.min(...xs) + inset + 24, Math.min(...ys) + inset];
  const width = Math.max(...xs) - x - inset - 112;
  const height = Math.max(...ys) - y - inset;
  return width > 120 && height > 80 ? <foreignObject x={x} y={y} width={width} height={height}><div className="h-full overflow-auto"><GatePanel /></div></foreignObject> : null;
}
