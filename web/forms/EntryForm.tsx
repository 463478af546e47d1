import type { ReactNode } from 'react';
import { FormProvider, type DefaultValues, type FieldValues } from 'react-hook-form';
import type { z } from 'zod';
import { useSite } from '../app/site-context.tsx';
import { usePostForm } from './usePostForm.ts';

/**
 * A form that writes an entry, made from the entry's own schema: limits, units and words of its
 * fields come from there. What could not be kept stands in it still, and is said by whoever writes.
 */
export function EntryForm<T extends FieldValues>({
  schema,
  defaults,
  write,
  act,
  warn = false,
  refused,
  className = 'flex flex-col gap-3',
  children,
}: {
  schema: z.ZodType<T, T>;
  defaults: DefaultValues<T>;
  write: (body: T) => Promise<unknown>;
  /** What its button does. */
  act: string;
  /** What it does is against the usual: its button warns. */
  warn?: boolean;
  /** Why it cannot be written at all as things stand. */
  refused?: string | null;
  className?: string;
  children: ReactNode;
}) {
  const { units } = useSite();
  const form = usePostForm<T>(
    schema,
    defaults,
    async (body) => {
      await write(body);
    },
    units,
  );
  return (
    <FormProvider {...form}>
      <form className={className} onSubmit={(e) => void form.submit(e)} noValidate>
        {children}
        {refused && (
          <p className="col-span-full font-semibold text-chalk-t" role="alert">
            {refused}
          </p>
        )}
        <button
          className={`btn col-span-full ${warn ? 'warn' : ''}`}
          disabled={form.busy || Boolean(refused)}
        >
          {act}
        </button>
      </form>
    </FormProvider>
  );
}
