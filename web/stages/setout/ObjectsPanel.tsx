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
import { anchorAt, type Drawn, freeName, openingAt, type PlanEdit } from '#core/siteplan';
import type { Quantity, UnitSystem } from '#core/units';
import { useSite } from '../../app/site-context.tsx';
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

/** Puts one of a kind in the middle of a run, pad or pier, under a free name. */
function putIn(
  plan: Drawn,
  {
    what,
    elementId,
    run,
    middle,
    units,
  }: {
    what: string;
    elementId: string;
    run: Run | undefined;
    middle: number;
    units: UnitSystem;
  },
): PlanEdit {
  const taken = [...plan.anchors, ...plan.embeds, ...plan.plates].map((x) => x.id);
  if ((OPENINGS as string[]).includes(what) && run) {
    const opening = openingAt(run, what as Opening['kind'], middle);
    return { do: 'putOpening', id: run.id, index: null, opening };
  }
  if (what in ANCHORS) {
    const kind = what as Anchor['kind'];
    const id = freeName(ANCHOR_PREFIX[kind] ?? `B-${elementId}-`, taken);
    return { do: 'put', list: 'anchors', item: anchorAt(plan, units, kind, id, elementId, middle) };
  }
  if (what === 'plate' && run) {
    const id = freeName(`PL-${elementId}-`, taken);
    const item = { id, elementId, fromM: 0, toM: lengthOf(plan, run), offsetM: 0, single: false };
    return { do: 'put', list: 'plates', item };
  }
  const item = { id: freeName('E', taken), elementId, kind: what as Embed['kind'], atM: middle };
  return { do: 'put', list: 'embeds', item };
}

/** What stands in, on or against a run, pad or pier, each at its measured place. */
export function ObjectsPanel({ elementId }: { elementId: string }) {
  const { plan, apply } = usePlan();
  const { units } = useSite();
  const [open, setOpen] = useState<string | null>(null);
  if (!plan) return null;
  const run = plan.runs.find((r) => r.id === elementId);
  const pad = plan.pads.find((p) => p.id === elementId);
  const pier = plan.piers.find((p) => p.id === elementId);
  const wall = run?.kind === 'wall';
  const middle = run ? lengthOf(plan, run) / 2 : (pad?.widthM ?? (pier ? pierWidthM(pier) : 1)) / 2;
  // Of the plan as it stands: the name of one put in a moment ago is taken.
  const add = (what: string) => apply((now) => putIn(now, { what, elementId, run, middle, units }));
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
      <ObjectRows run={run} row={row} field={field} elementId={elementId} />
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
}) {
  const { apply, plan } = usePlan();
  if (!plan) return null;
  const plate = (id: string, change: Partial<Plate>) =>
    apply({ do: 'change', list: 'plates', id, change });
  const anchor = (id: string, change: Partial<Anchor>) =>
    apply({ do: 'change', list: 'anchors', id, change });
  const embed = (id: string, change: Partial<Embed>) =>
    apply({ do: 'change', list: 'embeds', id, change });
  return (
    <div className="rows border-t border-hair">
      {run?.openings.map((o, i) => {
        const seen = { index: i, opening: o };
        const set = (change: Partial<Opening>) =>
          apply({ do: 'changeOpening', id: run.id, seen, change });
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
          () => apply({ do: 'removeOpening', id: run.id, seen }),
        );
      })}
      {plan.plates
        .filter((p) => p.elementId === elementId)
        .map((p) =>
          row(
            p.id,
            `plate ${p.id}`,
            [
              field('from', 'M', p.fromM, (n) => plate(p.id, { fromM: n })),
              field('to', 'M', p.toM, (n) => plate(p.id, { toM: n })),
              field('off the line', 'M', p.offsetM, (n) => plate(p.id, { offsetM: n })),
              field('wide', 'Mm', p.widthMm ?? null, (n) => plate(p.id, { widthMm: n })),
            ],
            () => apply({ do: 'remove', list: 'plates', id: p.id }),
            plateFlags(p, (change) => plate(p.id, change)),
          ),
        )}
      {plan.anchors
        .filter((a) => a.elementId === elementId)
        .map((a) =>
          row(
            a.id,
            `${ANCHORS[a.kind]} ${a.id}`,
            [
              field('at', 'M', a.atM, (n) => anchor(a.id, { atM: n })),
              field('across', 'M', a.acrossM ?? 0, (n) => anchor(a.id, { acrossM: n })),
              field('size', 'Mm', a.diameterMm, (n) => anchor(a.id, { diameterMm: n })),
              field('in', 'Mm', a.embedmentMm, (n) => anchor(a.id, { embedmentMm: n })),
              field('out', 'Mm', a.projectionMm, (n) => anchor(a.id, { projectionMm: n })),
            ],
            () => apply({ do: 'remove', list: 'anchors', id: a.id }),
            anchorFlags(a, (change) => anchor(a.id, change)),
          ),
        )}
      {plan.embeds
        .filter((e) => e.elementId === elementId)
        .map((e) =>
          row(
            e.id,
            `${NAMES[e.kind] ?? e.kind} ${e.id}`,
            [
              field('at', 'M', e.atM, (n) => embed(e.id, { atM: n })),
              field('to', 'M', e.toM ?? null, (n) => embed(e.id, { toM: n })),
              field('up', 'M', e.upM ?? null, (n) => embed(e.id, { upM: n })),
            ],
            () => apply({ do: 'remove', list: 'embeds', id: e.id }),
          ),
        )}
    </div>
  );
}
