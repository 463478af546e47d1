import { useEffect, useRef, useState, type ReactNode, type RefObject } from 'react';
import { footInch, parseMeasure, type UnitSystem } from '#core/units';
import { useStable } from '../app/useStable.ts';
import { TapeKeys } from './TapeKeys.tsx';

interface Props {
  units: UnitSystem;
  signed: boolean;
  /** What is typed so far in mm, or null; the drawing follows it. */
  onTyping: (mm: number | null) => void;
  /** Takes the measure; a promise that fails says it was not kept, and the figure stands again. */
  onTake: (mm: number) => void | Promise<unknown>;
  /** What is wrong with a measure that was read well, if anything; unsigned ones are never below zero. */
  refuse?: (mm: number) => string | null;
  /** Asked about once more before it is taken: what is possible, and unlikely. */
  ask?: (mm: number) => string | null;
  /** Said under the field, where the screen has no other place for the verdict. */
  echo?: ReactNode;
  takeLabel: string;
  /** What is read, by name: the field is empty at the next. */
  of: string;
}

/** What stands in the field, and what it is a reading of. */
interface Entry {
  of: string;
  text: string;
  complaint: string | null;
  takenMs: number;
}

/** Within this of a reading taken the next place is on its way: what is typed is meant for it, ms. */
const ON_ITS_WAY_MS = 1500;

/** Asked when a key is pressed, never while drawing. */
const nowMs = (): number => performance.now();

/**
 * A measure as it is read off a tape: keys for fingers in gloves, or typing in any form that tapes are read in.
 * Enter takes it. Who types on while the next place is on its way loses no key.
 */
export function TapePad({
  units,
  signed,
  onTyping,
  onTake,
  refuse,
  ask,
  echo,
  takeLabel,
  of,
}: Props) {
  const [entry, setEntry] = useState<Entry>({ of, text: '', complaint: null, takenMs: -Infinity });
  const { text, complaint } =
    entry.of === of
      ? entry
      : { text: Number.isFinite(entry.takenMs) ? entry.text : '', complaint: null };
  const input = useRef<HTMLInputElement>(null);
  /** The text that was asked about: taken when Enter is pressed on it again. */
  const asked = useRef<string | null>(null);
  /** What cannot be is not drawn either: a slip of some zeros would hang the drawing. */
  const say = (next: string) => {
    const p = parseMeasure(next, units);
    onTyping(next.trim() !== '' && p.ok && !refuse?.(p.mm) ? p.mm : null);
  };
  const arrived = useStable(() => {
    if (window.matchMedia('(min-width: 840px)').matches && document.activeElement !== input.current)
      input.current?.focus({ preventScroll: true });
    if (entry.of === of) return;
    // A key may come between the place and this: what is typed here already stays.
    setEntry((now) => (now.of === of ? now : { of, text, complaint: null, takenMs: -Infinity }));
    if (text) say(text);
  });
  useEffect(() => {
    arrived();
  }, [arrived, of]);
  const beingTaken = () => entry.of === of && nowMs() - entry.takenMs < ON_ITS_WAY_MS;
  const set = (next: string) => {
    setEntry({
      of,
      text: next,
      complaint: null,
      takenMs: beingTaken() ? entry.takenMs : -Infinity,
    });
    say(next);
  };
  const refusal = (mm: number): string | null =>
    !signed && mm < 0 ? 'It cannot be below zero here.' : (refuse?.(mm) ?? null);
  const take = () => {
    if (beingTaken()) return;
    const p = parseMeasure(text, units);
    const wrong = p.ok ? refusal(p.mm) : p.message;
    const known = asked.current === text;
    const question = p.ok && wrong === null && !known ? (ask?.(p.mm) ?? null) : null;
    if (question !== null) {
      asked.current = text;
      setEntry({ of, text, complaint: question, takenMs: -Infinity });
    } else if (p.ok && wrong === null) {
      asked.current = null;
      setEntry({ of, text: '', complaint: null, takenMs: nowMs() });
      Promise.resolve(onTake(p.mm)).catch(() => {
        setEntry({ of, text, complaint: null, takenMs: -Infinity });
        onTyping(p.mm);
      });
    } else setEntry({ of, text, complaint: wrong, takenMs: -Infinity });
  };
  const parsed = parseMeasure(text, units);
  const shown =
    text.trim() !== '' && parsed.ok && units === 'us'
      ? footInch(parsed.mm, Math.abs(parsed.mm) >= 36 * 25.4)
      : null;
  return (
    <div>
      {/* What is wrong stands beside the figure: a line of its own would push the keys off the screen. */}
      <Typed input={input} complaint={complaint} text={text} units={units} set={set} take={take} />
      {!complaint && echo !== undefined && (
        <p className="mb-2 min-h-[24px] text-[18px] leading-6" aria-live="polite">
          {echo}
        </p>
      )}
      <TapeKeys {...{ units, signed, text, set, take, takeLabel, shown }} />
    </div>
  );
}

/** What is typed, and beside it what is wrong with it. */
function Typed({
  input,
  complaint,
  text,
  units,
  set,
  take,
}: {
  input: RefObject<HTMLInputElement | null>;
  complaint: string | null;
  text: string;
  units: UnitSystem;
  set: (next: string) => void;
  take: () => void;
}) {
  return (
    <div className="mb-2 flex items-center gap-3 max-sm:empty:hidden">
      <input
        ref={input}
        data-likeliest
        className={`field hidden text-[22px]! sm:block ${complaint ? 'max-w-[150px]' : ''}`}
        value={text}
        placeholder={
          units === 'us' ? 'Read the tape: 2 7/8, then Enter' : 'Read the tape in mm, then Enter'
        }
        aria-label="Reading"
        aria-invalid={complaint !== null}
        inputMode="none"
        autoComplete="off"
        onChange={(e) => {
          set(e.target.value);
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.preventDefault();
            take();
          }
        }}
      />
      {complaint && (
        <p className="min-h-[24px] flex-1 font-semibold text-chalk-t" aria-live="polite">
          {complaint}
        </p>
      )}
    </div>
  );
}
