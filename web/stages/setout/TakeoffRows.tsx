import { memo } from 'react';
import { Fragment } from 'react';
import { area, distanceText, mass, textOf, volume } from '#core/units';
import { takeoffOrigin } from '../../app/origins.ts';
import { usePour } from '../../app/pour-context.tsx';
import type { PourView } from '../../app/pour-view.ts';
import { T } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';
import type { Row, Group } from './takeoff-groups.ts';

/** One run; drawn anew only when it changes or is picked. */
const TakeoffRow = memo(
  function TakeoffRow({
    row: e,
    type,
    bars,
    chairs,
    view: v,
    selected,
    onSelect,
  }: {
    row: Row;
    type: string;
    bars: string;
    chairs: number;
    view: PourView;
    selected: boolean;
    onSelect: (id: string) => void;
  }) {
    return (
      <tr
        className={`cursor-pointer ${selected ? 'bg-ink text-ground' : ''}`}
        onClick={() => {
          onSelect(e.id);
        }}
      >
        <th className="py-1 pl-1 text-left font-semibold">{e.id}</th>
        <td>{e.lengthM ? <T>{distanceText(e.lengthM, v.units)}</T> : type}</td>
        <td>
          <FigureWithWorking name={`the forms of ${e.id}`} {...takeoffOrigin(v, e.id)}>
            {textOf(area(e.formM2, v.units))}
          </FigureWithWorking>
        </td>
        <td className="font-semibold">
          <FigureWithWorking name={`the concrete of ${e.id}`} {...takeoffOrigin(v, e.id)}>
            {textOf(volume(e.concreteM3, v.units))}
          </FigureWithWorking>
        </td>
        <td className="pl-3">{bars}</td>
        {chairs >= 0 && <td className="pl-3 pr-1">{chairs || ''}</td>}
      </tr>
    );
  },
  (a, b) =>
    a.row === b.row &&
    a.type === b.type &&
    a.bars === b.bars &&
    a.chairs === b.chairs &&
    a.selected === b.selected &&
    a.view.record === b.view.record,
);

/** The runs by their types, what each takes, and the sum. */
export function Amounts({
  seated,
  groups,
  grouped,
  open,
  setOpen,
  types,
  barWords,
  chairs,
  selected,
  pick,
  all,
}: {
  seated: boolean;
  groups: Group[];
  grouped: boolean;
  open: string | null;
  setOpen: (type: string | null) => void;
  types: ReadonlyMap<string, string>;
  barWords: (id: string) => string;
  chairs: ReadonlyMap<string, number>;
  selected: string | null;
  pick: (id: string) => void;
  all: Group;
}) {
  const v = usePour();
  return (
    <table className="w-full text-right tnum">
      <thead className="sticky top-0 bg-ground">
        <tr className="border-y-2 border-ink">
          <th className="head py-1 text-left">Take-off, {v.record.pour.code}</th>
          <th className="pl-2 font-normal text-ink2">length</th>
          <th className="pl-2 font-normal text-ink2">forms</th>
          <th className="pl-2 font-normal text-ink2">concrete</th>
          <th className="pl-2 font-normal text-ink2">bars</th>
          {seated && <th className="pl-3 pr-1 font-normal text-ink2">chairs</th>}
        </tr>
      </thead>
      <tbody className="rows">
        {groups.map((g) => (
          <Fragment key={g.type}>
            {grouped && (
              <tr className="font-semibold">
                <th className="py-0 text-left">
                  <button
                    type="button"
                    className="min-h-9 font-semibold text-press"
                    aria-expanded={open === g.type}
                    onClick={() => {
                      setOpen(open === g.type ? null : g.type);
                    }}
                  >
                    {g.type}, {g.rows.length}
                    {g.lengthM > 0 ? ` run${g.rows.length === 1 ? '' : 's'}` : ''}
                  </button>
                </th>
                <td>{g.lengthM > 0 && <T>{distanceText(g.lengthM, v.units)}</T>}</td>
                <td>{textOf(area(g.formM2, v.units))}</td>
                <td>{textOf(volume(g.concreteM3, v.units))}</td>
                <td className="pl-3">{textOf(mass(g.massKg, v.units))}</td>
                {seated && <td className="pl-3 pr-1">{g.chairs || ''}</td>}
              </tr>
            )}
            {(!grouped || open === g.type) &&
              g.rows.map((e) => (
                <TakeoffRow
                  key={e.id}
                  row={e}
                  type={types.get(e.id) ?? ''}
                  bars={barWords(e.id)}
                  chairs={seated ? (chairs.get(e.id) ?? 0) : -1}
                  view={v}
                  selected={e.id === selected}
                  onSelect={pick}
                />
              ))}
          </Fragment>
        ))}
        <tr className="border-t-2! border-ink!">
          <th className="py-1 pl-1 text-left font-semibold">all</th>
          <td>
            <T>{all.lengthM > 0 ? distanceText(all.lengthM, v.units) : ''}</T>
          </td>
          <td>{textOf(area(all.formM2, v.units))}</td>
          <td className="font-semibold">
            <FigureWithWorking name="the concrete" {...takeoffOrigin(v)}>
              {textOf(volume(v.plan.route.volumeM3, v.units))}
            </FigureWithWorking>
          </td>
          <td className="pl-3">{textOf(mass(all.massKg, v.units))} of steel</td>
          {seated && <td className="pl-3 pr-1">{all.chairs}</td>}
        </tr>
      </tbody>
    </table>
  );
}
