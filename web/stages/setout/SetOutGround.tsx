import { SignedNotice, UndoKey } from './UndoKey.tsx';
import type { ReactNode } from 'react';
import { Check, CirclePlus, Pencil, Redo2, SquarePlus, Waypoints } from 'lucide-react';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import { PlanDrawing } from '../../drawing/PlanDrawing.tsx';
import { UnrolledDrawing } from '../../drawing/UnrolledDrawing.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { EditLayer } from './EditLayer.tsx';
import { UnderlayImage } from '../../underlay/UnderlayImage.tsx';
import { useUnderlay } from '../../underlay/useUnderlay.ts';
import { SetOutMarks } from './SetOutMarks.tsx';
import { setTool, useTool } from './useTool.ts';
import { lazily } from '../../ui/lazily.tsx';
import { useMayChange } from './useMayChange.ts';

const TakeoffTable = lazily(() => import('./TakeoffTable.tsx'));

/** Room under the drawing for what opens it, px. */
const FOOT = 56;

/** The pour in plan with its levels; a surface to change it on when asked for. */
export function SetOutGround() {
  const v = usePour();
  const plan = usePlan();
  const { run, view, set } = useFocus();
  const wide = useWide();
  const [boxRef, box] = useSize();
  const { underlay } = useUnderlay(v.record.siteId);
  // While it is changed the drawing shows each act at once; the figures follow.
  const [site, elements] =
    plan.on && plan.site ? [plan.site, plan.elements] : [v.record.site, v.record.pour.elements];
  const selected = run ?? elements[0] ?? null;
  const select = (id: string) => {
    set({ run: id });
  };
  const unrolled = view === 'unrolled' && !plan.on;
  return (
    <div className="flex h-full flex-col">
      {wide && plan.on && <Toolbar />}
      <div ref={boxRef} className="relative min-h-0 flex-1">
        {wide && !plan.on && (
          <div className="absolute bottom-1 left-3 z-10 flex gap-2">
            <Toolbar />
            <Views />
          </div>
        )}
        {unrolled && (
          <div
            className={`absolute inset-x-0 top-0 overflow-y-auto ${wide ? 'bottom-[56px]' : 'bottom-0'}`}
          >
            <UnrolledDrawing
              site={v.record.site}
              elements={elements}
              width={box.width}
              height={box.height - (wide ? FOOT : 0)}
              selected={selected}
              onSelect={select}
            />
          </div>
        )}
        {!unrolled && (
          <PlanDrawing
            site={site}
            elements={elements}
            width={box.width}
            height={box.height}
            selected={selected}
            onSelect={select}
            pad={wide ? 70 : 22}
            foot={wide && !plan.on ? FOOT : 0}
            labels={wide}
            flags={wide}
            grid={wide}
            zoomable
            under={(scale) =>
              underlay?.shown && (
                <UnderlayImage siteId={v.record.siteId} of={underlay} scale={scale} />
              )
            }
            overlay={(scale, runs, paper) => {
              if (plan.on) return <EditLayer scale={scale} {...box} elements={elements} />;
              return wide && <SetOutMarks scale={scale} runs={runs} paper={paper} />;
            }}
          />
        )}
      </div>
      {wide && !plan.on && <TakeoffTable selected={selected} onSelect={select} />}
    </div>
  );
}

/** The pour from above, or its runs rolled out; one press where there is room for one. */
export function Views() {
  const { view, set } = useFocus();
  const wide = useWide();
  const chip = (v: 'plan' | 'unrolled', words: string) => (
    <button
      key={v}
      type="button"
      className="chip"
      aria-pressed={(view === 'unrolled') === (v === 'unrolled')}
      onClick={() => {
        set({ view: v === 'plan' || view === 'unrolled' ? null : v });
      }}
    >
      {words}
    </button>
  );
  return (
    <div className="flex gap-2" role="group" aria-label="Seen">
      {wide && chip('plan', 'from above')}
      {chip('unrolled', 'rolled out')}
    </div>
  );
}

/** What can be done to the plan. Nothing moves by accident: it is opened for changing first. */
export function Toolbar() {
  const mayChange = useMayChange();
  const plan = usePlan();
  const tool = useTool();
  if (!mayChange) return null;
  if (!plan.on)
    return (
      <button type="button" className="chip" disabled={plan.opening} onClick={plan.start}>
        <Pencil size={18} aria-hidden="true" />
        Change the plan
      </button>
    );
  const storedYet = plan.canUndo ? 'stored' : '';
  const add = (kind: 'run' | 'pad' | 'pier', words: string, icon: ReactNode) => (
    <button
      type="button"
      className="chip max-sm:flex-1 max-sm:px-2!"
      aria-pressed={tool.kind === kind}
      onClick={() => {
        if (tool.kind === kind) setTool({ kind: 'pick' });
        else setTool(kind === 'run' ? { kind, from: null } : { kind });
      }}
    >
      {icon}
      {words}
    </button>
  );
  return (
    <div
      className="flex flex-wrap items-center gap-2 sm:px-3 sm:pt-2"
      role="toolbar"
      aria-label="Change the plan"
    >
      <UndoKey />
      <button
        type="button"
        className="chip max-sm:-order-1"
        disabled={!plan.canRedo}
        aria-label="Redo"
        onClick={plan.redo}
      >
        <Redo2 size={18} aria-hidden="true" />
        <span className="max-sm:hidden">Redo</span>
      </button>
      {add('run', 'Add runs', <Waypoints size={18} aria-hidden="true" />)}
      {add('pad', 'Add a pad', <SquarePlus size={18} aria-hidden="true" />)}
      {add('pier', 'Add a pier', <CirclePlus size={18} aria-hidden="true" />)}
      <span className="flex-1 text-right text-[14px] text-ink2 max-sm:-order-1" aria-live="polite">
        {plan.saving ? 'storing' : storedYet}
      </span>
      <button
        type="button"
        className="btn max-sm:-order-1"
        onClick={() => {
          setTool({ kind: 'pick' });
          plan.stop();
        }}
      >
        <Check size={20} aria-hidden="true" />
        Done
      </button>
      <SignedNotice />
    </div>
  );
}
