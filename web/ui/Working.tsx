import { useState } from 'react';
import { calculationNamed } from '../../core/register.ts';
import type { Step } from '../../core/register/calculation.ts';
import { Sheet } from './Dialog.tsx';

const valueText = (v: Step['value']): string => (typeof v === 'number' ? String(Number(v.toPrecision(6))) : String(v));

/** A button that opens the working behind a figure: formula, numbers put in, source and limits. */
export function Working({ id, steps }: { id: string; steps: Step[] }) {
  const [open, setOpen] = useState(false);
  const calc = calculationNamed(id);
  if (!calc) return null;
  return (
    <>
      <button type="button" className="min-h-12 px-1 font-semibold text-press underline underline-offset-4" onClick={() => { setOpen(true); }}>Working</button>
      <Sheet open={open} onClose={() => { setOpen(false); }} title={calc.title}>
        <p className="mb-3">{calc.purpose}</p>
        <p className="mb-3 text-ink2">{calc.formula}</p>
        <table className="mb-3 w-full text-left tnum">
          <tbody className="rows">{steps.map((s, i) => <tr key={i}><th className="py-2 pr-3 align-top font-semibold">{s.symbol}</th><td className="py-2 pr-3 text-ink2 break-words">{s.expression}</td><td className="py-2 text-right font-semibold whitespace-nowrap">{valueText(s.value)} {s.unit}</td></tr>)}</tbody>
        </table>
        <p className="text-[14px] leading-[18px] text-ink2">Source: {calc.source}. {calc.limits}</p>
      </Sheet>
    </>
  );
}
