import { useFormContext, useController } from 'react-hook-form';
import type { z } from 'zod';
import { correctable, type CorrectableField, kindOf, type LogEvent } from '#core/log';
import { mostLifts } from '#core/pourplan';
import { entryTimeText } from '#core/view';
import { entryText } from '#core/words';
import { EntryForm } from '../../forms/EntryForm.tsx';
import { ChipChoice, LongText, QuantityInput, TextInput } from '../../forms/fields.tsx';
import { MomentField } from '../../forms/MomentField.tsx';
import { Sheet } from '../../ui/Dialog.tsx';
import { say } from '../../ui/say.ts';
import { T } from '../../ui/Text.tsx';
import { usePour } from '../pour-context.tsx';
import type { PourView } from '../pour-view.ts';

type Body = Record<string, unknown>;

/** An entry put right where it stands: what it says and when it happened, by who may; or taken back. */
export default function CorrectSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const e = v.state.seen.get(id);
  const fields = e ? correctable(e) : null;
  if (!e || fields === null || v.state.superseded.has(id))
    return (
      <Sheet open onClose={onClose} title="Put an entry right">
        <p>This entry is not there any more: it was put right or taken back meanwhile.</p>
      </Sheet>
    );
  const body = e.body as Body;
  const atMs = Date.parse(e.at);
  return (
    <Sheet open onClose={onClose} title="Put it right">
      <p className="mb-3 text-ink2">
        <T>{`${e.actor}, ${entryTimeText(atMs, v.dayMs, v.record.site.timeZone)}: ${entryText(e, v.units)}. `}</T>
        What it said stays in the log, struck through.
      </p>
      <EntryForm
        schema={kindOf(e.kind).body as z.ZodType<Body, Body>}
        defaults={body}
        happened={atMs}
        write={(now, { atMs: at = atMs }) =>
          same(now, body) && at === atMs ? close(onClose) : correct(v, e, now, at).then(onClose)
        }
        act="Put right"
        className="grid grid-cols-2 gap-3"
      >
        {fields.map((f) => (
          <Field key={f.name} field={f} v={v} />
        ))}
      </EntryForm>
      <button
        type="button"
        className="btn line mt-2 w-full"
        onClick={() =>
          void v
            .write('supersede', {}, { supersedes: e.id })
            .then(onClose)
            .catch(() => undefined)
        }
      >
        Take it back
      </button>
    </Sheet>
  );
}

const same = (a: Body, b: Body) =>
  Object.keys({ ...a, ...b }).every((k) => JSON.stringify(a[k]) === JSON.stringify(b[k]));

async function close(onClose: () => void) {
  say('Nothing was changed.');
  onClose();
  await Promise.resolve();
}

const correct = (v: PourView, e: LogEvent, body: Body, atMs: number) =>
  v.write(e.kind, body, { supersedes: e.id, atMs });

const asOptions = (names: readonly string[]) => Object.fromEntries(names.map((n) => [n, n]));

/** One field of the entry, typed as what it is. */
function Field({ field: f, v }: { field: CorrectableField; v: PourView }) {
  switch (f.typed) {
    case 'words':
      return <TextInput name={f.name} label={f.label} />;
    case 'long':
      return (
        <div className="col-span-full">
          <LongText name={f.name} label={f.label} />
        </div>
      );
    case 'figure':
      return <QuantityInput name={f.name} label={f.label} required={f.required} />;
    case 'choice':
      return <Choice field={f} options={f.options ?? {}} />;
    case 'run':
      return <Choice field={f} options={asOptions(v.record.pour.elements)} />;
    case 'load':
      return (
        <Choice
          field={f}
          options={asOptions(v.loads.filter((l) => l.arrivedAt !== null).map((l) => l.id))}
        />
      );
    case 'lift':
      return <LiftChoice v={v} />;
    case 'moment':
      return <Moment field={f} />;
  }
}

/** One of a few, off a list; nothing where it may be left out. */
function Choice({
  field: { name, label, required },
  options,
}: {
  field: CorrectableField;
  options: Readonly<Record<string, string>>;
}) {
  const { register } = useFormContext();
  return (
    <label>
      {label}
      <select
        className="field mt-1"
        {...register(name, { setValueAs: (x: string) => (x === '' ? undefined : x) })}
      >
        {!required && <option value="">not said</option>}
        {Object.entries(options).map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

function LiftChoice({ v }: { v: PourView }) {
  const { getValues } = useFormContext();
  const most = Math.max(Number(getValues('lift')), mostLifts(v.plan.route) - 1);
  return (
    <ChipChoice
      name="lift"
      label="Lift"
      options={Array.from({ length: most + 1 }, (_, i) => i)}
      say={(i) => `lift ${Number(i) + 1}`}
    />
  );
}

/** A moment the entry tells beside its own, as when a load was batched. */
function Moment({ field: { name, label } }: { field: CorrectableField }) {
  const { field } = useController({ name });
  return (
    <MomentField
      label={label}
      ms={Date.parse(String(field.value))}
      onChange={(ms) => {
        field.onChange(new Date(ms).toISOString());
      }}
    />
  );
}
