import { ArrowRight, Delete } from 'lucide-react';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { footInch, parseMeasure, type UnitSystem } from '../../core/units/index.ts';
import { T } from '../ui/Text.tsx';

interface Props {
  units: UnitSystem;
  /** Changes when another place is read, so that the pad starts empty. */
  placeKey: string;
  signed: boolean;
  /** What is typed so far in mm, or null; the drawing follows it. */
  onTyping: (mm: number | null) => void;
  onTake: (mm: number) => void;
  /** Shown in place of the hint while the reading can be read. */
  echo: ReactNode;
  takeLabel: string;
}

const EIGHTHS = ['1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'];

/** A second press on the same eighth gives the sixteenth above it. */
function withFraction(text: string, fraction: string): string {
  const m = /^(.*?)(\d+)\/(\d+)$/.exec(text);
  if (!m) return `${text}${text && !text.endsWith(' ') ? ' ' : ''}${fraction}`;
  const [, head = '', num = '0', den = '1'] = m;
  const [n = 1, d = 8] = fraction.split('/').map(Number);
  if (Number(num) / Number(den) === n / d) return `${head}${(n * 16) / d + 1}/16`;
  return `${head}${fraction}`;
}

/**
 * A measure as it is read off a tape: keys for fingers in gloves, or typing in any form that tapes are read in.
 * Enter takes it.
 */
export function TapePad({ units, placeKey, signed, onTyping, onTake, echo, takeLabel }: Props) {
  const [text, setText] = useState('');
  const [complaint, setComplaint] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => { setText(''); setComplaint(null); onTyping(null); if (window.matchMedia('(min-width: 840px)').matches) input.current?.focus({ preventScroll: true }); }, [placeKey]); // eslint-disable-line react-hooks/exhaustive-deps -- only another place empties the pad
  const set = (next: string) => {
    setText(next);
    setComplaint(null);
    const p = parseMeasure(next, units);
    onTyping(next.trim() !== '' && p.ok ? p.mm : null);
  };
  const take = () => {
    const p = parseMeasure(text, units);
    if (!p.ok) { setComplaint(p.message); return; }
    onTake(p.mm);
  };
  const parsed = parseMeasure(text, units);
  const shown = text.trim() !== '' && parsed.ok && units === 'us' ? footInch(parsed.mm, Math.abs(parsed.mm) >= 36 * 25.4) : null;
  const key = (label: ReactNode, act: () => void, className = '', aria?: string) => <button key={aria ?? String(label)} type="button" className={`key ${className}`} aria-label={aria} onClick={act}>{label}</button>;
  const digits = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'].map((d) => key(d, () => { set(/\/\d+$/.test(text) ? text : text + d); }));
  const back = key(<Delete size={24} />, () => { set(text.replace(/\s*(\d+\/\d+|.)$/, '')); }, 'fn', 'Back');
  const sign = signed ? [key('±', () => { set(text.startsWith('-') ? text.slice(1) : `-${text}`); }, '', 'Below or above the mark')] : [];
  return (
    <div>
      <div className="mb-2 flex items-stretch gap-2">
        <input ref={input} className="field flex-1 text-[22px]!" value={text} placeholder={units === 'us' ? 'Read the tape: 2 7/8' : 'Read the tape: mm'} aria-label="Reading" aria-invalid={complaint !== null} inputMode="none" autoComplete="off"
          onChange={(e) => { set(e.target.value); }} onKeyDown={(e) => { if (e.key === 'Enter') { e.preventDefault(); take(); } }} />
      </div>
      <p className="mb-2 min-h-[24px] text-[18px] leading-6" aria-live="polite">{complaint ? <span className="font-semibold text-chalk-t">{complaint}</span> : echo}</p>
      {units === 'us' ? (
        <div className="grid grid-cols-5 gap-2 sm:grid-cols-8">
          <div className="col-span-5 grid grid-cols-5 gap-2 sm:col-span-7 sm:grid-cols-7">
            {digits.slice(0, 5)}{key('ft', () => { set(`${text.trim()}' `); }, 'fn')}{back}
            {digits.slice(5)}{key('in', () => { set(`${text.trim()}"`); }, 'fn')}{sign.length ? sign : key('clear', () => { set(''); }, 'fn')}
            {EIGHTHS.map((f) => key(<T>{f}</T>, () => { set(withFraction(text, f)); }, '', f))}
          </div>
          <button type="button" className="btn col-span-5 flex-row! sm:col-span-1 sm:flex-col!" style={{ paddingInline: 4 }} onClick={take}>{takeLabel}{shown && shown.numerator > 0 && <span className="text-[22px]"><T>{`${shown.numerator}/${shown.denominator}`}</T></span>}<ArrowRight /></button>
        </div>
      ) : (
        <div className="grid grid-cols-4 gap-2">
          <div className="col-span-3 grid grid-cols-3 gap-2">{['7', '8', '9', '4', '5', '6', '1', '2', '3'].map((d) => key(d, () => { set(text + d); }))}{sign.length ? sign : key('.', () => { set(`${text}.`); })}{key('0', () => { set(`${text}0`); })}{back}</div>
          <button type="button" className="btn flex-col!" onClick={take}>{takeLabel}<ArrowRight /></button>
        </div>
      )}
    </div>
  );
}
