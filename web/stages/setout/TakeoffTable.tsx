import { Fragment, memo, useMemo, useState } from 'react';
import { resultOf } from '../../../core/register/calculation.ts';
import { rebarTakeoff, type RebarRow } from '../../../core/steel/rebar-takeoff.ts';
import { area, barText, distanceText, mass, textOf, volume } from '../../../core/units/index.ts';
import { orderOrigin, takeoffOrigin } from '../../app/origins.ts';
import { usePour, type PourView } from '../../app/pour-context.tsx';
import { useStable } from '../../app/useStable.ts';
import { Big, T } from '../../ui/Text.tsx';
import { Opens } from '../../ui/Working.tsx';

export const ROLE: Record<RebarRow['role'], string> = { along: 'along', top: 'along, top', across: 'across', vertical: 'up', horizontal: 'across', eachWay: 'each way', tie: 'ties' };

/** Bars of the site, worked out once a site. */
export function useBars(): RebarRow[] {
  const { record, rules } = usePour();
  const stockLengthM = rules.value('barStock');
  return useMemo(() => resultOf(rebarTakeoff, { site: record.site, stockLengthM }).rows, [record.site, stockLengthM]);
}

/** More runs than this are shown by type first. */
const MANY = 12;
const sum = (rows: Row[], field: 'lengthM' | 'formM2' | 'concreteM3'): number => rows.reduce((s, e) => s + e[field], 0);

type Row = PourView['plan']['route']['takeoff']['elements'][number];
/** One run; drawn anew only when it changes or is picked. */
const TakeoffRow = memo(function TakeoffRow({ row: e, bars, view: v, selected, onSelect }: { row: Row; bars: string; view: PourView; selected: boolean; onSelect: (id: string) => void }) {
  return (
    <tr className={`cursor-pointer ${selected ? 'bg-ink text-ground' : ''}`} onClick={() => { onSelect(e.id); }}>
      <th className="py-1.5 pl-1 text-left font-semibold">{e.id}</th><td>{e.lengthM ? <T>{distanceText(e.lengthM, v.units)}</T> : 'pad'}</td><td><Opens name={`the forms of ${e.id}`} {...takeoffOrigin(v, e.id)}>{textOf(area(e.formM2, v.units))}</Opens></td><td className="font-semibold"><Opens name={`the concrete of ${e.id}`} {...takeoffOrigin(v, e.id)}>{textOf(volume(e.concreteM3, v.units))}</Opens></td><td className="pr-1">{bars}</td>
    </tr>
  );
}, (a, b) => a.row === b.row && a.bars === b.bars && a.selected === b.selected && a.view.record === b.view.record);

/** Length, forms, concrete and bars by run, and what the order comes to. */
export function TakeoffTable({ selected, onSelect }: { selected: string | null; onSelect: (id: string) => void }) {
  const v = usePour();
  const bars = useBars();
  const pick = useStable(onSelect);
  const mine = new Set(v.record.pour.elements);
  const own = v.plan.route.takeoff.elements.filter((e) => mine.has(e.id));
  const byRun = useMemo(() => { const map = new Map<string, RebarRow[]>(); for (const b of bars) map.set(b.elementId, [...(map.get(b.elementId) ?? []), b]); return map; }, [bars]);
  const barWords = (id: string) => (byRun.get(id) ?? []).map((b) => `${b.count} × ${barText(b.bar)} ${ROLE[b.role]}`).slice(0, 2).join(', ');
  const massOf = (id: string) => (byRun.get(id) ?? []).reduce((n, b) => n + b.massKg, 0);
  // By type where there are many runs: a press opens the runs of one.
  const [open, setOpen] = useState<string | null>(null);
  const grouped = own.length > MANY;
  const types = useMemo(() => new Map([...v.record.site.runs.map((r) => [r.id, r.type] as const), ...v.record.site.pads.map((p) => [p.id, p.type ?? 'pads'] as const)]), [v.record.site]);
  const groups = grouped ? [...new Set(own.map((e) => types.get(e.id) ?? ''))].sort().map((type) => ({ type, rows: own.filter((e) => types.get(e.id) === type) })) : [{ type: '', rows: own }];
  const total = own.reduce((s, e) => ({ formM2: s.formM2 + e.formM2, lengthM: s.lengthM + e.lengthM }), { formM2: 0, lengthM: 0 });
  return (
    <div className="max-h-[42%] overflow-auto px-4 pb-3" tabIndex={0} role="region" aria-label="Take-off">
      <table className="w-full text-right tnum">
        <thead className="sticky top-0 bg-ground"><tr className="border-y-2 border-ink"><th className="head py-1 text-left">Take-off, {v.record.pour.code}</th><th className="font-normal text-ink2">length</th><th className="font-normal text-ink2">forms</th><th className="font-normal text-ink2">concrete</th><th className="font-normal text-ink2">bars</th></tr></thead>
        <tbody className="rows">
          {groups.map((g) => (
            <Fragment key={g.type}>
              {grouped && <tr className="font-semibold"><th className="py-0 text-left"><button type="button" className="min-h-10 font-semibold text-press" aria-expanded={open === g.type} onClick={() => { setOpen(open === g.type ? null : g.type); }}>{g.type}, {g.rows.length} {sum(g.rows, 'lengthM') > 0 ? 'run' : 'pad'}{g.rows.length === 1 ? '' : 's'}</button></th><td>{sum(g.rows, 'lengthM') > 0 && <T>{distanceText(sum(g.rows, 'lengthM'), v.units)}</T>}</td><td>{textOf(area(sum(g.rows, 'formM2'), v.units))}</td><td>{textOf(volume(sum(g.rows, 'concreteM3'), v.units))}</td><td className="pr-1">{textOf(mass(g.rows.reduce((n, e) => n + massOf(e.id), 0), v.units))}</td></tr>}
              {(!grouped || open === g.type) && g.rows.map((e) => <TakeoffRow key={e.id} row={e} bars={barWords(e.id)} view={v} selected={e.id === selected} onSelect={pick} />)}
            </Fragment>
          ))}
          <tr className="border-t-2! border-ink!"><th className="py-1.5 pl-1 text-left font-semibold">all</th><td><T>{distanceText(total.lengthM, v.units)}</T></td><td>{textOf(area(total.formM2, v.units))}</td><td className="font-semibold"><Opens name="the concrete" {...takeoffOrigin(v)}>{textOf(volume(v.plan.route.volumeM3, v.units))}</Opens></td><td className="pr-1">{textOf(mass(own.reduce((s, e) => s + massOf(e.id), 0), v.units))} of steel</td></tr>
        </tbody>
      </table>
      <p className="flex items-end justify-between gap-4 pt-2">
        <span>Neat {textOf(volume(v.plan.route.volumeM3, v.units))}. With {Math.round(v.record.pour.settings.wasteRatio * 100)} in 100 for waste and {textOf(volume(v.record.pour.settings.leftBehindM3, v.units, 1))} in the hose:</span>
        <Opens name="what is needed" {...orderOrigin(v)}><Big figure={volume(v.plan.order.result.meanM3, v.units, 1)} size={32} /></Opens>
      </p>
    </div>
  );
}
