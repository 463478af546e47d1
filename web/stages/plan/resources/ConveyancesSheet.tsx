import { useState } from 'react';
import type { z } from 'zod';
import { type Conveyance, conveyanceSchema } from '#core/model';
import { distanceText, textOf, volume } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { ChipChoice, QuantityInput, TextInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';
import { T } from '../../../ui/Text.tsx';

const KINDS = ['chute', 'line', 'boom', 'skip', 'loader', 'barrow'];
/** Every field of the form is given: what the schema would fill in stands in it. */
const formSchema = conveyanceSchema as unknown as z.ZodType<Conveyance, Conveyance>;

/** A name for a new one that no other has. */
function freshId(label: string, taken: readonly string[]): string {
  const base =
    label
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, 40) || 'conveyance';
  let id = base;
  for (let n = 2; taken.includes(id); n += 1) id = `${base}-${n}`;
  return id;
}

/** What conveys concrete on this site: a list, each changed in place. */
export default function ConveyancesSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { conveyances } = v.record.site;
  const [open, setOpen] = useState<string | null>(null);
  const put = (c: Conveyance, was: string | null) =>
    v
      .saveResources({
        conveyances:
          was === null
            ? [
                ...conveyances,
                {
                  ...c,
                  id: freshId(
                    c.label,
                    conveyances.map((x) => x.id),
                  ),
                },
              ]
            : conveyances.map((x) => (x.id === was ? { ...x, ...c, id: was } : x)),
      })
      .then(() => {
        setOpen(null);
      });
  return (
    <Sheet open onClose={onClose} title="What conveys the concrete">
      <ul className="rows mb-3">
        {conveyances.map((c) => (
          <li key={c.id} className="py-2">
            {open === c.id ? (
              <ConveyanceForm
                of={c}
                write={(body) => put(body, c.id)}
                remove={() =>
                  v
                    .saveResources({ conveyances: conveyances.filter((x) => x.id !== c.id) })
                    .then(() => {
                      setOpen(null);
                    })
                }
              />
            ) : (
              <button
                type="button"
                className="flex min-h-12 w-full items-center justify-between gap-3 text-left"
                onClick={() => {
                  setOpen(c.id);
                }}
              >
                <b className="font-semibold">{c.label}</b>
                <span className="text-ink2">
                  <T>{`${distanceText(c.reachM, v.units)}, ${textOf(volume(c.rateM3PerH, v.units, 0))} an hour`}</T>
                </span>
              </button>
            )}
          </li>
        ))}
      </ul>
      {open === 'new' ? (
        <ConveyanceForm of={null} write={(body) => put(body, null)} remove={null} />
      ) : (
        <button
          type="button"
          className="btn line w-full"
          onClick={() => {
            setOpen('new');
          }}
        >
          Add one
        </button>
      )}
    </Sheet>
  );
}

function ConveyanceForm({
  of,
  write,
  remove,
}: {
  of: Conveyance | null;
  write: (body: Conveyance) => Promise<void>;
  remove: (() => Promise<void>) | null;
}) {
  const [refused, setRefused] = useState<string | null>(null);
  return (
    <>
      <EntryForm
        schema={formSchema}
        defaults={
          of ?? {
            id: 'new',
            label: '',
            kind: 'chute',
            leastReachM: 0,
            slumpLossMm: 0,
            staysInM3: 0,
            hands: 1,
          }
        }
        write={write}
        act="Keep"
        className="grid grid-cols-2 gap-3"
      >
        <TextInput name="label" label="What it is called" className="col-span-full" autoFocus />
        <ChipChoice name="kind" options={KINDS} label="Kind" />
        <QuantityInput name="reachM" label="reaches" quantity="M" />
        <QuantityInput name="leastReachM" label="not nearer than" quantity="M" />
        <QuantityInput name="rateM3PerH" label="at most, an hour" quantity="M3PerH" />
        <QuantityInput name="staysInM3" label="stays in it" quantity="M3" />
        <QuantityInput
          name="leastSlumpMm"
          label="needs a slump of"
          quantity="Mm"
          required={false}
        />
        <QuantityInput name="slumpLossMm" label="takes off the slump" quantity="Mm" />
        <QuantityInput
          name="largestAggregateMm"
          label="largest aggregate"
          quantity="Mm"
          required={false}
        />
        <QuantityInput name="windNoKmH" label="stops at wind of" quantity="KmH" required={false} />
        <QuantityInput name="hire" label="hire, a day" quantity={null} required={false} />
      </EntryForm>
      {remove && (
        <button
          type="button"
          className="mt-1 min-h-12 font-semibold text-chalk-t"
          onClick={() => {
            remove().catch((e: unknown) => {
              setRefused(e instanceof Error ? e.message : 'That did not work.');
            });
          }}
        >
          Take it off the list
        </button>
      )}
      {refused && (
        <p className="font-semibold text-chalk-t" role="alert">
          {refused}
        </p>
      )}
    </>
  );
}
