import { useFormContext, useWatch } from 'react-hook-form';
import type { z } from 'zod';
import { type Conveyance, conveyanceSchema } from '#core/model';
import { distanceText, textOf, volume } from '#core/units';
import { useSite } from '../app/site-context.tsx';
import { EntryForm } from '../forms/EntryForm.tsx';
import { ChipChoice, QuantityInput, TextInput } from '../forms/fields.tsx';
import { Sheet } from '../ui/Dialog.tsx';
import { T } from '../ui/Text.tsx';
import { NEW, withIds } from './fresh-id.ts';
import { ResourceList, type RowForm } from './ResourceList.tsx';

const KINDS = ['chute', 'line', 'boom', 'skip', 'loader', 'barrow'];
/** Every field of the form is given: what the schema would fill in stands in it. */
const formSchema = conveyanceSchema as unknown as z.ZodType<Conveyance, Conveyance>;

/** What conveys concrete on this site: a list, each changed in place. */
export default function ConveyancesSheet({ onClose }: { onClose: () => void }) {
  const v = useSite();
  return (
    <Sheet open onClose={onClose} title="What conveys the concrete">
      <ResourceList
        items={v.site.conveyances}
        keyOf={(c) => c.id}
        nameOf={(c) => c.label}
        tells={(c) => (
          <T>{`${distanceText(c.reachM, v.units)}, ${textOf(volume(c.rateM3PerH, v.units, 0))} an hour`}</T>
        )}
        save={(list) => v.saveResources({ conveyances: withIds(list, 'conveyance') })}
        add="Add one"
        form={(row) => <ConveyanceForm {...row} />}
      />
    </Sheet>
  );
}

/** Its legs, where they are known: how far they stand out, and the worst of one. */
function Legs() {
  const { setValue } = useFormContext<Conveyance>();
  const legs = useWatch<Conveyance, 'outriggers'>({ name: 'outriggers' });
  return (
    <>
      <button
        type="button"
        className="chip col-span-full justify-center"
        aria-pressed={legs !== undefined}
        onClick={() => {
          setValue('outriggers', legs === undefined ? NO_LEGS : undefined);
        }}
      >
        its legs are known
      </button>
      {legs !== undefined && (
        <>
          <QuantityInput name="outriggers.spreadM" label="from leg to leg" quantity="M" />
          <QuantityInput name="outriggers.reactionKN" label="worst of one leg" quantity="KN" />
        </>
      )}
    </>
  );
}
/** Known to be there, and not typed yet: the schema asks for both. */
const NO_LEGS = {} as NonNullable<Conveyance['outriggers']>;

function ConveyanceForm({ of, write }: RowForm<Conveyance>) {
  return (
    <EntryForm
      schema={formSchema}
      defaults={
        of ?? {
          id: NEW,
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
      <QuantityInput name="leastSlumpMm" label="needs a slump of" quantity="Mm" required={false} />
      <QuantityInput name="slumpLossMm" label="takes off the slump" quantity="Mm" />
      <QuantityInput
        name="largestAggregateMm"
        label="largest aggregate"
        quantity="Mm"
        required={false}
      />
      <QuantityInput name="windNoKmH" label="stops at wind of" quantity="KmH" required={false} />
      <QuantityInput name="hire" label="hire, a day" quantity={null} required={false} />
      <QuantityInput
        name="idlePerMin"
        label="standing, a minute"
        quantity={null}
        required={false}
      />
      <QuantityInput name="hands" label="hands it takes" quantity={null} />
      <QuantityInput name="lineDiameterMm" label="inside of its line" required={false} />
      <Legs />
    </EntryForm>
  );
}
