import { useWatch } from 'react-hook-form';
import type { z } from 'zod';
import { type Mixer, MIXER_BY, mixerSchema } from '#core/model';
import { mixerText } from '#core/words';
import { useSite } from '../app/site-context.tsx';
import { EntryForm } from '../forms/EntryForm.tsx';
import { ChipChoice, QuantityInput, TextInput } from '../forms/fields.tsx';
import { Sheet } from '../ui/Dialog.tsx';
import { T } from '../ui/Text.tsx';
import { NEW, withIds } from './fresh-id.ts';
import { ResourceList, type RowForm } from './ResourceList.tsx';

const formSchema = mixerSchema as unknown as z.ZodType<Mixer, Mixer>;
const BAGS_LB = [80, 60, 50, 40];

/** What a new one starts from: all that its schema would fill in, and a drum as they are hired. */
const FRESH: Mixer = {
  ...mixerSchema.parse({ id: NEW, label: NEW, batchM3: 0.1, batchMin: 8 }),
  label: '',
};

/** What mixes on this site: a list, each changed in place. */
export default function MixersSheet({ onClose }: { onClose: () => void }) {
  const v = useSite();
  return (
    <Sheet open onClose={onClose} title="Mixed on the site">
      <ResourceList
        items={v.site.mixers}
        keyOf={(m) => m.id}
        nameOf={(m) => m.label}
        tells={(m) => <T>{mixerText(m, v.units)}</T>}
        save={(list) => v.saveResources({ mixers: withIds(list, 'mixer') })}
        add="Add a mixer"
        form={(row) => <MixerForm {...row} />}
      />
    </Sheet>
  );
}

function MixerForm({ of, write }: RowForm<Mixer>) {
  return (
    <EntryForm
      schema={formSchema}
      defaults={of ?? FRESH}
      write={write}
      act="Keep"
      className="grid grid-cols-2 gap-3"
    >
      <TextInput name="label" label="What it is called" className="col-span-full" autoFocus />
      <QuantityInput name="batchM3" label="a batch gives" quantity="M3" />
      <QuantityInput name="batchMin" label="from batch to batch" quantity="Min" />
      <ChipChoice name="by" options={MIXER_BY} label="Mixed by" />
      <Recipe />
      <QuantityInput name="trailerKg" label="the trailer carries" quantity="Kg" />
    </EntryForm>
  );
}

/** What goes in: parts by volume and how much water, or how heavy the bags are. */
function Recipe() {
  const by = useWatch<Mixer, 'by'>({ name: 'by' });
  if (by === 'bags') return <ChipChoice name="bagLb" options={BAGS_LB} label="Bags of, lb" />;
  return (
    <>
      <QuantityInput name="cement" label="cement, parts" quantity={null} />
      <QuantityInput name="sand" label="sand, parts" quantity={null} />
      <QuantityInput name="stone" label="stone, parts" quantity={null} />
      <QuantityInput name="wcRatio" label="water to cement, by weight" quantity={null} />
    </>
  );
}
