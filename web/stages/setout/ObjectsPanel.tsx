import { Plus } from 'lucide-react';
import { useState, type JSX } from 'react';
import {
  type Anchor,
  type Embed,
  EMBED_KINDS,
  lengthOf,
  type Opening,
  pierWidthM,
  type Plate,
  type Run,
} from '#core/model';
import { anchorAt, freeName, openingAt } from '#core/siteplan';
import type { Quantity } from '#core/units';
import { usePlan } from '../../app/pour-context.tsx';
import { PadForm } from './StandForms.tsx';
import { anchorFlags, type Flag, plateFlags, pocketDepth } from './object-flags.ts';
import { type Field, ObjectRow } from './ObjectRow.tsx';
import { PierForm } from './PierForm.tsx';

const OPENINGS: Opening['kind'][] = ['window', 'door', 'pocket', 'sleeve'];
const ANCHORS: Record<Anchor['kind'], string> = {
  bolt: 'bolt',
  holdDown: 'hold-down',
  dowel: 'dowel',
};

const ANCHOR_PREFIX: Partial<Record<Anchor['kind'], string>> = { holdDown: 'HD', dowel: 'DW' };
/** Kinds whose name is not their word. */
const NAMES: Partial<Record<string, string>> = {
  holdDown: 'hold-down',
  insertPlate: 'insert plate',
};

/** A row of what is there. */
type Row = (
  key: string,
  name: string,
  fields: Field[],
  remove: () => void,
  flags?: Flag[],
) => JSX.Element;

/** What stands in, on or against a run, pad or pier, each at its measured place. */
export function ObjectsPanel({ elementId }: { elementId: string }) {
  const { plan, apply } = usePlan();
  const [open, setOpen] = useState<string | null>(null);
  if (!plan) return null;
  const run = plan.runs.find((r) => r.id === elementId);
  const pad = plan.pads.find((p) => p.id === elementId);
  const pier = plan.piers.find((p) => p.id === elementId);
  const wall = run?.kind === 'wall';
  const middle = run ? lengthOf(plan, run) / 2 : (pad?.widthM ?? (pier ? pierWidthM(pier) : 1)) / 2;
  const names = [...plan.anchors, ...plan.embeds, ...plan.plates].map((x) => x.id);
  const put = (list: 'anchors' | 'embeds' | 'plates', item: Anchor | Embed | Plate) =>
    apply({ do: 'put', list, item });
  const add = (what: string) => {
    if ((OPENINGS as string[]).includes(what) && run) {
      const kind = what as Opening['kind'];
      apply({ do: 'putOpening', id: run.id, index: null, opening: openingAt(run, kind, middle) });
    } else if (what in ANCHORS) {
      const kind = what as Anchor['kind'];
      put(
        'anchors',
        anchorAt(
          plan,
          kind,
          freeName(ANCHOR_PREFIX[kind] ?? `B-${elementId}-`, names),
          elementId,
          middle,
        ),
      );
    } else if (what === 'plate' && run)
      put('plates', {
        id: freeName(`PL-${elementId}-`, names),
        elementId,
        fromM: 0,
        toM: lengthOf(plan, run),
        offsetM: 0,
        single: false,
      });
    else
      put('embeds', {
        id: freeName('E', names),
        elementId,
        kind: what as Embed['kind'],
        atM: middle,
      });
  };
  const choices = [
    ...(wall ? [...OPENINGS, 'plate'] : []),
    ...Object.keys(ANCHORS),
    ...EMBED_KINDS,
  ];
  const row: Row = (key, name, fields, remove, flags = []) => (
    <ObjectRow
      key={key}
      name={name}
      fields={fields}
      flags={flags}
      open={open === key}
      onOpen={() => {
        setOpen(open === key ? null : key);
      }}
      remove={remove}
    />
  );
  const field = (
    label: string,
    quantity: Quantity,
    value: number | null,
    set: (n: number) => boolean,
  ): Field => ({ label, quantity, value, set });
  return (
    <section aria-label={`Objects on ${elementId}`} className="flex flex-col gap-1">
      {pad && <PadForm pad={pad} />}
      {pier && <PierForm pier={pier} />}
      <ObjectRows run={run} row={row} field={field} elementId={elementId} put={put} />
      <div className="flex flex-wrap gap-2 pt-1" role="group" aria-label="Put in">
        {choices.map((c) => (
          <button
            key={c}
            type="button"
            className="chip"
            onClick={() => {
              add(c);
            }}
          >
            <Plus size={16} aria-hidden="true" />
            {NAMES[c] ?? c}
          </button>
        ))}
      </div>
    </section>
  );
}

/** What is there, row by row. */
function ObjectRows({
  run,
  row,
  field,
  elementId,
  put,
}: {
  run: Run | undefined;
  row: Row;
  field: (
    label: string,
    quantity: Quantity,
    value: number | null,
    set: (n: number) => boolean,
  ) => Field;
  elementId: string;
  put: (list: 'anchors' | 'embeds' | 'plates', item: Anchor | Embed | Plate) => boolean;
}) {
  const { apply, plan } = usePlan();
  if (!plan) return null;
  return (
    <div className="rows border-t border-hair">
      {run?.openings.map((o, i) => {
        const set = (c: Partial<Opening>) =>
          apply({ do: 'putOpening', id: run.id, index: i, opening: { ...o, ...c } });
        return row(
          `o${i}`,
          `${o.kind} ${o.mark ?? ''}`,
          [
            field('from its end', 'M', o.atM, (n) => set({ atM: n })),
            field('wide', 'M', o.widthM, (n) => set({ widthM: n })),
            field('sill', 'M', o.sillM, (n) => set({ sillM: n })),
            field('head', 'M', o.headM, (n) => set({ headM: n })),
            ...(o.kind === 'pocket'
              ? [field('deep', 'M', pocketDepth(o), (n) => set({ depthM: n }))]
              : []),
          ],
          () => apply({ do: 'removeOpening', id: run.id, index: i }),
        );
      })}
      {plan.plates
        .filter((p) => p.elementId === elementId)
        .map((p) =>
          row(
            p.id,
            `plate ${p.id}`,
            [
              field('from', 'M', p.fromM, (n) => put('plates', { ...p, fromM: n })),
              field('to', 'M', p.toM, (n) => put('plates', { ...p, toM: n })),
              field('off the line', 'M', p.offsetM, (n) => put('plates', { ...p, offsetM: n })),
              field('wide', 'Mm', p.widthMm ?? null, (n) => put('plates', { ...p, widthMm: n })),
            ],
            () => apply({ do: 'remove', list: 'plates', id: p.id }),
            plateFlags(p, (next) => put('plates', next)),
          ),
        )}
      {plan.anchors
        .filter((a) => a.elementId === elementId)
        .map((a) =>
          row(
            a.id,
            `${ANCHORS[a.kind]} ${a.id}`,
            [
              field('at', 'M', a.atM, (n) => put('anchors', { ...a, atM: n })),
              field('across', 'M', a.acrossM ?? 0, (n) => put('anchors', { ...a, acrossM: n })),
              field('size', 'Mm', a.diameterMm, (n) => put('anchors', { ...a, diameterMm: n })),
              field('in', 'Mm', a.embedmentMm, (n) => put('anchors', { ...a, embedmentMm: n })),
              field('out', 'Mm', a.projectionMm, (n) => put('anchors', { ...a, projectionMm: n })),
            ],
            () => apply({ do: 'remove', list: 'anchors', id: a.id }),
            anchorFlags(a, (next) => put('anchors', next)),
          ),
        )}
      {plan.embeds
        .filter((e) => e.elementId === elementId)
        .map((e) =>
          row(
            e.id,
            `${NAMES[e.kind] ?? e.kind} ${e.id}`,
            [
              field('at', 'M', e.atM, (n) => put('embeds', { ...e, atM: n })),
              field('to', 'M', e.toM ?? null, (n) => put('embeds', { ...e, toM: n })),
              field('up', 'M', e.upM ?? null, (n) => put('embeds', { ...e, upM: n })),
            ],
            () => apply({ do: 'remove', list: 'embeds', id: e.id }),
          ),
        )}
    </div>
  );
}
