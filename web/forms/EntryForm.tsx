import { useState, type ReactNode } from 'react';
import { FormProvider, type DefaultValues, type FieldValues } from 'react-hook-form';
import type { z } from 'zod';
import { refuseHappened } from '#core/log';
import { useSite } from '../app/site-context.tsx';
import { stampNow } from '../sync/clock.ts';
import { MomentField } from './MomentField.tsx';
import { usePostForm } from './usePostForm.ts';

/** When what an entry tells happened, where that is not as it is written. */
interface Happened {
  atMs?: number;
}

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
  happened,
  className = 'flex flex-col gap-3',
  children,
}: {
  schema: z.ZodType<T, T>;
  defaults: DefaultValues<T>;
  write: (body: T, when: Happened) => Promise<unknown>;
  /** What its button does. */
  act: string;
  /** What it does is against the usual: its button warns. */
  warn?: boolean;
  /** Why it cannot be written at all as things stand. */
  refused?: string | null;
  /** Its own time may be another: asked on a press, or given as it stands, epoch ms. */
  happened?: 'ask' | number;
  className?: string;
  children: ReactNode;
}) {
  const { units } = useSite();
  const [atMs, setAtMs] = useState(typeof happened === 'number' ? happened : null);
  const early = atMs === null ? null : refuseHappened(atMs, stampNow());
  const form = usePostForm<T>(
    schema,
    defaults,
    async (body) => {
      await write(body, atMs === null ? {} : { atMs });
    },
    units,
  );
  return (
    <FormProvider {...form}>
      <form className={className} onSubmit={(e) => void form.submit(e)} noValidate>
        {children}
        {atMs !== null && (
          <MomentField
            label="Happened at"
            ms={atMs}
            onChange={setAtMs}
            error={early === null ? undefined : `That ${early}.`}
          />
        )}
        {refused && (
          <p className="col-span-full font-semibold text-chalk-t" role="alert">
            {refused}
          </p>
        )}
        <button
          className={`btn col-span-full ${warn ? 'warn' : ''}`}
          disabled={form.busy || Boolean(refused) || early !== null}
        >
          {act}
        </button>
        {happened === 'ask' && atMs === null && (
          <button
            type="button"
            className="col-span-full min-h-12 text-left font-semibold text-press"
            onClick={() => {
              setAtMs(stampNow());
            }}
          >
            It happened earlier
          </button>
        )}
      </form>
    </FormProvider>
  );
}
