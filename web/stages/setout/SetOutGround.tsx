import { Check, CirclePlus, Pencil, Redo2, SquarePlus, Undo2, Waypoints } from 'lucide-react';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import { PlanDrawing } from '../../drawing/PlanDrawing.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { EditLayer } from './EditLayer.tsx';
import { LevelMarks } from './LevelMarks.tsx';
import { TakeoffTable } from './TakeoffTable.tsx';
import { setTool, useTool } from './useTool.ts';

/** The pour in plan with its levels; a surface to change it on when asked for. */
export function SetOutGround() {
  const v = usePour();
  const plan = usePlan();
  const { run, set } = useFocus();
  const wide = useWide();
  const [boxRef, box] = useSize();
  const elements = v.record.pour.elements;
  const selected = run ?? elements[0] ?? null;
  return (
    <div className="flex h-full flex-col">
      {wide && plan.on && <Toolbar />}
      <div ref={boxRef} className="relative min-h-0 flex-1">
        {wide && !plan.on && <div className="absolute bottom-2 left-0 z-10"><Toolbar /></div>}
        <PlanDrawing site={v.record.site} elements={elements} width={box.width} height={box.height} selected={selected} onSelect={(id) => { set({ run: id }); }} pad={wide ? 74 : 22} labels={wide} flags={wide} grid={wide} zoomable
          overlay={(scale) => (plan.on ? <EditLayer scale={scale} width={box.width} height={box.height} elements={elements} /> : wide ? <LevelMarks scale={scale} /> : null)} />
      </div>
      {wide && !plan.on && <TakeoffTable selected={selected} onSelect={(id) => { set({ run: id }); }} />}
    </div>
  );
}

/** What can be done to the plan. Nothing moves by accident: it is opened for changing first. */
export function Toolbar() {
  const { account } = useSession();
  const plan = usePlan();
  const tool = useTool();
  if (account.role !== 'foreman') return null;
  if (!plan.on) return <div className="flex justify-end px-3 pt-2"><button type="button" className="chip" onClick={plan.start}><Pencil size={18} aria-hidden="true" />Change the plan</button></div>;
  return (
    <div className="flex flex-wrap items-center gap-2 px-3 pt-2" role="toolbar" aria-label="Change the plan">
      <button type="button" className="chip" disabled={!plan.canUndo} onClick={plan.undo}><Undo2 size={18} aria-hidden="true" />Undo</button>
      <button type="button" className="chip" disabled={!plan.canRedo} onClick={plan.redo}><Redo2 size={18} aria-hidden="true" />Redo</button>
      <button type="button" className="chip" aria-pressed={tool.kind === 'run'} onClick={() => { setTool(tool.kind === 'run' ? { kind: 'pick' } : { kind: 'run', from: null }); }}><Waypoints size={18} aria-hidden="true" />Add runs</button>
      <button type="button" className="chip" aria-pressed={tool.kind === 'pad'} onClick={() => { setTool(tool.kind === 'pad' ? { kind: 'pick' } : { kind: 'pad' }); }}><SquarePlus size={18} aria-hidden="true" />Add a pad</button>
      <button type="button" className="chip" aria-pressed={tool.kind === 'pier'} onClick={() => { setTool(tool.kind === 'pier' ? { kind: 'pick' } : { kind: 'pier' }); }}><CirclePlus size={18} aria-hidden="true" />Add a pier</button>
      <span className="flex-1 text-right text-[14px] text-ink2" aria-live="polite">{plan.saving ? 'storing' : plan.canUndo ? 'stored' : ''}</span>
      <button type="button" className="btn" onClick={() => { setTool({ kind: 'pick' }); plan.stop(); }}><Check size={20} aria-hidden="true" />Done</button>
    </div>
  );
}
