import { createColumnHelper, tableFeatures, useTable } from '@tanstack/react-table';
import { useMemo } from 'react';
import { footingTypeSchema, wallTypeSchema, type FootingType, type Hooks, type WallType } from '../../../core/model/site.ts';
import { barFromText, hooksText, ledgeFromText, metres, splitHooks } from '../../../core/exchange/schedule.ts';
import { barText, lengthText, parseMeasure, type UnitSystem } from '../../../core/units/index.ts';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { TypeThumb } from '../../drawing/TypeThumb.tsx';
import { T } from '../../ui/Text.tsx';
import { CellField } from './CellField.tsx';

interface Row<Type> { type: Type; runs: string[] }
/** A cell: how it reads, and the type with another text in it; a sentence when it cannot be read. */
interface Cell<Type> { id: string; head: string; text: (t: Type, u: UnitSystem) => string; read: (t: Type, text: string, u: UnitSystem) => Type | string }

const size = <Type,>(id: string, head: string, get: (t: Type) => number, set: (t: Type, mm: number) => Type): Cell<Type> => ({ id, head, text: (t, u) => lengthText(get(t), u), read: (t, text, u) => { const p = parseMeasure(text, u); return p.ok ? set(t, p.mm) : p.message; } });
const bar = (text: string, u: UnitSystem): string | null => barFromText(text, u);
const spaced = <Type,>(id: string, head: string, get: (t: Type) => { bar: string; spacingM: number; hooks?: Hooks } | null, set: (t: Type, v: { bar: FootingType['continuous']['bar']; spacingM: number; hooks: Hooks } | null) => Type | string): Cell<Type> => ({
  id, head, text: (t, u) => { const v = get(t); return v ? `${barText(v.bar)} at ${lengthText(v.spacingM * 1000, u)}${hooksText(v.hooks)}` : 'none'; },
  read: (t, text, u) => {
    if (/^\s*(none|-|–)?\s*$/i.test(text)) return set(t, null);
    const { bars, hooks } = splitHooks(text);
    const [left = '', right = ''] = bars.split(/\s*(?:@|\bat\b)\s*/i);
    const b = bar(left, u);
    const p = parseMeasure(right, u);
    return b && p.ok ? set(t, { bar: b, spacingM: metres(p.mm), hooks }) : `Write it as ${u === 'us' ? 'No. 5 at 12' : '12 mm at 200'}.`;
  },
});

const FOOTING: Cell<FootingType>[] = [
  size('width', 'wide', (t) => t.widthM * 1000, (t, mm) => ({ ...t, widthM: metres(mm) })), size('depth', 'deep', (t) => t.depthM * 1000, (t, mm) => ({ ...t, depthM: metres(mm) })),
  { id: 'along', head: 'along', text: (t) => `${t.continuous.count} ${barText(t.continuous.bar)}${hooksText(t.continuous.hooks)}`, read: (t, text, u) => { const { bars, hooks } = splitHooks(text); const m = /^\s*(\d+)\s*[x×]?\s*(.+)$/i.exec(bars); const b = m ? bar(m[2] ?? '', u) : null; return m && b ? { ...t, continuous: { ...t.continuous, count: Number(m[1]), bar: b, hooks } } : `Write it as ${u === 'us' ? '3 No. 5' : '4 × 12 mm'}.`; } },
  spaced('across', 'across', (t) => t.transverse, (t, v) => ({ ...t, transverse: v })),
  size('cover', 'cover below', (t) => t.coverBottomMm, (t, mm) => ({ ...t, coverBottomMm: mm })),
];
const WALL: Cell<WallType>[] = [
  size('thickness', 'thick', (t) => t.thicknessM * 1000, (t, mm) => ({ ...t, thicknessM: metres(mm) })),
  { id: 'mats', head: 'mats', text: (t) => String(t.mats), read: (t, text) => (text.trim() === '1' || text.trim() === '2' ? { ...t, mats: Number(text) as 1 | 2 } : 'One mat or two.') },
  spaced('upright', 'upright', (t) => t.vertical, (t, v) => (v ? { ...t, vertical: v } : 'A wall needs uprights.')), spaced('level', 'across', (t) => t.horizontal, (t, v) => (v ? { ...t, horizontal: v } : 'A wall needs bars across.')),
  size('inside', 'cover inside', (t) => t.coverInsideMm, (t, mm) => ({ ...t, coverInsideMm: mm })),
  { id: 'ledge', head: 'ledge', text: (t, u) => (t.ledge ? `${lengthText(t.ledge.widthM * 1000, u)} × ${lengthText(t.ledge.heightM * 1000, u)}` : 'none'), read: (t, text, u) => { const ledge = ledgeFromText(text, u); return typeof ledge === 'string' ? ledge : { ...t, ledge }; } },
];

/** The schedule: every type a row at one scale, changed cell by cell, or brought in from a spreadsheet. */
export function SchedulePanel({ currentMark }: { currentMark: string | null }) {
  const v = usePour();
  const plan = usePlan();
  const { account } = useSession();
  const { set } = useFocus();
  const { footingTypes, wallTypes } = v.record.site;
  return (
    <>
      {footingTypes.length > 0 && <TypeTable title="Footings" list="footingTypes" cells={FOOTING} types={footingTypes} currentMark={currentMark} />}
      {wallTypes.length > 0 && <TypeTable title="Walls" list="wallTypes" cells={WALL} types={wallTypes} currentMark={currentMark} />}
      {footingTypes.length + wallTypes.length === 0 && <p>No types yet. Bring the schedule in from a spreadsheet.</p>}
      {account.role === 'foreman' && <div className="flex flex-wrap gap-2"><button type="button" className="btn line" onClick={() => { plan.start(); set({ sheet: 'import' }); }}>Paste or bring in a file</button>{!plan.on && <button type="button" className="chip" onClick={plan.start}>Change cells</button>}{plan.on && <NewType />}</div>}
    </>
  );
}

/** A type like the last one, under a free mark. */
function NewType() {
  const { plan, apply } = usePlan();
  if (!plan) return null;
  const free = (stem: string, taken: { mark: string }[]) => { for (let i = 1; ; i += 1) if (!taken.some((t) => t.mark === `${stem}${i}`)) return `${stem}${i}`; };
  const all = [...plan.footingTypes, ...plan.wallTypes];
  const footing = plan.footingTypes.at(-1) ?? footingTypeSchema.parse({ mark: 'F1', widthM: 0.6, depthM: 0.3, continuous: { bar: '#5', count: 2 }, transverse: null, coverBottomMm: 75, coverSideMm: 75, coverTopMm: 50 });
  const wall = plan.wallTypes.at(-1) ?? wallTypeSchema.parse({ mark: 'W1', thicknessM: 0.2, mats: 1, vertical: { bar: '#4', spacingM: 0.4 }, horizontal: { bar: '#4', spacingM: 0.4 }, coverInsideMm: 40, coverOutsideMm: 50 });
  return <><button type="button" className="chip" onClick={() => { apply({ do: 'putType', list: 'footingTypes', type: { ...footing, mark: free('F', all) } }); }}>+ footing type</button><button type="button" className="chip" onClick={() => { apply({ do: 'putType', list: 'wallTypes', type: { ...wall, mark: free('W', all) } }); }}>+ wall type</button></>;
}

const features = tableFeatures({});

function TypeTable<Type extends FootingType | WallType>({ title, list, cells, types, currentMark }: { title: string; list: 'footingTypes' | 'wallTypes'; cells: Cell<Type>[]; types: Type[]; currentMark: string | null }) {
  const v = usePour();
  const plan = usePlan();
  const { set } = useFocus();
  const { runs } = v.record.site;
  const own = v.record.pour.elements;
  const data = useMemo(() => { const mine = new Set(own); return types.map((type): Row<Type> => ({ type, runs: runs.filter((r) => r.type === type.mark && mine.has(r.id)).map((r) => r.id) })); }, [types, runs, own]);
  const columns = useMemo(() => {
    const helper = createColumnHelper<typeof features, Row<Type>>();
    return helper.columns([helper.accessor((r) => r.type.mark, { id: 'mark', header: title }), ...cells.map((c) => helper.accessor((r) => c.text(r.type, v.units), { id: c.id, header: c.head })), helper.accessor((r) => r.runs.length, { id: 'here', header: 'here' })]);
  }, [cells, title, v.units]);
  const table = useTable({ features, data, columns });
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={`Schedule of ${title.toLowerCase()}`}>
      <table className="w-full text-left tnum">
        <thead>{table.getHeaderGroups().map((g) => <tr key={g.id} className="border-b-2 border-ink">{g.headers.map((h) => <th key={h.id} className={h.id === 'mark' ? 'head py-1 pr-2' : 'pr-2 font-normal text-ink2'}>{String(h.column.columnDef.header)}</th>)}</tr>)}</thead>
        <tbody className="rows">
          {table.getRowModel().rows.map(({ original: r, id }) => (
            <tr key={id} className={r.type.mark === currentMark ? 'bg-ink text-ground' : ''}>
              <th className="py-1.5 pl-1 pr-3"><button type="button" className="flex min-h-10 items-center gap-2 text-left font-semibold" onClick={() => { if (r.runs[0]) set({ run: r.runs[0] }); }}>{r.type.mark}<TypeThumb type={r.type} all={types} dark={r.type.mark === currentMark} /></button></th>
              {cells.map((c) => <td key={c.id} className="whitespace-nowrap pr-2">{plan.on ? <CellField label={`${r.type.mark} ${c.head}`} value={c.text(r.type, v.units)} onCommit={(text) => { const next = c.read(r.type, text, v.units); return typeof next === 'string' ? next : plan.apply({ do: 'putType', list, type: next }) ? null : ''; }} /> : <T>{c.text(r.type, v.units)}</T>}</td>)}
              <td className="whitespace-nowrap pr-1 text-right">{r.runs.length ? r.runs.length : plan.on && !runs.some((x) => x.type === r.type.mark) ? <button type="button" className="font-semibold text-chalk-t" onClick={() => { plan.apply({ do: 'removeType', mark: r.type.mark }); }}>remove</button> : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
