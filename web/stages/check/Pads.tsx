import { useEffect, useRef, useState, type MouseEvent } from 'react';
import type { Wanted } from '#core/check';
import type { ReadingValue } from '#core/log';
import { BAR_NAMES } from '#core/model';
import { barText, lengthText, type UnitSystem } from '#core/units';
import { TapePad } from '../../tape/TapePad.tsx';
import { T } from '../../ui/Text.tsx';

/** A second press that was meant for the place before is not taken for this one, ms. */
const TOO_SOON_MS = 250;

/**
 * The likeliest answer has the focus on a keyboard's screen, so that Enter gives it; a press by
 * keyboard right after the pad appeared, or the second of a double one, is left alone, since it was
 * on its way before.
 */
export function useLikeliest() {
  const ref = useRef<HTMLButtonElement>(null);
  const ready = useRef(false);
  useEffect(() => {
    if (
      window.matchMedia('(min-width: 840px)').matches &&
      !document.querySelector('[role="dialog"]')
    )
      ref.current?.focus({ preventScroll: true });
    const t = setTimeout(() => {
      ready.current = true;
      if (ref.current) ref.current.dataset.ready = '';
    }, TOO_SOON_MS);
    return () => {
      clearTimeout(t);
    };
  }, []);
  /** Clicks count themselves: one from the keyboard is none, the second of a double press is two. */
  const guarded = (act: () => void) => (e: MouseEvent) => {
    if (e.detail === 1 || ready.current) act();
  };
  return { ref, guarded };
}

/** What is counted: the wanted number and its neighbours, one press each. */
export function CountPad({
  wanted,
  unit,
  onTake,
}: {
  wanted: number;
  unit: string;
  onTake: (n: number) => void;
}) {
  const { ref, guarded } = useLikeliest();
  const list = [
    ...new Set([Math.max(0, wanted - 2), Math.max(0, wanted - 1), wanted, wanted + 1, wanted + 2]),
  ];
  return (
    <div
      className="grid grid-cols-5 gap-2"
      role="group"
      aria-label={`${unit[0]?.toUpperCase() ?? ''}${unit.slice(1)} counted`}
      data-pad="count"
    >
      {list.map((n) => (
        <button
          key={n}
          ref={n === wanted ? ref : undefined}
          data-likeliest={n === wanted ? '' : undefined}
          type="button"
          className={`key min-h-[64px]! ${n === wanted ? 'shadow-[inset_0_0_0_2px_var(--press)]' : ''}`}
          onClick={guarded(() => {
            onTake(n);
          })}
        >
          {n}
        </button>
      ))}
    </div>
  );
}

export function BarPad({
  wanted,
  onTake,
}: {
  wanted: string;
  onTake: (bar: (typeof BAR_NAMES)[number]) => void;
}) {
  const familyOf = (b: string) => (b.startsWith('#') ? '#' : b.replace(/\d/g, ''));
  const family = BAR_NAMES.filter((b) => familyOf(b) === familyOf(wanted));
  const i = family.findIndex((b) => b === wanted);
  const { ref, guarded } = useLikeliest();
  return (
    <div className="grid grid-cols-4 gap-2" role="group" aria-label="Bar size read" data-pad="bar">
      {family.slice(Math.max(0, i - 2), i + 2).map((b) => (
        <button
          key={b}
          ref={b === wanted ? ref : undefined}
          data-likeliest={b === wanted ? '' : undefined}
          type="button"
          className="key fn min-h-[64px]!"
          onClick={guarded(() => {
            onTake(b);
          })}
        >
          {barText(b)}
        </button>
      ))}
    </div>
  );
}

/** Spacing is read over a counted number of spaces: one long tape, not many short ones. */
export function SpacingPad({
  of,
  w,
  units,
  onTyping,
  onTake,
}: {
  of: string;
  w: Extract<Wanted, { type: 'spacing' }>;
  units: UnitSystem;
  onTyping: (value: ReadingValue | null) => void;
  onTake: (value: ReadingValue) => void;
}) {
  const [spaces, setSpaces] = useState(w.spaces);
  const set = (n: number) => {
    setSpaces(n);
    onTyping(null);
  };
  const read = (overMm: number): ReadingValue => ({ type: 'spacing', overMm, spaces });
  return (
    <>
      <div className="flex items-center gap-2">
        <span className="text-ink2">Tape over</span>
        <button
          type="button"
          className="chip"
          aria-label="One space fewer"
          disabled={spaces <= 1}
          onClick={() => {
            set(spaces - 1);
          }}
        >
          −
        </button>
        <b className="tnum" data-spaces>
          {spaces} {spaces === 1 ? 'space' : 'spaces'}
        </b>
        <button
          type="button"
          className="chip"
          aria-label="One space more"
          disabled={spaces >= 40}
          onClick={() => {
            set(spaces + 1);
          }}
        >
          +
        </button>
        <span className="text-ink2">
          <T>{`${lengthText(w.specifiedMm * spaces, units)} is right`}</T>
        </span>
      </div>
      <TapePad
        of={of}
        units={units}
        signed={false}
        onTyping={(mm) => {
          onTyping(mm !== null && mm > 0 ? read(mm) : null);
        }}
        onTake={(mm) => {
          onTake(read(mm));
        }}
        refuse={(mm) => (mm > 0 ? null : 'Spacing is above zero.')}
        takeLabel="Take"
      />
    </>
  );
}

export function EyePad({
  advice,
  onMark,
}: {
  advice: string;
  onMark: (r: 'pass' | 'fail' | 'na', reason?: string) => void;
}) {
  const [asked, setAsked] = useState<'fail' | 'na' | null>(null);
  const [reason, setReason] = useState('');
  const { ref, guarded } = useLikeliest();
  return (
    <div className="flex flex-col gap-2" data-pad="eye">
      <p className="text-[18px] leading-6">{advice}</p>
      <div className="grid grid-cols-3 gap-2">
        <button
          ref={ref}
          data-likeliest
          type="button"
          className="btn min-h-[64px]"
          onClick={guarded(() => {
            onMark('pass');
          })}
        >
          Good
        </button>
        <button
          type="button"
          className="btn warn"
          onClick={() => {
            setAsked('fail');
          }}
        >
          Not good
        </button>
        <button
          type="button"
          className="btn line"
          onClick={() => {
            setAsked('na');
          }}
        >
          Does not apply
        </button>
      </div>
      {asked && (
        <form
          className="flex gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            if (reason.trim()) onMark(asked, reason.trim());
          }}
        >
          <input
            autoFocus
            className="field"
            aria-label="Why"
            placeholder={asked === 'fail' ? 'What is wrong' : 'Why it does not apply'}
            value={reason}
            onChange={(e) => {
              setReason(e.target.value);
            }}
          />
          <button className="btn" disabled={!reason.trim()}>
            Log
          </button>
        </form>
      )}
    </div>
  );
}
