import { typesByElement } from '../../../core/model/elements.ts';
import { Fragment, memo, useMemo, useState } from 'react';
import { resultOf } from '../../../core/kit/calculation.ts';
import { rebarTakeoff, type RebarRow } from '../../../core/steel/rebar-takeoff.ts';
import { materialsOf } from '../../../core/takeoff/materials.ts';
import { area, barText, distanceText, mass, textOf, volume } from '../../../core/units/index.ts';
import { orderOrigin, takeoffOrigin } from '../../app/origins.ts';
import { usePour, type PourView } from '../../app/pour-context.tsx';
import { useStable } from '../../app/useStable.ts';
import { Big, T } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';

export const ROLE: Record<RebarRow['role'], string> = {
  along: 'along',
  top: 'along, top',
  across: 'across',
  vertical: 'up',
  horizontal: 'across',
  eachWay: 'each way',
  tie: 'ties',
};

/** Bars of the site, worked out once a site. */
export function useBars(): RebarRow[] {
  const { record, rules, mix } = usePour();
  const stockLengthM = rules.value('barStock');
  const fyMPa = rules.value('barGrade');
  const { fcMPa } = mix;
  return useMemo(
    () => resultOf(rebarTakeoff, { site: record.site, stockLengthM, fcMPa, fyMPa }).rows,
    [record.site, stockLengthM, fcMPa, fyMPa],
  );
}

/** More runs than this are shown by type first. */
const MANY = 12;
const sum = (rows: Row[], field: 'lengthM' | 'formM2' | 'concreteM3'): number =>
  rows.reduce((s, e) => s + e[field], 0);

type Row = PourView['plan']['route']['takeoff']['elements'][number];
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

/** Length, forms, concrete and bars by run, and what the order comes to. */
export function TakeoffTable({
  selected,
  onSelect,
}: {
  selected: string | null;
  onSelect: (id: string) => void;
}) {
  const v = usePour();
  const bars = useBars();
  const pick = useStable(onSelect);
  const byRun = useMemo(() => {
    const map = new Map<string, RebarRow[]>();
    for (const b of bars) map.set(b.elementId, [...(map.get(b.elementId) ?? []), b]);
    return map;
  }, [bars]);
  const barWords = (id: string) =>
    (byRun.get(id) ?? [])
      .map((b) => `${b.count} × ${barText(b.bar)} ${ROLE[b.role]}`)
      .slice(0, 2)
      .join(', ');
  const chairs = useMemo(() => {
    const map = new Map<string, number>();
    for (const m of materialsOf(v.record.site, v.record.pour))
      if (m.item === 'chairs') map.set(m.elementId, (map.get(m.elementId) ?? 0) + m.amount);
    return map;
  }, [v.record.site, v.record.pour]);
  // Walls stand on none: the column is there where something does.
  const seated = chairs.size > 0;
  // By type where there are many runs: a press opens the runs of one.
  const [open, setOpen] = useState<string | null>(null);
  const { record } = v;
  const { elements } = v.plan.route.takeoff;
  const { own, types, groups, all } = useMemo(() => {
    const mine = new Set(record.pour.elements);
    const own = elements.filter((e) => mine.has(e.id));
    const types = typesByElement(record.site);
    const massOf = (rows: Row[]) =>
      rows.reduce((n, e) => n + (byRun.get(e.id) ?? []).reduce((m, b) => m + b.massKg, 0), 0);
    const group = (type: string, rows: Row[]) => ({
      type,
      rows,
      lengthM: sum(rows, 'lengthM'),
      formM2: sum(rows, 'formM2'),
      concreteM3: sum(rows, 'concreteM3'),
      massKg: massOf(rows),
      chairs: rows.reduce((n, e) => n + (chairs.get(e.id) ?? 0), 0),
    });
    const byType = new Map<string, Row[]>();
    for (const e of own) {
      const type = types.get(e.id) ?? '';
      const rows = byType.get(type);
      if (rows) rows.push(e);
      else byType.set(type, [e]);
    }
    return {
      own,
      types,
      groups:
        own.length > MANY
          ? [...byType]
              .sort(([a], [b]) => (a < b ? -1 : 1))
              .map(([type, rows]) => group(type, rows))
          : [group('', own)],
      all: group('', own),
    };
  }, [record, elements, byRun, chairs]);
  const grouped = own.length > MANY;
  return (
    <div
      className="max-h-[42%] overflow-auto px-4 pb-3"
      tabIndex={0}
      role="region"
      aria-label="Take-off"
    >
      <table className="w-full text-right tnum">
        <thead className="sticky top-0 bg-ground">
          <tr className="border-y-2 border-ink">
            <th className="head py-1 text-left">Take-off, {v.record.pour.code}</th>
            <th className="font-normal text-ink2">length</th>
            <th className="font-normal text-ink2">forms</th>
            <th className="font-normal text-ink2">concrete</th>
            <th className="font-normal text-ink2">bars</th>
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
      <p className="flex items-end justify-between gap-4 pt-2">
        <span>
          Neat {textOf(volume(v.plan.route.volumeM3, v.units))}. With{' '}
          {Math.round(v.record.pour.settings.wasteRatio * 100)} in 100 for waste and{' '}
          {textOf(volume(v.record.pour.settings.leftBehindM3, v.units, 1))} in the hose:
        </span>
        <FigureWithWorking name="what is needed" {...orderOrigin(v)}>
          <Big figure={volume(v.plan.order.result.meanM3, v.units, 1)} size={32} />
        </FigureWithWorking>
      </p>
    </div>
  );
}
