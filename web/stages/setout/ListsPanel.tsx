import { Download } from 'lucide-react';
import { useMemo } from 'react';
import { materialsOf } from '#core/takeoff';
import { quantityText } from '#core/units';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import { T } from '../../ui/Text.tsx';
import { BarList } from './BarList.tsx';
import TakeoffTable from './TakeoffTable.tsx';
import { useMayChange } from './useMayChange.ts';

/** Lists to order and build by: materials, bars with their cuts, and the files that go out and come in. */
export function ListsPanel({ selected }: { selected: string }) {
  const v = usePour();
  const plan = usePlan();
  const mayChange = useMayChange();
  const set = useSetFocus();
  const wide = useWide();
  const { site, pour } = v.record;
  const materials = useMemo(() => materialsOf(site, pour), [site, pour]);
  const items = [...new Set(materials.map((m) => m.item))].map((item) => {
    const own = materials.filter((m) => m.item === item);
    return {
      item,
      amount: own.reduce((s, m) => s + m.amount, 0),
      quantity: own[0]?.quantity ?? null,
      basis: own[0]?.basis ?? '',
    };
  });
  const file = (path: string, label: string) => (
    <a className="chip" href={path} download>
      <Download size={18} aria-hidden="true" />
      {label}
    </a>
  );
  const base = `/api/pours/${v.record.id}`;
  return (
    <>
      {!wide && (
        <TakeoffTable
          selected={selected}
          onSelect={(id) => {
            set({ run: id });
          }}
        />
      )}
      <h2 className="head border-b-2 border-ink">To have on site</h2>
      <ul className="rows -mt-3">
        {items.map((m) => (
          <li key={m.item} className="flex items-baseline justify-between gap-3 py-1.5">
            <b className="font-semibold">{m.item}</b>
            <span className="flex-1 text-[14px] text-ink2">{m.basis}</span>
            <span className="tnum whitespace-nowrap font-semibold">
              <T>
                {m.quantity === null
                  ? String(m.amount)
                  : quantityText(m.amount, m.quantity, v.units)}
              </T>
            </span>
          </li>
        ))}
      </ul>
      <BarList />
      <h2 className="head border-b-2 border-ink">Files</h2>
      <div className="-mt-1 flex flex-wrap gap-2">
        {file(`${base}/takeoff.csv`, 'Take-off, CSV')}
        {file(`${base}/rebar.csv`, 'Bars, CSV')}
        {file(`/api/sites/${v.record.siteId}/plan.dxf`, 'Plan, DXF')}
        {file(`/api/sites/${v.record.siteId}/export`, 'Site file')}
        {mayChange && (
          <button
            type="button"
            className="chip"
            onClick={() => {
              plan.start();
              set({ sheet: 'import' });
            }}
          >
            Bring in a file
          </button>
        )}
      </div>
    </>
  );
}
