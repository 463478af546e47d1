import { freeName, nextFootingType, nextWallType } from '#core/siteplan';
import { createColumnHelper, tableFeatures, useTable } from '@tanstack/react-table';
import { useMemo } from 'react';
import type { FootingType, WallType } from '#core/model';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';
import { TypeThumb } from '../../drawing/TypeThumb.tsx';
import { T } from '../../ui/Text.tsx';
import { CellField } from './CellField.tsx';
import { FormSystems } from './FormSystems.tsx';
import { type Cell, FOOTING, FOOTING_MORE, WALL, WALL_MORE } from './schedule-cells.ts';
import { UsualNotice } from './UsualNotice.tsx';
import { useMayChange } from './useMayChange.ts';

/** While cells are changed all of them stand there. */
const ALL_FOOTING = [...FOOTING, ...FOOTING_MORE];
const ALL_WALL = [...WALL, ...WALL_MORE];

interface Row<Type> {
  type: Type;
  runs: string[];
}

/** The schedule: every type a row at one scale, changed cell by cell, or brought in from a spreadsheet. */
export function SchedulePanel({ currentMark }: { currentMark: string | null }) {
  const v = usePour();
  const plan = usePlan();
  const mayChange = useMayChange();
  const set = useSetFocus();
  const { footingTypes, wallTypes } = v.record.site;
  return (
    <>
      <UsualNotice />
      {footingTypes.length > 0 && (
        <TypeTable
          title="Footings"
          list="footingTypes"
          cells={plan.on ? ALL_FOOTING : FOOTING}
          types={footingTypes}
          currentMark={currentMark}
        />
      )}
      {wallTypes.length > 0 && (
        <TypeTable
          title="Walls"
          list="wallTypes"
          cells={plan.on ? ALL_WALL : WALL}
          types={wallTypes}
          currentMark={currentMark}
        />
      )}
      {footingTypes.length + wallTypes.length === 0 && (
        <p>No types yet. Bring the schedule in from a spreadsheet.</p>
      )}
      <FormSystems />
      {mayChange && (
        <div className="flex flex-wrap gap-2">
          <button
            type="button"
            className="btn line"
            onClick={() => {
              plan.start();
              set({ sheet: 'import' });
            }}
          >
            Paste or bring in a file
          </button>
          {!plan.on && (
            <button type="button" className="chip" disabled={plan.opening} onClick={plan.start}>
              Change cells
            </button>
          )}
          {plan.on && <NewType />}
        </div>
      )}
    </>
  );
}

/** A type like the last one, under a free mark. */
function NewType() {
  const { units } = usePour();
  const { plan, apply } = usePlan();
  if (!plan) return null;
  const marks = [...plan.footingTypes, ...plan.wallTypes].map((t) => t.mark);
  return (
    <>
      <button
        type="button"
        className="chip"
        onClick={() => {
          apply({
            do: 'putType',
            list: 'footingTypes',
            type: nextFootingType(plan, units, freeName('F', marks)),
          });
        }}
      >
        + footing type
      </button>
      <button
        type="button"
        className="chip"
        onClick={() => {
          apply({
            do: 'putType',
            list: 'wallTypes',
            type: nextWallType(plan, units, freeName('W', marks)),
          });
        }}
      >
        + wall type
      </button>
    </>
  );
}

const features = tableFeatures({});

function TypeTable<Type extends FootingType | WallType>({
  title,
  list,
  cells,
  types,
  currentMark,
}: {
  title: string;
  list: 'footingTypes' | 'wallTypes';
  cells: Cell<Type>[];
  types: Type[];
  currentMark: string | null;
}) {
  const v = usePour();
  const plan = usePlan();
  const set = useSetFocus();
  const { runs } = v.record.site;
  const own = v.record.pour.elements;
  const data = useMemo(() => {
    const mine = new Set(own);
    return types.map((type): Row<Type> => ({
      type,
      runs: runs.filter((r) => r.type === type.mark && mine.has(r.id)).map((r) => r.id),
    }));
  }, [types, runs, own]);
  const columns = useMemo(() => {
    const helper = createColumnHelper<typeof features, Row<Type>>();
    return helper.columns([
      helper.accessor((r) => r.type.mark, { id: 'mark', header: title }),
      ...cells.map((c) =>
        helper.accessor((r) => c.text(r.type, v.units), { id: c.id, header: c.head }),
      ),
      helper.accessor((r) => r.runs.length, { id: 'here', header: 'here' }),
    ]);
  }, [cells, title, v.units]);
  const table = useTable({ features, data, columns });
  return (
    <div
      className="overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label={`Schedule of ${title.toLowerCase()}`}
    >
      <table className="w-full text-left tnum">
        <thead>
          {table.getHeaderGroups().map((g) => (
            <tr key={g.id} className="border-b-2 border-ink">
              {g.headers.map((h) => (
                <th
                  key={h.id}
                  className={h.id === 'mark' ? 'head py-1 pr-2' : 'pr-2 font-normal text-ink2'}
                >
                  {String(h.column.columnDef.header)}
                </th>
              ))}
            </tr>
          ))}
        </thead>
        <tbody className="rows">
          {table.getRowModel().rows.map(({ original: r, id }) => (
            <tr key={id} className={r.type.mark === currentMark ? 'bg-ink text-ground' : ''}>
              <th className="py-1.5 pl-1 pr-3">
                <button
                  type="button"
                  className="flex min-h-10 items-center gap-2 text-left font-semibold"
                  onClick={() => {
                    if (r.runs[0]) set({ run: r.runs[0] });
                  }}
                >
                  {r.type.mark}
                  <TypeThumb type={r.type} all={types} dark={r.type.mark === currentMark} />
                </button>
              </th>
              {cells.map((c) => (
                <td key={c.id} className="whitespace-nowrap pr-2">
                  {plan.on ? (
                    <CellField
                      label={`${r.type.mark} ${c.head}`}
                      value={c.text(r.type, v.units)}
                      onCommit={(text) => {
                        const why = c.read(r.type, text, v.units);
                        if (typeof why === 'string') return why;
                        // Of the plan as it stands: another cell may have been changed a moment ago.
                        const put = plan.apply((now) => {
                          const is = (now[list] as Type[]).find((t) => t.mark === r.type.mark);
                          const type = c.read(is ?? r.type, text, v.units);
                          return typeof type === 'string' ? null : { do: 'putType', list, type };
                        });
                        return put ? null : '';
                      }}
                    />
                  ) : (
                    <T>{c.text(r.type, v.units)}</T>
                  )}
                </td>
              ))}
              <td className="whitespace-nowrap pr-1 text-right">
                {r.runs.length > 0 && r.runs.length}
                {plan.on && !runs.some((x) => x.type === r.type.mark) && (
                  <button
                    type="button"
                    className="font-semibold text-chalk-t"
                    onClick={() => {
                      plan.apply({ do: 'removeType', mark: r.type.mark });
                    }}
                  >
                    remove
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
