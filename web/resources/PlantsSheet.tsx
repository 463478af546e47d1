import type { z } from 'zod';
import { type Plant, plantSchema } from '#core/model';
import { counted, textOf, volume } from '#core/units';
import { useSite } from '../app/site-context.tsx';
import { EntryForm } from '../forms/EntryForm.tsx';
import { QuantityInput, QuantityList, TextInput } from '../forms/fields.tsx';
import { Sheet } from '../ui/Dialog.tsx';
import { NEW, withIds } from './fresh-id.ts';
import { ResourceList, type RowForm } from './ResourceList.tsx';

const formSchema = plantSchema as unknown as z.ZodType<Plant, Plant>;

/** Where the concrete comes from: a list, each changed in place. */
export default function PlantsSheet({ onClose }: { onClose: () => void }) {
  const v = useSite();
  return (
    <Sheet open onClose={onClose} title="Plants">
      <ResourceList
        items={v.site.plants}
        keyOf={(p) => p.id}
        nameOf={(p) => p.label}
        tells={(p) =>
          `${p.travel.medianMin} min away, ${counted(p.trucksM3.length, 'size')} of truck up to ${textOf(volume(Math.max(...p.trucksM3), v.units, 0))}`
        }
        save={(list) => v.saveResources({ plants: withIds(list, 'plant') })}
        add="Add a plant"
        form={(row) => <PlantForm {...row} />}
      />
    </Sheet>
  );
}

function PlantForm({ of, write }: RowForm<Plant>) {
  const { site } = useSite();
  const money = site.currency ? `, ${site.currency}` : '';
  return (
    <EntryForm
      schema={formSchema}
      defaults={
        of ?? {
          id: NEW,
          label: '',
          travel: { medianMin: 30, p90Min: 40 },
          plantDelay: { medianMin: 5, p90Min: 15 },
          roundTripMin: 100,
          trucksM3: [],
          minLoadM3: 0,
          stepM3: 0.25,
        }
      }
      write={write}
      act="Keep"
      className="grid grid-cols-2 gap-3"
    >
      <TextInput name="label" label="What it is called" autoFocus />
      <TextInput name="contact" label="Who is rung" />
      <QuantityInput name="travel.medianMin" label="on the road, mostly" quantity="Min" />
      <QuantityInput name="travel.p90Min" label="9 times of 10 within" quantity="Min" />
      <QuantityInput
        name="plantDelay.medianMin"
        label="late from the plant, mostly"
        quantity="Min"
      />
      <QuantityInput name="plantDelay.p90Min" label="9 times of 10 within" quantity="Min" />
      <QuantityInput name="roundTripMin" label="a truck is back after" />
      <QuantityList name="trucksM3" label="Trucks" quantity="M3" />
      <QuantityInput name="minLoadM3" label="least load" />
      <QuantityInput name="stepM3" label="ordered in steps of" />
      <QuantityInput
        name="shortLoadFee"
        label={`a load under the least${money}`}
        quantity={null}
        required={false}
      />
      <QuantityInput name="noticeMin" label="wants to be told before" required={false} />
      <QuantityInput name="openMin" label="first batch" clock required={false} />
      <QuantityInput name="closeMin" label="last batch" clock required={false} />
      <QuantityInput name="freeUnloadMin" label="unloading free for" required={false} />
      <QuantityInput
        name="waitPerMin"
        label={`a minute after${money}`}
        quantity={null}
        required={false}
      />
    </EntryForm>
  );
}
