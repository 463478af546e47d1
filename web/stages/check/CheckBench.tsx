import { useMemo, useState } from 'react';
import { judgeReading, type PointState } from '../../../core/check/judge.ts';
import { marginText, readingText, wantedText } from '../../../core/check/words.ts';
import type { ReadingValue } from '../../../core/model/events.ts';
import { BAR_NAMES } from '../../../core/steel/bars.ts';
import { barText, distanceText, lengthText } from '../../../core/units/index.ts';
import { nextPlace } from '../../app/next-line.ts';
import { usePour } from '../../app/pour-context.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import { SectionDrawing } from '../../drawing/SectionDrawing.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { Tape } from '../../tape/Tape.tsx';
import { TapePad } from '../../tape/TapePad.tsx';
import { Mark, VERDICT_TEXT, VERDICT_WORD } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { Opens, Working } from '../../ui/Working.tsx';
import { CheckSheets } from './CheckSheets.tsx';
import { GatePanel } from './GatePanel.tsx';

export function CheckBench() {
  const v = usePour();
  const focus = useFocus();
  const wide = useWide();
  const first = nextPlace(v, focus.check);
  const run = focus.run ?? first?.point.point.elementId ?? v.record.pour.elements[0] ?? '';
  const own = v.points.filter((p) => p.point.elementId === run);
  const current = own.find((p) => p.point.id === focus.check) ?? own.find((p) => p.verdict === 'out') ?? own.find((p) => p.verdict === 'unread') ?? own[0];
  const wantedPlace = current && focus.check === current.point.id ? focus.place : Math.max(0, current?.places.findIndex((x) => x.verdict === 'unread') ?? 0);
  const place = Math.min(wantedPlace, (current?.places.length ?? 1) - 1);
  const spec = v.record.site.runs.find((r) => r.id === run);
  return (
    <div className="flex flex-col gap-2">
      <div className="hidden items-center gap-3 sm:flex">
        <h2 className="big text-[36px] leading-9">{run}</h2>
        <p className="min-w-0 flex-1 truncate"><b className="font-semibold">{v.elementName(run)}</b><span className="text-ink2"> {spec?.type}</span></p>
        <button type="button" className="chip" aria-label="Run before" onClick={() => { step(-1); }}>‹</button><button type="button" className="chip" aria-label="Next run" onClick={() => { step(1); }}>›</button>
      </div>
      <div className="flex gap-2 overflow-x-auto pb-1" role="group" aria-label={`Checks of ${run}`}>
        {own.map((p) => <button key={p.point.id} ref={p === current ? intoView : undefined} type="button" className="chip shrink-0" aria-pressed={p === current} onClick={() => { focus.set({ run, check: p.point.id, place: 0 }); }}><Mark verdict={p.verdict} size={16} label={VERDICT_WORD[p.verdict]} />{p.point.title}</button>)}
      </div>
      {current ? <PointBench key={`${current.point.id}#${place}`} state={current} place={place} /> : <p>This run has no check points.</p>}
      {!wide && <GatePanel />}
      <CheckSheets />
    </div>
  );
  function step(by: number) {
    const list = v.record.pour.elements;
    const next = list[(list.indexOf(run) + by + list.length) % list.length];
    if (next) focus.set({ run: next, check: null, place: 0 });
  }
}

/** Brings the current check's chip into its row, without moving the page. */
const intoView = (el: HTMLButtonElement | null): void => { if (el?.parentElement) el.parentElement.scrollLeft = el.offsetLeft - el.parentElement.offsetLeft - 60; };

/** Where along the run, in words. */
function placeText(v: ReturnType<typeof usePour>, s: PointState, place: number): string {
  const p = s.point.places[place];
  const run = v.record.site.runs.find((r) => r.id === s.point.elementId);
  if (!p || p.atM === null || !run) return s.point.places.length > 1 ? `${place + 1} of ${s.point.places.length}` : 'anywhere on it';
  const side = p.across === 'left' ? ', left side' : p.across === 'right' ? ', right side' : '';
  return `${distanceText(p.atM, v.units)} from ${run.from}${side}`;
}

function PointBench({ state, place }: { state: PointState; place: number }) {
  const v = usePour();
  const focus = useFocus();
  const wide = useWide();
  const [typed, setTyped] = useState<number | null>(null);
  const { point } = state;
  const now = state.places[place];
  const w = point.wanted;
  const typedValue = useMemo((): ReadingValue | null => (typed === null ? null : w.type === 'spacing' ? (typed > 0 ? { type: 'spacing', overMm: typed, spaces: w.spaces } : null) : w.type === 'count' ? null : { type: 'length', mm: typed }), [typed, w]);
  const preview = useMemo(() => (typedValue ? judgeReading(v.record.site, point, typedValue) : null), [typedValue, v.record.site, point]);
  const shownValue = typedValue ?? (now?.mark ? null : now?.reading?.body.value ?? null);
  const judged = preview ?? (now?.mark ? null : now?.judged ?? null);
  const verdict = preview?.verdict ?? now?.verdict ?? 'unread';

  const advance = async () => {
    setTyped(null);
    // The state behind `v` is a moment old: this place is done, so look past it.
    const here = state.places.findIndex((x, i) => i !== place && x.verdict === 'unread');
    if (here >= 0) { focus.set({ run: point.elementId, check: point.id, place: here }); return; }
    const index = v.points.findIndex((p) => p.point.id === point.id);
    const rest = [...v.points.slice(index + 1), ...v.points.slice(0, index)];
    const next = rest.find((p) => p.places.some((x) => x.verdict === 'unread'));
    if (next) focus.set({ run: next.point.elementId, check: next.point.id, place: next.places.findIndex((x) => x.verdict === 'unread') });
    else focus.set({ run: point.elementId, check: point.id, place });
    await Promise.resolve();
  };
  const take = async (value: ReadingValue) => {
    const bad = judgeReading(v.record.site, point, value).verdict === 'out';
    await v.write('reading', { checkId: point.id, place, value });
    if (bad) { setTyped(null); focus.set({ run: point.elementId, check: point.id, place }); } else await advance();
  };
  const mark = async (result: 'pass' | 'fail' | 'na', reason?: string) => {
    await v.write('mark', { checkId: point.id, place, result, ...(reason ? { reason } : {}) });
    if (result === 'fail') focus.set({ run: point.elementId, check: point.id, place }); else await advance();
  };
  const holds = now?.verdict === 'out' && !now.fix && typed === null;

  return (
    <>
      <div className={wide && w.type === 'cover' ? 'grid grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] gap-3' : ''}>
        {wide && w.type === 'cover' && <Section state={state} mm={shownValue?.type === 'length' ? shownValue.mm : null} short={verdict === 'out'} text={judged && shownValue ? marginText(point, shownValue, judged, v.units) : ''} />}
        <div className={wide && w.type === 'cover' ? '' : 'flex items-start justify-between gap-3'}>
          <div className="min-w-0">
            <p className="truncate text-ink2"><b className="text-ink sm:hidden">{point.elementId} </b><T>{placeText(v, state, place)}</T></p>
            <p className={`big text-[48px] leading-[50px] ${VERDICT_TEXT[verdict]}`} data-reading data-place={`${point.id}#${place}`}><T>{shownValue ? shortReading(shownValue, v.units) : w.type === 'eye' ? (verdict === 'good' ? 'seen' : 'look') : '–'}</T></p>
            <p className={`flex items-center gap-2 text-[18px] font-semibold leading-6 ${VERDICT_TEXT[verdict]}`} data-verdict={verdict} aria-live="polite"><Mark verdict={verdict} /><span><T>{`${VERDICT_WORD[verdict]}${judged && shownValue ? `, ${marginText(point, shownValue, judged, v.units)}` : now?.mark?.body.reason ? `, ${now.mark.body.reason}` : ''}`}</T></span></p>
          </div>
          <div className={wide && w.type === 'cover' ? '' : 'flex flex-col items-end'}>
            {w.type !== 'eye' && (
              <dl className={`flex gap-5 ${wide && w.type === 'cover' ? 'pt-2' : 'pt-1 text-right'}`}>
                <div><dt className="text-ink2">wanted</dt><dd className="big text-[28px] leading-8"><T>{w.type === 'bar' ? wantedText(w, v.units) : wantedText(w, v.units).replace(/ (in|mm)$/, '')}</T></dd></div>
                {limits(judged, point.wanted).map(([label, mm]) => <div key={label}><dt className="text-ink2">{label}</dt><dd className="big text-[28px] leading-8">{judged?.calculation ? <Opens name={label} id={judged.calculation} input={judged.input}><T>{lengthText(mm, v.units).replace(/ (in|mm)$/, '')}</T></Opens> : <T>{lengthText(mm, v.units).replace(/ (in|mm)$/, '')}</T>}</dd></div>)}
              </dl>
            )}
            <Places state={state} place={place} />
          </div>
        </div>
      </div>
      {(w.type === 'cover' || w.type === 'size') && <TapeRow state={state} typed={typed} />}
      {holds ? <FixForm advice={point.advice} onFix={(what) => v.write('fix', { checkId: point.id, place, what })} onWaive={(reason) => mark('na', reason)} /> : (
        <>
          {now?.fix && typed === null && <p className="font-semibold text-ochre-t">Fixed: {now.fix.body.what}. Read it again.</p>}
          {(w.type === 'cover' || w.type === 'size') && <TapePad units={v.units} signed={w.type === 'size' && (w.what === 'level' || w.what === 'plumb')} onTyping={setTyped} onTake={(mm) => void take({ type: 'length', mm })} takeLabel="Take" />}
          {w.type === 'spacing' && <><p className="text-ink2"><T>{`Tape over ${w.spaces} spaces: ${lengthText(w.specifiedMm * w.spaces, v.units)} would be right.`}</T></p><TapePad units={v.units} signed={false} onTyping={setTyped} onTake={(mm) => { if (mm > 0) void take({ type: 'spacing', overMm: mm, spaces: w.spaces }); }} takeLabel="Take" /></>}
          {w.type === 'count' && <CountPad wanted={w.wanted} onTake={(count) => void take({ type: 'count', count })} />}
          {w.type === 'bar' && <BarPad wanted={w.wanted} onTake={(bar) => void take({ type: 'bar', bar })} />}
          {w.type === 'eye' && <EyePad advice={point.advice} onMark={(r, reason) => void mark(r, reason)} />}
        </>
      )}
      <p className="flex items-center justify-between text-[14px] leading-[18px] text-ink2"><span>Wanted: {point.source}.{point.toleranceSource ? ` Limits: ${point.toleranceSource}.` : ''}{now?.reading ? ` Read by ${now.reading.actor}.` : ''}</span>{judged?.calculation && <Working id={judged.calculation} input={judged.input} />}</p>
    </>
  );
}

function Places({ state, place }: { state: PointState; place: number }) {
  const { set } = useFocus();
  if (state.places.length < 2) return null;
  return <div className="flex flex-wrap gap-2 pt-1" role="group" aria-label="Places">{state.places.map((p, i) => <button key={i} type="button" className="chip" aria-pressed={i === place} onClick={() => { set({ run: state.point.elementId, check: state.point.id, place: i }); }}><Mark verdict={p.verdict} size={16} label={VERDICT_WORD[p.verdict]} />{i + 1}</button>)}</div>;
}

const shortReading = (value: ReadingValue, units: 'us' | 'metric'): string => (value.type === 'spacing' ? lengthText(value.overMm / value.spaces, units) : readingText(value, units));

function limits(judged: ReturnType<typeof judgeReading> | null, w: PointState['point']['wanted']): [string, number][] {
  const low = judged?.lowMm ?? (w.type === 'size' ? w.wantedMm - w.minusMm : w.type === 'spacing' ? w.specifiedMm - w.toleranceMm : null);
  const high = judged?.highMm ?? (w.type === 'size' && w.plusMm !== null ? w.wantedMm + w.plusMm : w.type === 'spacing' ? w.specifiedMm + w.toleranceMm : null);
  return [...(low === null ? [] : [['least', low] as [string, number]]), ...(high === null ? [] : [['most', high] as [string, number]])];
}

function Section({ state, mm, short, text }: { state: PointState; mm: number | null; short: boolean; text: string }) {
  const v = usePour();
  const [boxRef, box] = useSize();
  return <div ref={boxRef} className="h-[210px] w-full shrink-0"><SectionDrawing site={v.record.site} elementId={state.point.elementId} width={box.width} height={210} reading={{ point: state.point, mm, short, shortText: text }} /></div>;
}

function TapeRow({ state, typed }: { state: PointState; typed: number | null }) {
  const v = usePour();
  const [boxRef, box] = useSize();
  const w = state.point.wanted;
  if (w.type !== 'cover' && w.type !== 'size') return null;
  const wantedMm = w.type === 'cover' ? w.specifiedMm : w.wantedMm;
  const low = judgeReading(v.record.site, state.point, { type: 'length', mm: wantedMm });
  const readings = state.places.flatMap((p) => (p.reading?.body.value.type === 'length' && !p.mark ? [{ mm: p.reading.body.value.mm, verdict: p.verdict }] : []));
  return <div ref={boxRef}><Tape units={v.units} width={box.width} wantedMm={wantedMm} lowMm={low.lowMm} highMm={low.highMm} readings={readings} typedMm={typed} /></div>;
}

function CountPad({ wanted, onTake }: { wanted: number; onTake: (n: number) => void }) {
  const list = [...new Set([Math.max(0, wanted - 2), Math.max(0, wanted - 1), wanted, wanted + 1, wanted + 2])];
  return <div className="grid grid-cols-5 gap-2" role="group" aria-label="Bars counted">{list.map((n) => <button key={n} type="button" className="key min-h-[64px]!" onClick={() => { onTake(n); }}>{n}</button>)}</div>;
}

function BarPad({ wanted, onTake }: { wanted: string; onTake: (bar: string) => void }) {
  const family = BAR_NAMES.filter((b) => (wanted.startsWith('#') ? b.startsWith('#') : wanted.endsWith('mm') ? b.endsWith('mm') : b.endsWith('M')));
  const i = family.indexOf(wanted);
  return <div className="grid grid-cols-4 gap-2" role="group" aria-label="Bar size read">{family.slice(Math.max(0, i - 2), i + 2).map((b) => <button key={b} type="button" className="key fn min-h-[64px]!" onClick={() => { onTake(b); }}>{barText(b)}</button>)}</div>;
}

function EyePad({ advice, onMark }: { advice: string; onMark: (r: 'pass' | 'fail' | 'na', reason?: string) => void }) {
  const [asked, setAsked] = useState<'fail' | 'na' | null>(null);
  const [reason, setReason] = useState('');
  return (
    <div className="flex flex-col gap-2">
      <p className="text-[18px] leading-6">{advice}</p>
      <div className="grid grid-cols-3 gap-2"><button type="button" className="btn min-h-[64px]" onClick={() => { onMark('pass'); }}>Good</button><button type="button" className="btn warn" onClick={() => { setAsked('fail'); }}>Not good</button><button type="button" className="btn line" onClick={() => { setAsked('na'); }}>Does not apply</button></div>
      {asked && <form className="flex gap-2" onSubmit={(e) => { e.preventDefault(); if (reason.trim()) onMark(asked, reason.trim()); }}><input autoFocus className="field" aria-label="Why" placeholder={asked === 'fail' ? 'What is wrong' : 'Why it does not apply'} value={reason} onChange={(e) => { setReason(e.target.value); }} /><button className="btn" disabled={!reason.trim()}>Log</button></form>}
    </div>
  );
}

/** A failed point asks what was done about it; then it is read again. */
function FixForm({ advice, onFix, onWaive }: { advice: string; onFix: (what: string) => Promise<unknown>; onWaive: (reason: string) => Promise<unknown> }) {
  const [what, setWhat] = useState('');
  const done = advice.replace(/,? and read again\./, '.').replace(/\.$/, '');
  return (
    <div className="flex flex-col gap-2" role="group" aria-label="Fix">
      <p className="text-[18px] font-semibold leading-6">{advice}</p>
      <button type="button" className="btn min-h-[56px]" onClick={() => void onFix(done)}>Done: {done}</button>
      <form className="grid grid-cols-[1fr_auto_auto] gap-2" onSubmit={(e) => { e.preventDefault(); if (what.trim()) void onFix(what.trim()); }}>
        <input className="field" aria-label="What was done" placeholder="Something else was done" value={what} onChange={(e) => { setWhat(e.target.value); }} /><button className="btn line" disabled={!what.trim()}>Fixed</button><button type="button" className="btn warn" disabled={!what.trim()} onClick={() => void onWaive(what.trim())}>Waive</button>
      </form>
    </div>
  );
}
