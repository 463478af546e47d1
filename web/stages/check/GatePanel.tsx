import { useMemo } from 'react';
import type { HoldRow } from '../../../core/check/gate.ts';
import { typeChanges, type TypeChange } from '../../../core/check/points/index.ts';
import { HOLD_NAME, marginText } from '../../../core/check/words.ts';
import { entries } from '../../../core/pourlog/state.ts';
import { usePour, type PourView } from '../../app/pour-context.tsx';
import { momentText } from '../../app/stages.ts';
import { PutOffLine } from './PutOffLine.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';

function rowWords(v: PourView, r: HoldRow, changes: Map<string, TypeChange>): string {
  if (r.kind === 'out') {
    const p = v.points.find((x) => x.point.id === r.ref);
    const place = p?.places[r.place ?? 0];
    const value = place?.reading && !place.mark ? place.reading.body.value : null;
    const margin = p && value && place?.judged ? `, ${marginText(p.point, value, place.judged, v.units)}` : place?.mark?.body.reason ? `, ${place.mark.body.reason}` : '';
    return `${r.elementId ?? ''} ${p?.point.title.toLowerCase() ?? ''}${margin}${place?.fix ? ', fixed, read again' : ''}`;
  }
  if (r.kind === 'unread') return `${r.count} reading${r.count > 1 ? 's' : ''} to take`;
  if (r.kind === 'question') { const q = entries(v.state, 'question').find((e) => e.id === r.ref); return `Question ${q?.body.number ?? ''}, ${q?.body.elementIds.join(', ') ?? ''}: ${q?.body.to ?? ''}`; }
  if (r.kind === 'change') { const c = changes.get(r.ref); return `${c?.toRun ?? ''} is ${c?.toType ?? ''}: ${c?.words[0] ?? 'another type'}. Not seen yet`; }
  const sign = v.gate.signs.find((s) => s.hold === r.ref);
  const name = sign ? HOLD_NAME[sign.hold] : '';
  return sign?.state === 'rejected' ? `${name} rejected: ${sign.reason ?? ''}` : sign?.state === 'reopened' ? `${name} open again: ${sign.reason ?? ''}` : `${name}, not signed`;
}

/** Ready or not, and everything that holds the pour, in one place with the minutes each needs. */
export function GatePanel() {
  const v = usePour();
  const { set } = useFocus();
  const { gate } = v;
  const { site, pour } = v.record;
  const changes = useMemo(() => new Map(typeChanges(site, pour.elements).map((c) => [c.id, c])), [site, pour.elements]);
  const go = (r: HoldRow) => {
    if (r.kind === 'out' || r.kind === 'unread') set({ run: r.elementId, check: r.ref, place: r.place ?? 0 });
    else if (r.kind === 'change') set({ sheet: `change:${r.ref}` });
    else if (r.kind === 'question') set({ sheet: `answer:${r.ref}` });
    else set({ sheet: `sign:${r.ref}` });
  };
  const holding = gate.rows.length > 0;
  return (
    <section aria-label="Gate" data-gate={gate.ready ? 'ready' : 'held'} className="flex h-full flex-col">
      <div className="flex items-end justify-between gap-3 pb-2">
        <h2 className={`big text-[44px] leading-[44px] ${gate.ready ? 'text-good-t' : 'text-chalk-t'}`}>{gate.ready ? 'Ready' : 'Not ready'}</h2>
        {holding && <p className="text-right leading-5 text-ink2">{gate.rows.length} {gate.rows.length === 1 ? 'thing holds it' : 'things hold it'}<br />{gate.minutes === null ? 'waits for an answer' : 'soonest ready'}{gate.minutes !== null && <b className="big block text-[26px] leading-7 text-ink">{momentText(v, v.nowMs + gate.minutes * 60_000)}</b>}</p>}
      </div>
      {gate.overridden && <p className="pb-2 font-semibold text-ochre-t">Goes on against the gate: {gate.overridden.reason} ({gate.overridden.actor}). This stays on the report.</p>}
      <div className="rows min-h-[120px] flex-1 overflow-auto border-y border-hair">
        {gate.rows.map((r) => (
          <button key={`${r.kind}${r.ref}${r.place ?? ''}`} type="button" data-row={`${r.kind}:${r.ref}:${r.place ?? ''}`} className="flex min-h-[38px] w-full items-center gap-3 py-0.5 text-left max-sm:min-h-12" onClick={() => { go(r); }}>
            <Mark verdict={r.verdict} size={18} /><span className={`min-w-0 flex-1 font-semibold ${r.kind === 'sign' ? 'line-clamp-3' : 'truncate'}`}><T>{rowWords(v, r, changes)}</T></span><span className="tnum whitespace-nowrap text-ink2">{r.minutes === null ? 'their answer' : `${r.minutes} min`}</span>
          </button>
        ))}
        {!holding && gate.signs.map((s) => <p key={s.hold} className="flex min-h-[42px] items-center gap-3"><Mark verdict="good" />{HOLD_NAME[s.hold]}<span className="flex-1" /><span className="text-ink2">{s.actor} {s.at ? momentText(v, Date.parse(s.at)) : ''}</span></p>)}
      </div>
      <PutOffLine />
      <div className="flex flex-wrap gap-x-5 pt-1">
        <button type="button" className="min-h-12 font-semibold text-press" onClick={() => { set({ sheet: 'question' }); }}>Ask a question</button>
        {holding && !gate.overridden && <button type="button" className="min-h-12 font-semibold text-press" onClick={() => { set({ sheet: 'override' }); }}>Go on against the gate</button>}
      </div>
    </section>
  );
}
