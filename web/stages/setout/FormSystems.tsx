import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { FormSystem } from '#core/model';
import { freeName, nextForms } from '#core/siteplan';
import type { Quantity } from '#core/units';
import { formSystemText } from '#core/words';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { T } from '../../ui/Text.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import { CellField } from './CellField.tsx';

/** The form systems of the site, each as its maker describes it, and the one the walls of this pour stand in. */
export function FormSystems() {
  const { record, units } = usePour();
  const { on, plan, apply } = usePlan();
  const [open, setOpen] = useState<string | null>(null);
  const systems = (plan ?? record.site).formSystems;
  const { code } = record.pour;
  const used = plan ? plan.pours.find((p) => p.code === code)?.forms : record.pour.forms;
  if (!on && systems.length === 0) return null;
  const add = () => {
    const mark = freeName(
      'A',
      systems.map((f) => f.mark),
    );
    if (apply({ do: 'putForms', system: nextForms({ formSystems: systems }, units, mark) }))
      setOpen(mark);
  };
  return (
    <section aria-label="Forms">
      <h2 className="head border-b-2 border-ink py-1">Forms</h2>
      <div className="rows">
        {systems.map((f) => (
          <div key={f.mark} className="py-2" data-forms={f.mark}>
            <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
              <span className="min-w-0 flex-1">
                <b className="font-semibold">{f.mark}</b> {f.label}
              </span>
              {on ? (
                <button
                  type="button"
                  className="chip"
                  aria-pressed={f.mark === used}
                  onClick={() => {
                    apply({ do: 'setForms', pour: code, forms: f.mark === used ? null : f.mark });
                  }}
                >
                  {code} stands in these
                </button>
              ) : (
                f.mark === used && (
                  <span className="bg-ink px-2 py-0.5 font-semibold text-ground">
                    {code} stands in these
                  </span>
                )
              )}
              {on && (
                <button
                  type="button"
                  className="chip"
                  aria-expanded={open === f.mark}
                  aria-label={`Change ${f.mark}`}
                  onClick={() => {
                    setOpen(open === f.mark ? null : f.mark);
                  }}
                >
                  Change
                </button>
              )}
              {on && f.mark !== used && (
                <button
                  type="button"
                  className="flex h-12 w-12 items-center justify-center text-chalk-t"
                  aria-label={`Remove ${f.mark}`}
                  onClick={() => {
                    apply({ do: 'removeForms', mark: f.mark });
                  }}
                >
                  <Trash2 size={18} />
                </button>
              )}
            </div>
            <p className="text-ink2">
              <T>{formSystemText(f, units)}</T>
            </p>
            {on && open === f.mark && <FormFields system={f} />}
          </div>
        ))}
      </div>
      {on && (
        <button type="button" className="chip mt-1" onClick={add}>
          <Plus size={16} aria-hidden="true" />
          forms
        </button>
      )}
    </section>
  );
}

/** Sizes to begin with until the maker’s own are typed: a foam course and its foam, the height of a panel. */
const FIRST_COURSE_M = 0.4064;
const FIRST_FOAM_MM = 66.7;
const FIRST_PANEL_M = 2.4384;

const WORKED: [FormSystem['consolidation'], string][] = [
  ['vibrator', 'vibrator'],
  ['smallVibrator', 'small vibrator'],
  ['rod', 'rod or saw'],
  ['hammer', 'hammer'],
];

/** Panels or foam, and how the concrete is worked in them. */
function FormKind({
  system: f,
  set,
}: {
  system: FormSystem;
  set: (c: Partial<FormSystem>) => boolean;
}) {
  const { units } = usePour();
  const toFoam = () =>
    set({
      kind: 'foam',
      tiesPerJoint: 0,
      walers: 0,
      courseM: f.courseM ?? FIRST_COURSE_M,
      foamMm: f.foamMm ?? FIRST_FOAM_MM,
      greatestLiftM: f.greatestLiftM ?? FIRST_LIFT_M,
      consolidation: 'smallVibrator',
    });
  return (
    <>
      <div className="flex flex-wrap gap-2" role="group" aria-label="Kind">
        <button
          type="button"
          className="chip"
          aria-pressed={f.kind === 'panels'}
          onClick={() => {
            set({ kind: 'panels', tiesPerJoint: Math.max(2, f.tiesPerJoint) });
          }}
        >
          panels
        </button>
        <button type="button" className="chip" aria-pressed={f.kind === 'foam'} onClick={toFoam}>
          foam that stays
        </button>
      </div>
      <div className="flex flex-wrap gap-2" role="group" aria-label="Worked with">
        {WORKED.map(([consolidation, word]) => (
          <button
            key={consolidation}
            type="button"
            className="chip"
            aria-pressed={f.consolidation === consolidation}
            onClick={() => {
              set({ consolidation });
            }}
          >
            {word}
          </button>
        ))}
      </div>
      {(f.consolidation === 'vibrator' || f.consolidation === 'smallVibrator') && (
        <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
          <TypedField
            label="Vibrator’s head"
            quantity="Mm"
            units={units}
            value={f.vibratorHeadMm ?? (f.consolidation === 'vibrator' ? 38.1 : 25.4)}
            onCommit={(vibratorHeadMm) => set({ vibratorHeadMm })}
          />
          <TypedField
            label="Vibrated at a time, deep"
            quantity="M"
            units={units}
            value={f.vibratedM ?? 0.5}
            onCommit={(vibratedM) => set({ vibratedM })}
          />
        </div>
      )}
    </>
  );
}

/** What a lift often is until the maker’s own is typed, m (4 ft). */
const FIRST_LIFT_M = 1.2192;

/** What the maker says of one system: pressure, panels, ties, walers and braces. */
function FormFields({ system: f }: { system: FormSystem }) {
  const { units } = usePour();
  const { apply } = usePlan();
  // Of the plan as it stands: another field may have been changed a moment ago.
  const change = (of: (is: FormSystem) => Partial<FormSystem>) =>
    apply((now) => {
      const is = now.formSystems.find((x) => x.mark === f.mark) ?? f;
      return { do: 'putForms', system: { ...is, ...of(is) } };
    });
  const set = (c: Partial<FormSystem>) => change(() => c);
  const braced = (c: Partial<NonNullable<FormSystem['brace']>>) =>
    change((is) => ({ brace: is.brace && { ...is.brace, ...c } }));
  const field = (
    label: string,
    quantity: Quantity,
    value: number,
    change: (n: number) => boolean,
  ) => (
    <TypedField label={label} quantity={quantity} units={units} value={value} onCommit={change} />
  );
  const { brace } = f;
  const foam = f.kind === 'foam';
  return (
    <div className="flex flex-col gap-2 border-b-2 border-press pb-3 pt-2">
      <label>
        What they are
        <span className="mt-0.5 block [&>input]:w-full">
          <CellField
            label={`What ${f.mark} is`}
            value={f.label ?? ''}
            onCommit={(t) => (set({ label: t.trim().slice(0, 80) || undefined }) ? null : '')}
          />
        </span>
      </label>
      <FormKind system={f} set={set} />
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        {field('Holds', 'KPa', f.ratingKPa, (ratingKPa) => set({ ratingKPa }))}
        {field(foam ? 'Blocks long' : 'Panels wide', 'M', f.panelWidthM, (panelWidthM) =>
          set({ panelWidthM }),
        )}
        {foam &&
          field('Courses high', 'M', f.courseM ?? FIRST_COURSE_M, (courseM) => set({ courseM }))}
        {foam && field('Foam thick', 'Mm', f.foamMm ?? FIRST_FOAM_MM, (foamMm) => set({ foamMm }))}
        {!foam &&
          field('Ties a joint', 'Count', f.tiesPerJoint, (tiesPerJoint) => set({ tiesPerJoint }))}
        {!foam && field('Walers', 'Count', f.walers, (walers) => set({ walers }))}
        {!foam &&
          field('Counted for, high', 'M', f.panelHeightM ?? FIRST_PANEL_M, (panelHeightM) =>
            set({ panelHeightM }),
          )}
      </div>
      <div className="flex flex-wrap items-end gap-2" role="group" aria-label="Lifts">
        <button
          type="button"
          className="chip"
          aria-pressed={f.greatestLiftM !== undefined}
          onClick={() => {
            set({ greatestLiftM: f.greatestLiftM === undefined ? FIRST_LIFT_M : undefined });
          }}
        >
          a greatest lift
        </button>
        {f.greatestLiftM !== undefined &&
          field('Lifts up to', 'M', f.greatestLiftM, (greatestLiftM) => set({ greatestLiftM }))}
      </div>
      <div className="flex flex-wrap gap-2" role="group" aria-label="Braces">
        <button
          type="button"
          className="chip"
          aria-pressed={brace !== null}
          onClick={() => {
            set({ brace: brace ? null : nextForms({ formSystems: [] }, units, f.mark).brace });
          }}
        >
          braces
        </button>
        {brace && (
          <button
            type="button"
            className="chip"
            aria-pressed={brace.pushOnly}
            onClick={() => {
              braced({ pushOnly: !brace.pushOnly });
            }}
          >
            they only push
          </button>
        )}
      </div>
      {brace && (
        <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
          {field('One every', 'M', brace.spacingM, (spacingM) => braced({ spacingM }))}
          {field('Held at', 'M', brace.attachM, (attachM) => braced({ attachM }))}
          {field('Angle', 'Deg', brace.angleDeg, (angleDeg) => braced({ angleDeg }))}
          {field('A turn is', 'Mm', brace.pitchMmPerTurn, (pitchMmPerTurn) =>
            braced({ pitchMmPerTurn }),
          )}
        </div>
      )}
      <p className="text-ink2">
        Pressure, ties and braces are the maker’s. Where the manual and this differ, the manual
        rules.
      </p>
    </div>
  );
}
