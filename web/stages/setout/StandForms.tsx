import { useState } from 'react';
import { barFromText } from '../../../core/exchange/schedule.ts';
import type { Pad, Pier } from '../../../core/model/site.ts';
import { barText, lengthText, parseMeasure, type UnitSystem } from '../../../core/units/index.ts';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { TypedField } from '../../ui/TypedField.tsx';

/** A pad changed by typing. */
export function PadForm({ pad }: { pad: Pad }) {
  const { units } = usePour();
  const { apply } = usePlan();
  const set = (c: Partial<Pad>) => apply({ do: 'put', list: 'pads', item: { ...pad, ...c } });
  return (
    <div className="flex flex-col gap-2 border-y-2 border-press py-3">
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        <TypedField label="Wide" quantity="M" units={units} value={pad.widthM} onCommit={(n) => set({ widthM: n })} /><TypedField label="Long" quantity="M" units={units} value={pad.lengthM} onCommit={(n) => set({ lengthM: n })} /><TypedField label="Deep" quantity="M" units={units} value={pad.depthM} onCommit={(n) => set({ depthM: n })} /><TypedField label="Bottom" quantity="Level" units={units} value={pad.bottomM} onCommit={(n) => set({ bottomM: n })} />
        <TypedField label="East" quantity="M" units={units} value={pad.xM} onCommit={(n) => set({ xM: n })} /><TypedField label="North" quantity="M" units={units} value={pad.yM} onCommit={(n) => set({ yM: n })} />
      </div>
      <button type="button" className="btn warn" onClick={() => { apply({ do: 'removeElement', id: pad.id }); }}>Remove {pad.id}</button>
    </div>
  );
}

/** A pier changed by typing: round or square, its levels and its cage. */
export function PierForm({ pier }: { pier: Pier }) {
  const { units } = usePour();
  const { apply } = usePlan();
  const set = (c: Partial<Pier>) => apply({ do: 'put', list: 'piers', item: { ...pier, ...c } });
  const round = pier.diameterM !== undefined;
  const sides = pier.diameterM ?? pier.widthM ?? 0.3;
  const square = { widthM: sides, lengthM: pier.lengthM ?? sides };
  const reshape = (toRound: boolean) => { const { diameterM: _d, widthM: _w, lengthM: _l, ...rest } = pier; apply({ do: 'put', list: 'piers', item: toRound ? { ...rest, diameterM: sides } : { ...rest, ...square } }); };
  return (
    <div className="flex flex-col gap-2 border-y-2 border-press py-3">
      <div className="flex gap-2" role="group" aria-label="Shape">{([['round', true], ['square', false]] as const).map(([word, is]) => <button key={word} type="button" className="chip" aria-pressed={round === is} onClick={() => { if (round !== is) reshape(is); }}>{word}</button>)}</div>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        {round ? <TypedField label="Across" quantity="M" units={units} value={sides} onCommit={(n) => set({ diameterM: n })} /> : <><TypedField label="Wide" quantity="M" units={units} value={square.widthM} onCommit={(n) => set({ widthM: n })} /><TypedField label="Long" quantity="M" units={units} value={square.lengthM} onCommit={(n) => set({ lengthM: n })} /></>}
        <TypedField label="Bottom" quantity="Level" units={units} value={pier.bottomM} onCommit={(n) => set({ bottomM: n })} /><TypedField label="Top" quantity="Level" units={units} value={pier.topM} onCommit={(n) => set({ topM: n })} />
        <TypedField label="East" quantity="M" units={units} value={pier.xM} onCommit={(n) => set({ xM: n })} /><TypedField label="North" quantity="M" units={units} value={pier.yM} onCommit={(n) => set({ yM: n })} />
      </div>
      <CageFields key={pier.id} pier={pier} units={units} set={set} />
      <button type="button" className="btn warn" onClick={() => { apply({ do: 'removeElement', id: pier.id }); }}>Remove {pier.id}</button>
    </div>
  );
}

/** The cage as a drawing writes it: "4 No. 5", "No. 3 at 8", and its cover. Empty uprights: no steel. */
function CageFields({ pier, units, set }: { pier: Pier; units: UnitSystem; set: (c: Partial<Pier>) => boolean }) {
  const s = pier.steel;
  const [up, setUp] = useState(s ? `${s.vertical.count} ${barText(s.vertical.bar)}` : '');
  const [ties, setTies] = useState(s?.ties ? `${barText(s.ties.bar)} at ${lengthText(s.ties.spacingM * 1000, units)}` : '');
  const [problem, setProblem] = useState<string | null>(null);
  const coverMm = s?.coverMm ?? (units === 'us' ? 38.1 : 40);
  const take = (cover = coverMm): boolean => {
    setProblem(null);
    if (up.trim() === '') return s ? set({ steel: undefined }) : true;
    const m = /^\s*(\d+)\s*[x×]?\s*(.+)$/i.exec(up);
    const bar = m ? barFromText(m[2] ?? '', units) : null;
    if (!m || !bar) { setProblem(`Uprights: write them as ${units === 'us' ? '4 No. 5' : '4 × 12 mm'}.`); return false; }
    const [left = '', right = ''] = ties.split(/\s*(?:@|\bat\b)\s*/i);
    const tieBar = barFromText(left, units);
    const spacing = parseMeasure(right, units);
    if (ties.trim() !== '' && (!tieBar || !spacing.ok || spacing.mm <= 0)) { setProblem(`Ties: write them as ${units === 'us' ? 'No. 3 at 8' : '10 mm at 200'}.`); return false; }
    const next = { vertical: { bar, count: Number(m[1]) }, ties: tieBar && spacing.ok ? { bar: tieBar, spacingM: spacing.mm / 1000 } : null, coverMm: cover } as NonNullable<Pier['steel']>;
    return JSON.stringify(next) === JSON.stringify(s) ? true : set({ steel: next });
  };
  const text = (label: string, value: string, change: (t: string) => void) => <label>{label}<input className="field mt-0.5" value={value} onChange={(e) => { change(e.target.value); setProblem(null); }} onBlur={() => { take(); }} onKeyDown={(e) => { if (e.key === 'Enter') { e.preventDefault(); take(); } }} /></label>;
  return (
    <>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">{text('Uprights', up, setUp)}{text('Ties', ties, setTies)}<TypedField label="Cover" quantity="Mm" units={units} value={coverMm} onCommit={(n) => take(n)} disabled={!s} /></div>
      {problem && <p role="alert" className="font-semibold text-chalk-t">{problem}</p>}
    </>
  );
}
