import { useMemo } from 'react';
import { rebarTakeoff, type RebarRow } from '../../../core/steel/rebar-takeoff.ts';
import { resultOf } from '../../../core/register/calculation.ts';
import { area, barText, distanceText, level, lengthText, mass, textOf, volume } from '../../../core/units/index.ts';
import { useFocus } from '../../app/useFocus.ts';
import { usePour } from '../../app/pour-context.tsx';
import { PlanDrawing } from '../../drawing/PlanDrawing.tsx';
import { SectionDrawing } from '../../drawing/SectionDrawing.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { Big, T } from '../../ui/Text.tsx';
import { Opens, Working } from '../../ui/Working.tsx';
import { barsOrigin, orderOrigin, takeoffOrigin } from '../../app/origins.ts';
import { useWide } from '../../app/useWide.ts';

const ROLE: Record<RebarRow['role'], string> = { along: 'along', top: 'along, top', across: 'across', vertical: 'up', horizontal: 'across', eachWay: 'each way' };

/** Bars of the site, worked out once a site. */
function useBars(): RebarRow[] {
  const { record, rules } = usePour();
  const stockLengthM = rules.value('barStock');
  return useMemo(() => resultOf(rebarTakeoff, { site: record.site, stockLengthM }).rows, [record.site, stockLengthM]);
}

export function SetOutGround() {
  const v = usePour();
  const { run, set } = useFocus();
  const wide = useWide();
  const [boxRef, box] = useSize();
  const selected = run ?? v.record.pour.elements[0] ?? null;
  return (
    <div className="flex h-full flex-col">
      <div ref={boxRef} className="min-h-0 flex-1"><PlanDrawing site={v.record.site} elements={v.record.pour.elements} width={box.width} height={box.height} selected={selected} onSelect={(id) => { set({ run: id }); }} pad={wide ? 64 : 22} labels /></div>
      {wide && <TakeoffTable selected={selected} onSelect={(id) => { set({ run: id }); }} />}
    </div>
  );
}

function TakeoffTable({ selected, onSelect }: { selected: string | null; onSelect: (id: string) => void }) {
  const v = usePour();
  const bars = useBars();
  const own = v.plan.route.takeoff.elements.filter((e) => v.record.pour.elements.includes(e.id));
  const barWords = (id: string) => bars.filter((b) => b.elementId === id).map((b) => `${b.count} × ${barText(b.bar)} ${ROLE[b.role]}`).slice(0, 2).join(', ');
  const total = own.reduce((s, e) => ({ formM2: s.formM2 + e.formM2, lengthM: s.lengthM + e.lengthM }), { formM2: 0, lengthM: 0 });
  return (
    <div className="max-h-[42%] overflow-auto px-4 pb-3">
      <table className="w-full text-right tnum">
        <thead className="sticky top-0 bg-ground"><tr className="border-y-2 border-ink"><th className="head py-1 text-left">Take-off, {v.record.pour.code}</th><th className="font-normal text-ink2">length</th><th className="font-normal text-ink2">forms</th><th className="font-normal text-ink2">concrete</th><th className="font-normal text-ink2">bars</th></tr></thead>
        <tbody className="rows">
          {own.map((e) => (
            <tr key={e.id} className={`cursor-pointer ${e.id === selected ? 'bg-ink text-ground' : ''}`} onClick={() => { onSelect(e.id); }}>
              <th className="py-1.5 pl-1 text-left font-semibold">{e.id}</th><td>{e.lengthM ? <T>{distanceText(e.lengthM, v.units)}</T> : 'pad'}</td><td><Opens name={`the forms of ${e.id}`} {...takeoffOrigin(v, e.id)}>{textOf(area(e.formM2, v.units))}</Opens></td><td className="font-semibold"><Opens name={`the concrete of ${e.id}`} {...takeoffOrigin(v, e.id)}>{textOf(volume(e.concreteM3, v.units))}</Opens></td><td className="pr-1">{barWords(e.id)}</td>
            </tr>
          ))}
          <tr className="border-t-2! border-ink!"><th className="py-1.5 pl-1 text-left font-semibold">all</th><td><T>{distanceText(total.lengthM, v.units)}</T></td><td>{textOf(area(total.formM2, v.units))}</td><td className="font-semibold"><Opens name="the concrete" {...takeoffOrigin(v)}>{textOf(volume(v.plan.route.volumeM3, v.units))}</Opens></td><td className="pr-1">{textOf(mass(bars.filter((b) => v.record.pour.elements.includes(b.elementId)).reduce((s, b) => s + b.massKg, 0), v.units))} of steel</td></tr>
        </tbody>
      </table>
      <p className="flex items-end justify-between gap-4 pt-2">
        <span>Neat {textOf(volume(v.plan.route.volumeM3, v.units))}. With {Math.round(v.record.pour.settings.wasteRatio * 100)} in 100 for waste and {textOf(volume(v.record.pour.settings.leftBehindM3, v.units, 1))} in the hose:</span>
        <Opens name="what is needed" {...orderOrigin(v)}><Big figure={volume(v.plan.order.result.meanM3, v.units, 1)} size={32} /></Opens>
      </p>
    </div>
  );
}

export function SetOutBench() {
  const v = usePour();
  const { run, set } = useFocus();
  const [boxRef, box] = useSize();
  const wide = useWide();
  const bars = useBars();
  const id = run ?? v.record.pour.elements[0] ?? '';
  const { site } = v.record;
  const spec = site.runs.find((r) => r.id === id);
  const pad = site.pads.find((p) => p.id === id);
  const amounts = v.plan.route.takeoff.elements.find((e) => e.id === id);
  const type = site.footingTypes.find((t) => t.mark === spec?.type) ?? site.wallTypes.find((t) => t.mark === spec?.type);
  if (!amounts) return <p>Pick a run on the plan.</p>;
  return (
    <div className="flex flex-col gap-3">
      <div className="flex items-start gap-4">
        <h2 className="big text-[40px] leading-10">{id}</h2>
        <div className="min-w-0 flex-1"><p className="font-semibold">{v.elementName(id)}</p><p className="text-ink2">{spec?.type ?? pad?.type ?? 'pad'}, from {type?.drawing ?? v.record.pour.drawing ?? 'the drawing'}. Bottom at {textOf(level(spec?.bottomM ?? pad?.bottomM ?? 0, v.units))}.</p></div>
      </div>
      <div ref={boxRef} className="h-[250px] w-full shrink-0"><SectionDrawing site={site} elementId={id} width={box.width} height={250} /></div>
      <dl className="grid grid-cols-3 gap-3 border-t-2 border-ink pt-3">
        <div><dt className="text-ink2">concrete</dt><dd><Opens name="the concrete" {...takeoffOrigin(v, id)}><Big figure={volume(amounts.concreteM3, v.units)} size={32} /></Opens></dd></div>
        <div><dt className="text-ink2">forms</dt><dd><Opens name="the forms" {...takeoffOrigin(v, id)}><Big figure={area(amounts.formM2, v.units)} size={32} /></Opens></dd></div>
        <div><dt className="text-ink2">{pad ? 'size' : 'length'}</dt><dd className="big text-[28px] leading-8"><T>{pad ? `${lengthText(pad.widthM * 1000, v.units)}` : distanceText(amounts.lengthM, v.units)}</T></dd></div>
      </dl>
      <div className="rows border-t border-hair">
        {bars.filter((b) => b.elementId === id).map((b, i) => <p key={i} className="flex justify-between gap-3 py-2"><span className="font-semibold">{b.count} × {barText(b.bar)} {ROLE[b.role]}</span><span className="text-ink2"><T>{distanceText(b.lengthM, v.units)}</T>{b.laps ? `, ${b.laps} laps` : ''}</span><Opens name="the bars" className="tnum" {...barsOrigin(v, id)}>{textOf(mass(b.massKg, v.units))}</Opens></p>)}
      </div>
      <div className="flex items-center justify-between"><Working {...takeoffOrigin(v, id)}>Take-off, worked out</Working><a className="btn line" href={`/api/sites/${v.record.siteId}/export`} download>Site file</a></div>
      <TypeSchedule currentMark={spec?.type ?? null} onSelect={(mark) => { const r = site.runs.find((x) => x.type === mark && v.record.pour.elements.includes(x.id)); if (r) set({ run: r.id }); }} />
      {!wide && <TakeoffTable selected={id} onSelect={(e) => { set({ run: e }); }} />}
    </div>
  );
}

/** The schedule, every type as a thumbnail at one scale. */
function TypeSchedule({ currentMark, onSelect }: { currentMark: string | null; onSelect: (mark: string) => void }) {
  const v = usePour();
  const { site, pour } = v.record;
  const used = (mark: string) => site.runs.filter((r) => r.type === mark && pour.elements.includes(r.id));
  const widest = Math.max(...site.footingTypes.map((t) => t.widthM), 0.1);
  return (
    <div>
      <h2 className="head mb-1">Schedule</h2>
      <div className="rows border-t-2 border-ink">
        {site.footingTypes.map((t) => {
          const here = used(t.mark);
          const px = 70 / widest;
          return (
            <button key={t.mark} type="button" disabled={here.length === 0} onClick={() => { onSelect(t.mark); }} className={`flex min-h-12 w-full items-center gap-3 px-1 py-1 text-left disabled:opacity-100 ${t.mark === currentMark ? 'bg-ink text-ground' : ''}`}>
              <b className="w-8">{t.mark}</b>
              <svg width="74" height="30" aria-hidden="true"><rect x="1" y={28 - t.depthM * px} width={t.widthM * px} height={t.depthM * px} fill="var(--ground)" stroke={t.mark === currentMark ? 'var(--ground)' : 'var(--ink)'} strokeWidth="1.5" />{Array.from({ length: t.continuous.count }, (_, i) => <circle key={i} cx={1 + t.widthM * px * ((i + 0.7) / (t.continuous.count + 0.4))} cy={28 - (t.coverBottomMm / 1000) * px - 2} r="1.8" fill="var(--ink)" />)}</svg>
              <span className="flex-1 truncate"><T>{`${lengthText(t.widthM * 1000, v.units)} × ${lengthText(t.depthM * 1000, v.units)}`}</T></span><span className="hidden truncate sm:inline">{t.continuous.count} × {barText(t.continuous.bar)}</span><span className="w-16 text-right">{here.length ? `${here.length} run${here.length > 1 ? 's' : ''}` : ''}</span>
            </button>
          );
        })}
        {site.wallTypes.filter((t) => used(t.mark).length).map((t) => <button key={t.mark} type="button" onClick={() => { onSelect(t.mark); }} className={`flex min-h-12 w-full items-center gap-3 px-1 py-1 text-left ${t.mark === currentMark ? 'bg-ink text-ground' : ''}`}><b className="w-12">{t.mark}</b><span className="flex-1"><T>{lengthText(t.thicknessM * 1000, v.units)}</T> wall, {t.mats} mat{t.mats > 1 ? 's' : ''}</span><span>{barText(t.vertical.bar)} up, {barText(t.horizontal.bar)} across</span></button>)}
      </div>
    </div>
  );
}
