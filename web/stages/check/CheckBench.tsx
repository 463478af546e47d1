import { useMemo, useState } from 'react';
import type { PointState, Verdict } from '../../../core/check/judge.ts';
import { TRADES, WHOLE_POUR, type Trade } from '../../../core/check/points/index.ts';
import { nextStop } from '../../../core/check/walk.ts';
import { usePour } from '../../app/pour-context.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import { setWalk } from '../../app/walk.ts';
import { Mark, VERDICT_WORD } from '../../ui/Mark.tsx';
import { CheckSheets } from './CheckSheets.tsx';
import { FixList } from './FixList.tsx';
import { GatePanel } from './GatePanel.tsx';
import { PointBench } from './PointBench.tsx';

const TRADE_NAME: Record<Trade, string> = { ground: 'Ground', forms: 'Forms', steel: 'Steel', anchors: 'Anchors', access: 'Access' };
const WORST: Verdict[] = ['out', 'held', 'unread', 'tight', 'good', 'waived'];
const worstOf = (points: PointState[]): Verdict => WORST.find((x) => points.some((p) => p.verdict === x)) ?? 'unread';

export function CheckBench() {
  const v = usePour();
  const focus = useFocus();
  const wide = useWide();
  const [fixes, setFixes] = useState(false);
  const first = useMemo(() => (focus.run === null ? nextStop(v.points, v.walk, null) : null), [v.points, v.walk, focus.run]);
  const run = focus.run ?? first?.point.point.elementId ?? v.record.pour.elements[0] ?? '';
  const own = v.points.filter((p) => p.point.elementId === run);
  const current = own.find((p) => p.point.id === focus.check) ?? own.find((p) => p.verdict === 'out') ?? own.find((p) => p.verdict === 'unread') ?? own[0];
  const wantedPlace = current && focus.check === current.point.id ? focus.place : Math.max(0, current?.places.findIndex((x) => x.verdict === 'unread' || x.verdict === 'out') ?? 0);
  const place = Math.min(wantedPlace, (current?.places.length ?? 1) - 1);
  const spec = v.record.site.runs.find((r) => r.id === run);
  const trades = TRADES.filter((t) => own.some((p) => p.point.trade === t));
  const trade = current?.point.trade;
  const show = (p: PointState | undefined) => { if (p) focus.set({ run, check: p.point.id, place: Math.max(0, p.places.findIndex((x) => x.verdict === 'out' || x.verdict === 'unread')) }); };
  const list = [...v.record.pour.elements, WHOLE_POUR];
  const step = (by: number) => { const next = list[(list.indexOf(run) + by + list.length) % list.length]; if (next) focus.set({ run: next, check: null, place: 0 }); };
  return (
    <div className="flex flex-col gap-2">
      <div className="flex items-center gap-3">
        {run !== WHOLE_POUR && <h2 className="big hidden text-[36px] leading-9 sm:block">{run}</h2>}
        <p className="hidden min-w-0 flex-1 truncate sm:block"><b className="font-semibold">{v.elementName(run)}</b><span className="text-ink2"> {spec?.type}</span></p>
        <div className="flex gap-2 max-sm:hidden" role="group" aria-label="What is shown">
          <button type="button" className="chip" aria-pressed={fixes} onClick={() => { setFixes(!fixes); }}>Fixes{v.gate.counts.out > 0 && <b className="tnum">{v.gate.counts.out}</b>}</button>
          <button type="button" className="chip" aria-label={`Walk ${v.walk === 'route' ? 'along the route' : 'by kind'}; press to change`} onClick={() => { setWalk(v.walk === 'route' ? 'kind' : 'route'); }}>{v.walk === 'route' ? 'along the route' : 'by kind'}</button>
          <button type="button" className="chip" aria-label="Run before" onClick={() => { step(-1); }}>‹</button><button type="button" className="chip" aria-label="Next run" onClick={() => { step(1); }}>›</button>
        </div>
      </div>
      {fixes ? <FixList onRead={(p, at) => { setFixes(false); focus.set({ run: p.point.elementId, check: p.point.id, place: at }); }} /> : (
        <>
          {wide && trades.length > 1 && <div className="flex gap-2 overflow-x-auto" role="group" aria-label={`Trades of ${run}`}>{trades.map((t) => { const of = own.filter((p) => p.point.trade === t); return <button key={t} type="button" className="chip flex-1 justify-center" aria-pressed={t === trade} onClick={() => { show(of.find((p) => p.verdict === 'out') ?? of.find((p) => p.verdict === 'unread') ?? of[0]); }}><Mark verdict={worstOf(of)} size={16} label={VERDICT_WORD[worstOf(of)]} />{TRADE_NAME[t]}</button>; })}</div>}
          <div className="flex gap-2 overflow-x-auto pb-1" role="group" aria-label={`Checks of ${run}`}>
            {!wide && <><button type="button" className="chip shrink-0" aria-label="Run before" onClick={() => { step(-1); }}>‹</button><button type="button" className="chip shrink-0" aria-label="Next run" onClick={() => { step(1); }}>{run === WHOLE_POUR ? 'all' : run} ›</button></>}
            {own.filter((p) => !wide || p.point.trade === trade).map((p) => <button key={p.point.id} ref={p === current ? intoView : undefined} type="button" className="chip shrink-0" aria-pressed={p === current} onClick={() => { show(p); }}><Mark verdict={p.verdict} size={16} label={VERDICT_WORD[p.verdict]} />{p.point.title}{p.wanted > 1 && <span className="tnum font-normal">{p.read}/{p.wanted}</span>}</button>)}
            <button type="button" className="chip shrink-0" onClick={() => { focus.set({ sheet: `item:${run}` }); }}>+ add</button>
          </div>
          {current ? <PointBench key={`${current.point.id}#${place}`} state={current} place={place} /> : <p>Nothing to check here. Add what you want looked at.</p>}
        </>
      )}
      {!wide && <div className="flex gap-2 pt-2"><button type="button" className="chip flex-1 justify-center" aria-pressed={fixes} onClick={() => { setFixes(!fixes); }}>Fixes{v.gate.counts.out > 0 && <b className="tnum">{v.gate.counts.out}</b>}</button><button type="button" className="chip flex-1 justify-center" onClick={() => { setWalk(v.walk === 'route' ? 'kind' : 'route'); }}>walk {v.walk === 'route' ? 'along the route' : 'by kind'}</button></div>}
      {!wide && <GatePanel />}
      <CheckSheets />
    </div>
  );
}

/** Brings the current check's chip into its row, without moving the page. */
const intoView = (el: HTMLButtonElement | null): void => { if (el?.parentElement) el.parentElement.scrollLeft = el.offsetLeft - el.parentElement.offsetLeft - 60; };
