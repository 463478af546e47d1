import { useId, type ComponentProps } from 'react';

/** A field of a form: its label, and what is wrong with it beside it. Spread what `register` gives over it. */
export function FormField({
  label,
  error,
  hint,
  className = '',
  ...input
}: ComponentProps<'input'> & {
  label: string;
  error?: string | undefined;
  hint?: string | undefined;
}) {
  const id = useId();
  const said = error ?? hint;
  return (
    <div className={className}>
      <label htmlFor={id}>{label}</label>
      <input
        {...input}
        id={id}
        className="field mt-1"
        aria-invalid={error ? true : undefined}
        aria-describedby={said ? `${id}-said` : undefined}
      />
      {said && (
        <p
          id={`${id}-said`}
          role={error ? 'alert' : undefined}
          className={`mt-1 ${error ? 'font-semibold text-chalk-t' : 'text-[14px] leading-[18px] text-ink2'}`}
        >
          {error ?? hint}
        </p>
      )}
    </div>
  );
}

/** A PIN, which is not shown, from the keys of a phone's number pad. */
export function PinField(field: ComponentProps<typeof FormField>) {
  return <FormField type="password" inputMode="numeric" autoComplete="off" {...field} />;
}
