import { useId, useState } from 'react';
import { useController, useFormContext } from 'react-hook-form';
import { sentenceIn } from '#core/kit';
import {
  fieldText,
  fromShown,
  type Quantity,
  quantityOfField,
  shownUnit,
  toShown,
} from '#core/units';
import { useSite } from '../app/site-context.tsx';
import { QuantityField } from '../ui/QuantityField.tsx';
import { FormField } from './FormField.tsx';
import { words } from './usePostForm.ts';

/** What is wrong with a field of the form round it, in the site's units. */
function useSaid(name: string): string | undefined {
  const { units } = useSite();
  const { getFieldState, formState } = useFormContext();
  const message = getFieldState(name, formState).error?.message;
  return message && sentenceIn(message, units);
}

/** A figure with its unit: kept in SI, shown and typed in the site's own. */
export function QuantityInput({
  name,
  label,
  quantity = quantityOfField(name),
  required = true,
  autoFocus = false,
  clock = false,
  also,
}: {
  name: string;
  label: string;
  quantity?: Quantity | null;
  required?: boolean;
  autoFocus?: boolean;
  /** Minutes after midnight, written as a time. */
  clock?: boolean;
  /** Another figure that is always the same. */
  also?: string;
}) {
  const { units } = useSite();
  const { setValue } = useFormContext();
  const { field } = useController({ name });
  const value = field.value as number | null | undefined;
  return (
    <QuantityField
      label={label}
      quantity={quantity}
      units={units}
      value={value == null || Number.isNaN(value) ? null : value}
      onChange={(n, unreadable) => {
        // What cannot be read is no figure that may be left out: the schema refuses it.
        const given = unreadable ? Number.NaN : n;
        field.onChange(given);
        if (also) setValue(also, given);
      }}
      onBlur={field.onBlur}
      error={useSaid(name)}
      required={required}
      autoFocus={autoFocus}
      clock={clock}
    />
  );
}

/** Several figures of one kind in a line, with commas between: the sizes of trucks. */
export function QuantityList({
  name,
  label,
  quantity,
}: {
  name: string;
  label: string;
  quantity: Quantity;
}) {
  const { units } = useSite();
  const { field } = useController({ name });
  const [text, setText] = useState(() =>
    (field.value as number[])
      // As it is said: what a file has to the last digit is not shown so.
      .map((v) => fieldText(Number(toShown(v, quantity, units).toPrecision(4))))
      .join(', '),
  );
  return (
    <FormField
      label={`${label}, ${shownUnit(quantity, units)}`}
      value={text}
      error={useSaid(name)}
      onBlur={field.onBlur}
      onChange={(e) => {
        setText(e.target.value);
        const parts = e.target.value.split(/[,;]\s*/).filter((p) => p.trim() !== '');
        field.onChange(parts.map((p) => fromShown(Number(p.trim()), quantity, units)));
      }}
    />
  );
}

/** A line of words. */
export function TextInput({
  name,
  ...rest
}: { name: string } & Pick<
  Parameters<typeof FormField>[0],
  'label' | 'className' | 'autoFocus' | 'inputMode' | 'hint' | 'list'
>) {
  const { register } = useFormContext();
  return <FormField {...rest} {...register(name, { setValueAs: words })} error={useSaid(name)} />;
}

/** Words that may take some lines. */
export function LongText({ name, label }: { name: string; label: string }) {
  const { register } = useFormContext();
  const said = useSaid(name);
  const id = useId();
  return (
    <div>
      <label htmlFor={id}>{label}</label>
      <textarea
        autoFocus
        id={id}
        className="field mt-1"
        rows={3}
        aria-invalid={said !== undefined}
        aria-describedby={said === undefined ? undefined : `${id}-said`}
        {...register(name, { setValueAs: words })}
      />
      {said && (
        <p id={`${id}-said`} className="font-semibold text-chalk-t" role="alert">
          {said}
        </p>
      )}
    </div>
  );
}

/** One of a few, a press each. */
export function ChipChoice({
  name,
  options,
  label,
  say = String,
}: {
  name: string;
  options: readonly (string | number)[];
  label?: string;
  /** What stands on the chip, where that is not the value. */
  say?: (option: string | number) => string;
}) {
  const { field } = useController({ name });
  return (
    <div className="col-span-full flex flex-wrap gap-2" role="group" aria-label={label}>
      {options.map((o) => (
        <button
          key={o}
          type="button"
          className="chip"
          aria-pressed={field.value === o}
          onClick={() => {
            field.onChange(o);
          }}
        >
          {say(o)}
        </button>
      ))}
    </div>
  );
}

/** Yes, or nothing said: a press each way. */
export function ToggleChip({ name, label }: { name: string; label: string }) {
  const { field } = useController({ name });
  return (
    <button
      type="button"
      className="chip col-span-full justify-self-start"
      aria-pressed={field.value === true}
      onClick={() => {
        field.onChange(field.value === true ? undefined : true);
      }}
    >
      {label}
    </button>
  );
}

/** Some of many, a press each; a second press takes it out again. */
export function ChipSet({
  name,
  options,
  label,
}: {
  name: string;
  options: readonly string[];
  label: string;
}) {
  const { field } = useController({ name });
  const chosen = field.value as string[];
  const said = useSaid(name);
  return (
    <div>
      <div
        className="flex max-h-[220px] flex-wrap gap-2 overflow-auto"
        role="group"
        aria-label={label}
      >
        {options.map((o) => (
          <button
            key={o}
            type="button"
            className="chip"
            aria-pressed={chosen.includes(o)}
            onClick={() => {
              field.onChange(chosen.includes(o) ? chosen.filter((x) => x !== o) : [...chosen, o]);
            }}
          >
            {o}
          </button>
        ))}
      </div>
      {said && (
        <span className="font-semibold text-chalk-t" role="alert">
          {said}
        </span>
      )}
    </div>
  );
}
