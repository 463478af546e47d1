import { useState } from 'react';
import { toast } from 'sonner';
import type { LaserAnswer } from '../../../contract/index.ts';
import { drainFalls, drainPoints } from '../../../core/setout/drains.ts';
import { loopOf } from '../../../core/setout/levels.ts';
import { distanceText, level, lengthText, textOf } from '../../../core/units/index.ts';
import { usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';
import { readQuantity } from '../../ui/quantity-text.ts';
import { getJson } from '../../sync/api.ts';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { Opens } from '../../ui/Working.tsx';
import { DrainLine } from './DrainLine.tsx';
import { useLevels } from './useLevels.ts';

/** Levels by rod and instrument: set up on a known point, read each point, move on a turning point, and close where it began. */
export function LevelsPanel() {
  const v = usePour();
  const { demo } = useSession();
  const levels = useLevels();
  const [rod, setRod] = useState('');
  const [picked, setPicked] = useState<string | null>(null);
  const bench = v.record.site.benchmark;
  const setup = levels.setups.at(-1);
  if (!bench) return <p>This site has no benchmark. Change the plan and give it one in the site file, so that every level stands on one point.</p>;
  const next = levels.targets.find((t) => !levels.latest.has(t.id)) ?? null;
  const pointId = setup ? (picked ?? next?.id ?? bench.id) : bench.id;
  const target = levels.targets.find((t) => t.id === pointId);
  const inverts = drainPoints(v.record.site, v.record.pour);
  const falls = drainFalls(v.record.site, v.record.pour, levels, v.rules.value('drainFall'));
  const turningPoint = `TP${[...levels.points.keys()].filter((p) => /^TP\d+$/.test(p)).length + 1}`;
  const nameOf = (id: string) => levels.targets.find((t) => t.id === id)?.label ?? (/^TP\d+$/.test(id) ? `turning point ${id}` : inverts.some((p) => p.id === id) ? `invert of ${id.replace('/invert/', ', no. ')}` : id);
  const rodM = readQuantity(rod, 'Level', v.units, false);
  const good = rodM !== null && !Number.isNaN(rodM) && rodM >= 0 && rodM <= 10;
  const wantedRod = setup && target ? setup.hiM - target.wantedM : null;
  const onto = (id: string) => { setPicked(id); setRod(''); };
  const read = async (m: number) => {
    if (!setup) await v.write('setup', { onId: bench.id, backSightM: m });
    else await v.write('level', { setupId: setup.id, pointId, rodM: m });
    // A turning point is read to move the instrument onto it: stay there.
    setRod(''); if (!/^TP\d+$/.test(pointId)) setPicked(null);
  };
  const turn = async (m: number) => { await v.write('setup', { onId: pointId, backSightM: m }); setRod(''); setPicked(null); };
  const laser = async (again: boolean) => {
    try {
      const { rodM: m } = await getJson<LaserAnswer>(`/api/pours/${v.record.id}/laser?setup=${levels.setups.length + (again || !setup ? 1 : 0)}&point=${encodeURIComponent(pointId)}`);
      if (again) await turn(m); else await read(m);
    } catch (e) { toast.error(e instanceof Error ? e.message : 'The laser does not answer.'); }
  };
  const last = levels.setups.flatMap((s) => s.reads).at(-1);
  const known = setup !== undefined && (pointId === bench.id || levels.points.has(pointId));
  const loop = loopOf(v.record.site, levels, v.rules.value('levelClose'));
  return (
    <>
      <div className="grid grid-cols-[1fr_auto] items-end gap-3">
        <div className="min-w-0">
          <p className="text-ink2">{setup ? `Instrument on ${setup.onId}, sight at ${textOf(level(setup.hiM, v.units))}` : 'Rod on the benchmark first'}</p>
          <p className="head truncate text-[24px] leading-7">{pointId === bench.id ? `${bench.id}, ${bench.label ?? 'benchmark'}` : nameOf(pointId)}</p>
          <p>{target ? <>wanted {textOf(level(target.wantedM, v.units))}{wantedRod !== null && <>, the rod reads <b className="font-semibold">{textOf(level(wantedRod, v.units))}</b> when it is right</>}</> : pointId === bench.id ? `stands at ${textOf(level(bench.elevationM, v.units))}` : levels.points.has(pointId) ? `read at ${textOf(level(levels.points.get(pointId) ?? 0, v.units))}` : 'not read yet'}</p>
        </div>
      </div>
      <form className="flex flex-wrap gap-2" onSubmit={(e) => { e.preventDefault(); if (good && rodM !== null) void read(rodM); }}>
        <input className="field min-w-[140px] flex-1 text-[22px]!" aria-label="Rod reading" placeholder={v.units === 'us' ? 'Rod, ft: 4.27' : 'Rod, m: 1.302'} inputMode="decimal" value={rod} onChange={(e) => { setRod(e.target.value); }} />
        <button className="btn" disabled={!good}>{setup ? 'Take' : 'Set up here'}</button>
        {demo && <button type="button" className="btn line" onClick={() => void laser(false)}>Laser</button>}
        {setup && known && pointId !== setup.onId && <button type="button" className="btn line" disabled={!good && !demo} onClick={() => { if (good && rodM !== null) void turn(rodM); else if (demo) void laser(true); }}>Instrument moved: back-sight on {pointId}</button>}
      </form>
      {last?.deviationMm != null && <p className={`text-[18px] font-semibold leading-6 ${last.ok ? 'text-good-t' : 'text-chalk-t'}`} aria-live="polite" data-level={last.ok ? 'good' : 'out'}><T>{`${last.target?.label ?? last.pointId}: ${textOf(level(last.elevationM, v.units))}, ${Math.abs(last.deviationMm) < 0.5 ? 'on the mark' : `${lengthText(Math.abs(last.deviationMm), v.units)} ${last.deviationMm > 0 ? 'high' : 'low'}`}`}</T></p>}
      {levels.closes !== null && levels.misclosureMm !== null && <p className={levels.closes ? 'text-good-t' : 'font-semibold text-chalk-t'} data-closes={levels.closes}>Back on {bench.id}: {loop ? <Opens name="the loop" id="level-loop" input={loop}><T>{lengthText(Math.abs(levels.misclosureMm), v.units)}</T></Opens> : <T>{lengthText(Math.abs(levels.misclosureMm), v.units)}</T>} off. {levels.closes ? 'The loop closes.' : 'Read it again before anything is set by it.'}</p>}
      {falls.map((f) => <DrainLine key={f.drain.id} fall={f} />)}
      <div className="rows border-t-2 border-ink">
        {levels.targets.map((t) => {
          const r = levels.latest.get(t.id);
          return <button key={t.id} type="button" className={`flex min-h-12 w-full items-center gap-3 px-1 text-left ${t.id === pointId ? 'inked bg-ink text-ground' : ''}`} onClick={() => { onto(t.id); }}><Mark verdict={r?.ok === true ? 'good' : r?.ok === false ? 'out' : 'unread'} /><b className="flex-1 font-semibold">{t.label}</b><span className="tnum">{level(t.wantedM, v.units).value}</span><span className="tnum w-[150px] text-right">{r?.deviationMm == null ? '' : <T>{`${level(r.elevationM, v.units).value}, ${Math.abs(r.deviationMm) < 0.5 ? 'right' : `${lengthText(Math.abs(r.deviationMm), v.units)} ${r.deviationMm > 0 ? 'high' : 'low'}`}`}</T>}</span></button>;
        })}
        {inverts.map((p) => <button key={p.id} type="button" className={`flex min-h-12 w-full items-center gap-3 px-1 text-left ${p.id === pointId ? 'inked bg-ink text-ground' : ''}`} onClick={() => { onto(p.id); }}><Mark verdict={levels.points.has(p.id) ? 'good' : 'unread'} /><b className="flex-1 font-semibold">{nameOf(p.id)}</b><span className="text-right"><T>{`${distanceText(p.atM, v.units)} along ${p.drain.elementId}`}</T></span><span className="tnum w-[90px] text-right">{levels.points.has(p.id) ? level(levels.points.get(p.id) ?? 0, v.units).value : ''}</span></button>)}
        {setup && <button type="button" className={`flex min-h-12 w-full items-center gap-3 px-1 text-left ${pointId === turningPoint ? 'inked bg-ink text-ground' : ''}`} onClick={() => { onto(turningPoint); }}><Mark verdict="unread" /><b className="flex-1 font-semibold">A turning point, {turningPoint}</b><span className="text-ink2">where nothing on the plan is in sight</span></button>}
        {setup && <button type="button" className={`flex min-h-12 w-full items-center gap-3 px-1 text-left ${pointId === bench.id ? 'inked bg-ink text-ground' : ''}`} onClick={() => { onto(bench.id); }}><Mark verdict={levels.closes === null ? 'unread' : levels.closes ? 'good' : 'out'} /><b className="flex-1 font-semibold">Back on {bench.id}, to close</b><span className="tnum">{level(bench.elevationM, v.units).value}</span></button>}
      </div>
    </>
  );
}
