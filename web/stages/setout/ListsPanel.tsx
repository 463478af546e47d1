import { Download } from 'lucide-react';
import { useMemo } from 'react';
import { materialsOf } from '../../../core/takeoff/materials.ts';
import { rebarTable } from '../../../core/exchange/tables.ts';
import { mass, quantityText, textOf } from '../../../core/units/index.ts';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';
import { useSetFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import { T } from '../../ui/Text.tsx';
import { TakeoffTable, useBars } from './TakeoffTable.tsx';

/** Lists to order and build by: materials, bars with their cuts, and the files that go out and come in. */
export function ListsPanel({ selected }: { selected: string }) {
  const v = usePour();
  const plan = usePlan();
  const { account } = useSession();
  const set = useSetFocus();
  const wide = useWide();
  const bars = useBars();
  const { site, pour } = v.record;
  const materials = useMemo(() => materialsOf(site, pour), [site, pour]);
  const table = useMemo(() => rebarTable({ site, pour }, v.mix.fcMPa), [site, pour, v.mix.fcMPa]);
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
      <h2 className="head flex justify-between border-b-2 border-ink">
        <span>Bars to cut</span>
        <span className="font-normal">
          {textOf(
            mass(
              bars
                .filter((b) => pour.elements.includes(b.elementId))
                .reduce((s, b) => s + b.massKg, 0),
              v.units,
            ),
          )}
        </span>
      </h2>
      <div
        className="-mt-3 max-h-[300px] overflow-auto"
        tabIndex={0}
        role="region"
        aria-label="Bars to cut"
      >
        <table className="w-full text-left tnum">
          <thead>
            <tr>
              {table.head.map((h) => (
                <th key={h} className="whitespace-nowrap pr-3 font-normal text-ink2">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody className="rows">
            {table.rows.map((r, i) => (
              <tr key={i}>
                {r.map((c, k) => (
                  <td
                    key={k}
                    className={`whitespace-nowrap py-1 pr-3 ${k === 0 ? 'font-semibold' : ''}`}
                  >
                    {c}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <h2 className="head border-b-2 border-ink">Files</h2>
      <div className="-mt-1 flex flex-wrap gap-2">
        {file(`${base}/takeoff.csv`, 'Take-off, CSV')}
        {file(`${base}/rebar.csv`, 'Bars, CSV')}
        {file(`/api/sites/${v.record.siteId}/plan.dxf`, 'Plan, DXF')}
        {file(`/api/sites/${v.record.siteId}/export`, 'Site file')}
        {account.role === 'foreman' && (
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
