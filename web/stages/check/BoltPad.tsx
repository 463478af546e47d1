import { useState } from 'react';
import type { Wanted } from '#core/check';
import type { ReadingValue } from '#core/log';
import { lengthText, type UnitSystem } from '#core/units';
import { TapePad } from '../../tape/TapePad.tsx';
import { T } from '../../ui/Text.tsx';
import { useLikeliest } from './Pads.tsx';

type Step = 'there' | 'where' | 'deep' | 'out';
interface Props {
  w: Extract<Wanted, { type: 'bolts' }>;
  place: number;
  units: UnitSystem;
  /** The reading as it would be taken with what is typed so far; the verdict follows it. */
  onTyping: (value: ReadingValue | null) => void;
  onTake: (value: ReadingValue) => void;
}

/**
 * A bolt of the round: there at its mark, missing, or somewhere else along the plate. One that is due is measured, how
 * deep and then how far out; any other can be.
 */
export function BoltPad({ w, place, units, onTyping, onTake }: Props) {
  const due = w.measured.includes(place);
  const bolt = w.bolts[place];
  const depth = bolt?.depth ?? null;
  const [step, setStep] = useState<Step>(due ? 'deep' : 'there');
  const [atMm, setAt] = useState<number | null>(null);
  const [embedmentMm, setDepth] = useState<number | null>(null);
  const missing = () => {
    onTake({ type: 'bolt', there: false, atMm: null });
  };
  if (step === 'there')
    return (
      <Standing
        measurable={depth !== null}
        onThere={() => {
          onTake({ type: 'bolt', there: true, atMm: null });
        }}
        onMissing={missing}
        onStep={setStep}
      />
    );
  const text = {
    where: `From the start of the run: mark at ${lengthText((bolt?.atM ?? 0) * 1000, units)}.`,
    deep: `In the concrete: ${lengthText(depth?.leastMm ?? 0, units)} or more.`,
    out: `Stands out: ${lengthText(depth?.projectionMm ?? 0, units)}.`,
  }[step];
  const withMeasure = (mm: number): ReadingValue => {
    const sofar = { type: 'bolt' as const, there: true, atMm: step === 'where' ? mm : atMm };
    if (step === 'where') return sofar;
    return step === 'deep'
      ? { ...sofar, embedmentMm: mm }
      : { ...sofar, ...(embedmentMm === null ? {} : { embedmentMm }), projectionMm: mm };
  };
  const take = (mm: number) => {
    if (step === 'where' && due) {
      setAt(mm);
      setStep('deep');
    } else if (step === 'deep') {
      setDepth(mm);
      setStep('out');
    } else onTake(withMeasure(mm));
  };
  return (
    <>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <p className="text-[18px] font-semibold leading-6" data-bolt-step={step}>
          <T>{text}</T>
        </p>
        <span className="flex gap-2">
          {step !== 'where' && (
            <button type="button" className="chip" onClick={missing}>
              Missing
            </button>
          )}
          {step === 'deep' && atMm === null && (
            <button
              type="button"
              className="chip"
              onClick={() => {
                setStep('where');
              }}
            >
              Elsewhere
            </button>
          )}
          {!(due && step === 'deep') && (
            <button
              type="button"
              className="chip"
              onClick={() => {
                setStep(step === 'out' || due ? 'deep' : 'there');
              }}
            >
              Back
            </button>
          )}
        </span>
      </div>
      <TapePad
        key={step}
        of={step}
        units={units}
        signed={false}
        onTyping={(mm) => {
          onTyping(mm === null || mm < 0 ? null : withMeasure(mm));
        }}
        onTake={take}
        takeLabel={step === 'out' || (step === 'where' && !due) ? 'Take' : 'Next'}
      />
    </>
  );
}

function Standing({
  measurable,
  onThere,
  onMissing,
  onStep,
}: {
  measurable: boolean;
  onThere: () => void;
  onMissing: () => void;
  onStep: (s: Step) => void;
}) {
  const { ref, guarded } = useLikeliest();
  return (
    <div
      className={`grid gap-2 ${measurable ? 'grid-cols-2 sm:grid-cols-4' : 'grid-cols-3'}`}
      role="group"
      aria-label="Bolt"
      data-pad="there"
    >
      <button
        ref={ref}
        data-likeliest
        type="button"
        className="btn min-h-[64px]"
        onClick={guarded(onThere)}
      >
        There
      </button>
      <button type="button" className="btn warn" onClick={onMissing}>
        Missing
      </button>
      <button
        type="button"
        className="btn line"
        onClick={() => {
          onStep('where');
        }}
      >
        Elsewhere
      </button>
      {measurable && (
        <button
          type="button"
          className="btn line"
          onClick={() => {
            onStep('deep');
          }}
        >
          Measure
        </button>
      )}
    </div>
  );
}
