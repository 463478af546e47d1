import { useState } from 'react';
import type { Wanted } from '../../../core/check/points/index.ts';
import type { ReadingValue } from '../../../core/model/events.ts';
import { lengthText, type UnitSystem } from '../../../core/units/index.ts';
import { TapePad } from '../../tape/TapePad.tsx';
import { T } from '../../ui/Text.tsx';
import { useLikeliest } from './Pads.tsx';

type Step = 'there' | 'where' | 'deep' | 'out';
interface Props {
  w: Extract<Wanted, { type: 'bolts' }>;
  place: number;
  /** This bolt is one of those whose depth and height are wanted. */
  due: boolean;
  units: UnitSystem;
  onTake: (value: ReadingValue) => void;
}

/**
 * A bolt of the round: there at its mark, missing, or somewhere else along the plate. One that is due is measured, how
 * deep and then how far out; any other can be.
 */
export function BoltPad({ w, place, due, units, onTake }: Props) {
  const [step, setStep] = useState<Step>(due ? 'deep' : 'there');
  const [atMm, setAt] = useState<number | null>(null);
  const [embedmentMm, setDepth] = useState<number | null>(null);
  const missing = () => { onTake({ type: 'bolt', there: false, atMm: null }); };
  if (step === 'there') return <Standing measurable={w.depth !== null} onThere={() => { onTake({ type: 'bolt', there: true, atMm: null }); }} onMissing={missing} onStep={setStep} />;
  const text = {
    where: `From the start of the run: mark at ${lengthText((w.bolts[place]?.atM ?? 0) * 1000, units)}.`,
    deep: `In the concrete: ${lengthText((w.depth?.embedmentMm ?? 0) - (w.depth?.shallowerMm ?? 0), units)} or more.`,
    out: `Stands out: ${lengthText(w.depth?.projectionMm ?? 0, units)}.`,
  }[step];
  const take = (mm: number) => {
    if (mm < 0 || (step === 'deep' && mm === 0)) return;
    if (step === 'where') { if (!due) onTake({ type: 'bolt', there: true, atMm: mm }); else { setAt(mm); setStep('deep'); } }
    else if (step === 'deep') { setDepth(mm); setStep('out'); }
    else onTake({ type: 'bolt', there: true, atMm, ...(embedmentMm === null ? {} : { embedmentMm }), projectionMm: mm });
  };
  return (
    <>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <p className="text-[18px] font-semibold leading-6" data-bolt-step={step}><T>{text}</T></p>
        <span className="flex gap-2">
          {step !== 'where' && <button type="button" className="chip" onClick={missing}>Missing</button>}
          {step === 'deep' && atMm === null && <button type="button" className="chip" onClick={() => { setStep('where'); }}>Elsewhere</button>}
          {!(due && step === 'deep') && <button type="button" className="chip" onClick={() => { setStep(step === 'out' ? 'deep' : due ? 'deep' : 'there'); }}>Back</button>}
        </span>
      </div>
      <TapePad key={step} units={units} signed={false} onTyping={() => undefined} onTake={take} takeLabel={step === 'out' || (step === 'where' && !due) ? 'Take' : 'Next'} />
    </>
  );
}

function Standing({ measurable, onThere, onMissing, onStep }: { measurable: boolean; onThere: () => void; onMissing: () => void; onStep: (s: Step) => void }) {
  const { ref, guarded } = useLikeliest();
  return (
    <div className={`grid gap-2 ${measurable ? 'grid-cols-2 sm:grid-cols-4' : 'grid-cols-3'}`} role="group" aria-label="Bolt">
      <button ref={ref} data-likeliest type="button" className="btn min-h-[64px]" onClick={guarded(onThere)}>There</button>
      <button type="button" className="btn warn" onClick={onMissing}>Missing</button>
      <button type="button" className="btn line" onClick={() => { onStep('where'); }}>Elsewhere</button>
      {measurable && <button type="button" className="btn line" onClick={() => { onStep('deep'); }}>Measure</button>}
    </div>
  );
}
